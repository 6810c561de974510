/** Circles in a graph of imports. */

/**
 * Tarjan's strongly connected components: those of more than one node, and nodes that lead to themselves, are circles.
 *
 * @param graph a map from each node to those that it leads to
 * @returns the members of each circle
 */
export function circlesIn(graph) {
  const found = [];
  const order = new Map();
  const low = new Map();
  const stack = [];
  const visit = (node) => {
    order.set(node, order.size);
    low.set(node, order.get(node));
    stack.push(node);
    for (const next of graph.get(node) ?? []) {
      if (!order.has(next)) visit(next);
      if (stack.includes(next)) low.set(node, Math.min(low.get(node), low.get(next)));
    }
    if (low.get(node) !== order.get(node)) return;
    const members = stack.splice(stack.indexOf(node));
    if (members.length > 1 || graph.get(node)?.includes(node)) found.push(members);
  };
  for (const node of graph.keys()) if (!order.has(node)) visit(node);
  return found;
}

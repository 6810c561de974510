/** Members of each circle of a graph; see graph.mjs. */
export function circlesIn<Node>(graph: ReadonlyMap<Node, readonly Node[]>): Node[][];

/**
 * Names in the code are the terms of the trade: words of our own that were put away do not come back. What is declared
 * is looked at - variables, parameters, functions, types and the fields of types - not what a library calls its own.
 */

/** The old word, and what the trade says. */
export const PUT_AWAY = {
  mishap: 'positioningError',
  lie: 'positioningError: how far the part is from where it should be',
  hang: 'orientForViewing: how a picture is turned for the reader',
  light: 'lightField, or collimated field',
  places: 'screens of the app; positions, landmarks or cells elsewhere',
  told: 'readout, step or what exactly was said',
  given: 'adapted, for another way than the entry’s own',
  still: 'immobilized, cooperative or motionless',
  held: 'supported for a part, limited for a joint',
  wanted: 'target for a relation or a measure, needed for a distance or an angle',
};

/** Fields of published formats and of the public surface, which keep their names. */
const PUBLISHED = new Set([
  ...['sidWantedMm', 'gridWanted', 'wantedMas', 'wantedMm', 'wanted'],
  ...['keepStill', 'holdsStill', 'still', 'canLieFlat'],
  ...['given', 'asGiven', 'heldBy'],
]);
/** The one sense of a light that is not a field. */
const COMPOUNDS = /light[_ ]?fields?|day[_ ]?light/gi;

/** Where a way is another way of doing a projection; anywhere else it is an axis, a direction or a positioning. */
const NO_WAYS =
  /packages\/core\/src\/(quantity|geometry|projections|body|room|exposure|critique|radiograph|exercise|setup\/(verdict|ray|collimation|technique|readouts|stage))\//;

const wordsOf = (name) =>
  name
    .replaceAll(/([a-z\d])([A-Z])/g, '$1 $2')
    .replaceAll(/([A-Z]+)([A-Z][a-z])/g, '$1 $2')
    .toLowerCase()
    .split(/[\s_$]+/);

/** @returns what is wrong with a name, or null */
export function oldWordIn(name, filename) {
  if (PUBLISHED.has(name)) return null;
  const words = wordsOf(name).join(' ').replaceAll(COMPOUNDS, '').split(' ');
  const old = words.find((word) => Object.hasOwn(PUT_AWAY, word));
  if (old) return `“${old}” is no term of the trade: ${PUT_AWAY[old]}.`;
  if (NO_WAYS.test(filename) && words.includes('way') && !words.includes('other') && !words.includes('adapted'))
    return 'A way is another way of doing a projection: say axis, direction or positioning.';
  return null;
}

const rule = {
  meta: { type: 'problem', schema: [], messages: { old: '{{name}}: {{why}}' } },
  create(context) {
    const check = (node) => {
      const why = oldWordIn(node.name, context.filename);
      if (why) context.report({ node, messageId: 'old', data: { name: node.name, why } });
    };
    return {
      'Program:exit'() {
        for (const scope of context.sourceCode.scopeManager.scopes)
          for (const variable of scope.variables)
            for (const definition of variable.defs)
              if (definition.type !== 'ImportBinding' && definition.name.type === 'Identifier') check(definition.name);
      },
      'TSPropertySignature > Identifier.key': check,
    };
  },
};

export default { rules: { 'no-old-words': rule } };

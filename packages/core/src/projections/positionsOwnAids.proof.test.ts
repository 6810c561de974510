/** What is brought and said for one position of an entry is not brought and said for another. */
import { computeSetup } from '../setup/computeSetup';
import { projections } from './catalogue';

/** What one lies on, under or against, and what is asked of one who lies. */
const FOR_LYING =
  /\b(under the (knees|waist|head|hip|back)|pillow|wedge|cushion|pad for the waist|pad under|sheet to slide|lead strip|on the table behind|lies flat|parallel to the table|head end of the table|legs? extended)\b/i;
/** What is asked of one who stands. */
const FOR_STANDING = /\b(weight even|both feet|feet apart|shoes off|lean into|on the stand)\b/i;

const setups = projections.flatMap((entry) =>
  [...new Set(entry.positions.map(({ body }) => body))].map((body) => {
    const setup = computeSetup({
      projectionId: entry.id,
      ...(entry.sided === 'each' ? { side: 'left' as const } : {}),
      overrides: { position: body },
    });
    return { id: entry.id, body, texts: [setup.position.say, ...setup.aids, ...setup.steps.map(({ text }) => text)] };
  }),
);
const saying = (bodies: RegExp, words: RegExp): string[] =>
  setups
    .filter(({ body }) => bodies.test(body))
    .flatMap(({ id, body, texts }) => texts.filter((text) => words.test(text)).map((text) => `${id} ${body}: ${text}`));

test('who stands is given nothing to lie on, and who lies nothing of one who stands', () => {
  expect(saying(/^upright$/, FOR_LYING)).toEqual([]);
  expect(saying(/^(supine|prone|lateral-recumbent)$/, FOR_STANDING)).toEqual([]);
  const counted = (bodies: RegExp) => setups.filter(({ body }) => bodies.test(body)).length;
  expect(counted(/^upright$/)).toBeGreaterThan(80);
  expect(counted(/^(supine|prone|lateral-recumbent)$/)).toBeGreaterThan(150);
});

import { oldWordIn, PUT_AWAY } from './termsOfTheTrade.mjs';

const CORE = '/taktik/packages/core/src/';

test.each([
  ['mishap', 'body/a.ts'],
  ['consoleMishap', 'radiograph/a.ts'],
  ['useDragLie', 'body/a.ts'],
  ['centreTold', 'setup/a.ts'],
  ['StillPart', 'setup/a.ts'],
  ['inTheLight', 'radiograph/a.ts'],
  ['sameWay', 'exercise/a.ts'],
  ['way', 'critique/a.ts'],
])('%s in %s is refused', (name, file) => {
  expect(oldWordIn(name, CORE + file)).toMatch(/term of the trade|another way/);
});

test.each([
  ['lightField', 'radiograph/a.ts'],
  ['way', 'adapt/a.ts'],
  ['OtherWay', 'projections/a.ts'],
  ['sidWantedMm', 'setup/a.ts'],
  ['canLieFlat', 'setup/a.ts'],
  ['believes', 'body/a.ts'],
  ['distillery', 'body/a.ts'],
  ['highlights', 'body/a.ts'],
])('%s in %s stays', (name, file) => {
  expect(oldWordIn(name, CORE + file)).toBeNull();
});

test('every word that was put away says what the trade says', () => {
  expect(Object.keys(PUT_AWAY).length).toBeGreaterThan(8);
  for (const says of Object.values(PUT_AWAY)) expect(says).toMatch(/[a-z]{4}/);
});

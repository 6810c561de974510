import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { projectionOf } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { proveEntry } from '../setup/proveEntry';
import { computeSetup } from '../setup/computeSetup';
import { catalogueJsonSchema, exportCatalogue, importCatalogue } from './catalogueDocument';
import { roomJsonSchema } from './roomDocument';
import { catalogueTable } from './catalogueTable';

const copy = (id: string, change: Partial<Projection> = {}): Projection => ({
  ...projectionOf(id),
  id: `own-${id}`,
  ...change,
});
const own = copy('knee-ap', { name: 'Knee, AP, our way', sid: { wantedMm: 1150, rangeMm: [1016, 1220] } });

test('an exported catalogue is read back the same', () => {
  const document = JSON.parse(
    JSON.stringify(exportCatalogue([own, copy('chest-pa')], { kneeApAngle: 'none' } as never)),
  );
  const read = importCatalogue(document);
  expect(read).toEqual({ ok: true, entries: [own, copy('chest-pa')], rules: { kneeApAngle: 'none' } });
});

test('an own entry is computed as it was changed', () => {
  const setup = computeSetup({ projectionId: own.id, own, side: 'left' });
  expect(setup.tube.sidMm).toBe(1150);
  expect(setup.name).toBe('Knee, AP, our way, left');
});

describe('one wrong entry, and nothing is taken: the entry, the field and the rule are named', () => {
  it.each<[string, Partial<Projection> | Record<string, unknown>, string, RegExp]>([
    [
      'a landmark that no body has',
      { aim: { ...own.aim, landmark: 'elbow_of_knee' } },
      'aim',
      /no landmark or structure "elbow_of_knee"/,
    ],
    [
      'a kVp outside its own range',
      { exposure: { ...own.exposure, kVp: 110 } },
      'exposure.kVp',
      /must lie in its own range, 60 to 72/,
    ],
    ['an SID outside its own range', { sid: { wantedMm: 3000, rangeMm: [1016, 1220] } }, 'sid.wantedMm', /./],
    ['an angle past what a tube does', { ray: { ...own.ray, angleDeg: 80 } }, 'ray.angleDeg', /./],
    ['an unknown field', { colour: 'blue' }, 'entry', /colour/],
    ['an id of the catalogue', { id: 'knee-ap' }, 'id', /begins with "own-"/],
    ['a movement that no joint makes', { joints: { kneeTwist: 20 } }, 'joints', /no joint movement "kneeTwist"/],
    [
      'an instead that does not exist',
      { instead: [{ projection: 'knee-xy', loses: 'all' }] },
      'instead.0',
      /no projection "knee-xy"/,
    ],
    [
      'a rule that does not exist',
      { variants: [{ rule: 'moon', choice: 'a', set: {}, reason: 'b' }] },
      'variants.0.rule',
      /no house rule "moon"/,
    ],
    ['too few criteria', { checks: ['one'] }, 'checks', /./],
    [
      'a field that cuts what must be shown',
      { maySplit: false, cover: [{ landmark: 'vertex', name: 'head', marginMm: 10, axis: 'both', offset: [] }] },
      'cover',
      /cuts head/,
    ],
  ])('%s', (_name, change, field, rule) => {
    const bad = { ...own, ...change };
    const read = importCatalogue({ ...exportCatalogue([]), entries: [copy('chest-pa'), bad] });
    expect(read).toEqual({
      ok: false,
      faults: expect.arrayContaining([{ entry: String(bad.id), field, rule: expect.stringMatching(rule) }]),
    });
  });
  it('a document of another kind, no document, an id twice', () => {
    expect(importCatalogue({ format: 'else' })).toMatchObject({
      ok: false,
      faults: expect.arrayContaining([expect.objectContaining({ entry: 'document', field: 'format' })]),
    });
    expect(importCatalogue(null)).toMatchObject({ ok: false });
    expect(importCatalogue(exportCatalogue([own, own]))).toMatchObject({
      ok: false,
      faults: [{ entry: own.id, field: 'id', rule: 'the id stands twice' }],
    });
    expect(importCatalogue({ ...exportCatalogue([own]), rules: { kneeApAngle: 'sideways' } })).toMatchObject({
      ok: false,
      faults: [expect.objectContaining({ field: 'rules.kneeApAngle' })],
    });
  });
});

test('every entry of the catalogue stands its own proofs', () => {
  for (const id of [
    'hand-pa',
    'skull-submentovertical',
    'hip-axiolateral',
    'colon-decubitus',
    'foot-ap-weight-bearing',
    'shoulder-scapular-y',
  ])
    expect(proveEntry(copy(id))).toMatchObject({ ok: true });
});

const file = (path: string) => readFileSync(join(__dirname, '../../../..', path), 'utf8');
test('schema and overview in the documents are those of the code', () => {
  expect(JSON.parse(file('docs/formats/catalogue.schema.json'))).toEqual(
    JSON.parse(JSON.stringify(catalogueJsonSchema())),
  );
  expect(JSON.parse(file('docs/formats/room.schema.json'))).toEqual(JSON.parse(JSON.stringify(roomJsonSchema())));
  expect(file('docs/catalogue.md')).toBe(catalogueTable());
});

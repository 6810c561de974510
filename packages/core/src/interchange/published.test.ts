/** The schemas that are published take every document of ours, by a strict validator that is not ours; and refuse what is none. */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import Ajv from 'ajv/dist/2020';
import { projections } from '../projections/catalogue';
import { demoRooms } from '../room/demoRooms';
import { exportBody } from './bodyDocument';
import { exportCatalogue, importCatalogue, MAX_OWN_ENTRIES } from './catalogueDocument';
import { exportRoom, importRoom } from './roomDocument';

const schema = (name: string): object =>
  JSON.parse(readFileSync(path.resolve(__dirname, `../../../../docs/formats/${name}.schema.json`), 'utf8')) as object;
const validator = (name: string) =>
  new Ajv({ strict: true, strictTuples: false, allErrors: true }).compile(schema(name));
/** As it goes over the wire. */
const sent = <T>(document: T): T => JSON.parse(JSON.stringify(document)) as T;
const faults = (valid: ReturnType<typeof validator>, document: unknown): string[] =>
  valid(document)
    ? []
    : (valid.errors ?? []).map(({ instancePath, message }) => `${instancePath} ${message}`).slice(0, 5);

describe('the catalogue', () => {
  const valid = validator('catalogue');
  test('every shipped entry, and as many together as may be, fit', () => {
    for (const entry of projections)
      expect([entry.id, faults(valid, sent(exportCatalogue([entry])))]).toEqual([entry.id, []]);
    expect(
      faults(valid, sent(exportCatalogue(projections.slice(-MAX_OWN_ENTRIES), { kneeLateralAngle: '7' }))),
    ).toEqual([]);
  });
  test('what is none is refused', () => {
    const [entry] = projections;
    for (const wrong of [
      {},
      { ...exportCatalogue([entry!]), version: 'x' },
      { ...exportCatalogue([entry!]), colour: 1 },
      sent(exportCatalogue([{ ...entry!, sided: 'sometimes' } as never])),
    ])
      expect(faults(valid, wrong)).not.toEqual([]);
  });
  test('out, in and out again it is the same to the byte', () => {
    // As a department's own: entries of the catalogue do not come in.
    const own = projections.filter((_, i) => i % 25 === 0).map((entry) => ({ ...entry, id: `own-${entry.id}` }));
    const text = JSON.stringify(exportCatalogue(own));
    const back = importCatalogue(JSON.parse(text));
    if ('faults' in back) throw new Error(JSON.stringify(back.faults));
    expect(JSON.stringify(exportCatalogue(back.entries))).toBe(text);
  });
});

describe('rooms', () => {
  const valid = validator('room');
  test('every room fits, and comes back the same to the byte', () => {
    for (const room of demoRooms) {
      const text = JSON.stringify(exportRoom(room));
      expect([room.id, faults(valid, JSON.parse(text))]).toEqual([room.id, []]);
      const back = importRoom(JSON.parse(text));
      if ('faults' in back) throw new Error(JSON.stringify(back.faults));
      expect(JSON.stringify(exportRoom(back.room))).toBe(text);
    }
    expect(faults(valid, { format: 'room' })).not.toEqual([]);
  });
});

test.each([{}, { ageYears: 0.1 }, { ageYears: 6 }, { massKg: 150, statureMm: 1700 }])(
  'a body of %j fits',
  (patient) => {
    expect(faults(validator('body'), sent(exportBody({ patient })))).toEqual([]);
  },
);

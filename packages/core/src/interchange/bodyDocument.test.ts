import { readFileSync } from 'node:fs';
import path from 'node:path';
import { buildBody, landmarkOf } from '../body/body';
import { computeSetup } from '../setup/computeSetup';
import { applyToPoint } from '../geometry/frame';
import { bodyDocumentSchema, bodyJsonSchema, exportBody, exportRecordedBody } from './bodyDocument';

const SCHEMA_FILE = path.join(__dirname, '../../../../docs/formats/body.schema.json');

describe('the body as an open document', () => {
  it.each([
    ['in anatomical position', { patient: { ageYears: 5 } }],
    ['posed by name and by angle', { patient: {}, poses: ['arms-overhead' as const], pose: { kneeFlexion_L: 30 } }],
    [
      'at rest in the room',
      { patient: { ageYears: 60, massKg: 110 }, stance: { position: 'semi-erect' as const, backRestDeg: 40 } },
    ],
  ])('%s it passes its own schema, also after a journey as text', (_name, request) => {
    const document = exportBody(request);
    const read = bodyDocumentSchema.parse(JSON.parse(JSON.stringify(document)));
    expect(read).toEqual(document);
    expect(document.landmarks.length).toBeGreaterThan(170);
    expect(document.primitives.filter(({ tissue }) => tissue === 'bone').length).toBeGreaterThan(400);
    expect(new Set(document.segments.map(({ id }) => id)).size).toBe(document.segments.length);
  });

  it('matrices carry the anatomical position to the landmarks of the document', () => {
    const document = exportBody({ patient: { ageYears: 40 }, poses: ['sitting'], stance: { position: 'seated' } });
    const body = buildBody({ ageYears: 40 });
    for (const id of ['patella_apex_L', 'acanthion', 'dactylion_R', 'hallux_tip_L']) {
      const mark = document.landmarks.find((each) => each.id === id)!;
      const { matrix } = document.segments.find((each) => each.id === mark.segment)!;
      const carried = applyToPoint(matrix, landmarkOf(body, id).p);
      carried.forEach((value, k) => expect(Math.abs(value - mark.point[k])).toBeLessThan(0.1));
    }
  });

  it('the body of a set-up comes out where the set-up has it', () => {
    const setup = computeSetup({ projectionId: 'pelvis-ap', patient: { ageYears: 40 } });
    const document = exportRecordedBody(setup);
    expect(document.state.rest).toBe('lying');
    const asis = document.landmarks.find(({ id }) => id === 'ASIS_L')!;
    const touched = setup.scene.touch.find(({ name }) => name === 'ASIS')?.p;
    if (touched) touched.forEach((value, k) => expect(Math.abs(value - asis.skin[k])).toBeLessThan(1));
  });

  it('a wrong request is refused with what was wrong', () => {
    expect(() => exportBody({ pose: { kneeWaving: 4 } as never })).toThrow(/no joint movement/);
    expect(() => exportBody({ poses: ['upside-down' as never] })).toThrow();
    expect(() => exportBody({ patient: { ageYears: 5, statureMm: 1900 } })).toThrow(/outside the model/);
  });

  it('the published schema is the one that validates', () => {
    expect(JSON.parse(readFileSync(SCHEMA_FILE, 'utf8'))).toEqual(JSON.parse(JSON.stringify(bodyJsonSchema())));
  });
});

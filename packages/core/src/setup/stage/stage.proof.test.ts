import { posedIn } from '../../body/posedIn';
import { projections } from '../../projections/catalogue';
import { ROOM_TWO } from '../../room/demoRooms';
import { computeSetup } from '../computeSetup';
import { drawMannequin, drawStage, mannequinKey, planeOf } from './stage';
import { toDrawing } from '../../body/drawing/plane';
import { posedLandmark } from '../../body/posed';

const setupOf = (id: string) =>
  computeSetup({
    projectionId: id,
    side: projections.find((entry) => entry.id === id)?.sided === 'each' ? 'right' : undefined,
    patient: { ageYears: 40, sex: 'male', statureMm: 1750, massKg: 75 },
    room: ROOM_TWO,
  });

describe.each(projections.map(({ id }) => id))('%s', (id) => {
  const setup = setupOf(id);
  it('is drawn to scale: SID, angle and receptor measure on the drawing what the readouts say', () => {
    const { focal, hit, receptor } = drawStage(setup, 'side', 1.1);
    expect(Math.hypot(focal[0] - hit[0], focal[1] - hit[1])).toBeCloseTo(setup.tube.sidMm, 0);
    const [dx, dy] = [Math.abs(hit[0] - focal[0]), Math.abs(hit[1] - focal[1])];
    const angle =
      (Math.atan2(...((setup.tube.beam === 'vertical' ? [dx, dy] : [dy, dx]) as [number, number])) * 180) / Math.PI;
    expect(angle).toBeCloseTo(setup.tube.angleDeg, 3);
    const [low, high] = receptor[0];
    const { widthMm, heightMm } = setup.receptor.size;
    const { toHead } = setup.scene;
    const lengthwise = setup.receptor.orientation === 'lengthwise';
    // Where the body lies across the drawing, the receptor shows its other side.
    const inDrawing = Math.abs(toHead[1]) < 0.5;
    const along = lengthwise === inDrawing ? heightMm : widthMm;
    const seen = Math.hypot(low[0] - high[0], low[1] - high[1]);
    if (setup.receptor.outcome !== 'diagonal' && [0, 1].some((v) => Math.abs(Math.abs(toHead[1]) - v) < 1e-6))
      expect(Math.abs(seen - along)).toBeLessThan(2);
  });
  it('shows the light on the skin at its size', () => {
    const [a, b, c] = drawStage(setup, 'ray', 0.8).lightField[0];
    expect(Math.abs(Math.hypot(a[0] - b[0], a[1] - b[1]) - setup.field.atSkinMm.width)).toBeLessThan(
      setup.field.atSkinMm.width * 0.06,
    );
    expect(Math.abs(Math.hypot(b[0] - c[0], b[1] - c[1]) - setup.field.atSkinMm.height)).toBeLessThan(
      setup.field.atSkinMm.height * 0.06,
    );
  });
  it('draws closed outlines with finite numbers, in both looks', () => {
    for (const look of ['side', 'ray'] as const) {
      const { box } = drawStage(setup, look, 1);
      const { skin, bright } = drawMannequin(setup, look, box);
      for (const path of [skin, bright]) {
        expect(path).toMatch(/^M.*Z$/);
        expect(path).not.toMatch(/NaN|Infinity/);
      }
    }
  });
});

test('seen along the CR, the head is up and the patient’s left is where the technologist sees it', () => {
  const ap = setupOf('pelvis-ap');
  const plane = planeOf(ap, 'ray');
  const at = (name: string) => drawStage(ap, 'ray', 1).touch.find((touch) => touch.name === name)!.at;
  expect(at('iliac crest')[1]).toBeLessThan(at('symphysis pubis')[1]);
  // Facing the patient, the left ASIS is on the right of the picture.
  expect(at('ASIS')[0]).toBeGreaterThan(toDrawing(plane, ap.scene.entry)[0]);
});

describe('the marker', () => {
  // Where the patient's right, front and left lie in the picture, from landmarks that are nowhere near the code that places it.
  const markerFrom = (setup: ReturnType<typeof setupOf>) => {
    const { markers, hit } = drawStage(setup, 'ray', 1);
    return markers[0].at[0] - hit[0];
  };
  const towardRight = (setup: ReturnType<typeof setupOf>) => {
    const posed = posedIn(setup);
    const plane = planeOf(setup, 'ray');
    return (
      toDrawing(plane, posedLandmark(posed, 'ASIS_R').p)[0] - toDrawing(plane, posedLandmark(posed, 'ASIS_L').p)[0]
    );
  };
  it.each(['chest-pa', 'chest-ap', 'pelvis-ap', 'thoracic-ap', 'sacrum-ap-axial', 'sinuses-parietoacanthial'])(
    'R lies on the patient’s right: %s',
    (id) => {
      const setup = setupOf(id);
      expect(setup.marker.letter).toBe('R');
      expect(Math.sign(markerFrom(setup))).toBe(Math.sign(towardRight(setup)));
    },
  );
  it('seen from behind, the right is on the right of the picture; face to face on the left', () => {
    expect(markerFrom(setupOf('chest-pa'))).toBeGreaterThan(0);
    expect(markerFrom(setupOf('chest-ap'))).toBeLessThan(0);
  });
  it('of a left limb lies on its outer side', () => {
    const left = computeSetup({ projectionId: 'knee-ap', side: 'left', patient: { ageYears: 40 } });
    expect(markerFrom(left)).toBeGreaterThan(0);
    expect(markerFrom(setupOf('knee-ap'))).toBeLessThan(0);
  });
  it('of a lateral lies in front', () => {
    const setup = setupOf('chest-lateral');
    const at = (name: string) => drawStage(setup, 'ray', 1).touch.find((touch) => touch.name === name)!.at[0];
    expect(Math.sign(markerFrom(setup))).toBe(Math.sign(at('jugular notch') - at('vertebra prominens')));
  });
});

test('the drawing is kept by what it depends on', () => {
  const { box } = drawStage(setupOf('chest-pa'), 'side', 1);
  expect(mannequinKey(setupOf('chest-pa'), 'side', box)).toBe(mannequinKey(setupOf('chest-pa'), 'side', box));
  expect(mannequinKey(setupOf('chest-pa'), 'side', box)).not.toBe(mannequinKey(setupOf('chest-pa'), 'ray', box));
});

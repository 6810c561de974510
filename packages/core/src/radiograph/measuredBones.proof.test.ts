/** Angles and distances that a radiologist measures, taken from the shadows on the picture and held against teaching. */
import { inverse } from '../geometry/frame';
import { pcaAxis, type Vec2 } from '../testing/shadowMeasure';
import { ROOM_ONE } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import { trueBones } from '../testing/trueBones';
import { patientBones } from './bodySolids';
import { boneLengths } from './boneLengths';
import { carriedBy } from './detector';
import { prepareRadiograph } from './simulateRadiograph';

const skeleton = trueBones();

/** Pixels that a bone darkens, mm on the receptor divided by the enlargement: x to the right of the picture, y down. */
function shadowsOf(projectionId: string, ids: readonly string[]): Vec2[][] {
  const setup = computeSetup({ projectionId, side: 'left', room: ROOM_ONE });
  const { picture } = prepareRadiograph(setup, { pixels: 700, seed: null });
  const detector = carriedBy(picture, inverse(setup.scene.place));
  const bones = patientBones(setup, skeleton);
  const mm = picture.pixelMm / setup.image.magnification;
  return ids.map((id) => {
    const { wall } = boneLengths([bones.find((bone) => bone.id === id)!], detector)!;
    const seen: Vec2[] = [];
    wall.forEach((share, i) => {
      if (share > 1e-4) seen.push([(i % picture.columns) * mm, Math.floor(i / picture.columns) * mm]);
    });
    expect(seen.length).toBeGreaterThan(100);
    return seen;
  });
}

const most = (points: readonly Vec2[], d: Vec2): Vec2 =>
  points.reduce((a, b) => (b[0] * d[0] + b[1] * d[1] > a[0] * d[0] + a[1] * d[1] ? b : a));
const along = (p: Vec2, d: Vec2): number => p[0] * d[0] + p[1] * d[1];
const degrees = (radians: number): number => (radians * 180) / Math.PI;
const middleOf = (points: readonly Vec2[]): Vec2 => [
  points.reduce((sum, [x]) => sum + x, 0) / points.length,
  points.reduce((sum, [, y]) => sum + y, 0) / points.length,
];

/**
 * Axis of a shaft toward a point: the line through the middles of its breadth, from 18 mm behind its end on.
 * Slices are square to the axis, whole ones only: the light may cut the last ones off aslant.
 */
function shaftAxis(bone: readonly Vec2[], toward: Vec2): Vec2 {
  const middle = middleOf(bone);
  const rough: Vec2 = [toward[0] - middle[0], toward[1] - middle[1]];
  const size = Math.hypot(...rough);
  let axis: Vec2 = [rough[0] / size, rough[1] / size];
  for (let round = 0; round < 3; round += 1) {
    const across: Vec2 = [-axis[1], axis[0]];
    const end = along(most(bone, axis), axis);
    const start = along(most(bone, [-axis[0], -axis[1]]), axis);
    const middles: Vec2[] = [];
    for (let at = start + 6; at < end - 18; at += 2) {
      const slice = bone.filter((p) => Math.abs(along(p, axis) - at) < 1);
      const reach = [across, [-across[0], -across[1]] as Vec2].map((d) => most(slice, d));
      middles.push([(reach[0][0] + reach[1][0]) / 2, (reach[0][1] + reach[1][1]) / 2]);
    }
    expect(middles.length).toBeGreaterThan(5);
    axis = pcaAxis(middles, axis);
  }
  return axis;
}

describe('the wrist from the back', () => {
  const [radius, ulna, capitate] = shadowsOf('wrist-pa', ['radius_L', 'ulna_L', 'capitate_L']);
  const axis = shaftAxis(radius, middleOf(capitate));
  const across: Vec2 = [-axis[1], axis[0]];
  const [middleUlna, middleRadius] = [middleOf(ulna), middleOf(radius)];
  const sign = along([middleUlna[0] - middleRadius[0], middleUlna[1] - middleRadius[1]], across) > 0 ? 1 : -1;
  const toUlna: Vec2 = [across[0] * sign, across[1] * sign];
  const tip = most(radius, axis);
  const end = along(tip, axis);
  const distal = radius.filter((p) => along(p, axis) > end - 25);
  const edge = along(most(distal, toUlna), toUlna);
  const corner = most(
    distal.filter((p) => along(p, toUlna) > edge - 3),
    axis,
  );

  it('radial inclination is 20 to 26 degrees', () => {
    const rise = along(tip, axis) - along(corner, axis);
    const run = along(corner, toUlna) - along(tip, toUlna);
    const angle = degrees(Math.atan2(rise, run));
    expect(angle).toBeGreaterThan(20);
    expect(angle).toBeLessThan(26);
  });

  it('ulnar variance is within 2 mm', () => {
    // The head ends where it is still broad; what goes on is its styloid process.
    const last = along(most(ulna, axis), axis);
    const breadth = (at: number): number => {
      const slice = ulna.filter((p) => Math.abs(along(p, axis) - at) < 0.4);
      return along(most(slice, toUlna), toUlna) - along(most(slice, [-toUlna[0], -toUlna[1]]), toUlna);
    };
    let head = last;
    while (breadth(head) < 10) head -= 0.2;
    expect(last - head).toBeGreaterThan(1);
    expect(Math.abs(head - along(corner, axis))).toBeLessThan(2);
  });
});

describe('the wrist from the side', () => {
  const [radius, scaphoid, lunate, capitate] = shadowsOf('wrist-lateral', [
    'radius_L',
    'scaphoid_L',
    'lunate_L',
    'capitate_L',
  ]);
  const axis = shaftAxis(radius, middleOf(capitate));
  const across: Vec2 = [-axis[1], axis[0]];
  // The scaphoid leans to the palm.
  const lean = along(middleOf(scaphoid), across) - along(middleOf(lunate), across);
  const toPalm: Vec2 = lean > 0 ? across : [-across[0], -across[1]];

  it('the end of the radius leans 8 to 14 degrees to the palm', () => {
    const end = along(most(radius, axis), axis);
    const distal = radius.filter((p) => along(p, axis) > end - 22);
    const [palm, back] = [toPalm, [-toPalm[0], -toPalm[1]] as Vec2].map((d) => {
      const reach = along(most(distal, d), d);
      return most(
        distal.filter((p) => along(p, d) > reach - 3.5),
        axis,
      );
    });
    const tilt = degrees(Math.atan2(along(back, axis) - along(palm, axis), along(palm, toPalm) - along(back, toPalm)));
    expect(tilt).toBeGreaterThan(8);
    expect(tilt).toBeLessThan(14);
  });

  it('the scapholunate angle is 30 to 60 degrees', () => {
    const scaphoidAxis = pcaAxis(scaphoid, axis);
    // The lunate opens toward the capitate: square to the line between its two horns.
    const horns = [toPalm, [-toPalm[0], -toPalm[1]] as Vec2].map((d) => {
      const reach = along(most(lunate, d), d);
      return most(
        lunate.filter((p) => along(p, d) > reach - 4),
        axis,
      );
    });
    const [dx, dy] = [horns[0][0] - horns[1][0], horns[0][1] - horns[1][1]];
    const lunateAxis: Vec2 = along([-dy, dx], axis) > 0 ? [-dy, dx] : [dy, -dx];
    const angle = degrees(
      Math.acos(along(scaphoidAxis, lunateAxis) / Math.hypot(...scaphoidAxis) / Math.hypot(...lunateAxis)),
    );
    expect(angle).toBeGreaterThan(30);
    expect(angle).toBeLessThan(60);
  });
});

describe('the leg', () => {
  it('the top of the tibia falls 4 to 12 degrees to the back', () => {
    const [tibia, patella, femur] = shadowsOf('knee-lateral', ['tibia_shaft_L', 'patella_L', 'femur_shaft_L']);
    const knee = middleOf(femur.filter((p) => tibia.some((q) => Math.hypot(p[0] - q[0], p[1] - q[1]) < 4)));
    const up = shaftAxis(tibia, knee);
    const across: Vec2 = [-up[1], up[0]];
    const toFront: Vec2 =
      along(middleOf(patella), across) > along(middleOf(tibia), across) ? across : [-across[0], -across[1]];
    const end = along(most(tibia, up), up);
    const head = tibia.filter((p) => along(p, up) > end - 22);
    const [front, back] = [toFront, [-toFront[0], -toFront[1]] as Vec2].map((d) => {
      const reach = along(most(head, d), d);
      return most(
        head.filter((p) => along(p, d) > reach - 8),
        up,
      );
    });
    const slope = degrees(Math.atan2(along(front, up) - along(back, up), along(front, toFront) - along(back, toFront)));
    expect(slope).toBeGreaterThan(4);
    expect(slope).toBeLessThan(12);
  });
});

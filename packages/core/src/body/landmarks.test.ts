import { IDENTITY } from '../geometry/frame';
import { buildBody, landmarkOf, type Body } from './body';
import { mannequin } from './mannequin';
import type { PatientInput } from './patient';
import { poseBody } from './pose';
import { placeBody } from './posed';
import { surfacePoint } from './surface';

const median: PatientInput = { ageYears: 40, sex: 'male', statureMm: 1750 };
const body = buildBody(median);
const height = (own: Body, id: string) => landmarkOf(own, id).p[2];
const named = mannequin.landmarks.filter(({ id }) => !/^[CTLS]\d+$/.test(id) && !id.endsWith('_R'));

test('all that a technologist touches: seventy places and more, and the vertebrae', () => {
  expect(named.length).toBeGreaterThanOrEqual(70);
  expect(new Set(named.map(({ segment }) => segment)).size).toBeGreaterThan(12);
});

describe('distances that are taught, on the median man, within 1 cm', () => {
  it.each([
    ['vertebra prominens to the T7 spinous process: 7 to 8 in', 'C7_sp', 'T7_sp', 190],
    ['jugular notch to T7: 3 to 4 in', 'jugular_notch', 'T7', 89],
    ['T1 spinous process over the jugular notch: 2 in', 'T1_sp', 'jugular_notch', 50],
    ['jugular notch to sternal angle: 2 in', 'jugular_notch', 'sternal_angle', 50],
    ['L3 over the iliac crest: 1½ in', 'L3', 'iliac_crest_L', 40],
    ['umbilicus level with the iliac crest', 'umbilicus', 'iliac_crest_L', 0],
    ['greater trochanter level with the symphysis', 'greater_trochanter_lat_L', 'symphysis_sup', 0],
    ['ischial tuberosity under the top of the symphysis: 6 cm', 'symphysis_sup', 'ischial_tuberosity_L', 60],
    ['lower pole of the patella over the knee joint: ½ in', 'patella_apex_L', 'knee_joint_line_med_L', 13],
    [
      'ASIS over the symphysis: the ray of a pelvis enters 2 in below the one and 2 in above the other',
      'ASIS_L',
      'symphysis_sup',
      102,
    ],
    ['coracoid under the end of the clavicle: ¾ in', 'AC_joint_L', 'coracoid_L', 19],
    ['radial head under the lateral epicondyle: 1 in', 'lat_epicondyle_hum_L', 'radial_head_L', 25],
    ['lateral malleolus lower than the medial: 1 cm', 'med_malleolus_L', 'lat_malleolus_L', 10],
  ])('%s', (_name, upper, lower, taughtMm) => {
    expect(Math.abs(height(body, upper) - height(body, lower) - taughtMm)).toBeLessThan(10);
  });

  it.each([0, 1, 5, 10, 15])('at %d years they have shrunk with the trunk', (ageYears) => {
    const child = buildBody({ ageYears });
    const ratio = (a: string, b: string) => (height(child, a) - height(child, b)) / (height(body, a) - height(body, b));
    const trunk = ratio('C7_sp', 'symphysis_sup');
    for (const [a, b] of [
      ['C7_sp', 'T7_sp'],
      ['jugular_notch', 'xiphoid_tip'],
      ['ASIS_L', 'symphysis_sup'],
      ['xiphoid_tip', 'iliac_crest_L'],
    ])
      expect(Math.abs(ratio(a, b) / trunk - 1)).toBeLessThan(0.02);
  });
});

describe('vertebral levels stay true on every body', () => {
  const SPINE = { C: ['C2', 'C7', 5], T: ['T1', 'T12', 11], L: ['L1', 'L5', 4], S: ['S1', 'S3', 2] } as const;
  const vertebrae = mannequin.landmarks.map(({ id }) => id).filter((id) => /^[CTLS]\d+$/.test(id));
  /** First vertebrae of the level's name: "T2-T3" gives two. */
  const said = (level: string) => level.match(/[CTLS]\d+/g)?.slice(0, level.includes('(') ? 1 : 2) ?? [];
  const trunk = named.filter(
    ({ level, segment, id }) =>
      level && /^[CTLS]\d/.test(level) && !['head', 'mandible'].includes(segment) && id !== 'costophrenic_L',
  );
  it.each([
    ['the median man', median],
    ['a newborn', { ageYears: 0 }],
    ['a child of three', { ageYears: 3 }],
    ['a heavy woman', { ageYears: 50, sex: 'female', massKg: 130 }],
    ['a tall thin man', { ageYears: 30, sex: 'male', statureMm: 1980, massKg: 68 }],
  ] as [string, PatientInput][])('%s', (_name, patient) => {
    const own = buildBody(patient);
    expect(trunk.length).toBeGreaterThan(20);
    for (const { id, level } of trunk) {
      const mid = said(level!).filter((name) => vertebrae.includes(name));
      const z = mid.reduce((sum, name) => sum + height(own, name), 0) / mid.length;
      const [first, last, steps] = SPINE[mid[0][0] as keyof typeof SPINE];
      const spacing = (height(own, first) - height(own, last)) / steps;
      expect([id, Math.abs(height(own, id) - z) / spacing < 1]).toEqual([id, true]);
    }
  });
});

describe('skin over the landmarks', () => {
  const posed = placeBody(body, poseBody(body, {}), IDENTITY);
  it('bony points lie under it, at about the depth that is taught', () => {
    const shallow = named.filter(({ kind, skinDepthMm }) => kind === 'bone' && skinDepthMm > 0);
    expect(shallow.length).toBeGreaterThan(50);
    const near = shallow.filter(({ id, skinDepthMm }) => {
      const { depthMm } = surfacePoint(posed, id);
      expect([id, depthMm >= 0 && depthMm < 90]).toEqual([id, true]);
      return Math.abs(depthMm - skinDepthMm) < Math.max(8, skinDepthMm * 0.6);
    });
    expect(near.length / shallow.length).toBeGreaterThan(0.8);
  });
  it('is deeper on a heavy patient over the pelvis, not over the shin', () => {
    const heavy = buildBody({ ...median, massKg: 130 });
    const other = placeBody(heavy, poseBody(heavy, {}), IDENTITY);
    const more = (id: string) => surfacePoint(other, id).depthMm - surfacePoint(posed, id).depthMm;
    expect(more('ASIS_L')).toBeGreaterThan(10);
    expect(more('symphysis_sup')).toBeGreaterThan(10);
    expect(Math.abs(more('med_malleolus_L'))).toBeLessThan(10);
  });
  it('skin landmarks lie on it', () => {
    const onSkin = named.filter(({ kind, id }) => kind === 'skin' && !/canthus|pupil/.test(id));
    for (const { id, p } of onSkin) {
      const point = surfacePoint(posed, id);
      expect(point.skin).toEqual(point.bone);
      expect(p.every(Number.isFinite)).toBe(true);
    }
  });
});

describe('bones stay under the skin', () => {
  it.each([
    ['median', median],
    ['newborn', { ageYears: 0 }],
    ['thin', { ageYears: 40, sex: 'female', massKg: 45 }],
    ['heavy', { ageYears: 40, sex: 'male', massKg: 150 }],
  ] as [string, PatientInput][])(
    '%s: ribs, crests and ankles come through it by no more than a few millimetres',
    (_name, patient) => {
      const own = buildBody(patient);
      const posed = placeBody(own, poseBody(own, {}), IDENTITY);
      for (const { id, kind } of named) {
        if (kind !== 'bone') continue;
        const { bone, skin } = surfacePoint(posed, id);
        const depth = Math.hypot(skin[0] - bone[0], skin[1] - bone[1], skin[2] - bone[2]);
        const under = depth > 0 || posed.skin.some(({ shape }) => insideBy(shape, bone) > -8);
        expect([id, under]).toEqual([id, true]);
      }
    },
  );
});

/** Roughly how deep a point lies in an ellipsoid or a chain of spheres. */
function insideBy(shape: (typeof mannequin.primitives)[number]['shape'], p: readonly number[]): number {
  if (shape.kind === 'ellipsoid') {
    const d = p.map((value, k) => value - shape.c[k]);
    const q = Math.sqrt(
      shape.axes.reduce((sum, axis) => {
        const along = axis[0] * d[0] + axis[1] * d[1] + axis[2] * d[2];
        return sum + (along / (axis[0] ** 2 + axis[1] ** 2 + axis[2] ** 2)) ** 2;
      }, 0),
    );
    const size = Math.min(...shape.axes.map((axis) => Math.hypot(axis[0], axis[1], axis[2])));
    return (1 - q) * size;
  }
  if (shape.kind !== 'tube') return -Infinity;
  return Math.max(...shape.pts.map((c, i) => shape.r[i] - Math.hypot(p[0] - c[0], p[1] - c[1], p[2] - c[2])));
}

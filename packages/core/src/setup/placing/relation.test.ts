import { buildBody } from '../../body/body';
import { applyToDirection } from '../../geometry/frame';
import { dot, length } from '../../geometry/vector';
import { projections, projectionOf } from '../../projections/catalogue';
import { fillIn } from './fillIn';
import { headLineWords } from './headLine';
import { angleWays, relationOf } from './relation';
import { sideView } from './side';
import { computeSetup } from '../computeSetup';

const body = buildBody({});
const left = sideView('left');

test('ray and what lies up the receptor are unit and square, for every entry and both sides', () => {
  for (const entry of projections)
    for (const side of ['left', 'right'] as const) {
      const { ray, up } = relationOf(entry, sideView(side), body);
      expect([
        entry.id,
        Math.round(length(ray) * 1e6),
        Math.round(length(up) * 1e6),
        Math.round(dot(ray, up) * 1e6) + 0,
      ]).toEqual([entry.id, 1e6, 1e6, 0]);
    }
});

test.each([
  ['chest-pa', [0, -1, 0]],
  ['pelvis-ap', [0, 1, 0]],
  ['foot-ap', [0, 0, -1]],
  ['chest-lateral', [1, 0, 0]],
  ['lumbar-oblique-posterior', [Math.SQRT1_2, Math.SQRT1_2, 0]],
])('%s: the ray runs %p in the part', (id, course) => {
  relationOf(projectionOf(id), left, body).ray.forEach((value, i) => expect(value).toBeCloseTo(course[i], 9));
});

test('the ways of the angle are called as they are at the part', () => {
  expect(angleWays(projectionOf('scaphoid-axial'))).toEqual(['elbow', 'fingertips']);
  expect(angleWays(projectionOf('foot-ap'))).toEqual(['toes', 'heel']);
  expect(angleWays(projectionOf('pelvis-inlet'))).toEqual(['head', 'feet']);
});

test('an angle that is called toward the head is not one toward the feet, in every entry', () => {
  let called = 0;
  for (const { id, sided } of projections) {
    const { tube, scene } = computeSetup({ projectionId: id, ...(sided === 'each' ? { side: 'right' } : {}) });
    if (tube.ways[0] !== 'head') continue;
    called += 1;
    // Kneeling, the leg lies square to the trunk.
    expect([id, dot(scene.toHead, applyToDirection(scene.place, [0, 0, 1])) > -0.1]).toEqual([id, true]);
  }
  expect(called).toBeGreaterThan(150);
});

describe('sentences take their figures from the entry', () => {
  const entry = projectionOf('shoulder-scapular-y');
  const stood = { erect: 'Erect or seated', oblique: 'LAO', near: 'left', down: 'right' } as const;
  it('turn, what is left of it, angle and joints', () => {
    const positioning = { ...entry.positions[0], joints: { kneeFlexion_L: -20.4 } };
    expect(fillIn('{turn}, {rest}, {angle}, {kneeFlexion_L}', entry, positioning, stood)).toBe('45°, 45°, 0°, 20°');
    expect(fillIn('{erect}, {oblique}', entry, positioning, stood)).toBe('Erect or seated, LAO');
    expect(fillIn('{near} side, {down} down', entry, positioning, stood)).toBe('Left side, right down');
    const timed = { ...entry, settleMinutes: 5, contrastMinutes: { at: [15, 30], thenEvery: 30 } };
    expect(fillIn('{settle}; {contrast}', timed, positioning, stood)).toBe(
      '5 minutes; 15 and 30 minutes, then every 30 minutes',
    );
    expect(() => fillIn('{settle}', entry, positioning, stood)).toThrow(/no figure of this projection/);
    expect(() => fillIn('{turn2}', entry, positioning, stood)).toThrow(/no figure of this projection/);
  });
  it('no sentence of any set-up keeps a gap', () => {
    for (const each of projections) {
      const { position, steps } = computeSetup({
        projectionId: each.id,
        side: each.sided === 'each' ? 'left' : undefined,
      });
      expect([each.id, [position.say, ...steps.map(({ text }) => text)].join(' ')]).toEqual([
        each.id,
        expect.not.stringMatching(/[{}]|NaN|undefined/),
      ]);
    }
  });
  it('the line of the head follows the school', () => {
    expect(headLineWords({ headLine: { line: 'OML', toReceptorDeg: 90 } })).toBe(
      'Orbitomeatal line perpendicular to the receptor',
    );
    expect(headLineWords({ headLine: { line: 'IOML', toReceptorDeg: 0 } })).toBe(
      'Infraorbitomeatal line parallel to the receptor',
    );
    expect(headLineWords({})).toBeNull();
    const said = (school: string) =>
      computeSetup({ projectionId: 'sinuses-pa-axial', rules: { sinusFifteen: school } }).position.part;
    expect(said('neck')).toContain('Orbitomeatal line at 75° to the receptor');
    expect(said('tube')).toContain('Orbitomeatal line perpendicular to the receptor');
  });
});

/** Every entry in the situations that bar most: whatever is suggested keeps to them. */
import { projections } from '../projections/catalogue';
import { ROOM_ONE } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import type { Situation } from '../setup/request';
import { findOtherWays } from './findOtherWays';
import { situationPresets } from './presets';

const TURNED = new Set(['prone', 'lateral-recumbent', 'sims', 'kneeling']);
const preset = (id: string): Situation =>
  ({ ...situationPresets('left').find((each) => each.id === id)!.situation }) as Situation;

/** Ways of the whole catalogue in a situation; a situation that leaves few entries a way would prove nothing. */
function suggested(situation: Partial<Situation>) {
  const found = projections.flatMap(({ id, sided }) =>
    findOtherWays({
      projectionId: id,
      side: sided === 'each' ? 'left' : undefined,
      patient: { ageYears: 40, sex: 'female' },
      situation,
    }).map((way) => ({ id, way })),
  );
  expect(new Set(found.map(({ id }) => id)).size).toBeGreaterThan(100);
  return found;
}

describe('on a board, spine not cleared', () => {
  let found: ReturnType<typeof suggested> = [];
  beforeAll(() => {
    found = suggested(preset('board'));
  });
  test('most of the catalogue has a way', () => expect(new Set(found.map(({ id }) => id)).size).toBeGreaterThan(150));
  test('on the back, neck and head as they are, no beam from below', () => {
    for (const { id, way } of found) {
      const { setup } = way;
      expect([id, setup.position.body]).toEqual([id, 'supine']);
      for (const motion of ['neckRotation', 'neckSideBend', 'headRotation'] as const)
        expect([id, Math.abs(setup.scene.pose[motion] ?? 0) < 1]).toEqual([id, true]);
      expect([id, setup.scene.beam[2] < 0.18]).toEqual([id, true]);
      expect(setup.feasible).toBe(true);
    }
  });
  test('nobody rolls: the patient’s front faces up', () => {
    for (const { id, way } of found) expect([id, way.setup.scene.place[6] < -0.99]).toEqual([id, true]);
  });
});

test('who sits in a chair and cannot turn is not laid down, turned or stood up', () => {
  for (const { id, way } of suggested(preset('wheelchair'))) {
    const { body, say } = way.setup.position;
    expect([id, TURNED.has(body) || body === 'supine']).toEqual([id, false]);
    expect([id, /^standing/i.test(say)]).toEqual([id, false]);
  }
});

test('no way wants the tube lower or higher than it goes', () => {
  const [low, high] = ROOM_ONE.tube.focusHeightMm;
  for (const { id, way } of suggested({ place: 'chair', canStand: false })) {
    if (!way.setup.way) continue;
    const height = way.setup.scene.focal[2];
    expect([id, height > low - 25 && height < high + 25]).toEqual([id, true]);
  }
});

test('who is propped at 45° stays so', () => {
  for (const { id, way } of suggested(preset('ward-propped'))) {
    expect([id, way.setup.position.body]).toEqual([id, 'semi-erect']);
    expect([id, way.setup.way?.backRestDeg]).toEqual([id, 45]);
  }
});

test('an arm that is fixed is neither raised nor spread', () => {
  for (const { id, way } of suggested(preset('arm'))) {
    const { pose } = way.setup.scene;
    expect([id, (pose.shoulderFlexion_L ?? 0) <= 60.001]).toEqual([id, true]);
    expect([id, (pose.shoulderAbduction_L ?? 0) <= 60.001]).toEqual([id, true]);
  }
});

test('what can be done as the entry has it is offered so: a tube that is angled upward to one who is erect too', () => {
  let upward = 0;
  for (const { id, sided } of projections) {
    const request = {
      projectionId: id,
      side: sided === 'each' ? ('left' as const) : undefined,
      situation: { canProne: false } as Partial<Situation>,
    };
    const own = computeSetup(request);
    if (!own.feasible) continue;
    // A found one of the same kind may be better and stand for it.
    const offered = findOtherWays(request).filter((each) => each.request.projectionId === id);
    expect([id, offered.map(({ setup }) => setup.position.body)]).toEqual([
      id,
      expect.arrayContaining([own.position.body]),
    ]);
    if (own.scene.beam[2] > 0.18) upward += 1;
  }
  expect(upward).toBeGreaterThan(5);
});

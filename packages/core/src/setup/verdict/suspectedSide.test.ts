import { projectionOf, projections } from '../../projections/catalogue';
import { computeSetup } from '../computeSetup';
import { findOtherWays } from '../../adapt/findOtherWays';
import type { Situation } from '../request';
import type { Setup, Side } from '../setup';
import { dependentSide, mustAskSide, opposite } from './suspectedSide';

const chest = projectionOf('chest-decubitus-ap');
const SIDES: readonly Side[] = ['left', 'right'];
const looking = (sign: 'fluid level' | 'free gas', suspectedSide?: Situation['suspectedSide']): Partial<Situation> => ({
  suspected: [sign],
  ...(suspectedSide ? { suspectedSide } : {}),
});
/** From the scene, not from a name. */
const sideDown = ({ scene }: Setup): Side => (scene.place[2]! < 0 ? 'left' : 'right');
const codes = ({ problems }: Setup) => problems.map(({ code }) => code);

test('fluid lies on the side down, air on the side up; along the liver whatever hurts', () => {
  for (const side of SIDES) {
    expect(dependentSide(chest, { suspected: ['fluid level'], suspectedSide: side })).toBe(side);
    expect(dependentSide(chest, { suspected: ['free gas'], suspectedSide: side })).toBe(opposite(side));
    expect(dependentSide({ region: 'abdomen' }, { suspected: ['free gas'], suspectedSide: side })).toBe('left');
  }
  expect(dependentSide(chest, { suspected: [], suspectedSide: 'left' })).toBeNull();
  expect(dependentSide(chest, { suspected: ['fluid level'] })).toBeNull();
  expect(dependentSide({ region: 'skull and face' }, { suspected: ['fluid level'], suspectedSide: 'left' })).toBeNull();
  expect(mustAskSide(chest, { suspected: ['fluid level'] })).toBe(true);
  expect(mustAskSide(chest, { suspected: ['fluid level'], suspectedSide: 'right' })).toBe(false);
  expect(mustAskSide({ region: 'abdomen' }, { suspected: ['free gas'] })).toBe(false);
});

test('a decubitus with the wrong side down says so, with the right one nothing, and unasked it asks', () => {
  for (const sign of ['fluid level', 'free gas'] as const)
    for (const suspectedSide of SIDES)
      for (const side of SIDES) {
        const situation = looking(sign, suspectedSide);
        const setup = computeSetup({ projectionId: chest.id, side, situation });
        const right = dependentSide(chest, { suspected: [sign], suspectedSide }) === side;
        expect(sideDown(setup)).toBe(side);
        expect([sign, suspectedSide, side, codes(setup).includes('wrong-side-down')]).toEqual([
          sign,
          suspectedSide,
          side,
          !right,
        ]);
        expect(codes(setup)).not.toContain('ask-side');
        expect(setup.feasible).toBe(true);
      }
  const unasked = computeSetup({ projectionId: chest.id, side: 'left', situation: looking('fluid level') });
  expect(codes(unasked)).toContain('ask-side');
  expect(unasked.problems.find(({ code }) => code === 'ask-side')!.text).toMatch(/fluid.*side down.*air.*side up/i);
});

test('nothing is said of a side where nothing is looked for, or nobody lies on it', () => {
  let checked = 0;
  for (const { id, sided } of projections) {
    const side = sided === 'each' ? ('left' as const) : undefined;
    const plain = computeSetup({ projectionId: id, side, situation: { suspectedSide: 'right' } });
    expect([id, codes(plain).filter((code) => /side/.test(code) && code !== 'sid-too-short')]).toEqual([id, []]);
    const erect = computeSetup({ projectionId: id, side, situation: looking('fluid level', 'right') });
    if (erect.position.body === 'lateral-recumbent') continue;
    checked += 1;
    expect([id, codes(erect).includes('wrong-side-down')]).toEqual([id, false]);
  }
  expect(checked).toBeGreaterThan(150);
});

test.each(SIDES)(
  'of one who cannot be raised the decubitus that shows it comes before the other: %s',
  (suspectedSide) => {
    const request = { projectionId: 'chest-pa', patient: { ageYears: 70 } };
    const situation = { canStand: false, canSit: false, canLieFlat: true, ...looking('fluid level', suspectedSide) };
    const onSide = findOtherWays({ ...request, situation }).filter(
      ({ setup }) => setup.position.body === 'lateral-recumbent',
    );
    expect(onSide.length).toBeGreaterThan(0);
    expect(sideDown(onSide[0]!.setup)).toBe(suspectedSide);
    for (const { id, costs, setup } of onSide) {
      const priced = costs.some(({ code }) => code === 'cost-wrong-side');
      expect([id, priced]).toEqual([id, sideDown(setup) !== suspectedSide]);
    }
  },
);

/** Every named form is found by its name and its set-up comes out of the search, lying and lit as its name says. */
import { markOnMannequin } from '../body/mannequin';
import { hasProjection, projectionOf } from '../projections/catalogue';
import { MOBILE_UNIT, ROOM_ONE } from '../room/demoRooms';
import { findForms, forms, wayOfForm, type Form } from './forms';

const LIMBS_AND_HEAD = new Set<string>([
  'hand and wrist',
  'forearm, elbow, humerus',
  'foot and ankle',
  'leg and knee',
  'skull and face',
]);

const sideOf = ({ projectionId }: Form) =>
  projectionOf(projectionId).sided === 'each' ? ('left' as const) : undefined;

test('a form is of a view that is there, and no two have a name in common', () => {
  expect(forms.length).toBeGreaterThanOrEqual(15);
  expect(forms.filter(({ projectionId }) => !hasProjection(projectionId))).toEqual([]);
  const names = forms
    .flatMap(({ id, name, alsoCalled }) => [id, name, ...alsoCalled])
    .map((each) => each.toLowerCase());
  expect(names.filter((each, i) => names.indexOf(each) !== i)).toEqual([]);
});

test.each(forms.map((form) => [form.id, form] as const))('%s', (_, form) => {
  for (const phrase of [form.name, ...form.alsoCalled])
    if (phrase.includes(' ')) expect(findForms(phrase).map(({ id }) => id)).toContain(form.id);
  const room = form.body === 'semi-erect' ? MOBILE_UNIT : ROOM_ONE;
  for (const patient of [
    { ageYears: 40, sex: 'male' },
    { ageYears: 70, sex: 'female', massKg: 55 },
  ] as const) {
    const found = wayOfForm(form, { side: sideOf(form), patient, room });
    expect([form.id, found?.setup.feasible, found?.setup.position.body, found?.setup.tube.beam]).toEqual([
      form.id,
      true,
      form.body,
      form.beam,
    ]);
    // A limb or the head is not centred by a tape from the trunk.
    const { region } = projectionOf(form.projectionId);
    const { segment } = markOnMannequin(found!.setup.centre.landmark);
    const ofTrunk = /^(pelvis|lumbar|thorax|neck)/.test(segment);
    if (LIMBS_AND_HEAD.has(region))
      expect([form.id, found!.setup.centre.text, ofTrunk]).toEqual([form.id, expect.any(String), false]);
  }
});

test('one word names a part, not a form; where the patient cannot be so, there is none', () => {
  expect(findForms('knee')).toEqual([]);
  const semiErect = forms.find(({ id }) => id === 'chest-ap-semi-erect')!;
  expect(wayOfForm(semiErect, { patient: { ageYears: 40 }, situation: { worn: ['board'] } })).toBeNull();
  const seated = forms.find(({ id }) => id === 'foot-ap-wheelchair')!;
  const cannotSit = { canSit: false, canStand: false };
  expect(wayOfForm(seated, { side: 'left', patient: { ageYears: 40 }, situation: cannotSit })).toBeNull();
});

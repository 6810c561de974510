/** What stands beside an order in a list, what the room is made ready with, and what a dose is held against. */
import fc from 'fast-check';
import { entriesNamed, projections } from '../projections/catalogue';
import { demoRooms } from '../room/demoRooms';
import { computeSetup } from '../setup/computeSetup';
import { aftercareFor, finishStepsFor } from './aftercare';
import { doseLevelFor, doseLevelSchema, sumDoses, type DoseLevel } from './doseLevel';
import { roomCheckFor } from './roomCheck';
import { unusualWords, warns } from '../words/unusualWords';
import { unusualOf } from './unusual';

const said = (...asked: Parameters<typeof unusualOf>): string[] => unusualOf(...asked).map(unusualWords);

describe('what is unusual about a patient', () => {
  test('an adult of median size who can do everything is not', () => {
    expect(said({ ageYears: 40, massKg: 75, statureMm: 1750 }, {})).toEqual([]);
    expect(said({}, {})).toEqual([]);
  });
  test.each([
    [{ ageYears: 0.02 }, 'infant, 1 month'],
    [{ ageYears: 0.4 }, 'infant, 5 months'],
    [{ ageYears: 6.9 }, 'child, 6 years'],
    [{ ageYears: 40, massKg: 120 }, '120 kg'],
    [{ ageYears: 80, massKg: 45 }, '45 kg'],
    [{ ageYears: 30, statureMm: 1960 }, '196 cm tall'],
    [{ ageYears: 30, statureMm: 1400 }, '140 cm tall'],
  ])('%j: %s', (patient, words) => expect(said(patient, {})).toContain(words));
  test('a child is not called light or short', () =>
    expect(said({ ageYears: 6, massKg: 18, statureMm: 1150 }, {})).toEqual(['child, 6 years']));
  test('what endangers comes before what hinders', () => {
    const list = said(
      { ageYears: 40 },
      { canStand: false, canTurn: 'none', spineNotCleared: true, fractureSuspected: true, worn: ['collar'] },
    );
    expect(list.slice(0, 2)).toEqual(['spine not cleared', 'fracture suspected']);
    expect(list).toEqual(expect.arrayContaining(['cannot stand', 'cannot turn', 'collar']));
    expect(unusualOf({}, { spineNotCleared: true, canStand: false }).map(warns)).toEqual([true, false]);
    expect(new Set(list).size).toBe(list.length);
  });
  test('what can be done to one side only, and what must stay', () => {
    expect(said({}, { canTurn: 'left' })).toContain('turns left only');
    expect(said({}, { keepStill: ['left leg'] })).toContain('left leg not to be moved');
    expect(said({}, { proppedDeg: 45, canLieFlat: false })).toEqual(
      expect.arrayContaining(['propped at 45°', 'cannot lie flat']),
    );
  });
});

describe('the room made ready', () => {
  test('of every entry in every room: each line once, with the numbers of the set-up', () => {
    let checked = 0;
    for (const room of demoRooms)
      for (const entry of projections) {
        const side = entry.sided === 'each' ? ('left' as const) : undefined;
        const setup = computeSetup({ projectionId: entry.id, side, patient: { ageYears: 40 }, room });
        const steps = roomCheckFor(setup);
        const said = steps.map(({ text }) => text).join('\n');
        expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
        expect(said).not.toMatch(/undefined|NaN|null/);
        expect(said).toContain(`Receptor ${setup.receptor.size.name}`);
        expect(said).toContain(setup.receptor.grid ? `Grid ${setup.receptor.grid.ratio}:1` : 'No grid');
        checked += 1;
      }
    expect(checked).toBe(projections.length * demoRooms.length);
  });
  test('lengths in the unit of the ward', () => {
    const setup = computeSetup({ projectionId: 'pelvis-ap', patient: { ageYears: 40 } });
    const sid = (unit: 'in' | 'cm') => roomCheckFor(setup, unit).find(({ id }) => id === 'sid')!.text;
    expect(sid('in')).toMatch(/ in/);
    expect(sid('cm')).toMatch(/ cm$/);
  });
});

describe('the level of a dose', () => {
  const levels: DoseLevel[] = [
    { projectionId: 'chest-pa', fromYears: 0, kapGyCm2: 0.01 },
    { projectionId: 'chest-pa', fromYears: 5, kapGyCm2: 0.03 },
    { projectionId: 'chest-pa', fromYears: 18, kapGyCm2: 0.1 },
    { projectionId: 'pelvis-ap', fromYears: 0, kapGyCm2: 1 },
  ];
  test('is that of the last age that was reached, whatever the order of the list', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 110, noNaN: true }),
        fc.shuffledSubarray(levels, { minLength: 4 }),
        (age, list) => {
          const found = doseLevelFor(list, 'chest-pa', age)!;
          expect(found.fromYears).toBe(age >= 18 ? 18 : age >= 5 ? 5 : 0);
        },
      ),
    );
  });
  test('is none where the department has set none, and an adult’s where no age is known', () => {
    expect(doseLevelFor(levels, 'hand-pa', 40)).toBeNull();
    expect(doseLevelFor([levels[1]], 'chest-pa', 3)).toBeNull();
    expect(doseLevelFor(levels, 'chest-pa')?.fromYears).toBe(18);
  });
  test.each([
    [{ projectionId: 'nothing', fromYears: 0, kapGyCm2: 1 }, /There is no projection "nothing"/],
    [{ projectionId: 'chest-pa', fromYears: -1, kapGyCm2: 1 }, /Age of a dose level must be 0 to 120 years/],
    [{ projectionId: 'chest-pa', fromYears: 0, kapGyCm2: 0 }, /A dose level must be 0.0001 to 200/],
  ])('%j is refused in words', (level, said) =>
    expect(doseLevelSchema.safeParse(level).error?.issues[0].message).toMatch(said),
  );
  test('doses add up; how well the sum is known lies between its parts', () => {
    const dose = fc.record({
      kapGyCm2: fc.double({ min: 0.001, max: 50, noNaN: true }),
      spread: fc.double({ min: 0.01, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(dose, { minLength: 1, maxLength: 12 }), (doses) => {
        const { kapGyCm2, spread } = sumDoses(doses);
        expect(kapGyCm2).toBeCloseTo(
          doses.reduce((sum, each) => sum + each.kapGyCm2, 0),
          9,
        );
        expect(spread).toBeGreaterThanOrEqual(Math.min(...doses.map((each) => each.spread)) - 1e-9);
        expect(spread).toBeLessThanOrEqual(Math.max(...doses.map((each) => each.spread)) + 1e-9);
      }),
    );
    expect(sumDoses([])).toEqual({ kapGyCm2: 0, spread: 0 });
  });
});

describe('after the exam', () => {
  test('contrast, enema, vein and stress each have their own sheet; everything else has none', () => {
    const titles = (...ids: string[]) => aftercareFor(entriesNamed(ids)).map(({ title }) => title);
    expect(titles('stomach-rao')).toEqual(['After barium']);
    expect(titles('colon-ap', 'colon-rpo')).toEqual(['After barium', 'After the enema']);
    const stress = projections.filter(({ id }) => id.includes('stress'));
    expect(stress.length).toBeGreaterThan(1);
    for (const { id } of stress) expect(titles(id)).toEqual(['After the stress views']);
    expect(titles('knee-ap', 'no such view')).toEqual([]);
  });
  test('the last steps depend on where the patient is, and every id stands once', () => {
    for (const place of ['room', 'bedside', 'chair', 'resuscitation bay', 'incubator'] as const) {
      const steps = finishStepsFor(entriesNamed(['colon-ap']), place, ['receptor 14×17', 'marker R']);
      const ids = steps.map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
      expect(ids).toContain('sheet');
      const lying = place === 'bedside' || place === 'resuscitation bay';
      const closed = place === 'incubator';
      expect([place, ids.includes('bed'), ids.includes('table'), ids.includes('incubator')]).toEqual([
        place,
        lying,
        !lying && !closed,
        closed,
      ]);
      if (lying) expect(steps.find(({ id }) => id === 'collected')!.text).toContain('receptor 14×17, marker R');
    }
  });
});

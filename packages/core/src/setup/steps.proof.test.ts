/** What every set-up must tell, whoever the patient and whatever the room. */
import { angledTo, atHolder } from '../words/names';
import fc from 'fast-check';
import { projections, projectionOf } from '../projections/catalogue';
import { STEP_GROUPS } from '../projections/schema';
import { formatInches } from '../quantity/length';
import { demoRooms } from '../room/demoRooms';
import { computeSetup } from './computeSetup';
import type { SetupRequest } from './request';
import type { Setup } from './setup';

const request = fc
  .record({
    ageYears: fc.double({ min: 0, max: 90, noNaN: true }),
    sex: fc.constantFrom('female' as const, 'male' as const),
    entry: fc.constantFrom(...projections),
    room: fc.constantFrom(...demoRooms),
    side: fc.constantFrom('left' as const, 'right' as const),
    situation: fc.record({
      spineNotCleared: fc.boolean(),
      fractureSuspected: fc.boolean(),
      canStand: fc.boolean(),
      pregnancy: fc.constantFrom('not asked' as const, 'no' as const, 'possible' as const),
    }),
    unit: fc.constantFrom('in' as const, 'cm' as const),
  })
  .map(({ ageYears, sex, entry, room, side, situation, unit }): SetupRequest => ({
    projectionId: entry.id,
    side: entry.sided === 'each' ? side : undefined,
    patient: { ageYears, sex },
    room,
    situation,
    rules: { unit },
  }));
/** What a case says that was no case for the test. */
const NO_CASE = false;
/** @param least cases that must really have been tried: a test that passes over all of them fails */
function check(test: (setup: Setup, asked: SetupRequest) => void | typeof NO_CASE, least = 100): void {
  let tried = 0;
  fc.assert(
    fc.property(request, (asked) => {
      const setup = computeSetup(asked);
      // What the patient bars has no steps: that is tested where the verdict is.
      fc.pre(!isBarred(setup));
      if (test(setup, asked) !== NO_CASE) tried += 1;
    }),
    { numRuns: 150 },
  );
  expect(tried).toBeGreaterThanOrEqual(least);
}
const isBarred = ({ problems }: Setup) =>
  problems.some(({ code }) => ['forbidden', 'position-barred', 'kept-part'].includes(code));
const all = (setup: Setup): string => setup.steps.map(({ text }) => text).join('\n');

test('steps come in the order of the work and none is missing', () => {
  check((setup) => {
    const found = setup.steps.map(({ group }) => STEP_GROUPS.indexOf(group));
    expect([...found].sort((a, b) => a - b)).toEqual(found);
    for (const group of [
      'room',
      'patient',
      'position',
      'centre',
      'field',
      'marker',
      'technique',
      'breathe',
      'expose',
      'check',
    ] as const)
      expect(setup.steps.some((step) => step.group === group)).toBe(true);
    expect(new Set(setup.steps.map(({ id }) => id)).size).toBe(setup.steps.length);
  });
});

test('the numbers in the sentences are those of the readouts', () => {
  check((setup, asked) => {
    const text = all(setup);
    expect(text).toContain(`${setup.exposure.kVp} kVp, ${setup.exposure.mAs} mAs`);
    expect(text).toContain(`Receptor ${setup.receptor.size.name} ${atHolder(setup.receptor.holder)}`);
    expect(text).toMatch(new RegExp(`Markers? ${setup.marker.letters.join(' and ')}:`));
    if (asked.rules?.unit === 'in') expect(text).toContain(`SID ${formatInches(setup.tube.sidMm)} in (`);
    if (setup.tube.angleDeg > 0) expect(text).toContain(`CR ${setup.tube.angleDeg}° ${angledTo(setup.tube.angleSays)}`);
    else expect(text).toMatch(/CR perpendicular to the receptor, (horizontal|vertical) beam/);
  });
});

test('nothing is said without its number, and nothing with an exclamation mark', () => {
  check((setup) => {
    const said = [
      all(setup),
      setup.centre.text,
      ...setup.problems.map(({ text }) => text),
      ...setup.cautions.map(({ text }) => text),
      ...setup.assumptions.map(({ value }) => value),
    ].join('\n');
    expect(said).not.toMatch(/undefined|null|NaN|Infinity|!/);
  });
});

test('a hurt patient is never asked to turn, bend, raise or straighten', () => {
  check((setup, asked) => {
    if (!asked.situation?.fractureSuspected && !asked.situation?.spineNotCleared) return NO_CASE;
    if (!setup.feasible) return NO_CASE;
    const spoken = setup.steps
      .filter(({ group }) => group === 'position')
      .map(({ text }) => text)
      .join('\n');
    if (
      projectionOf(setup.projectionId).positions.some(
        (positioning) => positioning.ifInjured && positioning.body === setup.position.body,
      )
    )
      expect(spoken).not.toMatch(/feet turned in 15|knees bent|chin up|Turn the leg in|Toes slightly in/);
    return undefined;
  }, 40);
});

test('a spine that is not cleared is never stood up or turned on its side', () => {
  check((setup, asked) => {
    if (!asked.situation?.spineNotCleared || !setup.feasible) return NO_CASE;
    expect(setup.position.body).toBe('supine');
    return undefined;
  }, 15);
});

test('grave cautions stand at a step that is there', () => {
  check((setup) => {
    const shown = setup.steps.flatMap(({ cautions }) => cautions);
    for (const caution of setup.cautions.filter(({ grave }) => grave)) expect(shown).toContain(caution.text);
  });
});

test('what was not given is owned up to', () => {
  check((setup) => {
    const fields = setup.assumptions.map(({ field }) => field);
    expect(fields).toEqual(expect.arrayContaining(['patient.statureMm', 'patient.massKg']));
    for (const assumption of setup.assumptions) expect(assumption.affects.length).toBeGreaterThan(4);
  });
});

test('the tube stays where the room lets it', () => {
  check((setup, asked) => {
    const { tube } = asked.room!;
    expect(setup.scene.focal[2]).toBeLessThanOrEqual(tube.focusHeightMm[1] + 1);
    if (setup.receptor.holder === 'wall' && setup.tube.heightOver === 'floor' && tube.wallSidMm)
      expect(setup.tube.sidMm).toBeLessThanOrEqual(tube.wallSidMm[1] + 1);
  });
});

test('the ray goes from the focal spot through the skin to the receptor, in that order', () => {
  check(({ scene, tube }) => {
    const along = (p: readonly number[]) =>
      p.reduce((sum, value, i) => sum + (value - scene.focal[i]) * scene.beam[i], 0);
    expect(along(scene.entry)).toBeGreaterThan(0);
    expect(along(scene.exit)).toBeGreaterThan(along(scene.entry));
    expect(along(scene.hit)).toBeGreaterThan(along(scene.exit) - 1);
    expect(along(scene.hit)).toBeCloseTo(tube.sidMm, 3);
  });
});

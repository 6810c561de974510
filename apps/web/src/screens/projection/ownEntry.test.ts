import { projectionOf, proveEntry } from '@taktik/core';
import { draftFaults, draftOf, entryOf, ownId } from './ownEntry';

const knee = projectionOf('knee-ap');

test('an untouched copy is the entry under an id of its own', () => {
  const copy = entryOf(knee, draftOf(knee));
  expect(copy).toEqual({
    ...knee,
    id: 'own-knee-ap',
    note: undefined,
    sid: { ...knee.sid, wantedMm: expect.closeTo(knee.sid.wantedMm, 3) },
  });
  expect(proveEntry(JSON.parse(JSON.stringify(copy)))).toMatchObject({ ok: true });
});

test('what is changed lands in its field; ranges widen to hold it', () => {
  const copy = entryOf(knee, {
    ...draftOf(knee),
    name: 'Knee, AP, Saal 2',
    sid: '44',
    kVp: '75',
    checks: 'one\n\n two \n',
    alsoCalled: 'a, b,',
  });
  expect(copy.id).toBe('own-knee-ap-saal-2');
  expect(copy.sid.wantedMm).toBeCloseTo(44 * 25.4);
  expect(copy.exposure.kVpRange[1]).toBe(75);
  expect(copy.checks).toEqual(['one', 'two']);
  expect(copy.alsoCalled).toEqual(['a', 'b']);
});

test('the form names what it takes', () => {
  expect(draftFaults(draftOf(knee))).toEqual([]);
  expect(draftFaults({ ...draftOf(knee), sid: 'far', angle: '-2', name: ' ' })).toEqual([
    'The name must not be empty',
    'SID must be 20 to 98 in',
    'Tube angle must be 0 to 60 °',
  ]);
});

test('what is no number is refused with its field, not guessed', () => {
  for (const [field, draft] of [
    ['sid.wantedMm', { sid: 'far' }],
    ['ray.angleDeg', { angle: '' }],
    ['exposure.kVp', { kVp: '-3' }],
  ] as const) {
    const proved = proveEntry(entryOf(knee, { ...draftOf(knee), ...draft }));
    expect(proved.ok ? [] : proved.faults.map((fault) => fault.field)).toContain(field);
  }
});

test('an own entry keeps its id, whatever it is called', () =>
  expect(ownId({ ...knee, id: 'own-ours' }, 'Other name')).toBe('own-ours'));

import { entriesNamed, projections } from '../projections/catalogue';
import { exams } from '../projections/exams';
import { MOBILE_UNIT, ROOM_ONE, ROOM_TWO } from '../room/demoRooms';
import { summarizeSeries } from '../series/bringList';
import { computeSetup } from '../setup/computeSetup';
import { aftercareFor, finishStepsFor } from './aftercare';
import { breathSequence, languageOf } from './breathing';
import { PATIENT_LANGUAGES, PHRASES } from './breathingPhrases';
import { checkPlan } from './checkPlan';
import { defaultDepartment, departmentSchema, examsOf, withDepartmentDefaults } from './department';
import { orderedExam, plannedFor } from './orderedExam';
import { noAnswers, questionsFor, readinessOf, takeOffFor, type Answers } from './questions';
import { roomCheckFor } from './roomCheck';

const man = { ageYears: 40, sex: 'male' as const };
const woman = { ageYears: 30, sex: 'female' as const };
const setup = (projectionId: string, patient: object = man, room = ROOM_TWO) =>
  computeSetup({
    projectionId,
    patient,
    room,
    side: projections.find(({ id }) => id === projectionId)!.sided === 'each' ? 'left' : undefined,
  });

describe('what the words of an order mean', () => {
  test.each([
    ['Knee, four views', 'knee-four'],
    ['knee 4 view', 'knee-four'],
    ['toes', 'toes'],
    ['Chest, two views', 'chest-two'],
    ['C-spine', 'cervical-three'],
    ['multiple-trauma', 'multiple-trauma'],
    ['Thoracic spine with C7-T1', 'thoracic'],
  ])('%s is the exam %s', (words, id) => expect(orderedExam(words)?.exam?.id).toBe(id));
  test('one view by its name is that view alone', () =>
    expect(orderedExam('Hand, PA')).toMatchObject({ exam: null, projections: ['hand-pa'] }));
  test('several parts in one order are all of them', () => {
    const { exam, projections: ids } = orderedExam('Chest and pelvis, trauma')!;
    expect(exam).toBeNull();
    expect(ids).toEqual(expect.arrayContaining(['chest-pa', 'pelvis-ap']));
  });
  test('nothing and nonsense mean nothing', () => {
    expect(orderedExam('  ')).toBeNull();
    expect(orderedExam('qqzzxx')).toBeNull();
  });
  test('a department’s exam gives its own projections, sided where they have a side', () => {
    const ours = examsOf({ exams: { knee: ['knee-ap', 'knee-lateral', 'patella-tangential-supine'] } });
    expect(orderedExam('Knee, routine', ours)?.projections).toHaveLength(3);
    expect(plannedFor(['knee-ap', 'pelvis-ap'], 'left')).toEqual([
      { projectionId: 'knee-ap', side: 'left' },
      { projectionId: 'pelvis-ap' },
    ]);
  });
});

describe('the plan against the order', () => {
  const kinds = (order: Parameters<typeof checkPlan>[0], plan: Parameters<typeof checkPlan>[1]) =>
    checkPlan(order, plan).map(({ kind }) => kind);
  test('a form that was asked for by name is missed where the view is planned as usual', () => {
    const found = (exam: string, plan: Parameters<typeof checkPlan>[1]) =>
      checkPlan({ exam, side: 'left' }, plan).map(({ kind, text, item }) => [kind, text, item]);
    const knee = { projectionId: 'knee-lateral', side: 'left' as const };
    const words = 'Knee AP and cross-table lateral';
    const ap = { projectionId: 'knee-ap', side: 'left' as const };
    expect(found(words, [ap, knee])).toEqual([
      ['less', 'Knee, lateral, cross-table was asked for; the plan has the view as usual', 1],
    ]);
    expect(found(words, [ap, { ...knee, way: 'supine~level~stand~on-back~reversed~lies' }])).toEqual([]);
  });
  test('every exam’s own plan is right', () => {
    for (const exam of exams)
      expect([exam.id, checkPlan({ exam: exam.id, side: 'left' }, plannedFor(exam.projections, 'left'))]).toEqual([
        exam.id,
        [],
      ]);
  });
  test('toes ordered, foot planned: said to be more, and the toes to be missing', () => {
    const found = checkPlan({ exam: 'Toes', side: 'left' }, [{ projectionId: 'foot-ap', side: 'left' }]);
    expect(found.map(({ kind }) => kind)).toEqual(['more', 'less']);
    expect(found[0]).toMatchObject({ item: 0, text: 'Foot, AP axial shows the foot; ordered: Toes (toes)' });
  });
  test('the other side, no side, twice', () => {
    const order = { exam: 'Knee, routine', side: 'left' as const };
    expect(kinds(order, [{ projectionId: 'knee-ap', side: 'right' }])).toEqual(['side']);
    expect(kinds(order, [{ projectionId: 'knee-ap' }])).toEqual(['side']);
    const twice = { projectionId: 'knee-ap', side: 'left' as const };
    expect(kinds(order, [twice, twice])).toEqual(['twice']);
    expect(
      kinds({ exam: 'Pelvis', side: null }, [{ projectionId: 'pelvis-ap' }, { projectionId: 'pelvis-ap' }]),
    ).toEqual(['twice']);
  });
  test('a view that serves instead of a planned one is no more than ordered', () => {
    const entry = projections.find(({ id, instead }) => id === 'fossa-prone' && instead.length > 0)!;
    expect(
      kinds({ exam: 'Knee, fossa and patella', side: 'left' }, [
        { projectionId: 'knee-ap', side: 'left' },
        { projectionId: entry.instead[0].projection, side: 'left' },
        { projectionId: 'patella-tangential-supine', side: 'left' },
      ]),
    ).toEqual([]);
  });
  test('both obliques of one side are no order of both sides', () => {
    const order = { exam: 'Knee left both obliques', side: 'left' as const };
    const plan = ['knee-oblique-medial', 'knee-oblique-lateral'].map((projectionId) => ({
      projectionId,
      side: 'left' as const,
    }));
    expect(checkPlan(order, plan)).toEqual([]);
    expect(kinds({ exam: 'Both knees', side: null }, [{ projectionId: 'knee-ap', side: 'left' }])).toContain('less');
  });
  test('a department’s own entry counts as what it shows', () => {
    const own = { ...projections.find(({ id }) => id === 'knee-ap')!, id: 'own-knee', name: 'Knee, our way' };
    const plan = [
      { projectionId: 'own-knee', side: 'left' as const },
      { projectionId: 'knee-lateral', side: 'left' as const },
    ];
    const order = { exam: 'Knee, routine', side: 'left' as const };
    expect(checkPlan(order, plan, undefined, [own])).toEqual([]);
    expect(checkPlan(order, [{ projectionId: 'own-knee' }], undefined, [own]).map(({ kind }) => kind)).toContain(
      'side',
    );
  });
  test('an unknown exam is said to be unknown', () =>
    expect(kinds({ exam: 'qqzzxx', side: null }, [])).toEqual(['unknown']));
});

describe('before the patient', () => {
  const ids = (projectionIds: string[], patient: object) =>
    questionsFor(entriesNamed(projectionIds), patient).map(({ id }) => id);
  test('two identifiers always; pregnancy where the trunk of someone who may be pregnant is exposed', () => {
    expect(ids(['hand-pa'], woman)).toEqual(['identity-name', 'identity-second', 'order-side']);
    expect(ids(['pelvis-ap'], woman)).toContain('pregnancy');
    expect(ids(['colon-ap'], woman)).toContain('pregnancy');
    expect(ids(['pelvis-ap'], man)).not.toContain('pregnancy');
    expect(ids(['pelvis-ap'], { ageYears: 70, sex: 'female' })).not.toContain('pregnancy');
    // A sex that is not known is asked, not guessed.
    expect(ids(['pelvis-ap'], { ageYears: 30 })).toContain('pregnancy');
  });
  test('a contrast enema asks after allergy, latex, biopsy and appendix; a knee does not', () => {
    expect(ids(['colon-ap'], man)).toEqual(
      expect.arrayContaining(['contrast-allergy', 'latex', 'recent-biopsy', 'appendix']),
    );
    expect(ids(['stomach-ap'], man)).toEqual(expect.arrayContaining(['contrast-allergy', 'fasted']));
    expect(ids(['knee-ap'], man)).toHaveLength(3);
  });
  test('pregnancy possible stops until it is written down who decided; another person never goes on', () => {
    const questions = questionsFor(entriesNamed(['pelvis-ap']), woman);
    const all = (over: Partial<Answers['given']>): Answers => ({
      given: {
        ...{ 'identity-name': 'yes' as const, 'identity-second': 'yes' as const, 'order-side': 'yes' as const },
        pregnancy: 'no' as const,
        ...(over as Answers['given']),
      },
      decisions: {},
    });
    expect(readinessOf(questions, noAnswers)).toMatchObject({ ready: false, stops: [] });
    expect(readinessOf(questions, all({})).ready).toBe(true);
    const possible = all({ pregnancy: 'yes' });
    expect(readinessOf(questions, possible)).toMatchObject({ ready: false, stops: [{ id: 'pregnancy' }] });
    expect(readinessOf(questions, { ...possible, decisions: { pregnancy: '  ' } }).ready).toBe(false);
    expect(readinessOf(questions, { ...possible, decisions: { pregnancy: 'Dr Vale: go on' } }).ready).toBe(true);
    const other = { ...all({ 'identity-name': 'no' }), decisions: { 'identity-name': 'looks right' } };
    expect(readinessOf(questions, other).ready).toBe(false);
  });
  test('what must come off is listed by region, nothing twice', () => {
    const list = takeOffFor([setup('chest-pa'), setup('chest-lateral'), setup('hand-pa')]);
    expect(list.map(({ region }) => region)).toEqual(['chest', 'hand and wrist']);
    const items = list.flatMap(({ items: some }) => some);
    expect(new Set(items).size).toBe(items.length);
    expect(items).toEqual(expect.arrayContaining(['rings', 'necklace']));
  });
  test('the room check tells what the first set-up computed', () => {
    const first = setup('sacrum-ap-axial');
    const texts = roomCheckFor(first).map(({ text }) => text);
    expect(texts[0]).toContain(first.receptor.size.name);
    expect(texts.join('|')).toMatch(/Tube in its detent over the table tray/);
    expect(texts.join('|')).toContain(`${first.exposure.kVp} kVp, ${first.exposure.mAs} mAs`);
    expect(
      roomCheckFor(setup('hand-pa'))
        .map(({ text }) => text)
        .join('|'),
    ).toMatch(/Tube free, out of its detent/);
    const ward = computeSetup({
      projectionId: 'pelvis-ap',
      patient: man,
      room: MOBILE_UNIT,
      situation: { place: 'bedside' },
    });
    expect(
      roomCheckFor(ward, 'cm')
        .map(({ text }) => text)
        .join('|'),
    ).toMatch(/SID \d+(\.5)? cm/);
  });
});

test('a lead apron and the loose holder are brought when the set-ups need them', () => {
  const ward = computeSetup({
    projectionId: 'cervical-lateral',
    side: undefined,
    patient: man,
    room: MOBILE_UNIT,
    situation: { place: 'bedside', canStand: false, canSit: false, canTurn: 'none', spineNotCleared: true },
  });
  expect(summarizeSeries([ward, setup('chest-ap', man, MOBILE_UNIT)]).bring).toEqual(
    expect.arrayContaining(['loose receptor holder', 'lead apron']),
  );
});

describe('the breath', () => {
  test('every set-up has a sequence with one exposure in it, and who holds is freed again', () => {
    for (const { id } of projections) {
      const one = setup(id, man, ROOM_ONE);
      const steps = breathSequence(one);
      expect([id, steps.filter(({ expose }) => expose)]).toEqual([id, [expect.anything()]]);
      const stopsBreathing = steps.some(({ phrase }) => phrase === 'hold' || phrase === 'stop');
      expect([id, !stopsBreathing || steps.at(-1)?.phrase === 'normal']).toEqual([id, true]);
      // Long enough for the exposure itself.
      expect(steps.find(({ expose }) => expose)!.seconds * 1000).toBeGreaterThanOrEqual(one.exposure.timeMs);
    }
  });
  test.each([
    ['chest-pa', ['in', 'out', 'deep', 'hold', 'normal']],
    ['thoracic-lateral', ['gently', 'normal']],
    ['pelvis-ap', ['still', 'stop', 'normal']],
    ['abdomen-ap-supine', ['out', 'stop', 'normal']],
    ['hand-pa', ['still']],
  ])('%s is said as %j', (id, phrases) =>
    expect(breathSequence(setup(id)).map(({ phrase }) => phrase)).toEqual(phrases),
  );
  test('at least eight languages besides English, each with every phrase and how to say it', () => {
    expect(PATIENT_LANGUAGES.length).toBeGreaterThanOrEqual(9);
    expect(new Set(PATIENT_LANGUAGES.map(({ id }) => id)).size).toBe(PATIENT_LANGUAGES.length);
    for (const language of PATIENT_LANGUAGES) {
      for (const phrase of PHRASES) {
        const [words, say] = language.phrases[phrase];
        expect([language.id, phrase, words.length > 1]).toEqual([language.id, phrase, true]);
        expect([language.id, phrase, say !== '']).toEqual([language.id, phrase, language.id !== 'en']);
      }
      expect(new Set(PHRASES.map((phrase) => language.phrases[phrase][0])).size).toBe(PHRASES.length);
    }
    expect(languageOf('none').id).toBe('en');
    expect(languageOf('ar').rightToLeft).toBe(true);
  });
});

describe('the end', () => {
  test('barium is followed by drinking; a knee by nothing', () => {
    expect(aftercareFor(entriesNamed(['stomach-ap'])).map(({ title }) => title)).toEqual(['After barium']);
    expect(aftercareFor(entriesNamed(['colon-ap']))[0].lines[0]).toMatch(/^Drink much more/);
    expect(aftercareFor(entriesNamed(['colon-ap']))).toHaveLength(2);
    expect(aftercareFor(entriesNamed(['knee-ap', 'no-such']))).toEqual([]);
  });
  test('at the bedside rails, bed and what was brought; contrast with its sheet', () => {
    const ward = finishStepsFor(entriesNamed(['pelvis-ap']), 'bedside', ['receptor 14×17', 'grid 6:1']).map(
      ({ text }) => text,
    );
    expect(ward.join('|')).toMatch(/rails up.*Collected: receptor 14×17, grid 6:1/);
    expect(finishStepsFor(entriesNamed(['colon-ap']), 'room', []).map(({ id }) => id)).toContain('sheet');
    expect(finishStepsFor(entriesNamed(['knee-ap']), 'room', []).map(({ id }) => id)).not.toContain('bed');
  });
});

describe('the department', () => {
  test('fills in what was not decided', () => {
    expect(withDepartmentDefaults({ prices: { angle: 9 } })).toMatchObject({
      prices: { ...defaultDepartment.prices, angle: 9 },
      idleMinutes: defaultDepartment.idleMinutes,
    });
    expect(departmentSchema.parse({})).toEqual({});
  });
  test.each([
    [{ idleMinutes: 0 }, /1 to 480/],
    [{ repeatCauses: [] }, /At least one/],
    [{ repeatCauses: ['Clipped', 'Clipped'] }, /twice/],
    [{ endReasons: [' '] }, /must not be empty/],
    [{ exams: { 'no-such': ['chest-pa'] } }, /no exam "no-such"/],
    [{ exams: { 'chest-two': ['no-such'] } }, /no projection "no-such"/],
    [{ exams: { 'chest-two': [] } }, /at least one projection/],
    [{ prices: { angle: -1 } }, /0 to 500/],
  ])('%j is refused with its reason', (input, says) =>
    expect(
      departmentSchema
        .safeParse(input)
        .error?.issues.map(({ message }) => message)
        .join(),
    ).toMatch(says),
  );
});

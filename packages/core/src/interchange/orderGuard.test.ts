import { checkPlan } from '../exam/checkPlan';
import { needsSide, orderedExam, plannedFor } from '../exam/orderedExam';
import { exams } from '../projections/exams';
import { ordersFromFhir } from './orderFhir';
import { notXray, readSides, sidesIn } from './orderGuard';
import { ORDER_COLUMNS, ordersFromTable } from './orderTable';

describe('what is no x-ray', () => {
  test.each([
    ['CT head', 'CT'],
    ['Chest CT with contrast', 'CT'],
    ['Mammogram bilateral', 'mammography'],
    ['PET-CT', 'PET'],
    ['MRI knee', 'MRI'],
    ['MR brain', 'MRI'],
    ['Ultrasound abdomen', 'ultrasound'],
    ['US renal', 'ultrasound'],
    ['Bone scan', 'nuclear medicine'],
    ['DEXA', 'bone densitometry'],
    ['Physical therapy knee', 'therapy'],
    ['Cast removal left wrist', 'a procedure'],
    ['Knee injection', 'a procedure or test'],
  ])('%s is %s, and makes no plan', (words, what) => {
    expect(notXray(words)).toBe(what);
    expect(orderedExam(words)).toBeNull();
    const [finding] = checkPlan({ exam: words, side: null }, [{ projectionId: 'chest-pa' }]);
    expect(finding).toMatchObject({ kind: 'unknown', text: expect.stringContaining(`asks for ${what}`) });
  });
  test('every exam here, by each of its names, is one; and what says x-ray itself', () => {
    for (const { name, alsoCalled } of exams)
      for (const each of [name, ...alsoCalled]) expect([each, notXray(each)]).toEqual([each, null]);
    expect(notXray('Chest x-ray after CT biopsy')).toBeNull();
  });
});

describe('views that are named', () => {
  test.each([
    ['Shoulder Y view for possible dislocation', ['shoulder-scapular-y']],
    [
      'Upper GI, AP, LPO, right lateral, RAO, PA',
      ['stomach-ap', 'stomach-lpo', 'stomach-lateral-right', 'stomach-rao', 'stomach-pa'],
    ],
    ['AP chest', ['chest-ap']],
    ['Knee AP, medial oblique, lateral', ['knee-ap', 'knee-oblique-medial', 'knee-lateral']],
    ['Abdomen supine and left decubitus', ['abdomen-ap-supine', 'abdomen-decubitus-left-lateral']],
    ['Ankle AP LAT OBL', ['ankle-ap', 'ankle-lateral', 'ankle-mortise']],
    ['C-spine AP lateral odontoid', ['cervical-ap-axial', 'cervical-lateral', 'cervical-ap-open-mouth']],
    ['Wrist PA, oblique, lateral', ['wrist-pa', 'wrist-oblique', 'wrist-lateral']],
    ['Hip AP and frog leg lateral', ['hip-ap', 'hip-lateral-frog']],
    ['Foot AP lateral oblique', ['foot-ap', 'foot-lateral', 'foot-oblique-medial']],
    ['Knee AP standing and sunrise', ['knee-ap-weight-bearing', 'patella-tangential-supine']],
    [
      'Shoulder AP internal and external rotation, axillary',
      ['shoulder-ap-internal', 'shoulder-ap-external', 'shoulder-axillary-inferosuperior'],
    ],
    ['Sinuses Waters, Caldwell, lateral', ['sinuses-parietoacanthial', 'sinuses-pa-axial', 'sinuses-lateral']],
    ['Lumbar flexion extension lateral', ['lumbar-flexion', 'lumbar-extension', 'lumbar-lateral']],
  ])('%s', (words, ids) => expect(orderedExam(words)?.projections).toEqual(ids));
  test('none, where an exam alone is named', () => {
    for (const words of ['Knee 3 views', 'Cervical spine 5 views', 'Contrast enema', 'Chest, two views', 'Knee'])
      expect([words, orderedExam(words)?.named]).toEqual([words, []]);
  });
  test('every word that stands for a view is planned, or its absence is said', () => {
    const parts = ['Shoulder', 'Knee', 'Wrist', 'Chest', 'Abdomen', 'Skull'];
    const views = [
      'AP',
      'PA',
      'lateral',
      'oblique',
      'decubitus',
      'Y',
      'axillary',
      'outlet',
      'mortise',
      'tunnel',
      'RAO',
    ];
    let said = 0;
    for (const part of parts)
      for (const one of views)
        for (const other of views) {
          if (one === other) continue;
          const exam = `${part} ${one}, ${other}`;
          const ordered = orderedExam(exam);
          const planned = plannedFor(ordered?.projections ?? [], 'left');
          const sidesRead = checkPlan({ exam, side: 'left' }, planned)
            .map(({ text }) => text)
            .join();
          for (const named of ordered?.named ?? []) {
            const shown = planned.some(({ projectionId }) => projectionId === named.projectionId);
            expect([exam, named.words, shown || sidesRead.includes(`“${named.words}” was named`)]).toEqual([
              exam,
              named.words,
              true,
            ]);
            if (!shown) said += 1;
          }
          // A plan that drops one of them says so.
          const less = checkPlan({ exam, side: 'left' }, planned.slice(1));
          if (planned.length > 1) expect([exam, less.some(({ kind }) => kind === 'less')]).toEqual([exam, true]);
        }
    expect(said).toBeGreaterThan(10);
  });
});

describe('sides', () => {
  test.each([
    ['R wrist', ['right']],
    ['Foot, LT', ['left']],
    ['knee bilateral', ['left', 'right']],
    ['Both hands', ['left', 'right']],
    ['Left lateral decubitus abdomen', []],
    ['Right lateral stomach', []],
    ['L5-S1 spot', []],
    ['L spine', []],
  ])('%s', (words, sides) => expect([...sidesIn(words)].sort()).toEqual(sides));
  test('places that contradict one another', () => {
    const of = (exam: string, site: string) =>
      readSides([
        { from: 'exam', sides: sidesIn(exam) },
        { from: 'site', sides: sidesIn(site) },
      ]);
    expect(of('Left wrist', 'left')).toMatchObject({ side: 'left', contradiction: null });
    expect(of('Left wrist', 'right').contradiction).toMatch(/exam says the left, site says the right/);
    expect(of('Both wrists', 'right').contradiction).toMatch(/both sides/);
    expect(of('Wrist', 'right and left')).toMatchObject({ bothSides: true, side: null });
  });
  test('an enema needs none: the decubitus is taken on either side; nasal laterals from both', () => {
    const enema = orderedExam('Barium enema')!;
    expect(needsSide(enema.projections)).toBe(false);
    expect(
      plannedFor(enema.projections, null).filter(({ projectionId }) => projectionId === 'colon-decubitus'),
    ).toEqual([
      { projectionId: 'colon-decubitus', side: 'right' },
      { projectionId: 'colon-decubitus', side: 'left' },
    ]);
    const nose = plannedFor(orderedExam('Nasal bones')!.projections, null);
    expect(
      nose
        .filter(({ projectionId }) => projectionId === 'nasal-bones-lateral')
        .map(({ side }) => side)
        .sort(),
    ).toEqual(['left', 'right']);
    expect(checkPlan({ exam: 'Nasal bones', side: null }, nose)).toEqual([]);
    expect(plannedFor(['knee-ap'], 'both')).toHaveLength(2);
  });
});

describe('FHIR', () => {
  const bundle = (change: object, site?: object[]) => ({
    resourceType: 'Bundle',
    entry: [
      {
        resource: { resourceType: 'Patient', id: 'p', name: [{ given: ['Q'], family: 'Z' }], birthDate: '1980-01-01' },
      },
      {
        resource: {
          resourceType: 'ServiceRequest',
          identifier: [{ value: 'F-1' }],
          status: 'active',
          code: { text: 'Wrist left' },
          bodySite: site,
          subject: { reference: 'Patient/p' },
          reasonCode: [{ text: 'Fall' }],
          locationReference: [{ display: 'ED' }],
          ...change,
        },
      },
    ],
  });
  const read = (change: object, site?: object[]) => ordersFromFhir(bundle(change, site), '2026-06-01');
  const faults = (change: object, site?: object[]) => {
    const found = read(change, site);
    return 'faults' in found ? found.faults.map(({ message }) => message).join() : '';
  };
  test.each([
    ['77386006', 'possible'],
    ['LA26683-5', 'no'],
    ['261665006', undefined],
  ])('a pregnancy status of %s is %s in the situation', (code, pregnancy) => {
    const message = bundle({});
    const observed = {
      resource: {
        resourceType: 'Observation',
        code: { coding: [{ system: 'http://loinc.org', code: '82810-3' }] },
        subject: { reference: 'Patient/p' },
        valueCodeableConcept: { coding: [{ code }] },
      },
    };
    const found = ordersFromFhir({ ...message, entry: [...message.entry, observed] }, '2026-06-01');
    expect('orders' in found && found.orders[0]!.order.situation.pregnancy).toBe(pregnancy);
  });
  test('not to be performed, another modality in a code, and sides that contradict, are refused by name', () => {
    expect(faults({ doNotPerform: true })).toMatch(/NOT done/);
    expect(faults({ code: { text: 'Head', coding: [{ display: 'CT of head' }] } })).toMatch(/CT/);
    expect(faults({ status: 'draft' })).toMatch(/Only active/);
    expect(faults({ modifierExtension: [{ url: 'urn:x:unless', valueBoolean: true }] })).toMatch(
      /modifier.*urn:x:unless/,
    );
    expect(faults({}, [{ text: 'Right wrist' }])).toMatch(/the exam says the left, the body site says the right/);
    expect(faults({}, [{ coding: [{ system: 'http://snomed.info/sct', code: '24028007' }] }])).toMatch(/right/);
    expect(faults({})).toBe('');
  });
  test('two body sites are both sides; an error or a withdrawal calls off, without the patient', () => {
    expect(read({ code: { text: 'Wrist' } }, [{ text: 'Left wrist' }, { text: 'Right wrist' }])).toMatchObject({
      orders: [{ order: { bothSides: true, side: null } }],
    });
    for (const status of ['entered-in-error', 'revoked'])
      expect(read({ status, subject: undefined, code: undefined })).toMatchObject({
        orders: [{ order: { standing: 'cancelled' } }],
      });
    expect(read({ status: 'on-hold' })).toMatchObject({ orders: [{ order: { standing: 'on hold' } }] });
  });
});

test('a table: side in the words, in the column, in both, or against each other', () => {
  const row = (exam: string, side: string) =>
    ordersFromTable(ORDER_COLUMNS, [
      { line: 2, cells: { reference: 'A', initials: 'Q', exam, side, reason: 'Fall', ward: 'ED' } },
    ]);
  expect(row('Left knee', '')).toMatchObject({ orders: [{ order: { side: 'left' } }] });
  expect(row('Left knee', 'left')).toMatchObject({ orders: [{ order: { side: 'left' } }] });
  expect(row('Knee', 'both')).toMatchObject({ orders: [{ order: { side: null, bothSides: true } }] });
  expect(row('Left knee', 'right')).toMatchObject({ faults: [{ field: 'side' }] });
  for (const words of ['Left knee - do not perform', 'Cancelled: left knee', 'Left knee, not to be done'])
    expect(row(words, '')).toMatchObject({
      faults: [{ message: expect.stringMatching(/says that it is not to be performed/) }],
    });
  for (const words of [
    'Left knee, patient does not stand',
    'Left wrist, do not take the sling away',
    'Left knee, do not do without apron',
  ])
    expect(row(words, '')).toMatchObject({ orders: [{}] });
  expect(row('MRI knee', 'left')).toMatchObject({
    faults: [{ field: 'exam', message: expect.stringContaining('MRI') }],
  });
});

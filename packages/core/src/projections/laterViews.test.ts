/** Views that were added to the first catalogue: found by the words of orders, in their exams, and what they ask for. */
import { checkPlan } from '../exam/checkPlan';
import { orderedExam, plannedFor } from '../exam/orderedExam';
import { computeSetup } from '../setup/computeSetup';
import { projectionOf } from './catalogue';
import { exams, placeInExams } from './exams';
import { findExams, findProjections } from './search';

test.each([
  ['external oblique ankle', 'ankle-oblique-lateral'],
  ['standing mortise', 'ankle-mortise-weight-bearing'],
  ['weight bearing ankle side', 'ankle-lateral-weight-bearing'],
  ['lower oblique ribs', 'ribs-oblique-posterior-lower'],
  ['erect abdomen PA', 'abdomen-pa-upright'],
  ['lumbar prone', 'lumbar-pa'],
  ['SI joints prone', 'sacroiliac-pa'],
  ['clenched fist', 'wrist-clenched-fist-pa'],
  ['cystogram oblique', 'cystogram-oblique'],
  ['bladder side', 'cystogram-lateral'],
  ['coned kidneys', 'abdomen-kidneys-ap'],
  ['bladder stones', 'abdomen-bladder-ap'],
  ['cystogram AP', 'cystogram-ap'],
  ['cross table lateral rectum', 'colon-ventral-decubitus-lateral'],
  ['bilateral Judet', 'acetabulum-oblique-bilateral'],
  ['lateral pelvis', 'pelvis-lateral'],
  ['bilateral Dunn', 'hips-flexed-abducted-bilateral'],
  ['chewing view', 'cervical-ap-moving-jaw'],
  ['OM30', 'face-occipitomental-30'],
  ['reverse Caldwell', 'face-ap-axial-15'],
  ['Arcelin', 'petrous-oblique-posterior'],
  ['mastoid air cells', 'mastoid-axiolateral-oblique'],
  ['hindfoot alignment', 'hindfoot-alignment'],
])('“%s” finds %s among the first three', (words, id) => {
  expect(
    findProjections(words)
      .slice(0, 3)
      .map(({ projection }) => projection.id),
  ).toContain(id);
});

test.each([
  ['shunt malfunction', 'shunt-series'],
  ['swallowed battery', 'foreign-body-child'],
  ['myeloma survey', 'survey-adult'],
  ['scanogram', 'leg-length'],
  ['standing ankle series', 'ankle-standing'],
  ['bladder series', 'cystography'],
  ['pelvis inlet and outlet', 'pelvic-ring'],
  ['Judet views', 'acetabulum'],
  ['FAI series', 'hip-impingement'],
  ['urinary stones series', 'urinary-stones'],
  ['facial trauma series', 'face-trauma'],
  ['mastoid series', 'mastoids'],
  ['heel alignment series', 'hindfoot'],
  ['bone age', 'bone-age'],
])('an order for “%s” is the exam %s, and its plan is what was ordered', (words, id) => {
  expect(findExams(words)[0]?.id).toBe(id);
  const ordered = orderedExam(words)!;
  expect(ordered.exam?.id).toBe(id);
  expect(checkPlan({ exam: words, side: 'left' }, plannedFor(ordered.projections, 'left'))).toEqual([]);
});

test('an exam of several regions does not say what comes first in one of them', () => {
  // The shunt series begins with the PA skull, the skull’s own exam with another view.
  const shunt = exams.find(({ id }) => id === 'shunt-series')!;
  expect(shunt.projections[0]).toBe('skull-pa');
  const skull = exams.find(({ id }) => id === 'skull')!;
  const own = placeInExams(projectionOf('skull-pa'));
  expect(own).toBe(skull.projections.includes('skull-pa') ? skull.projections.indexOf('skull-pa') : null);
});

test('what loads or stresses is barred where a fracture is suspected, what only lies there is not', () => {
  const barred = (projectionId: string) =>
    computeSetup({ projectionId, side: 'left', situation: { fractureSuspected: true } }).problems.some(
      ({ code }) => code === 'forbidden',
    );
  for (const id of [
    'ankle-mortise-weight-bearing',
    'ankle-lateral-weight-bearing',
    'wrist-clenched-fist-pa',
    'hindfoot-alignment',
  ])
    expect([id, barred(id)]).toEqual([id, true]);
  for (const id of ['ankle-oblique-lateral', 'ribs-oblique-posterior-lower', 'lumbar-pa'])
    expect([id, barred(id)]).toEqual([id, false]);
});

test('the lower ribs are taken in expiration, lower than the upper ones', () => {
  const at = (projectionId: string) => computeSetup({ projectionId, side: 'left', patient: { ageYears: 40 } });
  const [upper, lower] = [at('ribs-oblique-posterior'), at('ribs-oblique-posterior-lower')];
  expect(projectionOf('ribs-oblique-posterior-lower').breathing.phase).toBe('out');
  expect(projectionOf('ribs-oblique-posterior').breathing.phase).toBe('in');
  expect(lower.exposure.kVp).toBeGreaterThanOrEqual(upper.exposure.kVp);
});

describe('a chest breathed out', () => {
  const at = (projectionId: string) => computeSetup({ projectionId, patient: { ageYears: 40, sex: 'male' } });
  const [full, out] = [at('chest-pa'), at('chest-pa-expiration')];
  test('is the same ray, receptor and centring, with another breath, and marked', () => {
    expect(out.tube).toEqual(full.tube);
    expect(out.receptor).toEqual(full.receptor);
    expect(out.centre).toEqual(full.centre);
    expect(out.breathing.words).toMatch(/out, hold it out/);
    expect(full.breathing.words).toMatch(/In again, deep/);
    expect(out.marker.extra).toEqual(['expiration']);
    expect(out.scene.adapt.state.breath).toBe('out');
  });
  test('is not judged by the depth of the breath', () => {
    expect(projectionOf('chest-pa').checks.some((check) => /ten posterior ribs/i.test(check))).toBe(true);
    expect(projectionOf('chest-pa-expiration').checks.some((check) => /ten posterior ribs/i.test(check))).toBe(false);
    expect(projectionOf('chest-pa-expiration').faults.map(({ id }) => id)).toContain('not-out');
  });
  test.each([
    ['chest insp/exp', ['chest-pa', 'chest-pa-expiration']],
    ['Chest PA, expiration', ['chest-pa-expiration']],
    ['expiratory chest', ['chest-pa-expiration']],
  ])('“%s”', (words, ids) => expect([...orderedExam(words)!.projections].sort()).toEqual(ids));
});

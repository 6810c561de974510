/**
 * Exams walked from the order to the result, as a device walks them over the wire: what was ordered is read, planned, set
 * up, exposed, looked at and ended. Every walk holds the same checks of each view besides what is expected of it alone.
 */
import type { APIRequestContext } from '@playwright/test';
import { expect, ONCE, test } from '../fixtures';
import { WALKS, type Walk } from './exams';

type Json = Record<string, any>;
const ROOM = 'room-1';
const GROUPS = [
  'room',
  'patient',
  'position',
  'centre',
  'field',
  'marker',
  'protect',
  'technique',
  'breathe',
  'expose',
  'check',
];

async function post(request: APIRequestContext, path: string, data: unknown): Promise<Json> {
  const answer = await request.post(`/api${path}`, { data: data as object });
  expect([path, answer.status(), answer.ok() ? '' : await answer.text()]).toEqual([path, answer.status(), '']);
  return (await answer.json()) as Json;
}

/** The orders as a table, taken in; each with its plan. */
async function takeIn(request: APIRequestContext): Promise<Json[]> {
  const cell = (text: string) => `"${text}"`;
  const lines = WALKS.map(({ exam, side = '', age, sex, reason, situation = '' }, i) =>
    [`walk-${i}`, 'WK', age, sex, cell(exam), side, cell(reason), 'routine', 'Clinic', cell(situation)].join(','),
  );
  const head = 'reference,initials,age_years,sex,exam,side,reason,urgency,ward,situation';
  const taken = await request.post('/api/orders/import', {
    headers: { 'content-type': 'text/csv' },
    data: [head, ...lines].join('\n'),
  });
  expect((await taken.json()) as Json).toMatchObject({ taken: WALKS.length, refused: [] });
  const orders = (await (await request.get('/api/orders')).json()) as Json[];
  return WALKS.map((_, i) => orders.find(({ reference }) => reference === `walk-${i}`)!);
}

const textOf = (setup: Json): string =>
  [
    setup.position.say,
    ...setup.steps.flatMap(({ text, cautions }: Json) => [text, ...cautions]),
    ...setup.cautions.map(({ text }: Json) => text),
  ].join('\n');

/** What holds for every view that may be exposed; each line is one that a technologist would stop at. */
function checkView(setup: Json, side: 'left' | 'right' | undefined): void {
  const of = setup.name as string;
  const is = (what: string, holds: unknown) => expect.soft([of, what, Boolean(holds)]).toEqual([of, what, true]);
  const { exposure, tube, field, marker, receptor, breathing, centre, dose, steps } = setup;
  is('kVp in the range of a generator', exposure.kVp >= 40 && exposure.kVp <= 150);
  is('mAs and time above nothing', exposure.mAs > 0 && exposure.timeMs > 0);
  is('no longer than can be held, but to blur the breath', exposure.timeMs <= 1500 || breathing.phase === 'quiet');
  is('SID of a room', tube.sidMm >= 700 && tube.sidMm <= 2000);
  is('nothing that must be shown is clipped', field.clipped.length === 0);
  is(
    'a field no larger than its receptor',
    receptor.outcome === 'diagonal' ||
      Math.max(field.atReceptorMm.width, field.atReceptorMm.height) <=
        Math.max(receptor.size.widthMm, receptor.size.heightMm) + 1,
  );
  is(
    'the marker of its side; on a decubitus that of the side up, with an arrow',
    setup.side === null ||
      side === undefined ||
      marker.letters.includes(
        marker.extra.some((sign: string) => / side down$/.test(sign)) === (setup.side === 'left') ? 'R' : 'L',
      ),
  );
  is(
    'the side that was ordered',
    setup.side === null || side === undefined || setup.side === side || setup.position.nearSide !== null,
  );
  is('a centring that says where', /\d|level|through|at |enters|exits/i.test(centre.text));
  is(
    'steps in the order of the work',
    steps.every(({ group }: Json, i: number) => i === 0 || GROUPS.indexOf(group) >= GROUPS.indexOf(steps[i - 1].group)),
  );
  is(
    'a step each for room, position, centre, technique',
    ['room', 'position', 'centre', 'technique'].every((group) => steps.some((step: Json) => step.group === group)),
  );
  is(
    'grave cautions stand before their step',
    setup.cautions
      .filter(({ grave }: Json) => grave)
      .every(({ text }: Json) => steps.some(({ cautions }: Json) => cautions.includes(text))),
  );
  is(
    'words for a breath that is commanded',
    !breathing.commanded || breathing.phase === 'none' || breathing.words !== '',
  );
  is('dose above nothing, and how well it is known', dose.kapGyCm2 > 0 && dose.spread > 0);
  is(
    'an index that is expected near its target',
    exposure.expected === null || Math.abs(exposure.expected.deviation) <= 3,
  );
  is('criteria to look for', setup.checks.length > 0);
}

test('more than thirty exams, from the order to the result', ONCE, async ({ page }) => {
  const { request } = page;
  const rooms = (await (await request.get('/api/rooms')).json()) as Json[];
  const mine = await (await request.get('/api/me')).json();
  const performedBy = ((mine as Json).person ?? mine).name as string;
  const orders = await takeIn(request);
  let checked = 0;
  for (const [i, walk] of WALKS.entries())
    await test.step(walk.exam, async () => {
      checked += await walkThrough(i, walk);
    });
  expect(checked).toBeGreaterThan(30 * 15);

  async function walkThrough(i: number, walk: Walk): Promise<number> {
    const order = orders[i]!;
    expect
      .soft([walk.exam, (order.projections as Json[]).map(({ projectionId }) => projectionId as string).sort()])
      .toEqual([walk.exam, [...walk.views].sort()]);
    const room = rooms.find(({ id }) => id === (order.situation.place === 'bedside' ? 'mobile-1' : ROOM)) ?? rooms[0];
    const base = { patient: order.patient.body, situation: { pregnancy: 'no', ...order.situation }, room };
    const plan = await post(request, '/plans', { ...base, items: order.projections });
    expect.soft([walk.exam, plan.broken]).toEqual([walk.exam, []]);
    expect
      .soft([walk.exam, [...plan.order].sort()])
      .toEqual([walk.exam, (order.projections as Json[]).map((_, at) => at)]);
    expect(plan.steps.filter(({ turn }: Json) => turn)).toHaveLength(plan.effort.turns);
    const barred = plan.steps
      .filter(({ setup }: Json) => !setup.feasible)
      .map(({ setup }: Json) => setup.projectionId as string);
    expect.soft([walk.exam, barred.sort()]).toEqual([walk.exam, [...(walk.barred ?? [])].sort()]);
    const done = plan.steps.filter(({ setup }: Json) => setup.feasible) as Json[];
    for (const { setup } of done) checkView(setup, walk.side);
    const text = done.map(({ setup }) => textOf(setup)).join('\n');
    for (const said of walk.said)
      expect.soft([walk.exam, String(said), said.test(text)]).toEqual([walk.exam, String(said), true]);
    if (walk.never) expect.soft([walk.exam, walk.never.exec(text)?.[0] ?? null]).toEqual([walk.exam, null]);
    // An angle that stood is taken off, or another is set, before the next is exposed.
    for (const [at, { setup, changes }] of done.entries()) {
      const last = done[at - 1]?.setup as Json | undefined;
      if (last && last.tube.angleDeg !== setup.tube.angleDeg)
        expect
          .soft([setup.name, changes.some(({ kind }: Json) => kind === 'angle' || kind === 'tube')])
          .toEqual([setup.name, true]);
    }
    const examId = `walk-exam-${i}`;
    const now = Date.now();
    await post(request, '/exams', { id: examId, orderId: order.id, performedBy, startedAt: now });
    for (const [at, { item, setup }] of done.entries()) {
      const id = `${examId}-${at}`;
      const asked = { ...base, ...order.projections[item] };
      const exposed = await post(request, '/exposures', {
        id,
        examId,
        request: asked,
        performedBy,
        exposedAt: now + at,
      });
      expect
        .soft([exposed.kVp, exposed.mAs, exposed.side])
        .toEqual([setup.exposure.kVp, setup.exposure.mAs, setup.side]);
      await post(request, `/exposures/${id}/verdict`, { verdict: 'accepted', decidedAt: now + at + 1 });
    }
    await post(request, `/exams/${examId}/finish`, { finishedAt: now + 1000 });
    const { order: ended, exposures } = (await (await request.get(`/api/orders/${order.id}/exam`)).json()) as Json;
    expect.soft([walk.exam, ended.state, exposures.length]).toEqual([walk.exam, 'finished', done.length]);
    const bundle = (await (await request.get(`/api/orders/${order.id}/fhir`)).json()) as Json;
    const doses = bundle.entry
      .map(({ resource }: Json) => resource)
      .filter(({ resourceType }: Json) => resourceType === 'Observation');
    const all = doses.at(-1).valueQuantity.value as number;
    expect(all).toBeCloseTo(
      exposures.reduce((sum: number, { kapGyCm2 }: Json) => sum + kapGyCm2, 0),
      4,
    );
    return done.length * 16 + walk.said.length + 8;
  }
});

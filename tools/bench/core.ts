/** The core alone: set-ups, plans, other ways, search, the body. */
import {
  buildBody,
  computeSetup,
  demoRooms,
  drawFigure,
  drawMannequin,
  drawStage,
  exams,
  findOtherWays,
  findProjections,
  orderedExam,
  plannedFor,
  planSeries,
  poseBody,
  posesNamed,
  projections,
  restBody,
  situationPresets,
  stanceSchema,
  type Projection,
  type SetupRequest,
} from '../../packages/core/src/index';
import { ORDER_WORDINGS } from '../../packages/core/src/exam/orderWordings.fixture';
import { randomRequests } from '../../packages/core/src/adapt/randomRequests';
import { chooseTechnique, type Conditions } from '../../packages/core/src/setup/technique/technique';
import { bestMedian, put, quantile, ROUNDS, time } from './figures';

/** Runs of every entry, and how many of the slow ones are measured again. */
const LOOK_OVER = 36;
const SUSPECTS = 6;

/** A series is planned each time somebody touches it. The dearest entries are not chosen: an exam as it is ordered. */
function benchPlan(): void {
  const exam = (id: string) => exams.find((each) => each.id === id)!.projections;
  const survey = [...exam('skeletal-survey'), 'femur-ap-distal', 'skull-pa'];
  for (const [ids, limit] of [
    [exam('enema'), 20],
    [survey, 250],
  ] as const) {
    const items = plannedFor(ids, 'left').map(({ projectionId, side }) => ({ projectionId, side }));
    const run = () => planSeries({ items, patient: { ageYears: 30 } });
    const best = Math.min(...Array.from({ length: ROUNDS }, () => quantile(time(20, run), 0.5)));
    put(`planSeries, ${ids.length} projections, median`, best, 'ms', limit);
  }
}

/** Every way is looked for anew while a toggle is touched: every entry in each of the situations that bar most. */
function benchWays(): void {
  const presets = situationPresets('left').filter(({ id }) =>
    ['board', 'ward-propped', 'wheelchair', 'arm'].includes(id),
  );
  const requests = projections.flatMap(({ id, sided }) =>
    presets.map((preset): SetupRequest => ({
      projectionId: id,
      side: sided === 'each' ? 'left' : undefined,
      patient: { ageYears: 40, sex: 'male', ...preset.patient },
      situation: preset.situation,
    })),
  );
  for (const request of requests.slice(0, 200)) findOtherWays(request);
  const rounds = Array.from({ length: 3 }, () =>
    requests.map((request) => {
      const start = performance.now();
      findOtherWays(request);
      return performance.now() - start;
    }),
  );
  const best = requests.map((_, i) => Math.min(...rounds.map((times) => times[i])));
  const slowest = best.indexOf(Math.max(...best));
  put('findOtherWays, median', quantile(best, 0.5), 'ms', 10, `${requests.length} entries and situations`);
  put('findOtherWays, 99 of 100', quantile(best, 0.99), 'ms', 45);
  put('findOtherWays, slowest', best[slowest], 'ms', 60, requests[slowest].projectionId);
  const next = randomRequests(RANDOM_SEED);
  const random = time(RANDOM_REQUESTS, () => findOtherWays(next()));
  put(
    'findOtherWays, 99 of 100 random',
    quantile(random, 0.99),
    'ms',
    100,
    `${RANDOM_REQUESTS} patients and situations`,
  );
}
const RANDOM_SEED = 20;
const RANDOM_REQUESTS = 2000;

/** A night's orders, read one after another. */
function benchOrders(): void {
  const words = ORDER_WORDINGS.trim()
    .split('\n')
    .map((line) => line.split('|')[0]!);
  const times = time(words.length, (i) => orderedExam(words[i]!));
  put('orders read, slowest', Math.max(...times), 'ms', 15, `${words.length} wordings`);
  put('orders read, 500', (times.reduce((sum, each) => sum + each, 0) / words.length) * 500, 'ms', 1000);
}

/** The technique alone, as it follows every touch of a number. */
function benchTechnique(): void {
  const asked = projections.flatMap((projection) =>
    demoRooms.map((room) => {
      const { chart } = projection.exposure;
      const at: Conditions = {
        thicknessMm: chart.thicknessMm * 1.2,
        sidMm: chart.sidMm * 1.1,
        gridRatio: chart.gridRatio,
        fieldMm: chart.fieldMm,
        aecInHolder: true,
        support: 'table',
        gridLossAtCentre: 0,
        child: false,
        multipliers: [],
        cooperative: true,
      };
      return () => chooseTechnique(projection, room, at, {});
    }),
  );
  const rounds = Array.from({ length: ROUNDS }, () => time(asked.length * 4, (i) => asked[i % asked.length]()));
  put('technique, median', Math.min(...rounds.map((times) => quantile(times, 0.5))), 'ms', 0.2);
  put('technique, 99 of 100', Math.min(...rounds.map((times) => quantile(times, 0.99))), 'ms', 0.2);
}

export function benchCore(): void {
  const patients = [0, 1, 5, 10, 30, 60].map((ageYears) => ({ ageYears }));
  // Warm everything first: an app at work is measured, not its first second.
  for (let i = 0; i < 3000; i += 1) {
    const entry = projections[i % projections.length];
    computeSetup({
      projectionId: entry.id,
      side: entry.sided === 'each' ? 'left' : undefined,
      patient: patients[i % patients.length],
    });
  }
  const requestsOf = (entry: Projection) =>
    patients.flatMap((patient) =>
      demoRooms.map((room): SetupRequest => ({
        projectionId: entry.id,
        side: entry.sided === 'each' ? 'left' : undefined,
        patient,
        room,
      })),
    );
  const medianOf = (entry: Projection, runs: number): number => {
    const requests = requestsOf(entry);
    return quantile(
      time(runs, (i) => computeSetup(requests[i % requests.length])),
      0.5,
    );
  };
  // All are looked over once; the slow ones are measured with care.
  const looked = projections.map((entry) => ({ entry, median: medianOf(entry, LOOK_OVER) }));
  const suspects = looked.sort((one, other) => other.median - one.median).slice(0, SUSPECTS);
  const whole = quantile(
    looked.map(({ median }) => median),
    0.5,
  );
  let slowest = { id: '', median: 0, p99: 0 };
  for (const { entry } of suspects) {
    const requests = requestsOf(entry);
    const rounds = Array.from({ length: ROUNDS }, () => time(600, (i) => computeSetup(requests[i % requests.length])));
    const median = Math.min(...rounds.map((times) => quantile(times, 0.5)));
    const p99 = Math.min(...rounds.map((times) => quantile(times, 0.99)));
    slowest = {
      id: median > slowest.median ? entry.id : slowest.id,
      median: Math.max(slowest.median, median),
      p99: Math.max(slowest.p99, p99),
    };
  }
  put('computeSetup, all entries, median', whole, 'ms', 1, `${projections.length} entries`);
  put('computeSetup, slowest entry, median', slowest.median, 'ms', 1, slowest.id);
  put('computeSetup, slowest entry, 99th percentile', slowest.p99, 'ms', 4);
  benchTechnique();
  benchOrders();
  benchPlan();
  benchWays();

  const queries = [
    'free air',
    'scaphoid',
    'odontoid',
    'sunrise',
    'left lateral decubitus abdomen',
    'chest',
    'chset lateral',
    'waters',
    'tib fib',
    'portable pelvis',
    'sw',
    'thorasic spine',
    'qqqq',
  ];
  const searches = Array.from({ length: ROUNDS }, () =>
    time(1000, (i) => findProjections(queries[i % queries.length])),
  );
  put(
    'search over the whole catalogue, 99th percentile',
    Math.min(...searches.map((times) => quantile(times, 0.99))),
    'ms',
    8,
  );

  benchBody();
  const setup = computeSetup({ projectionId: 'pelvis-ap', patient: { ageYears: 40 } });
  const { box } = drawStage(setup, 'ray', 0.8);
  put(
    'mannequin drawn, median',
    quantile(
      time(60, () => drawMannequin(setup, 'ray', box)),
      0.5,
    ),
    'ms',
    40,
  );
}

/** The body alone: built and posed, laid down, drawn whole at stage and at thumb size. */
function benchBody(): void {
  const bodies = [0, 5, 40].map((ageYears) => buildBody({ ageYears }));
  const pose = posesNamed(['arms-overhead', 'knees-drawn-up']);
  const stance = stanceSchema.parse({ position: 'supine', pillowMm: 60 });
  put(
    'body built and posed, median',
    bestMedian(400, (i) => poseBody(buildBody({ ageYears: i % 80 }), pose)),
    'ms',
    1,
  );
  put(
    'body laid down, limbs and head at rest, median',
    bestMedian(300, (i) => restBody(bodies[i % bodies.length], stance)),
    'ms',
    2,
  );
  const lying = restBody(bodies[2], stance, posesNamed(['arms-clear'])).posed;
  const standing = restBody(bodies[2], stanceSchema.parse({ position: 'upright' }), posesNamed(['arms-clear'])).posed;
  const fromSide = { right: [-1, 0, 0], up: [0, 0, 1] } as const;
  const fromTube = { right: [0, -1, 0], up: [0, 0, 1] } as const;
  const bed = { x: -1100, y: -1300, width: 2100, height: 1400 };
  const wall = { x: -1000, y: -1900, width: 2000, height: 2000 };
  for (const [name, posed, plane, box, cells, fine] of [
    ['lying, from the side, stage size', lying, fromSide, bed, 220, true],
    ['standing, from the tube, stage size', standing, fromTube, wall, 220, true],
    ['lying, from the side, thumb size', lying, fromSide, bed, 110, false],
  ] as const)
    put(
      `outline of the whole body, ${name}, median`,
      bestMedian(120, () => drawFigure(posed, plane, box, { cells, fine })),
      'ms',
      4,
    );
}

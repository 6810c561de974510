/** What the worker offers. Plain functions round the core, so that tests call them directly. */
import {
  changesBetween,
  computeSetup,
  drawMannequin,
  drawStage,
  findProjections,
  mannequinKey,
  setupRequestSchema,
  summarizeSeries,
  withDefaults,
  type Change,
  type DrawingBox,
  type LengthUnit,
  type Mannequin2d,
  type SeriesSummary,
  type Setup,
  type SetupRequest,
  type StageDrawing,
  type StageLook,
} from '@taktik/core';

export type StageView = { drawing: StageDrawing; mannequin: Mannequin2d };
export type ComputeInput = {
  request: SetupRequest;
  before: SetupRequest | null;
  aspects: Partial<Record<StageLook, number>>;
};
export type FieldError = { field: string; message: string };
export type ComputeOutput =
  | { ok: true; setup: Setup; changes: Change[]; drawings: Partial<Record<StageLook, StageDrawing>>; unit: LengthUnit }
  | { ok: false; errors: FieldError[] };
export type FindRow = {
  projectionId: string;
  name: string;
  region: string;
  shows: string;
  setup: Setup | null;
  stage: StageView | null;
  error: string;
};

/** Drawings are kept by what they depend on; this many of them. */
const CACHE_SIZE = 80;
const cache = new Map<string, Mannequin2d>();

/** Drawn apart from the numbers, which never wait for it. */
function mannequin(setup: Setup, look: StageLook, box: DrawingBox, small = false): Mannequin2d {
  const key = mannequinKey(setup, look, box) + String(small);
  const known = cache.get(key);
  if (known) {
    cache.delete(key);
    cache.set(key, known);
    return known;
  }
  const drawn = drawMannequin(setup, look, box, small);
  cache.set(key, drawn);
  if (cache.size > CACHE_SIZE) cache.delete(cache.keys().next().value as string);
  return drawn;
}

const THUMB_ASPECT = 0.9;

/** A thumb-size stage from the side. */
function thumbOf(setup: Setup): StageView {
  const drawing = drawStage(setup, 'side', THUMB_ASPECT);
  return { drawing, mannequin: mannequin(setup, 'side', drawing.box, true) };
}

function errorsOf(error: unknown): FieldError[] {
  if (error instanceof RangeError) return [{ field: '', message: error.message }];
  throw error;
}

function compute({ request, before, aspects }: ComputeInput): ComputeOutput {
  const parsed = setupRequestSchema.safeParse(request);
  if (!parsed.success)
    return {
      ok: false,
      errors: parsed.error.issues.map((issue) => ({ field: issue.path.join('.'), message: issue.message })),
    };
  try {
    const setup = computeSetup(parsed.data);
    const { unit } = withDefaults(parsed.data.rules);
    const drawings: Partial<Record<StageLook, StageDrawing>> = {};
    for (const look of Object.keys(aspects) as StageLook[])
      drawings[look] = drawStage(setup, look, aspects[look] as number);
    return {
      ok: true,
      setup,
      changes: changesBetween(before ? computeSetup(before) : null, setup, unit),
      drawings,
      unit,
    };
  } catch (error) {
    return { ok: false, errors: errorsOf(error) };
  }
}

/** Search hits with their set-up for the patient in hand. Sided entries are shown for the side given, else the right. */
function find(query: string, base: Omit<SetupRequest, 'projectionId'>): FindRow[] {
  return findProjections(query).map(({ projection }) => {
    const row = {
      projectionId: projection.id,
      name: projection.name,
      region: projection.region,
      shows: projection.shows,
    };
    try {
      const setup = computeSetup({
        ...base,
        projectionId: projection.id,
        side: base.side ?? (projection.sided === 'each' ? 'right' : undefined),
      });
      return { ...row, setup, stage: thumbOf(setup), error: '' };
    } catch (error) {
      return { ...row, setup: null, stage: null, error: errorsOf(error)[0].message };
    }
  });
}

/** Sums up planned series, one for each list of requests; null where the patient is outside the model. */
function summarize(series: readonly SetupRequest[][]): (SeriesSummary | null)[] {
  return series.map((requests) => {
    try {
      return summarizeSeries(requests.map(computeSetup));
    } catch (error) {
      errorsOf(error);
      return null;
    }
  });
}

export const computeService = { compute, mannequin, find, summarize };
export type ComputeService = typeof computeService;

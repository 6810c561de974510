/** The simulated picture in the worker: cast in slices among several workers, then developed by one of them. */
import {
  breathe,
  computeSetup,
  entryOf,
  correctFault,
  correctionFor,
  orientForViewing,
  implantIn,
  measureCriteria,
  measuredFaults,
  misplace,
  namedFaults,
  edgeNames,
  prepareRadiograph,
  repeatFor,
  rangeOf,
  ROOM_ONE,
  setupRequestSchema,
  simulateRadiograph,
  takenCriteria,
  withDefaults,
  type BandEdges,
  type Correction,
  type Cure,
  type PictureEdge,
  type Repeat,
  type Seen,
  type Criterion,
  type ViewedPicture,
  type Implant,
  type LengthUnit,
  type MeasuredFault,
  type PositioningError,
  type Overrides,
  type Radiograph,
  type Setup,
  type SetupRequest,
  type Skeleton,
} from '@taktik/core';

export type RehearsalInput = {
  request: SetupRequest;
  positioningError: PositioningError;
  /** Null: as the entry asks. */
  breath: 'in' | 'out' | null;
  motionMm: number;
  pixels: number;
  seed: number | null;
  exposure: number;
  /** Of the deviation index, as the department has them. */
  bands?: BandEdges;
  /** The letter that was laid, where it is not the right one. */
  marker?: 'R' | 'L';
  /** Metal that stays in the body. */
  implant?: Implant;
};

/** Rows of a picture that one worker has cast. */
export type Slice = { first: number; end: number; through: Float32Array; tested: number };
export type Refused = { error: string };
export type Developed = Pick<
  Radiograph,
  'signal' | 'where' | 'columns' | 'rows' | 'pixelMm' | 'mirrored' | 'window' | 'index' | 'deviation' | 'testedPerRay'
> & { exposures: number; targetIndex: number; magnification: number };
export type FailedCriterion = Criterion & { correction: Correction | null };
export type Judged = { setup: Setup; criteria: FailedCriterion[] };

const refusal = (error: unknown): Refused => {
  if (error instanceof RangeError) return { error: error.message };
  throw error;
};

/** The part as it should lie: what the entry asks, whatever is pulled by hand. */
export function idealOf({ request }: Pick<RehearsalInput, 'request'>): Setup {
  const kept: Overrides = request.overrides?.position ? { position: request.overrides.position } : {};
  return computeSetup({ ...request, overrides: kept });
}

/** The part as it lies, under the tube and light as they stand. @throws RangeError for what cannot be set up or moved */
export function actualOf({
  request,
  positioningError,
  breath,
  marker,
}: Pick<RehearsalInput, 'request' | 'positioningError' | 'breath' | 'marker'>): Setup {
  const parsed = setupRequestSchema.safeParse(request);
  if (!parsed.success) throw new RangeError(parsed.error.issues.map(({ message }) => message).join('. '));
  const lying = misplace(computeSetup(request), positioningError);
  const setup = breath ? breathe(lying, breath) : lying;
  if (!marker || setup.marker.letters.includes(marker)) return setup;
  // The other letter, laid where the right one belongs.
  const spots = setup.marker.spots.map((spot) => ({ ...spot, letter: marker }));
  return { ...setup, marker: { ...setup.marker, letter: marker, letters: [marker], spots } };
}

/** True bones, once they are loaded: of the worker, as all its pictures are drawn with them. */
let skeleton: Skeleton | undefined;
export function drawBones(bones: Skeleton): void {
  if (skeleton === bones) return;
  skeleton = bones;
  last = null;
}

type Ready = { key: string; setup: Setup; ready: ReturnType<typeof prepareRadiograph> };
let last: Ready | null = null;

function readyFor(input: RehearsalInput): Ready {
  const key = JSON.stringify(input);
  if (last?.key === key) return last;
  const setup = actualOf(input);
  const extras = implantIn(setup, input.implant ?? 'none');
  return (last = { key, setup, ready: prepareRadiograph(setup, { ...optionsOf(input), extras }) });
}

const optionsOf = ({ request, pixels, seed, motionMm, exposure }: RehearsalInput) => ({
  pixels,
  seed,
  motionMm,
  exposure,
  own: request.own,
  skeleton,
});

/** One of several slices of the rows. */
export function castSlice(input: RehearsalInput, slice: number, slices: number): Slice | Refused {
  try {
    const { ready } = readyFor(input);
    const { rows } = ready.picture;
    const [first, end] = [slice, slice + 1].map((each) => Math.floor((rows * each) / slices));
    return { first, end, ...ready.castRows(first, end) };
  } catch (error) {
    return refusal(error);
  }
}

/** The picture from all its slices. */
export function develop(input: RehearsalInput, slices: readonly Slice[]): Developed | Refused {
  try {
    const { setup, ready } = readyFor(input);
    const { columns, rows } = ready.picture;
    const through = new Float32Array(columns * rows);
    for (const slice of slices) through.set(slice.through, slice.first * columns);
    const tested = slices.reduce((sum, slice) => sum + slice.tested, 0);
    const shown = simulateRadiograph(setup, input.request.room ?? ROOM_ONE, optionsOf(input), ready, {
      through,
      tested,
    });
    const { signal, where, pixelMm, mirrored, window, index, deviation, testedPerRay } = shown;
    return {
      signal,
      where,
      columns,
      rows,
      pixelMm,
      mirrored,
      window,
      index,
      deviation,
      testedPerRay,
      exposures: setup.receptor.exposures,
      targetIndex: setup.exposure.targetIndex,
      magnification: setup.image.magnification,
    };
  } catch (error) {
    return refusal(error);
  }
}

const unitOf = ({ rules }: SetupRequest): LengthUnit => withDefaults(rules).unit;

type Reference = { key: string; ideal: Setup; faults: MeasuredFault[] };
let current: Reference | null = null;
/** How the part should lie and what is measured on it: the same while the hand moves it. */
function referenceOf(request: SetupRequest): Reference {
  const key = JSON.stringify({ ...request, overrides: request.overrides?.position });
  if (current?.key === key) return current;
  const ideal = idealOf({ request });
  return (current = { key, ideal, faults: measuredFaults(ideal) });
}

/** What the criteria read on the scene; where `correcting`, with what would put right those that fail. */
export function judge(
  input: Pick<RehearsalInput, 'request' | 'positioningError' | 'breath'> &
    Partial<Pick<RehearsalInput, 'motionMm' | 'marker' | 'bands'>>,
  correcting = true,
): Judged | Refused {
  try {
    const { ideal, faults } = referenceOf(input.request);
    const setup = actualOf(input);
    const unit = unitOf(input.request);
    const read = [
      ...measureCriteria(ideal, setup, faults),
      ...takenCriteria(ideal, setup, input.motionMm, input.bands),
    ];
    const criteria = read.map((criterion): FailedCriterion => {
      if (criterion.passes || !correcting || criterion.remedy) return { ...criterion, correction: null };
      const seen = criterion.id.startsWith('edge ') ? worstCentring(faults, setup) : criterion;
      return { ...criterion, correction: seen && correctionOf(ideal, faults, seen, unit) };
    });
    // What is wrong comes first.
    return {
      setup,
      criteria: [...criteria.filter(({ passes }) => !passes), ...criteria.filter(({ passes }) => passes)],
    };
  } catch (error) {
    return refusal(error);
  }
}

/** What is cut is cut because the part lies off centre: the way in which it lies furthest off, or null. */
function worstCentring(faults: readonly MeasuredFault[], setup: Setup): Pick<Criterion, 'id' | 'value'> | null {
  const off = faults
    .filter(({ about }) => about.endsWith('Mm'))
    .map((fault) => ({ id: fault.id, value: fault.measure(setup), off: Math.abs(fault.measure(setup) - fault.target) }))
    .sort((a, b) => b.off - a.off)[0];
  return off.off > LEAST_SHIFT_MM ? off : null;
}
const LEAST_SHIFT_MM = 5;

/** Null where more than one thing is wrong, so that no single motion explains the measure. */
function correctionOf(
  ideal: Setup,
  faults: readonly MeasuredFault[],
  { id, value }: Pick<Criterion, 'id' | 'value'>,
  unit: LengthUnit,
): Correction | null {
  const fault = faults.find((each) => each.id === id);
  try {
    return fault ? correctionFor(ideal, fault, value, unit) : null;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

export type FaultChoice = Pick<MeasuredFault, 'id' | 'name' | 'unit' | 'more' | 'less' | 'target' | 'tolerance'> & {
  range: readonly [number, number];
  /** Signs by which the entry calls it. */
  signs: string[];
};

/** Faults of a projection that can be measured on its picture. */
export function faultChoices(request: SetupRequest): FaultChoice[] | Refused {
  try {
    const ideal = idealOf({ request });
    const faults = measuredFaults(ideal);
    const named = namedFaults(entryOf(request), faults);
    return faults.map((fault) => ({
      id: fault.id,
      name: fault.name,
      unit: fault.unit,
      more: fault.more,
      less: fault.less,
      target: fault.target,
      tolerance: fault.tolerance,
      range: rangeOf(ideal, fault),
      signs: named.filter(({ measured }) => measured.id === fault.id).map(({ sign }) => sign),
    }));
  } catch (error) {
    return refusal(error);
  }
}

/** What puts a fault right, by its size on the picture. @param value mm on the receptor or degrees */
export function correction(request: SetupRequest, faultId: string, value: number): Correction | Refused {
  try {
    return correctFault(request.own ?? request.projectionId, faultId, value, idealOf({ request }), unitOf(request));
  } catch (error) {
    return refusal(error);
  }
}

/** What can be measured on a picture, and how its edges are called. */
export function repeatChoices(request: SetupRequest): RepeatChoices | Refused {
  const faults = faultChoices(request);
  return 'error' in faults ? faults : { faults, edges: edgeNames(idealOf({ request })) };
}
export type RepeatChoices = { faults: FaultChoice[]; edges: Record<PictureEdge, string> };

/** The numbers of a repeat. @param cure how it is put right; the likelier way when left out */
export function repeat(request: SetupRequest, seen: Seen, cure?: Cure): Repeat | Refused {
  try {
    const unit = unitOf(request);
    const of = request.own ?? request.projectionId;
    const ideal = idealOf({ request });
    return repeatFor(of, computeSetup(request), request.overrides ?? {}, seen, { unit, cure, ideal });
  } catch (error) {
    return refusal(error);
  }
}

/** A picture for a small frame, all in one. */
export function smallPicture(input: RehearsalInput): ViewedPicture | Refused {
  try {
    const { setup, ready } = readyFor(input);
    return orientForViewing(simulateRadiograph(setup, input.request.room ?? ROOM_ONE, optionsOf(input), ready));
  } catch (error) {
    return refusal(error);
  }
}

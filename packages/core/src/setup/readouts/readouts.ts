/** Parts of a Setup as they are told: receptor, tube, image, centring. */
import type { Projection } from '../../projections/schema';
import { cosDeg, toDegrees } from '../../quantity/angle';
import type { LengthUnit } from '../../quantity/length';
import type { Grid, Holder, Room } from '../../room/room';
import { markOf } from '../../body/body';
import { dot } from '../../geometry/vector';
import { skinAt } from './bearing';
import type { CentreFact, TouchFacts } from '../../words/centreWords';
import {
  centreBy,
  describeCentre,
  otherSideOf,
  ownCentre,
  touchFacts,
  touchFrom,
  type OnSkin,
  type OtherSide,
} from './centre';
import { SPLIT_OVERLAP_MM } from '../collimation/fitReceptor';
import type { GridCheck } from '../technique/gridCheck';
import type { CollimatedField } from '../collimation/collimatedField';
import type { AimedRay, PlacedBody } from '../placing/place';
import type { ReceptorPlane } from '../ray/receptorPlane';
import type { Along, Setup } from '../setup';
import { otherSide } from '../../body/mannequin';
import type { SideView } from '../placing/side';
import type { TubeAngle } from '../ray/tubeAngle';
import { whyOther } from '../collimation/usual';
import { coverOf, isWithinTouch, nearestWithinTouch } from './withinTouch';

export function receptorReadout(
  projection: Projection,
  { fit, orientation, across, along, field, shiftsMm, tiltDeg }: CollimatedField,
  { holder, grid, gridWanted }: { holder: Holder; grid: Grid | null; gridWanted: boolean },
  {
    centre,
    needed,
    unit,
    receptorNames,
  }: {
    centre: Setup['receptor']['centre'];
    needed: CollimatedField['field'];
    unit: LengthUnit;
    /** Names of the sizes that the holder takes. */
    receptorNames: readonly string[];
  },
): Setup['receptor'] {
  const { usual, orientation: laid, note } = projection.receptor;
  return {
    holder: holder.kind,
    size: {
      id: fit.receptor.id,
      name: fit.receptor.name,
      widthMm: fit.receptor.widthMm,
      heightMm: fit.receptor.heightMm,
      fixed: fit.receptor.fixed,
    },
    orientation,
    outcome: fit.outcome,
    tiltDeg: Math.round(tiltDeg * 10) / 10,
    exposures: fit.exposures,
    overlapMm: fit.exposures > 1 ? SPLIT_OVERLAP_MM : 0,
    shiftsMm,
    grid: grid ? { id: grid.id, ratio: grid.ratio } : null,
    gridWanted,
    centre,
    clearanceMm: Math.max(0, Math.min(across - field.width, along - field.height) / 2),
    whyOther: whyOther(projection, fit, orientation, needed, unit, receptorNames),
    usual: `${usual} ${laid}${note ? `; ${note}` : ''}`,
  };
}

/** A shift of the receptor by less than this is none. */
const LEAST_SHIFT_MM = 3;
const shiftOf = (mm: number): number => (Math.abs(mm) < LEAST_SHIFT_MM ? 0 : Math.abs(mm));

export function tubeReadout(
  { sid, ray }: Projection,
  { placement }: PlacedBody,
  { acrossDeg, angleDeg, toward }: TubeAngle,
  { alongMm, acrossMm }: Pick<ReceptorPlane, 'alongMm' | 'acrossMm'>,
  at: {
    sidMm: number;
    sidWantedMm: number;
    horizontal: boolean;
    focusHeightMm: number;
    onSurface: boolean;
    surfaceMm: number;
    room: Room;
  },
): Setup['tube'] {
  const called = (end: Along | null) => end && placement.says[end === 'head' ? 0 : 1];
  const shift = shiftOf(alongMm);
  const shiftToward: Along | null = shift === 0 ? null : alongMm > 0 ? 'head' : 'feet';
  const overFloor = !at.onSurface || at.surfaceMm === 0;
  return {
    sidMm: at.sidMm,
    sidWantedMm: at.sidWantedMm,
    sidRangeMm: sid.rangeMm,
    angleDeg,
    angleToward: toward,
    angleSays: called(toward),
    ways: placement.says,
    angleRangeDeg: ray.rangeDeg,
    beam: at.horizontal ? 'horizontal' : 'vertical',
    heightMm: at.focusHeightMm - (at.onSurface ? at.surfaceMm : 0),
    heightOver: overFloor ? 'floor' : at.room.kind === 'mobile' ? 'bed' : 'table',
    receptorShiftMm: shift,
    receptorShiftToward: shiftToward,
    receptorShiftSays: called(shiftToward),
    acrossDeg: Math.abs(acrossDeg),
    acrossSays: acrossDeg === 0 ? null : (placement.acrossSays?.[acrossDeg > 0 ? 0 : 1] ?? null),
    acrossShiftMm: shiftOf(acrossMm),
  };
}

type Optics = {
  sidMm: number;
  focusMm: number;
  magnification: number;
  /** The receptor stands square to the ray. */
  square: boolean;
  /** A way other than the entry's own: how it slants counts along and across. */
  found: boolean;
  gridCheck: GridCheck | null;
};
/** Magnification, blur and distortion at the part. */
export function imageReadout(
  { angleDeg, acrossDeg }: TubeAngle,
  { sidMm, focusMm, magnification, square, found, gridCheck }: Optics,
): Setup['image'] {
  const obliquity = square ? 1 : cosDeg(angleDeg) * cosDeg(acrossDeg);
  return {
    objectDistanceMm: sidMm * obliquity * (1 - 1 / magnification),
    magnification,
    blurMm: focusMm * (magnification - 1),
    partObliquityDeg: found ? toDegrees(Math.acos(Math.min(1, obliquity))) : angleDeg,
    elongation: found ? 1 / obliquity : 1 / cosDeg(angleDeg),
    gridLoss: gridCheck?.sum ?? 0,
    grid: gridCheck,
  };
}

const TRUNK_PART = /^(pelvis|lumbar|thorax|neck|scapula|clavicle)/;

export type CentreFacts = { centre: CentreFact; touch: TouchFacts };
export type CentringReadout = {
  centre: Setup['centre'];
  /** Marks that are felt for it. */
  touched: string[];
  /** What the sentences are made from. */
  facts: CentreFacts;
};
/** From here on the light lies off what a ray through a depth is meant for: 8°. */
const COS_ANGLED = Math.cos(Math.PI / 22.5);

/** Where to centre, from a mark that can be felt on this patient as they lie, and what to check it by. */
export function centringReadout(
  projection: Projection,
  placed: PlacedBody,
  aimed: AimedRay,
  {
    view,
    unit,
    up,
    found,
    crossTable,
    segments,
    notFelt,
    usual,
  }: {
    view: SideView;
    unit: LengthUnit;
    up: ReceptorPlane['v'];
    found: boolean;
    /** A horizontal beam across who lies. */
    crossTable: boolean;
    /** Of the body that the ray may cross. */
    segments: readonly string[] | undefined;
    /** Landmarks that cannot be felt on this patient. */
    notFelt: readonly string[];
    /** The usual aim, where it is another than the one that is taken. */
    usual?: AimedRay;
  },
): CentringReadout {
  const { posed, placement } = placed;
  const onSkin = (ray: AimedRay): OnSkin => ({
    ...{ aimed: ray, up, view, unit, sided: projection.sided === 'each' },
    skin: () => skinAt(posed, ray, segments),
  });
  const on = onSkin(aimed);
  const covered = coverOf(placement, aimed.direction);
  const felt = (id: string) => isWithinTouch(posed, id, covered) && !notFelt.includes(id);
  const { aim, region, ray } = projection;
  const lateralHead = region === 'skull and face' && (ray.view === 'lateral' || ray.view === 'medial');
  // From a landmark of the midline to a part of one side the way across is told too.
  const across = (id: string) => lateralHead || crossTable || (projection.sided === 'each' && !/_[LR]$/.test(id));
  const levelOf = (id: string, pair: OtherSide | null = null, at = on) => touchFrom(placed, id, at, across(id), pair);
  // An aim of one's own is told from the usual one.
  const asUsual = usual ? onSkin(usual) : on;
  const own = view.name(aimed.target.landmarkId);
  // A landmark of the trunk or head that lies against the receptor is felt on the other side.
  const checks = projection.aim.checkBy.map(view.name).flatMap((id): { id: string; pair: OtherSide | null }[] => {
    if (felt(id)) return [{ id, pair: null }];
    const other = otherSide(id);
    const paired = other !== id && !/_[LR]$/.test(markOf(posed.body, id).segment);
    return paired && felt(other) ? [{ id: other, pair: otherSideOf(placed, id, other) }] : [];
  });
  // From a mark of the trunk a part of the trunk is reached; of a limb or the head the place itself is named.
  const ofTrunk = TRUNK_PART.test(markOf(posed.body, own).segment);
  const elsewhere =
    (found || notFelt.includes(own)) && ofTrunk && !felt(own)
      ? nearestWithinTouch(posed, aimed.crossing.entry, up, covered, notFelt)
      : null;
  // Of an angled ray through a depth, what is meant lies elsewhere than the light: a landmark leads the hand there.
  const angled = dot(aimed.direction, placement.beam) < COS_ANGLED;
  const leads = (aim.point === 'through' && angled) || notFelt.includes(own);
  const [lead] = leads && !elsewhere ? checks : [];
  const said = elsewhere
    ? centreBy(levelOf(elsewhere, null, asUsual), projection, unit)
    : lead
      ? centreBy(levelOf(lead.id, lead.pair, asUsual), projection, unit)
      : describeCentre(projection, placed, asUsual);
  const { line, fact } = usual ? ownCentre(said, placed, { usual, on }) : said;
  // From the usual aim's own landmark, too, an aim of one's own is checked.
  const named = usual ? [] : [own, otherSide(own), line.landmark];
  const measured = usual && !elsewhere && felt(own) ? [{ id: own, pair: null }, ...checks] : checks;
  const marks = measured
    .filter(({ id }, at) => !named.includes(id) && measured.findIndex((each) => each.id === id) === at)
    .map(({ id, pair }) => levelOf(id, pair));
  return {
    centre: { ...line, entryMm: aimed.crossing.entry, checkBy: marks.map(({ mark }) => mark) },
    touched: [elsewhere ? line.landmark : own, ...checks.map(({ id }) => id)],
    facts: { centre: fact, touch: touchFacts(marks) },
  };
}

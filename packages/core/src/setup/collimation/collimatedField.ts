/** The receptor that takes the field, the field that is then open, and what is cut. */
import { onPlane, type PlaneFrame } from '../../geometry/projection';
import type { InRoom, Vec3 } from '../../geometry/vector';
import type { Projection } from '../../projections/schema';
import type { LengthUnit } from '../../quantity/length';
import { receptorsIn, type Holder, type Room } from '../../room/room';
import { clippedBy, neededField, type Shadow } from './cover';
import { fitReceptor, SPLIT_OVERLAP_MM, type ReceptorFit } from './fitReceptor';
import type { Overrides } from '../request';
import { problem, type Problem } from '../problem';

/** A margin may lose this much of both sides together before it is worth a word. */
const MARGIN_MATTERS_MM = 10;

type Size = { width: number; height: number };
export type CollimatedField = {
  fit: ReceptorFit;
  orientation: 'lengthwise' | 'crosswise';
  /** Active area across and along the body, whole mm. */
  across: number;
  along: number;
  /** Field of one exposure. */
  field: Size;
  clipped: string[];
  /** Centres of the exposures along the body, from the aim. */
  shiftsMm: number[];
  tiltDeg: number;
  problems: Problem[];
};

type FieldRequest = {
  shadows: readonly Shadow[];
  needed: Size;
  projection: Projection;
  room: Room;
  holder: Holder;
  sidMm: number;
  overrides: Overrides;
  unit: LengthUnit;
};

export function openField({
  shadows,
  needed,
  projection,
  room,
  holder,
  sidMm,
  overrides,
  unit,
}: FieldRequest): CollimatedField {
  const problems: Problem[] = [];
  const asked = overrides.fieldMm ? { width: overrides.fieldMm[0], height: overrides.fieldMm[1] } : needed;
  const all = receptorsIn(room, holder);
  const ofHouse = all.filter(({ name }) => name === projection.receptor.size);
  const receptors = ofHouse.length > 0 && !overrides.receptorId ? ofHouse : all;
  const picked = receptors.filter((receptor) => !overrides.receptorId || receptor.id === overrides.receptorId);
  if (picked.length === 0)
    problems.push(
      problem('receptor-unknown', { receptor: overrides.receptorId ?? '', holder: holder.kind, room: room.name }),
    );
  const known = picked.length > 0 ? picked : receptors;
  const options = { diagonal: projection.mayTilt, split: projection.maySplit };
  const whole = fitReceptor({ widthMm: asked.width, heightMm: asked.height }, known, options);
  // A second exposure is not given for the sake of the margin alone; a long bone keeps its joints whole.
  const bare = neededField(shadows.map((shadow) => ({ ...shadow, marginMm: 0 })));
  const close =
    whole.exposures > 1 && !projection.mayTilt && !overrides.fieldMm
      ? fitReceptor({ widthMm: bare.width, heightMm: bare.height }, known, options)
      : whole;
  const fit = close.exposures === 1 && close.outcome !== 'too small' ? close : whole;
  const diagonal = fit.outcome === 'diagonal';
  const laid = overrides.orientation ?? projection.receptor.force;
  const orientation = laid && !fit.receptor.fixed && !diagonal ? laid : fit.orientation;
  const across = Math.floor(orientation === 'lengthwise' ? fit.receptor.widthMm : fit.receptor.heightMm);
  const along = Math.floor(orientation === 'lengthwise' ? fit.receptor.heightMm : fit.receptor.widthMm);
  const shared = (fit.exposures - 1) * SPLIT_OVERLAP_MM;
  const each = Math.ceil((asked.height + shared) / fit.exposures);
  // On the diagonal the field fits although it is longer than the side.
  const widest = Math.floor((room.tube.maxFieldAtMetreMm * sidMm) / 1000);
  const field = {
    width: Math.min(asked.width, widest, diagonal ? Infinity : across),
    height: Math.min(each, widest, diagonal ? Infinity : along),
  };
  const covered = { width: field.width, height: fit.exposures * field.height - shared };
  const clipped = clippedBy(shadows, covered);
  const open = { widthMm: covered.width, heightMm: covered.height };
  const cutMm = Math.max(needed.width - covered.width, needed.height - covered.height);
  if (clipped.length > 0)
    problems.push(
      problem('clipped', { shown: clipped, neededWidthMm: needed.width, neededHeightMm: needed.height, ...open }, unit),
    );
  else if (!overrides.fieldMm && cutMm > MARGIN_MATTERS_MM) problems.push(problem('margin', { cutMm, ...open }, unit));
  const shiftsMm = Array.from(
    { length: fit.exposures },
    (_, i) => ((fit.exposures - 1) / 2 - i) * (field.height - SPLIT_OVERLAP_MM),
  );
  return { fit, orientation, across, along, field, clipped, shiftsMm, tiltDeg: diagonal ? fit.tiltDeg : 0, problems };
}

/** @param alongMm centre of this exposure, from the aim toward the head */
export function fieldCorners(
  plane: PlaneFrame,
  field: { width: number; height: number },
  rotationDeg: number,
  alongMm: number,
): Vec3<InRoom>[] {
  const t = (rotationDeg * Math.PI) / 180;
  return [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([a, b]) => {
    const x = (a * field.width) / 2;
    const y = (b * field.height) / 2 + alongMm;
    return onPlane(plane, [x * Math.cos(t) - y * Math.sin(t), x * Math.sin(t) + y * Math.cos(t)]);
  });
}

/**
 * Where everything stands after an exposure - patient on the top, top, tray, tube, wall stand - so that the next one is told
 * by how far each is moved from there, and toward what. Lengths in mm, in the room's own directions: X to the head end of
 * the table, Y across it, Z up.
 */
import { z } from 'zod';
import { buildBody, landmarkOf } from '../body/body';
import { applyToDirection } from '../geometry/frame';
import { dot, type InRoom, type Vec3 } from '../geometry/vector';
import { clamp } from '../quantity/angle';
import { tableOf, type Room } from '../room/room';
import type { Table } from '../room/table';
import { ROOM_HEAD } from '../room/position';
import type { Setup } from '../setup/setup';
import { stationOf } from './moves';

const mm = z.number().min(-10_000).max(10_000);
export const roomStateSchema = z.strictObject({
  /** How the patient lies on the top: which end the head is to, the pelvis from the middle of the top. Null: not on it. */
  onTop: z.strictObject({ head: z.enum(['head end', 'foot end']), alongMm: mm, acrossMm: mm }).nullable(),
  /** Middle of the top from the middle of its stand. */
  topAlongMm: mm,
  topAcrossMm: mm,
  /** Middle of the receptor in the tray from the middle of the stand. */
  trayMm: mm,
  /** Where tube and tray are in line: the aim of the last exposure from the middle of the stand. */
  columnMm: mm,
  /** Focal spot from the middle of the stand, and above the floor. */
  tube: z.strictObject({ alongMm: mm, acrossMm: mm, heightMm: mm, level: z.boolean() }),
  /** Middle of the receptor of the wall stand above the floor; null before it was used. */
  wallMm: mm.nullable(),
});
export type RoomState = z.infer<typeof roomStateSchema>;

/** Before the first exposure: all in the middle. */
const AT_REST: RoomState = {
  onTop: null,
  topAlongMm: 0,
  topAcrossMm: 0,
  trayMm: 0,
  columnMm: 0,
  tube: { alongMm: 0, acrossMm: 0, heightMm: 0, level: false },
  wallMm: null,
};

/** What is said besides the moves. */
export type Arranged = {
  state: RoomState;
  /** The patient was slid on the top, because top and tray have no more travel. */
  slidMm: number;
  slidAcrossMm: number;
  /** The head came to the other end of the table. */
  endForEnd: boolean;
  /** Body to the nearer long edge of the top; null where nobody lies on it. */
  toEdgeMm: number | null;
  /** The top carries this patient only nearer to its middle: it goes out half as far. */
  heavy: boolean;
  /** The part is beyond the travel of top and tray, however the patient lies. */
  outOfReach: boolean;
};

/** Head of who is laid down, from the end of the top; feet may hang over by so much. */
const HEAD_FROM_END_MM = 100;
const FEET_OVER_MM = 250;
/** Soft parts beside the outermost bone of the trunk. */
const FLESH_MM = 40;

type Lying = {
  /** Vertex over the pelvis, sole under it, half the breadth of the trunk. */
  headMm: number;
  feetMm: number;
  halfMm: number;
  massKg: number;
  /** Aim, receptor and focal spot from the pelvis: to the head above 0, and across the table. */
  aimMm: number;
  receptorMm: number;
  focusMm: number;
  acrossMm: number;
};

/** The lengths that decide where a patient lies, from the body and the place that the set-up gives it. */
function lyingOf({ patient, scene }: Setup): Lying {
  const body = buildBody(patient);
  const headMm = landmarkOf(body, 'vertex').p[2];
  const from: Vec3<InRoom> = [scene.place[12], scene.place[13], scene.place[14]];
  // Head at the head end, whichever way the patient is turned about the long axis.
  const head = Math.sign(dot(applyToDirection(scene.place, [0, 0, 1]), ROOM_HEAD)) || 1;
  return {
    headMm,
    feetMm: body.patient.statureMm - headMm,
    halfMm: Math.abs(landmarkOf(body, 'acromion_L').p[0]) + FLESH_MM,
    massKg: body.patient.massKg,
    aimMm: head * (scene.entry[0] - from[0]),
    receptorMm: head * (scene.receptor.centre[0] - from[0]),
    focusMm: head * (scene.focal[0] - from[0]),
    acrossMm: scene.entry[1] - from[1],
  };
}

type Travel = { alongMm: number; topMm: number; columnMm: number; misses: number };

/**
 * Where the pelvis lies on the top, where the top goes and where tube and tray meet, for a head to one end.
 * @param head 1 for the head end, -1 for the foot end
 * @param from where the patient lay, null for who is laid down now
 */
function travelFor(
  { headMm, feetMm, aimMm, receptorMm }: Lying,
  head: 1 | -1,
  from: number | null,
  columnMm: number,
  table: Table,
): Travel {
  const half = table.lengthMm / 2;
  const ends = (over: number, fromEnd: number): [number, number] => {
    const [low, high] = [-half + feetMm - over, half - headMm - fromEnd].sort((a, b) => a - b);
    return head === 1 ? [low, high] : [-high, -low];
  };
  const laid = clamp(-head * aimMm, ...ends(0, HEAD_FROM_END_MM));
  const start = from ?? laid;
  const shift = head * (receptorMm - aimMm);
  // Tube and tray stay where they are, as long as the tray goes far enough from there.
  const wanted = clamp(columnMm, -table.trayMm - shift, table.trayMm - shift);
  const reach = (alongMm: number): Travel => {
    const onTop = alongMm + head * aimMm;
    // First the top floats to them, then these are moved together.
    const topMm = clamp(wanted - onTop, -table.topAlongMm, table.topAlongMm);
    const column = topMm + onTop;
    const beyond = Math.abs(column + shift) - table.trayMm;
    return { alongMm, topMm, columnMm: column, misses: Math.max(0, beyond) };
  };
  const there = reach(start);
  if (there.misses === 0) return there;
  const towardMiddle = -Math.sign(there.columnMm + shift) * there.misses;
  return reach(clamp(start + towardMiddle, ...ends(FEET_OVER_MM, 0)));
}

/**
 * @param before where everything stood, null for the first exposure
 * @param after one whose patient and receptor are in this room
 * @example arrange(null, computeSetup({ projectionId: 'ankle-ap', side: 'left' }), ROOM_ONE).state.topAlongMm // toward the head end
 */
export function arrange(before: RoomState | null, after: Setup, room: Room): Arranged {
  const was = before ?? AT_REST;
  const { scene, receptor, tube, situation } = after;
  const own = situation.place === 'room' ? tableOf(room) : null;
  const level = tube.beam === 'horizontal';
  const wallMm = receptor.holder === 'wall' ? receptor.centre[2] : was.wallMm;
  const nothing = { slidMm: 0, slidAcrossMm: 0, endForEnd: false, toEdgeMm: null, heavy: false, outOfReach: false };
  if (!own || stationOf(after) !== 'lying')
    return {
      ...nothing,
      state: {
        ...was,
        onTop: null,
        wallMm,
        tube: { alongMm: scene.focal[0], acrossMm: scene.focal[1], heightMm: scene.focal[2], level },
      },
    };

  const lying = lyingOf(after);
  const heavy = lying.massKg > own.mostOutKg;
  const table = heavy ? { ...own, topAlongMm: own.topAlongMm / 2 } : own;
  const lain = was.onTop;
  const inTray = receptor.holder === 'table-tray';
  const wasHead = lain?.head === 'foot end' ? -1 : 1;
  const loose = { ...table, trayMm: Infinity };
  // The tray and the tube above it stay where they are.
  const kept = travelFor(lying, wasHead, lain?.alongMm ?? null, was.columnMm, inTray ? table : loose);
  const turned = kept.misses > 0 ? travelFor(lying, wasHead === 1 ? -1 : 1, null, 0, table) : null;
  const endForEnd = turned !== null && turned.misses < kept.misses;
  const found = endForEnd ? turned : kept;
  const head = (endForEnd ? -wasHead : wasHead) as 1 | -1;
  // A loose receptor lies where the part is: the tube goes there, the top need not.
  const topAlongMm = inTray ? found.topMm : was.topAlongMm;
  const aimAt = inTray ? found.columnMm : topAlongMm + found.alongMm + head * lying.aimMm;

  const across = lain && !endForEnd ? lain.acrossMm : 0;
  const wanted = -(across + head * lying.acrossMm);
  const topAcrossMm = inTray ? clamp(wanted, -table.topAcrossMm, table.topAcrossMm) : was.topAcrossMm;
  const slidAcrossMm = inTray ? wanted - topAcrossMm : 0;
  const acrossMm = across + slidAcrossMm;
  return {
    state: {
      onTop: { head: head === 1 ? 'head end' : 'foot end', alongMm: found.alongMm, acrossMm },
      topAlongMm,
      topAcrossMm,
      columnMm: inTray ? aimAt : was.columnMm,
      trayMm: inTray ? aimAt + head * (lying.receptorMm - lying.aimMm) : was.trayMm,
      tube: {
        alongMm: aimAt + head * (lying.focusMm - lying.aimMm),
        acrossMm: scene.focal[1],
        heightMm: scene.focal[2],
        level,
      },
      wallMm,
    },
    slidMm: lain && !endForEnd ? head * (found.alongMm - lain.alongMm) : 0,
    slidAcrossMm: Math.abs(slidAcrossMm) < 1 ? 0 : slidAcrossMm,
    endForEnd,
    toEdgeMm: table.widthMm / 2 - Math.abs(acrossMm) - lying.halfMm,
    heavy,
    outOfReach: found.misses > 1,
  };
}

/**
 * The stage: one Setup drawn to scale, from the side or along the ray. Coordinates are millimetres of the drawing
 * plane, y down; nothing here decides anything that the Setup has not decided.
 */
import { posedIn } from '../../body/posedIn';
import { bonePaths } from '../../body/drawing/bones';
import { drawFigure, type Figure } from '../../body/drawing/figure';
import { toDrawing, type DrawingBox, type DrawingPlane } from '../../body/drawing/plane';
import { posedBones } from '../../body/posed';
import { addScaled, cross, midpoint, normalize, scale, type Vec2, type InRoom, type Vec3 } from '../../geometry/vector';
import { lossAt } from '../../exposure/gridCutoff';
import { markerPositions } from '../collimation/markerPlace';
import type { Setup } from '../setup';
import { boxOfCard, planeFromAbove } from './card';

export type StageLook = 'side' | 'ray';
/** `'card'`: the body fills the drawing, from the side or from above. */
export type DrawnLook = StageLook | 'card';

export type Mannequin2d = Figure & { bones: string; bright: string };

export type StageDrawing = {
  look: DrawnLook;
  /** The viewer looks down on one who lies. */
  fromAbove: boolean;
  box: DrawingBox;
  focal: Vec2;
  entry: Vec2;
  hit: Vec2;
  /** Light from the focal spot to the field edges (side), or the field on the skin (ray). */
  lightField: Vec2[][];
  receptor: Vec2[][];
  /** Where the middle of the receptor would be without the angle. */
  straightHit: Vec2;
  /** Outline of the tube head and of the collimator under it (side only). */
  tubeHead: Vec2[];
  collimator: Vec2[];
  /** The surface that the patient rests on, or the floor (side only). */
  surface: [Vec2, Vec2] | null;
  /** Upright of the wall stand (side only, horizontal beam). */
  wall: [Vec2, Vec2] | null;
  /** What the patient sits or leans on besides the holder, in profile (side only). */
  props: Vec2[][];
  touch: { name: string; at: Vec2 }[];
  /** What must be shown, for the drawing of where to look (ray only). */
  mustShow: { name: string; at: Vec2 }[];
  markers: { letter: 'R' | 'L'; at: Vec2 }[];
  /** Strips of the grid, a few of them, and what they cut off in bands across the light (ray only). */
  strips: [Vec2, Vec2][];
  /** Measuring cells that are switched on (ray only). */
  cells: Vec2[][];
  cutOff: { polygon: Vec2[]; loss: number }[];
  /** Ends of the field's cross (ray only). */
  cross: [Vec2, Vec2, Vec2, Vec2];
};

/** Viewed from the far long side of the table: the head end is on the left, the floor below. */
const SIDE_PLANE: DrawingPlane = { right: [-1, 0, 0], up: [0, 0, 1] };

export function planeOf(setup: Setup, look: DrawnLook): DrawingPlane {
  if (look === 'side') return SIDE_PLANE;
  if (look === 'card') return planeFromAbove(setup) ?? SIDE_PLANE;
  // From the focal spot, everything at its size on the skin: what lies in the light here lies in the light there.
  const { straight, toHead, focal, entry } = setup.scene;
  return { right: cross(straight, toHead), up: toHead, eye: { from: focal, at: entry } };
}

/** What the mannequin of this drawing depends on; the same key means the same picture. */
export function mannequinKey(setup: Setup, look: DrawnLook, box: DrawingBox): string {
  const { adapt, pose, place, brightBones, focal, entry } = setup.scene;
  const rounded = (values: readonly number[]) => values.map((value) => Math.round(value * 10) / 10);
  return JSON.stringify([
    setup.patient,
    adapt,
    pose,
    rounded(place),
    brightBones,
    setup.side,
    look === 'ray' ? [rounded(focal), rounded(entry)] : look === 'card' ? rounded(planeOf(setup, look).right) : 0,
    rounded([box.x, box.y, box.width, box.height]),
  ]);
}

/** Limb views light up one side only; views of the trunk both. */
function isBright(setup: Setup, id: string): boolean {
  if (!setup.scene.brightBones.some((prefix) => id.startsWith(prefix))) return false;
  return !setup.scene.oneSided || id.endsWith(setup.side === 'right' ? '_R' : '_L');
}

/**
 * The posed mannequin as paths, as far as it shows in the box.
 * @param small thumb-size: a coarser outline, and of the bones only the bright ones
 */
export function drawMannequin(setup: Setup, look: DrawnLook, box: DrawingBox, small = false): Mannequin2d {
  const posed = posedIn(setup);
  const plane = planeOf(setup, look);
  const fine = Math.max(box.width, box.height) < FINE_BELOW_MM;
  const bones = posedBones(posed, (bone) => (fine || bone.detail === 1) && (!small || isBright(setup, bone.id)));
  return {
    ...drawFigure(posed, plane, box, { cells: small ? CELLS_SMALL : CELLS, fine: !small }),
    bones: bonePaths(
      bones.filter((bone) => !isBright(setup, bone.id)).map((bone) => bone.shape),
      plane,
      box,
    ),
    bright: bonePaths(
      bones.filter((bone) => isBright(setup, bone.id)).map((bone) => bone.shape),
      plane,
      box,
    ),
  };
}

/** Grid cells along the longer side: about one pixel each, three at thumb size. */
const CELLS = 220;
const CELLS_SMALL = 110;

/** Fine bones (toes, finger ends, teeth) are drawn only when the picture is smaller than this. */
const FINE_BELOW_MM = 520;

const HEAD_MM = { length: 150, half: 95, below: 60, collimator: 70, collimatorHalf: 62 };

function boxAround(setup: Setup, look: StageLook, plane: DrawingPlane, aspect: number): DrawingBox {
  const { scene } = setup;
  const at = (p: Vec3<InRoom>) => toDrawing(plane, p);
  if (look === 'ray') {
    const [x, y] = at(scene.entry);
    const { width, height } = setup.field.atSkinMm;
    const h = Math.max(height / 0.5, width / 0.5 / aspect, 160);
    return { x: x - (h * aspect) / 2, y: y - h / 2, width: h * aspect, height: h };
  }
  const focal = at(scene.focal);
  const hit = at(scene.hit);
  if (setup.tube.beam === 'vertical') {
    const top = focal[1] - HEAD_MM.length - 20;
    const bottom = Math.max(hit[1] + 130, scene.surfaceHeightMm > 0 ? 60 - scene.surfaceHeightMm : 0);
    // A tube that leans far to the side still stands in the picture.
    const across = Math.abs(focal[0] - hit[0]) + 2 * HEAD_MM.length;
    const h = Math.max(bottom - top, across / aspect);
    const w = h * aspect;
    const middle = across / aspect > bottom - top ? (focal[0] + hit[0]) / 2 : focal[0] * 0.35 + hit[0] * 0.65;
    return { x: middle - w / 2, y: bottom - h, width: w, height: h };
  }
  const onSurface = scene.surfaceHeightMm > 0;
  const left = Math.min(focal[0], hit[0]) - 140;
  const right = Math.max(focal[0], hit[0]) + HEAD_MM.length + 40;
  let w = right - left;
  let h = w / aspect;
  const tall = 0 - (hit[1] - 420);
  const need = Math.min(tall + 60, 2300);
  if (onSurface) return { x: left, y: (focal[1] + hit[1]) / 2 - h / 2, width: w, height: h };
  if (h < need) {
    h = need;
    w = h * aspect;
  }
  const middle = Math.min(hit[1] + h * 0.34, 60);
  return {
    x: (left + right) / 2 - w / 2,
    y: middle - h * 0.9 < hit[1] - h / 2 ? hit[1] - h / 2 : middle - h * 0.9,
    width: w,
    height: h,
  };
}

/** Draws the geometry of a Setup. @param aspect width over height of the place it is shown in */
export function drawStage(setup: Setup, look: DrawnLook, aspect: number): StageDrawing {
  const { scene } = setup;
  const plane = planeOf(setup, look);
  const at = (p: Vec3<InRoom>) => toDrawing(plane, p);
  const { receptor, focal, entry, hit, beam, straight, toHead } = scene;
  const turn = (receptor.tiltDeg * Math.PI) / 180;
  const a = addScaled(scale(receptor.u, Math.cos(turn)), receptor.v, Math.sin(turn));
  const b = addScaled(scale(receptor.u, -Math.sin(turn)), receptor.v, Math.cos(turn));
  const plate = (from: Vec3<InRoom>) =>
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ].map(([i, j]) => addScaled(addScaled(from, a, (i * receptor.widthMm) / 2), b, (j * receptor.heightMm) / 2));
  const back = (mm: number, half: number): Vec3<InRoom>[] => {
    const axis = normalize(cross(beam, cross(plane.right, plane.up)));
    const base = addScaled(focal, beam, mm);
    return [addScaled(base, axis, -half), addScaled(base, axis, half)];
  };
  const box4 = (from: number, to: number, half: number, halfEnd: number): Vec3<InRoom>[] => {
    const [p, q] = back(from, half);
    const [r, s] = back(to, halfEnd);
    return [p, q, s, r];
  };
  const { fields } = scene;
  const corners = fields[0];
  const lightField = fields.map((each) => (look === 'ray' ? each.map(at) : sideCone(focal, each, at)));
  const plates = setup.receptor.shiftsMm
    .map((mm) => plate(addScaled(hit, toHead, mm)))
    .map((each) => (look === 'ray' ? each : plateEdge(each, straight, at)));
  const straightHit = addScaled(
    hit,
    toHead,
    -setup.tube.receptorShiftMm * (setup.tube.receptorShiftToward === 'feet' ? -1 : 1),
  );
  const box = look === 'card' ? boxOfCard(setup, plane, plates.flat(), aspect) : boxAround(setup, look, plane, aspect);
  const fromAbove = look === 'card' && plane !== SIDE_PLANE;
  const fromSide = look !== 'ray' && !fromAbove;
  const levelAt = -scene.surfaceHeightMm;
  const between = (i: number, j: number) => at(midpoint(corners[i], corners[j]));
  return {
    look,
    fromAbove,
    box,
    focal: look === 'ray' ? at(entry) : at(focal),
    entry: at(entry),
    hit: at(hit),
    lightField,
    receptor: plates.map((each) => each.map(at)),
    straightHit: at(straightHit),
    tubeHead: look !== 'ray' ? box4(-HEAD_MM.length + 60, HEAD_MM.below, HEAD_MM.half, HEAD_MM.half).map(at) : [],
    collimator:
      look !== 'ray'
        ? box4(HEAD_MM.below, HEAD_MM.below + HEAD_MM.collimator, HEAD_MM.collimatorHalf, HEAD_MM.collimatorHalf).map(
            at,
          )
        : [],
    surface: fromSide
      ? [
          [box.x, levelAt],
          [box.x + box.width, levelAt],
        ]
      : null,
    wall:
      fromSide && setup.receptor.holder === 'wall'
        ? [
            [at(hit)[0] - 40, box.y],
            [at(hit)[0] - 40, 0],
          ]
        : null,
    props: fromSide ? scene.surfaces.map(({ profile }) => profile.map(at)) : [],
    touch: scene.touch.map(({ name, p }) => ({ name, at: at(p) })),
    mustShow: look === 'ray' ? scene.mustShow.map(({ name, p }) => ({ name, at: at(p) })) : [],
    markers: markerPositions(setup).map(({ letter, p }) => ({ letter, at: at(p) })),
    cells: look === 'ray' ? scene.cells.map((each) => each.map(at)) : [],
    ...(look === 'ray' ? gridDrawing(setup, at) : { strips: [], cutOff: [] }),
    cross: [between(0, 3), between(1, 2), between(0, 1), between(2, 3)],
  };
}

/** Strips that are drawn, and bands in which the loss is told; below the least nothing is darkened. */
const STRIPS = 15;
const BANDS = 12;
const LEAST_LOSS = 0.05;

/** The grid under the part: a few of its strips over the receptor, and the light that they take. */
function gridDrawing(setup: Setup, at: (p: Vec3<InRoom>) => Vec2): Pick<StageDrawing, 'strips' | 'cutOff'> {
  const { receptor } = setup.scene;
  const { grid } = setup.image;
  if (!grid) return { strips: [], cutOff: [] };
  const up = grid.strips === 'up';
  const [across, along] = up ? [receptor.u, receptor.v] : [receptor.v, receptor.u];
  const [w, h] = up ? [receptor.widthMm, receptor.heightMm] : [receptor.heightMm, receptor.widthMm];
  const { width, height } = setup.field.atReceptorMm;
  const [fieldW, fieldH] = up ? [width, height] : [height, width];
  const point = (c: number, l: number) => at(addScaled(addScaled(receptor.centre, across, c), along, l));
  return {
    strips: Array.from({ length: STRIPS }, (_, i) => {
      const c = ((i + 0.5) / STRIPS - 0.5) * w;
      return [point(c, -h / 2), point(c, h / 2)];
    }),
    cutOff: Array.from({ length: BANDS }, (_, i) => {
      const [from, to] = [i, i + 1].map((k) => (k / BANDS - 0.5) * fieldW);
      return {
        polygon: [point(from, -fieldH / 2), point(to, -fieldH / 2), point(to, fieldH / 2), point(from, fieldH / 2)],
        loss: lossAt(grid, (from + to) / 2),
      };
    }).filter(({ loss }) => loss >= LEAST_LOSS),
  };
}

/** Seen from the side the light is a triangle from the focal spot to the outermost field edges. */
function sideCone(focal: Vec3<InRoom>, corners: readonly Vec3<InRoom>[], at: (p: Vec3<InRoom>) => Vec2): Vec2[] {
  const tip = at(focal);
  const ends = corners.map(at);
  const angle = ([x, y]: Vec2) => Math.atan2(y - tip[1], x - tip[0]);
  const middle = Math.atan2(
    ends.reduce((s, e) => s + e[1], 0) / 4 - tip[1],
    ends.reduce((s, e) => s + e[0], 0) / 4 - tip[0],
  );
  const off = (p: Vec2) => {
    const d = angle(p) - middle;
    return Math.atan2(Math.sin(d), Math.cos(d));
  };
  const sorted = [...ends].sort((p, q) => off(p) - off(q));
  return [tip, sorted[0], sorted[3]];
}

const PLATE_MM = 14;
/** The receptor on edge: its section along the drawing, with a thickness that can be seen. */
function plateEdge(
  plate: readonly Vec3<InRoom>[],
  straight: Vec3<InRoom>,
  at: (p: Vec3<InRoom>) => Vec2,
): Vec3<InRoom>[] {
  const sections = [
    [midpoint(plate[0], plate[1]), midpoint(plate[2], plate[3])],
    [midpoint(plate[0], plate[3]), midpoint(plate[1], plate[2])],
  ];
  const span = ([from, to]: Vec3<InRoom>[]) => {
    const [a, b] = [at(from), at(to)];
    return Math.hypot(a[0] - b[0], a[1] - b[1]);
  };
  const [low, high] = span(sections[0]) >= span(sections[1]) ? sections[0] : sections[1];
  return [low, high, addScaled(high, straight, PLATE_MM), addScaled(low, straight, PLATE_MM)];
}

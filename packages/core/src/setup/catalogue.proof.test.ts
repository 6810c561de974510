/**
 * Proof by computation: every entry, for patients of every age, size and build, in every room. What is taught is held
 * against what the body model gives; where the two differ the entry must say why.
 */
import { posedIn } from '../body/posedIn';
import { isLandmark } from '../body/body';
import type { PatientInput } from '../body/patient';
import { extremes, posedMark, posedStructure } from '../body/posed';
import { surfacePoint } from '../body/surface';
import { applyToDirection, inverse } from '../geometry/frame';
import { projectPoint } from '../geometry/projection';
import { addScaled, dot, length, midpoint, negate, subtract, type Vec3 } from '../geometry/vector';
import { projectionOf, projections } from '../projections/catalogue';
import type { Projection } from '../projections/schema';
import { toDegrees } from '../quantity/angle';
import { inches } from '../quantity/length';
import { REFERENCE_ROOM } from '../interchange/catalogueTable';
import { demoRooms } from '../room/demoRooms';
import type { Room } from '../room/room';
import { computeSetup } from './computeSetup';
import { PROOF_PATIENTS } from './proveEntry';
import { locate } from './placing/place';
import { TOWARD_AXIS } from './placing/relation';
import { otherSide } from '../body/mannequin';
import { sideView } from './placing/side';
import type { Setup, Side } from './setup';

const MAN: PatientInput = { ageYears: 40, sex: 'male' };
const WOMAN: PatientInput = { ageYears: 40, sex: 'female' };

const sideOf = (entry: Projection, side: Side = 'left') => (entry.sided === 'each' ? side : undefined);
const setUp = (entry: Projection, patient: PatientInput, room: Room, side?: Side): Setup =>
  computeSetup({ projectionId: entry.id, side: side ?? sideOf(entry), patient, room });

const offRay = ({ scene }: Setup, p: Vec3): Vec3 => {
  const d = subtract(p, scene.hit);
  return addScaled(d, scene.beam, -dot(d, scene.beam));
};

const SAID = new Set(['clipped', 'margin']);
const each = projections.map((entry) => [entry.id, entry] as const);

describe.each(each)('%s', (_id, entry) => {
  it('shows what it must, or says what is cut, for every patient in every room', () => {
    for (const [name, patient] of Object.entries(PROOF_PATIENTS))
      for (const room of demoRooms) {
        const setup = setUp(entry, patient, room);
        const where = `${entry.id}, ${name}, ${room.name}`;
        const { scene, field, receptor } = setup;
        const posed = posedIn(setup);
        const view = sideView(setup.side);
        const t = (-field.rotationDeg * Math.PI) / 180;
        const half = {
          u: field.atReceptorMm.width / 2,
          v: (receptor.exposures * field.atReceptorMm.height - (receptor.exposures - 1) * receptor.overlapMm) / 2,
        };
        const cut = entry.cover.some((item) => {
          const points =
            'structure' in item
              ? extremes(posedStructure(posed, view.name(item.structure)).shape, [
                  scene.receptor.u,
                  negate(scene.receptor.u),
                  scene.receptor.v,
                  negate(scene.receptor.v),
                ])
              : [locate(item, { posed } as never, view).p];
          return points.some((p) => {
            const at = projectPoint(
              scene.focal,
              { origin: scene.receptor.centre, u: scene.receptor.u, v: scene.receptor.v, n: scene.receptor.n },
              p,
            );
            const u = at.u * Math.cos(t) - at.v * Math.sin(t);
            const v = at.u * Math.sin(t) + at.v * Math.cos(t);
            return (
              (item.axis !== 'along' && Math.abs(u) > half.u + 1) ||
              (item.axis !== 'across' && Math.abs(v) > half.v + 1)
            );
          });
        });
        expect([where, cut && field.clipped.length === 0]).toEqual([where, false]);
        expect([where, field.clipped.length > 0 && setup.feasible]).toEqual([where, false]);
        if (receptor.outcome !== 'diagonal') {
          const across = receptor.orientation === 'lengthwise' ? receptor.size.widthMm : receptor.size.heightMm;
          const along = receptor.orientation === 'lengthwise' ? receptor.size.heightMm : receptor.size.widthMm;
          expect([where, field.atReceptorMm.width <= across + 1, field.atReceptorMm.height <= along + 1]).toEqual([
            where,
            true,
            true,
          ]);
        }
        const short = field.neededMm.width > field.atReceptorMm.width + 12 || field.neededMm.height > 2 * half.v + 12;
        expect([where, short && !setup.problems.some(({ code }) => SAID.has(code))]).toEqual([where, false]);
      }
  });

  it('keeps angle and SID inside its own ranges, or says what the room lacks', () => {
    for (const room of demoRooms) {
      const setup = setUp(entry, MAN, room);
      const { tube } = setup;
      const signed = tube.angleDeg * (tube.angleToward === entry.ray.toward || tube.angleDeg === 0 ? 1 : -1);
      expect(signed).toBeGreaterThanOrEqual(entry.ray.rangeDeg[0] - 0.01);
      expect(signed).toBeLessThanOrEqual(entry.ray.rangeDeg[1] + 0.01);
      const within = tube.sidMm >= entry.sid.rangeMm[0] - 12 && tube.sidMm <= entry.sid.rangeMm[1] + 12;
      expect(within || setup.problems.some(({ code }) => code === 'sid-too-short')).toBe(true);
    }
  });

  it('takes the usual receptor for a median adult, or the set-up says why another', () => {
    for (const patient of [MAN, WOMAN]) {
      const { receptor } = setUp(entry, patient, REFERENCE_ROOM);
      const usual =
        receptor.size.name === entry.receptor.usual &&
        receptor.exposures === 1 &&
        receptor.outcome !== 'diagonal' &&
        receptor.orientation === entry.receptor.orientation;
      expect([usual, receptor.whyOther]).toEqual([usual, usual ? null : expect.stringMatching(/\w{4}/)]);
      // Larger than usual, or more than one: the entry itself must know.
      const [w, h] = entry.receptor.usual.split('×').map(Number);
      const larger = receptor.size.widthMm * receptor.size.heightMm > inches(w) * inches(h) || receptor.exposures > 1;
      if (larger)
        expect([entry.id, entry.receptor.differs ?? entry.receptor.note]).toEqual([entry.id, expect.any(String)]);
    }
  });

  it('passes what it aims at, and enters where it is taught, within two centimetres', () => {
    for (const patient of [MAN, WOMAN]) {
      const setup = setUp(entry, patient, REFERENCE_ROOM);
      const posed = posedIn(setup);
      const { reaches, taughtAt, point } = entry.aim;
      if (reaches)
        expect(length(offRay(setup, posedMark(posed, reaches.structure).p))).toBeLessThanOrEqual(reaches.withinMm);
      if (!taughtAt) continue;
      const marks = taughtAt.marks.map((id) =>
        isLandmark(id) ? surfacePoint(posed, id).skin : posedMark(posed, id).p,
      );
      const { segment } = posedMark(posed, taughtAt.marks[0]);
      let p = marks.length === 2 ? midpoint(marks[0], marks[1]) : marks[0];
      for (const { toward, mm } of taughtAt.offset)
        p = addScaled(p, applyToDirection(posed.frames[segment], TOWARD_AXIS[toward]), mm);
      const end = point === 'exit' ? setup.scene.exit : setup.scene.entry;
      const apart = subtract(offRay(setup, p), offRay(setup, end));
      const off = taughtAt.level ? Math.abs(dot(apart, setup.scene.toHead)) : length(apart);
      if (!taughtAt.settled) expect([entry.id, Math.round(off)]).toEqual([entry.id, Math.min(20, Math.round(off))]);
    }
  });
});

test('a disagreement that is said to be settled is one', () => {
  for (const entry of projections.filter(({ aim }) => aim.taughtAt?.settled)) {
    const setup = setUp(entry, MAN, REFERENCE_ROOM);
    const posed = posedIn(setup);
    const { marks, offset } = entry.aim.taughtAt!;
    const skins = marks.map((id) => surfacePoint(posed, id).skin);
    let p = skins.length === 2 ? midpoint(skins[0], skins[1]) : skins[0];
    for (const { toward, mm } of offset)
      p = addScaled(p, applyToDirection(posed.frames[posedMark(posed, marks[0]).segment], TOWARD_AXIS[toward]), mm);
    const apart = offRay(setup, p);
    const off = entry.aim.taughtAt!.level ? Math.abs(dot(apart, setup.scene.toHead)) : length(apart);
    expect([entry.id, off > 20]).toEqual([entry.id, true]);
  }
});

/** The ray in the frame of the part that it is meant in. */
function rayInPart(setup: Setup, entry: Projection): Vec3 {
  const posed = posedIn(setup);
  const mark = 'between' in entry.aim ? entry.aim.between[0] : entry.aim.landmark;
  const own = posedMark(posed, setup.side === 'right' ? otherSide(mark) : mark).segment;
  // The neck is laid down where the body lies; the trunk is what was turned.
  const segment = own === 'neck' ? 'thorax' : own;
  return applyToDirection(inverse(posed.frames[segment]), setup.scene.beam);
}

describe.each([
  ['clavicle-ap-axial', 'clavicle-pa-axial'],
  ['clavicle-ap', 'clavicle-pa'],
  ['cervical-oblique-posterior', 'cervical-oblique-anterior'],
  ['colon-ap-axial', 'colon-pa-axial'],
  ['face-parietoacanthial', 'face-acanthioparietal'],
  ['skull-pa', 'skull-ap'],
  ['chest-pa', 'chest-ap'],
  ['ribs-ap-upper', 'ribs-pa-upper'],
  ['colon-rpo', 'colon-lao'],
  ['colon-lpo', 'colon-rao'],
  ['stomach-pa', 'stomach-ap'],
  ['wrist-pa', 'wrist-ap'],
  ['thumb-pa', 'thumb-ap'],
])('%s and %s', (a, b) => {
  it('are one line through the part, in opposite ways', () => {
    const [one, other] = [projectionOf(a), projectionOf(b)];
    const first = rayInPart(setUp(one, MAN, REFERENCE_ROOM), one);
    const second = rayInPart(setUp(other, MAN, REFERENCE_ROOM), other);
    expect(toDegrees(Math.acos(Math.min(1, -dot(first, second))))).toBeLessThan(8);
  });
});

test('left and right give mirrored rays', () => {
  for (const entry of projections.filter(({ sided }) => sided === 'each')) {
    const left = rayInPart(setUp(entry, MAN, REFERENCE_ROOM, 'left'), entry);
    const right = rayInPart(setUp(entry, MAN, REFERENCE_ROOM, 'right'), entry);
    expect([entry.id, Math.round(length(subtract(left, [-right[0], right[1], right[2]])) * 50)]).toEqual([entry.id, 0]);
  }
});

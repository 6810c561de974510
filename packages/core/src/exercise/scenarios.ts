/** The pack of exercises: over all regions, with children, trauma and mobile ones. Invented people. */
import { projectionOf } from '../projections/catalogue';
import { NO_POSITIONING_ERROR, type PositioningError } from '../radiograph/positioningError';
import type { Case, Level, Scenario } from './scenario';

type Who = Pick<Case, 'patient' | 'situation'> & { says: string };

const ADULT: Who = { says: 'an adult of median size', patient: { ageYears: 44 }, situation: {} };
const SLIGHT: Who = {
  says: 'an asthenic woman of 72',
  patient: { ageYears: 72, sex: 'female', statureMm: 1560, massKg: 49 },
  situation: {},
};
const BROAD: Who = {
  says: 'a hypersthenic man of 51',
  patient: { ageYears: 51, sex: 'male', statureMm: 1790, massKg: 118 },
  situation: {},
};
const INFANT: Who = { says: 'an infant of 9 months', patient: { ageYears: 0.75 }, situation: {} };
const SMALL: Who = { says: 'a child of 3', patient: { ageYears: 3 }, situation: {} };
const SCHOOL: Who = { says: 'a child of 6', patient: { ageYears: 6 }, situation: {} };
const BED: Who = {
  says: 'a bedside patient who cannot stand',
  patient: { ageYears: 78, statureMm: 1650, massKg: 62 },
  situation: { place: 'bedside', canStand: false },
};
const BOARD: Who = {
  says: 'a patient whose spine is not cleared',
  patient: { ageYears: 29, statureMm: 1800, massKg: 82 },
  situation: { place: 'resuscitation bay', spineNotCleared: true, canStand: false, canSit: false, canTurn: 'none' },
};
const HURT: Who = {
  says: 'a patient with a suspected fracture there',
  patient: { ageYears: 36, statureMm: 1730, massKg: 76 },
  situation: { fractureSuspected: true },
};

type Row = readonly [projectionId: string, who: Who, level: Level, side?: 'left' | 'right'];

const SET_UP: readonly Row[] = [
  ['chest-pa', ADULT, 1],
  ['chest-lateral', SLIGHT, 1],
  ['chest-ap', BED, 2],
  ['chest-ap', INFANT, 3],
  ['abdomen-ap-supine', ADULT, 1],
  ['abdomen-ap-supine', SMALL, 2],
  ['hand-pa', ADULT, 1, 'right'],
  ['hand-pa', SCHOOL, 2, 'left'],
  ['wrist-lateral', ADULT, 1, 'left'],
  ['elbow-lateral', SLIGHT, 2, 'right'],
  ['humerus-ap', ADULT, 2, 'left'],
  ['shoulder-ap-external', ADULT, 1, 'right'],
  ['shoulder-scapular-y', HURT, 3, 'left'],
  ['clavicle-ap-axial', ADULT, 2, 'right'],
  ['foot-ap', ADULT, 1, 'left'],
  ['ankle-mortise', ADULT, 1, 'right'],
  ['calcaneus-axial', ADULT, 3, 'left'],
  ['knee-lateral', ADULT, 1, 'right'],
  ['knee-ap', BROAD, 2, 'left'],
  ['pelvis-ap', BROAD, 2],
  ['hip-axiolateral', HURT, 3, 'left'],
  ['cervical-lateral', BOARD, 3],
  ['lumbar-ap', ADULT, 1],
  ['lumbar-oblique-posterior', ADULT, 3, 'left'],
  ['sacrum-ap-axial', SLIGHT, 2],
  ['skull-pa-axial', ADULT, 2],
  ['sinuses-parietoacanthial', ADULT, 3],
  ['stomach-rao', ADULT, 3],
];

/** Projection, for whom, the motion that was made, level, side. */
type Spot = readonly [string, Who, faultId: string, keyof PositioningError, number, Level, ('left' | 'right')?];
const SPOT: readonly Spot[] = [
  ['chest-pa', ADULT, 'clavicle-ends', 'rollDeg', 7, 1],
  ['chest-pa', BROAD, 'centre-along', 'alongMm', 55, 1],
  ['chest-ap', BED, 'clavicle-ends', 'rollDeg', -9, 2],
  ['chest-ap', SMALL, 'crooked', 'turnDeg', 12, 1],
  ['chest-lateral', SLIGHT, 'rear-ribs', 'rollDeg', -9, 2],
  ['abdomen-ap-supine', ADULT, 'process-L3', 'rollDeg', 10, 2],
  ['abdomen-ap-supine', BROAD, 'centre-along', 'alongMm', -60, 1],
  ['wrist-lateral', ADULT, 'styloids', 'rollDeg', 12, 2, 'left'],
  ['hand-pa', SCHOOL, 'centre-across', 'acrossMm', 30, 1, 'right'],
  ['elbow-lateral', ADULT, 'epicondyles', 'rollDeg', -10, 2, 'left'],
  ['shoulder-ap-oblique-glenoid', ADULT, 'coracoid', 'rollDeg', 14, 3, 'right'],
  ['shoulder-scapular-y', ADULT, 'borders', 'rollDeg', 12, 3, 'left'],
  ['ankle-lateral', ADULT, 'malleoli', 'rollDeg', 9, 2, 'right'],
  ['foot-lateral', ADULT, 'malleoli', 'rollDeg', -10, 2, 'left'],
  ['knee-lateral', ADULT, 'condyles', 'rollDeg', 8, 1, 'left'],
  ['knee-lateral', BROAD, 'condyles-up', 'tiltDeg', 8, 2, 'right'],
  ['knee-ap', SCHOOL, 'kneecap', 'rollDeg', 11, 1, 'left'],
  ['pelvis-ap', ADULT, 'coccyx', 'rollDeg', 8, 1],
  ['pelvis-ap', SLIGHT, 'pelvis-tilt', 'tiltDeg', 10, 3],
  ['cervical-lateral', BOARD, 'centre-along', 'alongMm', -40, 2],
  ['lumbar-lateral', ADULT, 'hip-bones', 'rollDeg', 9, 2],
  ['lumbar-ap', BROAD, 'process-L3', 'rollDeg', -9, 2],
  ['skull-pa', ADULT, 'orbits', 'rollDeg', 6, 1],
  ['skull-pa', SLIGHT, 'petrous', 'tiltDeg', 9, 2],
  ['skull-lateral', ADULT, 'ears-front', 'rollDeg', 6, 2],
  ['face-parietoacanthial', ADULT, 'petrous', 'tiltDeg', -10, 3],
  ['stomach-pa', ADULT, 'centre-across', 'acrossMm', 50, 2],
];

const VIEW: readonly Row[] = [
  ['chest-lateral', ADULT, 1],
  ['ribs-ap-upper', ADULT, 2, 'left'],
  ['abdomen-decubitus-left-lateral', ADULT, 3],
  ['hand-oblique', ADULT, 1, 'right'],
  ['forearm-lateral', SCHOOL, 1, 'left'],
  ['shoulder-axillary-inferosuperior', ADULT, 2, 'right'],
  ['calcaneus-axial', ADULT, 2, 'right'],
  ['ankle-mortise', ADULT, 2, 'left'],
  ['patella-tangential-prone', ADULT, 3, 'right'],
  ['pelvis-inlet', ADULT, 2],
  ['cervical-ap-open-mouth', ADULT, 2],
  ['lumbar-oblique-posterior', ADULT, 2, 'right'],
  ['skull-ap-axial', ADULT, 2],
  ['skull-submentovertical', ADULT, 1],
  ['sinuses-parietoacanthial', ADULT, 3],
  ['colon-ap', ADULT, 1],
  ['urography-ap', ADULT, 1],
];

type Series = readonly [id: string, Who, Level, readonly string[], ('left' | 'right')?];
const SERIES: readonly Series[] = [
  ['lumbar spine', ADULT, 1, ['lumbar-lateral', 'lumbar-ap', 'lumbosacral-lateral']],
  ['sacrum and coccyx', SLIGHT, 1, ['sacrum-lateral', 'coccyx-ap-axial', 'sacrum-ap-axial']],
  ['knee', ADULT, 1, ['knee-lateral', 'knee-ap', 'knee-oblique-medial', 'knee-oblique-lateral'], 'right'],
  ['abdomen, acute', ADULT, 2, ['abdomen-ap-supine', 'chest-pa', 'abdomen-ap-upright']],
  ['hand of a child', SCHOOL, 2, ['hand-oblique', 'hand-pa', 'hand-lateral-fan'], 'left'],
  ['spine and hip', BROAD, 3, ['hip-ap', 'lumbar-lateral', 'pelvis-ap', 'lumbar-ap'], 'left'],
  ['at the bedside', BED, 3, ['pelvis-ap', 'chest-ap', 'abdomen-ap-supine']],
  ['colon', ADULT, 3, ['colon-rpo', 'colon-pa', 'colon-lpo', 'colon-ap', 'colon-lateral-rectum']],
];

const caseOf = (projectionId: string, { patient, situation }: Who, side?: 'left' | 'right'): Case => ({
  projectionId,
  patient,
  situation,
  ...(side && { side }),
});
const nameOf = (id: string): string => projectionOf(id).name;

export const scenarios: readonly Scenario[] = [
  ...SET_UP.map(([id, who, level, side], i): Scenario => ({
    id: `set-${i + 1}`,
    kind: 'set it up',
    level,
    seed: 100 + i,
    about: `${nameOf(id)}${side ? `, ${side}` : ''}, for ${who.says}`,
    of: caseOf(id, who, side),
  })),
  ...SPOT.map(([id, who, faultId, key, amount, level, side], i): Scenario => ({
    id: `spot-${i + 1}`,
    kind: 'spot the fault',
    level,
    seed: 200 + i,
    about: `${nameOf(id)}${side ? `, ${side}` : ''}, of ${who.says}`,
    of: caseOf(id, who, side),
    faultId,
    positioningError: { ...NO_POSITIONING_ERROR, [key]: amount },
  })),
  ...VIEW.map(([id, who, level, side], i): Scenario => ({
    id: `view-${i + 1}`,
    kind: 'which view',
    level,
    seed: 300 + i,
    about: `A picture of ${who.says}`,
    of: caseOf(id, who, side),
  })),
  ...SERIES.map(([name, who, level, ids, side], i): Scenario => ({
    id: `turns-${i + 1}`,
    kind: 'fewest turns',
    level,
    seed: 400 + i,
    about: `${ids.length} projections, ${name}: ${who.says}`,
    of: caseOf(ids[0], who, side),
    items: ids.map((projectionId) => ({
      projectionId,
      ...(side && projectionOf(projectionId).sided === 'each' && { side }),
    })),
  })),
];

/** @throws RangeError for an unknown one */
export function scenarioOf(id: string): Scenario {
  const found = scenarios.find((each) => each.id === id);
  if (!found) throw new RangeError(`there is no exercise "${id}"`);
  return found;
}

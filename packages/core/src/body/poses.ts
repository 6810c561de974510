/**
 * The poses of the examinations, each named for what it is and written once. Entries and body positions ask for them
 * by name; angles of one side are those of the left, and turn with the side that is examined.
 */
import type { PoseName } from '../projections/vocabulary';
import { addPoses, type Pose } from './joints';

export const POSES: Readonly<Record<PoseName, Pose>> = {
  // Head and neck
  'chin-up': { neckExtension: 15, headExtension: 10 },
  'chin-a-little-up': { headExtension: 10 },
  'chin-down': { neckExtension: -12, headExtension: -12 },
  'neck-bent-forward': { neckExtension: -38, headExtension: -12 },
  'neck-bent-back': { neckExtension: 40, headExtension: 20 },
  'head-turned': { neckRotation: 40, headRotation: 42 },
  // Leant and turned off the shoulder that is examined, out of a ray that comes from above it.
  'head-away': { neckSideBend: -22, headSideBend: -10, neckRotation: -30, headRotation: -15 },
  'mouth-open': { jawOpening: 26 },
  // Arms
  'arms-clear': { shoulderAbduction: 15, forearmPronation: 70 },
  'hands-at-face': { shoulderFlexion: 10 },
  'shoulders-rolled': {
    shoulderAbduction: 46,
    shoulderFlexion: 8,
    shoulderMedialRotation: 85,
    elbowFlexion: 92,
    forearmPronation: 60,
    scapulaProtraction: 18,
  },
  // The shoulder blades go up and back with arms that are raised so far.
  'arms-overhead': { shoulderFlexion: 165, elbowFlexion: 60, scapulaElevation: 30, scapulaProtraction: -20 },
  'arms-forward': { shoulderFlexion: 90, elbowFlexion: 60, forearmPronation: 70 },
  'near-arm-up': { shoulderFlexion_L: 165, elbowFlexion_L: 80, shoulderFlexion_R: -8 },
  'arms-crossed': { shoulderFlexion: 35, shoulderMedialRotation: 70, elbowFlexion: 100, forearmPronation: 80 },
  'arm-across-chest': {
    shoulderFlexion_L: 20,
    shoulderMedialRotation_L: 75,
    elbowFlexion_L: 90,
    forearmPronation_L: 80,
  },
  'arm-out': { shoulderAbduction_L: 90 },
  'elbow-bent': { elbowFlexion_L: 90 },
  'forearm-on-table': { shoulderFlexion_L: 38, elbowFlexion_L: 52, forearmPronation_L: 170 },
  'palm-up-on-table': { shoulderFlexion_L: 38, elbowFlexion_L: 52 },
  // Hand
  fist: { finger2Flexion_L: 85, finger3Flexion_L: 85, finger4Flexion_L: 85, finger5Flexion_L: 85, thumbFlexion_L: 40 },
  'fingers-fanned': { finger2Flexion_L: 50, finger3Flexion_L: 32, finger4Flexion_L: 16, finger5Flexion_L: 2 },
  'thumb-out': { thumbAbduction_L: 45 },
  'hand-to-ulna': { wristUlnarDeviation_L: 25 },
  'hand-to-radius': { wristUlnarDeviation_L: -18 },
  'wrist-back': { wristFlexion_L: -60 },
  // Trunk
  'bent-forward': { trunkFlexion: 60 },
  'bent-back': { trunkFlexion: -25 },
  'bent-left': { trunkSideBend: 25 },
  'turned-left': { trunkRotation: 35 },
  // Legs
  'feet-turned-in': { hipMedialRotation: 15 },
  'legs-as-they-lie': { hipMedialRotation: -15 },
  'leg-square': { hipMedialRotation_L: 4 },
  'leg-turned-in': { hipMedialRotation_L: 15 },
  'knees-up': { hipFlexion: 40, kneeFlexion: 80 },
  'knees-drawn-up': { hipFlexion: 40, kneeFlexion: 60 },
  'knee-bent-a-little': { kneeFlexion_L: 25 },
  'knee-bent': { hipFlexion_L: 45, kneeFlexion_L: 90 },
  'other-leg-forward': { hipFlexion_R: 60, kneeFlexion_R: 70 },
  'other-leg-raised': { hipFlexion_R: 85, kneeFlexion_R: 90 },
  'frog-legs': { hipFlexion: 35, hipAbduction: 40, hipMedialRotation: -40, kneeFlexion: 70 },
  'foot-up': { anklePlantarFlexion_L: -10 },
  'foot-pointed': { anklePlantarFlexion_L: 40 },
  'foot-inverted': { footInversion_L: 25 },
  // What a body position asks for
  sitting: { hipFlexion: 86, kneeFlexion: 86 },
  'sitting-other-arm': { shoulderFlexion_R: 20, elbowFlexion_R: 60, forearmPronation_R: 90 },
  'sitting-relaxed-arms': { shoulderFlexion: 22, elbowFlexion: 55, forearmPronation: 90 },
  kneeling: { kneeFlexion: 90, anklePlantarFlexion: 45, toesFlexion: -10 },
  sims: {
    hipFlexion_L: 12,
    kneeFlexion_L: 20,
    hipFlexion_R: 70,
    kneeFlexion_R: 80,
    shoulderFlexion_L: -35,
    elbowFlexion_L: 15,
    shoulderFlexion_R: 60,
    elbowFlexion_R: 70,
    forearmPronation: 70,
  },
};

/** Poses by name, one on top of the other. */
export const posesNamed = (names: readonly PoseName[]): Pose => addPoses(...names.map((name) => POSES[name]));

import { situationSchema } from '../setup/request';
import { saidOfPatient } from './saidOfPatient';

const SEDATED = { canStand: false, canSit: false, holdsBreath: false };
test.each([
  ['Portable CXR', { place: 'bedside' }],
  ['Port chest', { place: 'bedside' }],
  ['Chest; after port placement', {}],
  ['Mobile chest x-ray', { place: 'bedside' }],
  ['CXR; ICU, line placement', { place: 'bedside' }],
  ['Chest; discharged from ICU, cough', {}],
  ['Pelvis in resus', { place: 'resuscitation bay' }],
  ['Foot; patient in wheelchair', { place: 'chair', canStand: false }],
  ['Chest; no longer in a wheelchair', {}],
  ['Ankle; twisted, cannot bear weight', { canStand: false }],
  ['Ankle; can’t walk', { canStand: false }],
  ['Knee; NWB left leg', { canStand: false }],
  ['Knee weight bearing AP', {}],
  ['Chest; bedbound', { canStand: false, canSit: false }],
  ['Chest; intubated and sedated', SEDATED],
  ['Chest; not intubated', {}],
  ['Chest; extubated today', {}],
  ['Chest; was ventilated last week', {}],
  ['Chest; orthopnea', { canLieFlat: false }],
  ['Abdomen; unable to lie flat', { canLieFlat: false }],
  ['C spine; MVA, c-spine precautions', { spineNotCleared: true }],
  ['C spine; in a hard collar on a backboard', { spineNotCleared: true, worn: ['collar', 'board'] }],
  ['C spine; collar removed', {}],
  ['C spine; hard collar cleared', {}],
  ['Spine; spine not cleared', { spineNotCleared: true }],
  ['Femur; in traction', { worn: ['traction'] }],
  ['Wrist; in a splint', { worn: ['splint'] }],
  ['Wrist; out of sling', {}],
  ['Tibia; external fixator', { worn: ['external fixator'] }],
  ['Skull; combative', { holdsStill: false, holdsBreath: false }],
  ['Chest; cannot keep still', { holdsStill: false }],
  ['Hip; 20 weeks pregnant', { pregnancy: 'possible' }],
  ['Hip; not pregnant', { pregnancy: 'no' }],
  ['Hip; denies pregnancy', { pregnancy: 'no' }],
  ['Hip; pregnancy test negative', { pregnancy: 'no' }],
  ['Clavicle; pain at the collar bone', {}],
  ['Ventral hernia; on ventolin', {}],
  ['Board and lodging', {}],
  ['', {}],
])('“%s”', (words, situation) => {
  const said = saidOfPatient(words);
  expect(said).toEqual(situation);
  expect(situationSchema.partial().safeParse(said).success).toBe(true);
});

import { situationOf } from './reasonSituation';
import { takeIncoming } from './incomingOrder';

test.each([
  ['Shoulder', 'anterior dislocation?', { suspected: ['dislocation'] }],
  ['Abdomen', 'rule out perforation', { suspected: ['free gas'] }],
  ['Chest', 'pleural effusion on the left', { suspected: ['fluid level'] }],
  ['Knee', 'effusion after twisting', {}],
  ['Hip', 'fall, hip fracture', { suspected: ['hip fracture'], fractureSuspected: true }],
  ['Wrist', 'fall on the hand, fracture?', { fractureSuspected: true }],
  ['Ankle', 'MVA', { fractureSuspected: true }],
  ['Finger', 'foreign body', { suspected: ['foreign body'] }],
  ['Wrist', 'follow-up of fracture', {}],
  ['Wrist', 's/p ORIF distal radius fracture', {}],
  ['Wrist', 'old fracture, pain', {}],
  ['Ankle', 'pain, no fracture or dislocation', {}],
  ['Shoulder', 'chronic dislocation', {}],
  ['Hip', '78 year old, fell, hip fracture', { suspected: ['hip fracture'], fractureSuspected: true }],
  ['Wrist', '9 yo with deformity', { fractureSuspected: true }],
  ['Ankle', 's/p fall with fracture', { fractureSuspected: true }],
  ['Wrist', 'history of gout, new fracture?', { fractureSuspected: true }],
  ['Chest', 'cough', {}],
])('%s for “%s”', (exam, reason, situation) => expect(situationOf({ exam, reason })).toEqual(situation));

const order = {
  reference: 'A-1',
  initials: 'AB',
  patient: { ageYears: 40 },
  exam: 'Shoulder',
  side: 'left',
  reason: 'dislocation?',
  urgency: 'now',
  ward: 'ED',
  situation: { canStand: false },
};
const taken = (draft: object) => {
  const incoming = takeIncoming([{ line: 1, order: { ...order, ...draft } }]);
  return 'orders' in incoming ? incoming.orders[0]?.order.situation : incoming.faults;
};
test('an order that is taken in has it in its situation, beside what it says itself', () =>
  expect(taken({})).toEqual({ canStand: false, suspected: ['dislocation'] }));
test('what the order says itself of the same stands', () => {
  expect(taken({ situation: { suspected: [] } })).toEqual({ suspected: [] });
  expect(taken({ reason: 'fracture', situation: { fractureSuspected: false } })).toEqual({ fractureSuspected: false });
});

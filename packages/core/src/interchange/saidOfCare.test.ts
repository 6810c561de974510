/** What an order says that those near the patient must know: written in the ways of wards, denied, and not there at all. */
import { ORDER_WORDINGS } from '../exam/orderWordings.fixture';
import { unusualWords, warns } from '../words/unusualWords';
import { saidOfCare } from './saidOfCare';

const words = (text: string): string[] => saidOfCare(text).map(unusualWords);

test.each([
  ['Portable chest; MRSA, contact precautions', ['contact isolation']],
  ['CXR r/o TB', ['airborne isolation']],
  ['Chest 2 views. COVID-19 positive, droplet precautions', ['droplet isolation']],
  ['Abdomen, C. diff', ['contact isolation']],
  ['Chest, patient in isolation room 4', ['isolation']],
  ['Upper GI, allergic to contrast', ['contrast allergy']],
  ['Barium enema; latex allergy; fall risk', ['latex allergy', 'falls easily: not left alone']],
  ['IVU. Reacted to IV contrast in the past', ['contrast allergy']],
  ['Chest PA and lateral, pacemaker placement', ['pacemaker']],
  ['Chest PA, ICD in place', ['defibrillator']],
  ['Skull series, cochlear implant', ['cochlear implant']],
])('%s', (order, said) => expect(words(order)).toEqual(said));

test.each([
  'No contrast allergy, knee AP',
  'Chest, isolation discontinued',
  'Chest, pacemaker removed',
  'Elbow lateral, no fall risk',
  'Left wrist, fell on ice',
  'Left wrist. ICD-10: S62.0',
  'Knee AP, ICD code M17',
  '',
])('“%s” says nothing of it', (order) => expect(words(order)).toEqual([]));

test('isolation and allergies stop the hand; the wordings of ordinary orders say none of it', () => {
  expect(saidOfCare('MRSA; latex allergy; fall risk').map(warns)).toEqual([true, true, false]);
  const orders = ORDER_WORDINGS.split('\n').flatMap((line) => (line.includes('|') ? [line.split('|')[0].trim()] : []));
  expect(orders.length).toBeGreaterThan(500);
  expect(orders.filter((order) => saidOfCare(order).length > 0)).toEqual([]);
});

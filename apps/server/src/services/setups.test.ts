import { computeSetup, type SetupRequest } from '@taktik/core';
import { SetupAnswers } from './setups';

const request: SetupRequest = { projectionId: 'chest-pa', patient: { ageYears: 30 } };

test('a question asked again is answered without being read again, with the same text', () => {
  const answers = new SetupAnswers();
  const read = jest.fn((question: unknown) => question as SetupRequest);
  const first = answers.answer(request, read);
  expect(answers.answer({ ...request }, read)).toBe(first);
  expect(read).toHaveBeenCalledTimes(1);
  expect(first).toBe(JSON.stringify(computeSetup(request)));
});

test('another question has its own answer; a refused one is not kept', () => {
  const answers = new SetupAnswers();
  const read = (question: unknown) => question as SetupRequest;
  expect(answers.answer({ ...request, patient: { ageYears: 31 } }, read)).not.toBe(answers.answer(request, read));
  const refuse = jest.fn(() => {
    throw new RangeError('no');
  });
  expect(() => answers.answer({ projectionId: 'x' }, refuse)).toThrow('no');
  expect(() => answers.answer({ projectionId: 'x' }, refuse)).toThrow('no');
  expect(refuse).toHaveBeenCalledTimes(2);
});

test('only the last five hundred are kept', () => {
  const answers = new SetupAnswers();
  const read = jest.fn((question: unknown) => question as SetupRequest);
  for (let i = 0; i <= 500; i += 1) answers.answer({ ...request, patient: { ageYears: 20 + i / 10 } }, read);
  answers.answer({ ...request, patient: { ageYears: 20 } }, read);
  expect(read).toHaveBeenCalledTimes(502);
});

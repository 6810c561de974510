import { computeSetup, type SetupRequest } from '@taktik/core';
import { KeptAnswers } from './keptAnswers';

const request: SetupRequest = { projectionId: 'chest-pa', patient: { ageYears: 30 } };
const text = (question: object) => JSON.stringify(question);
const parseText = (question: string) => JSON.parse(question) as SetupRequest;

test('a question asked again is answered without being read again, with the same text', () => {
  const answers = new KeptAnswers((request: SetupRequest) => computeSetup(request));
  const read = jest.fn(parseText);
  const first = answers.answer(text(request), 1, read);
  expect(answers.answer(text({ ...request }), 1, read)).toBe(first);
  expect(read).toHaveBeenCalledTimes(1);
  expect(first).toBe(JSON.stringify(computeSetup(request)));
});

test('another question has its own answer; a refused one is not kept', () => {
  const answers = new KeptAnswers((request: SetupRequest) => computeSetup(request));
  const read = parseText;
  expect(answers.answer(text({ ...request, patient: { ageYears: 31 } }), 1, read)).not.toBe(
    answers.answer(text(request), 1, read),
  );
  const refuse = jest.fn(() => {
    throw new RangeError('no');
  });
  expect(() => answers.answer(text({ projectionId: 'x' }), 1, refuse)).toThrow('no');
  expect(() => answers.answer(text({ projectionId: 'x' }), 1, refuse)).toThrow('no');
  expect(refuse).toHaveBeenCalledTimes(2);
});

test('only the last five hundred are kept', () => {
  const answers = new KeptAnswers((request: SetupRequest) => computeSetup(request));
  const read = jest.fn(parseText);
  for (let i = 0; i <= 500; i += 1) answers.answer(text({ ...request, patient: { ageYears: 20 + i / 10 } }), 1, read);
  answers.answer(text({ ...request, patient: { ageYears: 20 } }), 1, read);
  expect(read).toHaveBeenCalledTimes(502);
});

test('an answer by older rules is none', () => {
  const answers = new KeptAnswers((request: SetupRequest) => computeSetup(request));
  const read = jest.fn(parseText);
  answers.answer(text(request), 1, read);
  answers.answer(text(request), 2, read);
  expect(read).toHaveBeenCalledTimes(2);
});

import { computeSetup, type SetupRequest } from '@taktik/core';
import { KeptAnswers } from './keptAnswers';

const request: SetupRequest = { projectionId: 'chest-pa', patient: { ageYears: 30 } };
const computed = async (asked: SetupRequest) => JSON.stringify(computeSetup(asked));
const text = (question: object) => JSON.stringify(question);
const parseText = (question: string) => JSON.parse(question) as SetupRequest;

test('a question asked again is answered without being read again, with the same text', async () => {
  const answers = new KeptAnswers(computed);
  const read = jest.fn(parseText);
  const first = await answers.answer(text(request), 1, read);
  expect(await answers.answer(text({ ...request }), 1, read)).toBe(first);
  expect(read).toHaveBeenCalledTimes(1);
  expect(first).toBe(JSON.stringify(computeSetup(request)));
});

test('another question has its own answer; a refused one is not kept', async () => {
  const answers = new KeptAnswers(computed);
  const read = parseText;
  expect(await answers.answer(text({ ...request, patient: { ageYears: 31 } }), 1, read)).not.toBe(
    await answers.answer(text(request), 1, read),
  );
  const refuse = jest.fn(() => {
    throw new RangeError('no');
  });
  expect(() => answers.answer(text({ projectionId: 'x' }), 1, refuse)).toThrow('no');
  expect(() => answers.answer(text({ projectionId: 'x' }), 1, refuse)).toThrow('no');
  expect(refuse).toHaveBeenCalledTimes(2);
});

test('only the last five hundred are kept', async () => {
  const answers = new KeptAnswers(computed);
  const read = jest.fn(parseText);
  for (let i = 0; i <= 500; i += 1)
    await answers.answer(text({ ...request, patient: { ageYears: 20 + i / 10 } }), 1, read);
  await answers.answer(text({ ...request, patient: { ageYears: 20 } }), 1, read);
  expect(read).toHaveBeenCalledTimes(502);
});

test('an answer by older rules is none', async () => {
  const answers = new KeptAnswers(computed);
  const read = jest.fn(parseText);
  await answers.answer(text(request), 1, read);
  await answers.answer(text(request), 2, read);
  expect(read).toHaveBeenCalledTimes(2);
});

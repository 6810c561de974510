import { inSlices, pauses } from './inSlices';

function* counting(to: number) {
  for (let i = 0; i < to; i += 1) yield;
  return to;
}

test('the work comes to its end, and others go on in between', async () => {
  let others = 0;
  let going = true;
  const other = (): void => {
    others += 1;
    if (going) setImmediate(other);
  };
  setImmediate(other);
  expect(await inSlices(counting(200), pauses(0))).toBe(200);
  going = false;
  expect(others).toBeGreaterThan(150);
});

test('short work is not cut', async () => {
  let others = 0;
  setImmediate(() => (others += 1));
  expect(await inSlices(counting(200), pauses(60_000))).toBe(200);
  expect(others).toBe(0);
});

test('what the work throws is thrown', async () => {
  function* failing(): Generator<undefined, void> {
    yield;
    throw new Error('no');
  }
  await expect(inSlices(failing(), pauses(0))).rejects.toThrow('no');
});

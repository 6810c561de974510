import { pauses } from './pauses';

async function turnsOfOthers(steps: number, pause: () => Promise<void>): Promise<number> {
  let others = 0;
  let going = true;
  const other = (): void => {
    others += 1;
    if (going) setImmediate(other);
  };
  setImmediate(other);
  for (let i = 0; i < steps; i += 1) await pause();
  going = false;
  return others;
}

test('others go on in between', async () => {
  expect(await turnsOfOthers(200, pauses(0))).toBeGreaterThan(150);
});

test('short work is not cut', async () => {
  expect(await turnsOfOthers(200, pauses(60_000))).toBe(0);
});

import { WriteQueue } from './writeQueue';

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

test('writes never overlap and keep their order', async () => {
  const queue = new WriteQueue();
  const seen: string[] = [];
  const write = (name: string, ms: number) =>
    queue.run(async () => {
      seen.push(`${name} begins`);
      await pause(ms);
      seen.push(`${name} ends`);
      return name;
    });
  expect(await Promise.all([write('a', 20), write('b', 1), write('c', 5)])).toEqual(['a', 'b', 'c']);
  expect(seen).toEqual(['a begins', 'a ends', 'b begins', 'b ends', 'c begins', 'c ends']);
});

test('a failed write fails alone', async () => {
  const queue = new WriteQueue();
  const bad = queue.run(() => Promise.reject(new Error('disk full')));
  const good = queue.run(() => Promise.resolve('kept'));
  await expect(bad).rejects.toThrow('disk full');
  await expect(good).resolves.toBe('kept');
});

/** The bones are fetched once, and asked for again after a failure. */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { DecompressionStream } from 'node:stream/web';
import { gzipSync } from 'node:zlib';
import { BONE_FILES } from '@taktik/core';

const folder = path.join(__dirname, '../../../../packages/core/skeleton');
const packedFile = (file: string) => gzipSync(readFileSync(path.join(folder, file)), { level: 1 });
const before = globalThis.fetch;
let asked: string[] = [];

beforeEach(() => {
  asked = [];
  jest.resetModules();
});
afterEach(() => {
  globalThis.fetch = before;
});

const answers = (answer: (address: string) => unknown) => {
  globalThis.fetch = ((address: string) => {
    asked.push(address);
    return Promise.resolve(answer(address));
  }) as typeof fetch;
};
/** Of a module that has loaded nothing yet. */
const loadedBones = () => jest.requireActual<typeof import('./bones')>('./bones').loadedBones();

it('loads every file once for any number of pictures', async () => {
  Object.assign(globalThis, { DecompressionStream });
  answers((address) => new Response(packedFile(path.basename(address, '.gz'))));
  const [one, two] = await Promise.all([loadedBones(), loadedBones()]);
  expect(one).toBe(two);
  expect(await loadedBones()).toBe(one);
  expect(one.bones.some(({ id }) => id === 'scaphoid_R')).toBe(true);
  expect(asked.sort()).toEqual(BONE_FILES.map((file) => `/skeleton/${file}.gz`).sort());
});

it('a failure is told, and the next picture asks again', async () => {
  answers(() => ({ ok: false, status: 503, body: null }));
  await expect(loadedBones()).rejects.toThrow('status 503');
  const first = asked.length;
  await expect(loadedBones()).rejects.toThrow('status 503');
  expect(asked.length).toBeGreaterThan(first);
});

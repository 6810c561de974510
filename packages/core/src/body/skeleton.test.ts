/** Reading a file of bones. */
import { boneBytes } from '../testing/trueBones';
import { buildBody } from './body';
import { poseBody } from './pose';
import { placeBody } from './posed';
import { IDENTITY } from '../geometry/frame';
import { hasTrueBones, readSkeleton, standingBones } from './skeleton';

const bytes = boneBytes();

it('reads the bones of the left side and makes those of the right', () => {
  const { bones } = readSkeleton(bytes);
  const [mine, other] = ['radius_L', 'radius_R'].map((id) => bones.find((bone) => bone.id === id)!);
  expect(other.segment).toBe('radius_R');
  expect([...other.surfaces[0].home.slice(0, 3)]).toEqual([
    -mine.surfaces[0].home[0],
    mine.surfaces[0].home[1],
    mine.surfaces[0].home[2],
  ]);
});

it.each([
  ['nothing', new Uint8Array(), /no file of bones, or it is cut short/],
  ['half of it', bytes.slice(0, bytes.length / 2), /cut short within/],
  ['another file', new TextEncoder().encode('PNG and so on'), /no file of bones/],
  ['a later version', laterVersion(), /of version 1/],
])('refuses %s in words', (_, file, words) => {
  expect(() => readSkeleton(file)).toThrow(RangeError);
  expect(() => readSkeleton(file)).toThrow(words);
});

function laterVersion(): Uint8Array {
  const text = new TextDecoder().decode(bytes.subarray(4, 40)).replace('"version":1', '"version":9');
  const changed = bytes.slice();
  changed.set(new TextEncoder().encode(text), 4);
  return changed;
}

it('a limb that is gone has no bones, and a child keeps the pieces of the mannequin', () => {
  const skeleton = readSkeleton(bytes);
  const posedOf = (patient: Parameters<typeof buildBody>[0]) => {
    const body = buildBody(patient);
    return placeBody(body, poseBody(body, {}), IDENTITY);
  };
  const ids = standingBones(skeleton, posedOf({ amputated: ['left arm below the elbow'] })).map(({ id }) => id);
  expect(ids).not.toContain('capitate_L');
  expect(ids).toContain('capitate_R');
  expect(ids).toContain('radius_L');
  expect([17, 18].map((ageYears) => hasTrueBones(posedOf({ ageYears })))).toEqual([false, true]);
});

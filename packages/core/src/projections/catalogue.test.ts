import { mannequin } from '../body/mannequin';
import { RULES } from '../room/houseRules';
import { hasProjection, projectionOf, projections } from './catalogue';
import { findProjections } from './search';

const landmarks = new Set(mannequin.landmarks.map(({ id }) => id));
const structures = new Set(mannequin.primitives.map(({ id }) => id));
const segments = new Set(mannequin.segments.map(({ id }) => id));

describe.each(projections.map((entry) => [entry.id, entry] as const))('%s', (_id, entry) => {
  it('names only what the body has', () => {
    const places = [entry.aim, ...entry.cover];
    for (const place of places) {
      if ('structure' in place) expect(structures).toContain(place.structure);
      else for (const each of 'between' in place ? place.between : [place.landmark]) expect(landmarks).toContain(each);
    }
    for (const each of entry.aim.checkBy) expect(landmarks).toContain(each);
    for (const way of entry.positions) for (const each of way.contact) expect(segments).toContain(each);
    for (const prefix of entry.brightBones) expect([...structures].some((each) => each.startsWith(prefix))).toBe(true);
  });
  it('keeps its own numbers inside its own ranges', () => {
    const { exposure, sid, ray } = entry;
    expect(exposure.kVp).toBeGreaterThanOrEqual(exposure.kVpRange[0]);
    expect(exposure.kVp).toBeLessThanOrEqual(exposure.kVpRange[1]);
    expect(sid.wantedMm).toBeGreaterThanOrEqual(sid.rangeMm[0]);
    expect(sid.wantedMm).toBeLessThanOrEqual(sid.rangeMm[1]);
    expect(ray.angleDeg).toBeLessThanOrEqual(ray.rangeDeg[1]);
  });
  it('binds its schools to rules that exist', () => {
    for (const { rule, choice } of entry.variants) {
      expect(Object.keys(RULES)).toContain(rule);
      expect(Object.keys(RULES[rule as keyof typeof RULES].choices)).toContain(choice);
    }
  });
});

test('the slice has its projections, each once', () => {
  const ids = projections.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  for (const id of [
    'chest-pa',
    'chest-lateral',
    'thoracic-ap',
    'thoracic-lateral',
    'cervicothoracic-lateral',
    'hand-pa',
    'knee-ap',
    'knee-lateral',
    'leg-ap',
    'sacrum-ap-axial',
    'coccyx-ap-axial',
    'pelvis-ap',
    'sinuses-parietoacanthial',
  ])
    expect(ids).toContain(id);
  expect(hasProjection('chest-pa')).toBe(true);
  expect(() => projectionOf('no-such')).toThrow(/no projection "no-such"/);
});

describe('search', () => {
  it.each([
    ['chest pa', 'chest-pa'],
    ['CXR', 'chest-pa'],
    ['lateral chest', 'chest-lateral'],
    ['chset lateral', 'chest-lateral'],
    ['portable chest', 'chest-ap'],
    ['swimmers', 'cervicothoracic-lateral'],
    ["swimmer's view", 'cervicothoracic-lateral'],
    ['waters', 'sinuses-parietoacanthial'],
    ['sinus', 'sinuses-parietoacanthial'],
    ['tib fib', 'leg-ap'],
    ['tibia', 'leg-ap'],
    ['tailbone', 'coccyx-ap-axial'],
    ['sacral', 'sacrum-ap-axial'],
    ['thorasic spine ap', 'thoracic-ap'],
    ['tspine lateral', 'thoracic-lateral'],
    ['metacarpals', 'hand-pa'],
    ['hand', 'hand-pa'],
    ['knee lat', 'knee-lateral'],
    ['knee ap', 'knee-ap'],
    ['portable pelvis', 'pelvis-ap'],
    ['hips', 'pelvis-ap'],
  ])('“%s” finds %s first', (query, id) =>
    expect(findProjections(query).map(({ projection }) => projection.id)[0]).toBe(id),
  );

  it('nonsense finds nothing, empty finds all', () => {
    expect(findProjections('qqqqzzz')).toEqual([]);
    expect(findProjections('  ')).toHaveLength(projections.length);
    expect(findProjections('', { region: 'spine' }).every(({ projection }) => projection.region === 'spine')).toBe(
      true,
    );
    expect(findProjections('x'.repeat(10_000))).toEqual([]);
  });
});

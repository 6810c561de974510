/** Entries of the first version, as a department exported them then, against those of today. */
import { importCatalogue } from '../interchange/catalogueDocument';
import { projectionOf, projections } from './catalogue';
import { entryOfToday } from './migrations';
import { projectionSchema, type Projection } from './schema';
import written from './version1.fixture.json';

const original = ({ id }: { id: string }): Projection => projectionOf(id.slice('own-'.length));
const today = (entry: unknown): Projection => projectionSchema.parse(entryOfToday(entry));

describe('entries of version 1', () => {
  test('there are some of several regions', () => expect(written.entries.length).toBe(8));
  test.each(written.entries.map((entry) => [entry.id, entry] as const))(
    '%s is read as its original is today',
    (_, entry) => {
      const [own, is] = [today(entry), original(entry)];
      const facts = ({
        signs,
        opens,
        study,
        showsLevels,
        settles,
        waitsFor,
        breathing,
        demands,
        faults,
      }: Projection) => ({
        ...{ signs, opens, study, showsLevels, settles, waitsFor, breathing, demands },
        faults: faults.map(({ id, measuredBy }) => [id, measuredBy]),
      });
      expect(facts(own)).toEqual(facts(is));
      // Worded as it was; only told apart.
      const bring = ({ prepare, aids, aidsUnlessInjured }: Projection) => [...prepare, ...aids, ...aidsUnlessInjured];
      expect(bring(own).sort()).toEqual([...entry.prepare].sort());
      expect(own.protection.filter(({ lead }) => lead).length).toBe(is.protection.filter(({ lead }) => lead).length);
      expect(own.protection.filter(({ ifAsked }) => ifAsked).length).toBe(
        is.protection.filter(({ ifAsked }) => ifAsked).length,
      );
      // What has not changed its form is as it was written.
      const { cover, exposure, cautions } = entry;
      expect(own).toMatchObject({ cover, exposure, cautions });
      // The same clauses, those that set the head apart.
      const clauses = (ways: { say: string; head?: string }[]) =>
        ways.map(({ say, head }) => [...say.split(', '), ...(head?.split(', ') ?? [])].sort());
      expect(clauses(own.positions)).toEqual(clauses(entry.positions));
      const heads = ({ positions }: Projection) => positions.map(({ head }) => head !== undefined);
      expect(heads(own)).toEqual(heads(is));
    },
  );
  test('the whole file is taken; one of a later version is refused with what to do', () => {
    expect(importCatalogue(written)).toMatchObject({ ok: true });
    const later = importCatalogue({ ...written, version: 3 });
    expect(later).toMatchObject({ ok: false, faults: [{ entry: 'document', field: 'version' }] });
    expect(JSON.stringify(later)).toContain('this program reads 1 and 2');
  });
  test('a part that was held is supported, and nothing else of the position changes', () => {
    const entry = projections.find(({ positions }) => positions.some(({ supported }) => supported.length > 0))!;
    const earlier = {
      ...entry,
      positions: entry.positions.map(({ supported, ...rest }) => ({ ...rest, held: supported })),
    };
    expect(projectionSchema.safeParse(earlier).success).toBe(false);
    expect(today(earlier).positions).toEqual(projectionSchema.parse(entry).positions);
  });
  test('an entry of today is left as it is, whatever it is', () => {
    expect(projections.filter((entry) => JSON.stringify(entryOfToday(entry)) !== JSON.stringify(entry))).toEqual([]);
    for (const other of [null, 'x', 4, [], [{}]]) expect(entryOfToday(other)).toBe(other);
  });
  test('words of the department’s own are not lost, and what nobody knows of is asked of nobody', () => {
    const [entry] = written.entries;
    const changed = today({
      ...entry,
      part: 'of our own',
      breathing: { words: 'Puff up like a frog.', moment: 'then' },
    });
    expect(changed.breathing).toEqual({ phase: 'none' });
    expect(changed.note).toContain('“Puff up like a frog.”');
    expect(changed.signs).toEqual([]);
  });
  test('an entry that does not say what it asks is read by its words, to be safe', () => {
    const demanding = projections.filter(({ demands }) => demands.some((demand) => /weights|stress/.test(demand)));
    expect(demanding.length).toBeGreaterThan(4);
    for (const { demands, ...silent } of demanding)
      expect(today({ ...silent, id: 'own-silent' }).demands).toEqual(expect.arrayContaining(demands));
  });
});

/** What is written for whoever runs the server is true: every setting is listed, and nothing else; every command is there. */
import { readFileSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../../../..');
const read = (file: string): string => readFileSync(path.join(ROOT, file), 'utf8');

test('every setting that is read is in the table, and no other', () => {
  const code = read('apps/server/src/operate/settings.ts');
  const known = [...code.matchAll(/^ {2}([A-Z][A-Z0-9_]+):/gm)].map(([, name]) => name!);
  expect(known.length).toBeGreaterThan(15);
  const rows = read('docs/operations.md')
    .split('\n')
    .filter((line) => /^\| `[A-Z]/.test(line))
    .map((line) => line.split('|')[1]!);
  const listed = rows.flatMap((row) =>
    [...row.matchAll(/`([A-Z0-9_]+)`/g)].map(([, name]) => (name === '_HOST' ? 'TAKTIK_HL7_HOST' : name!)),
  );
  expect([...listed].sort()).toEqual([...known].sort());
});

test('every command that is told of is one of the package, and every file is there', () => {
  const { scripts } = JSON.parse(read('package.json')) as { scripts: Record<string, string> };
  const text = read('docs/operations.md');
  const commands = [...text.matchAll(/npm run ([\w:-]+)/g)].map(([, name]) => name!);
  expect(commands.length).toBeGreaterThan(4);
  for (const name of commands) expect(Object.keys(scripts)).toContain(name);
  for (const [, file] of text.matchAll(/\]\(([^)#]+)[^)]*\)/g))
    expect(read(path.join('docs', file!)).length).toBeGreaterThan(0);
});

test('every test that the list of safeguards names is there', () => {
  const files = [...read('docs/security.md').matchAll(/`((?:server|core|e2e)\/[\w./-]+)`/g)].map(([, file]) => file!);
  expect(files.length).toBeGreaterThan(10);
  for (const file of files) {
    const [top, ...rest] = file.split('/');
    const at = top === 'server' ? 'apps/server/src' : top === 'core' ? 'packages/core/src' : 'e2e';
    expect(read(path.join(at, ...rest)).length).toBeGreaterThan(0);
  }
});

/** What is served in place of the app while the database cannot be read: what was found, and the one command that helps. */
import { createServer, type Server } from 'node:http';
import { backupsIn, noteOf } from './backup';

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/** The same in words, for the log. @param found what is wrong with it */
export function damagedLines(found: string, database: string, backups: string): string[] {
  const [last] = backupsIn(backups);
  const note = last === undefined ? null : noteOf(last);
  return [
    found,
    `The database is ${database}; nothing was changed in it.`,
    ...(last === undefined
      ? [`There is no backup in ${backups}. Keep the file as it is, and ask whoever keeps your backups.`]
      : [
          `The last backup is ${last}${note ? `, of ${note.at}: ${note.orders} orders, ${note.exposures} exposures` : ''}.`,
          `Stop this server and put it back with: npm run restore -- ${last}`,
        ]),
  ];
}

const page = (lines: readonly string[]): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Taktik: the database cannot be read</title></head>
<body style="font:18px/1.5 sans-serif;max-width:40em;margin:2em auto;padding:0 1em">
<h1>The database cannot be read</h1>
${lines.map((line) => `<p>${escaped(line)}</p>`).join('\n')}
<p>What was done on devices since waits there, and goes in when this is mended.</p>
</body></html>`;

/** @returns the server, listening */
export function serveDamaged(lines: readonly string[], port: number, host: string): Server {
  const html = page(lines);
  return createServer((request, response) => {
    const api = (request.url ?? '').startsWith('/api');
    // The mark of our own server is left away: devices keep what they have.
    response.writeHead(503, {
      'Content-Type': api ? 'application/problem+json' : 'text/html; charset=utf-8',
      'Cache-Control': 'no-store',
    });
    response.end(
      api
        ? JSON.stringify({ type: 'about:blank', status: 503, title: 'Database damaged', detail: lines.join(' ') })
        : html,
    );
  }).listen(port, host);
}

/** The demo's data as a first start makes them: made once for a run, copied for every test. */
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** Workers are started with the environment of the run: there they find what was made. */
export const keepSeeded = (folder: string): void => {
  process.env.TAKTIK_E2E_SEEDED = folder;
};

/** @returns a folder with fresh demo data, of the caller's own */
export function freshFolder(): string {
  const seeded = process.env.TAKTIK_E2E_SEEDED;
  if (!seeded) throw new Error('the demo’s data were not made before the tests');
  const folder = mkdtempSync(path.join(tmpdir(), 'taktik-e2e-'));
  cpSync(seeded, folder, { recursive: true });
  return folder;
}

export const emptyFolder = (): string => mkdtempSync(path.join(tmpdir(), 'taktik-e2e-'));
export const discard = (folder: string): void => rmSync(folder, { recursive: true, force: true });

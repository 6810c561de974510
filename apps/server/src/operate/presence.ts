/** Which servers run on a folder: each leaves a file with its number there while it runs. */
import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { isFull } from '../db/database';

const folderOf = (dataFolder: string): string => path.join(dataFolder, 'running');

const lives = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // It is there, and another's.
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

/** Numbers of the processes that run on it; what a crash left behind does not count, and goes. */
export function serversOn(dataFolder: string): number[] {
  let names: string[];
  try {
    names = readdirSync(folderOf(dataFolder));
  } catch {
    return [];
  }
  return names.flatMap((name) => {
    const pid = Number(name);
    if (!Number.isInteger(pid) || pid <= 0) return [];
    if (lives(pid)) return [pid];
    rmSync(path.join(folderOf(dataFolder), name), { force: true });
    return [];
  });
}

/** @returns takes the file away again */
export function present(dataFolder: string, pid: number = process.pid): () => void {
  const file = path.join(folderOf(dataFolder), String(pid));
  try {
    mkdirSync(folderOf(dataFolder), { recursive: true });
    writeFileSync(file, '');
  } catch (error) {
    // A disk that takes no more must not keep the server from reading to whoever asks.
    if (!isFull(error)) throw error;
  }
  return () => rmSync(file, { force: true });
}

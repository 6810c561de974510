/** What several of the tables use: who may, documents of other standards, the version that was changed. */
import type { Request, Response } from 'express';
import { z } from 'zod';
import { Problem } from '../problem';

export const LEAD = ['lead'] as const;
/** A document of another standard, or a JSON Schema: its form is that standard’s. */
export const foreignDocument = z
  .record(z.string(), z.unknown())
  .meta({ description: 'A document of another standard' });

/** The version that was changed, as `If-Match: "7"`; undefined where the caller does not say. @throws Problem 400 */
export function expected(request: Request): number | undefined {
  const header = request.headers['if-match'];
  if (header === undefined || header === '*') return undefined;
  const version = Number(header.replace(/^(W\/)?"(\d+)"$/, '$2'));
  if (!Number.isInteger(version)) throw new Problem(400, 'No such version', 'If-Match must be a version, as "7".');
  return version;
}
/** The version that comes with what is read: sent back with a change of it. */
export const tagged = (response: Response, version: number) => void response.setHeader('ETag', `"${version}"`);

import type { Actor } from '@/core/people/may';
import { type Result, refuse } from '@/core/base/result';
import type { z } from 'zod';
import type { Database } from './db/database';
import type { Marker } from './jobs/marker';
import type { Converter } from './ports/converter';
import type { Files } from './ports/files';
import type { Mailer } from './ports/mailer-port';
import type { Recogniser } from './ports/recogniser';
import type { Web } from './ports/web';

/** What the outside gives to every use-case: the services, and the time. */
export interface Outside {
  db: Database;
  files: Files;
  web: Web;
  marker: Marker;
  mailer: Mailer;
  recogniser: Recogniser;
  converter: Converter;
  /** Milliseconds since 1970. */
  now: number;
}

/** A use-case's surroundings when somebody acts. */
export interface Context extends Outside {
  actor: Actor;
}

export const FORBIDDEN = refuse('forbidden');
export const NOT_FOUND = refuse('not-found');

/** Parses input; a refusal names the first place that is wrong. */
export function parse<T>(schema: z.ZodType<T>, input: unknown): Result<T> {
  const parsed = schema.safeParse(input);
  if (parsed.success) return { ok: true, value: parsed.data };
  const issue = parsed.error.issues[0];
  return refuse('bad-input', {
    at: (issue?.path ?? []).map((step) => (typeof step === 'symbol' ? step.toString() : step)),
    values: { problem: issue?.message ?? '' },
  });
}

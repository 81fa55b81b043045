import type { z } from 'zod';

/** An upward migration, named by what it did, from version `to - 1` to version `to`. */
export interface Migration {
  name: string;
  to: number;
  up: (old: Record<string, unknown>) => Record<string, unknown>;
}

/**
 * The stored form of something kept as JSON: its schema, its present version
 * and the migrations that bring older ones up when they are read.
 */
export interface StoredForm<T> {
  name: string;
  version: number;
  schema: z.ZodType<T>;
  migrations: readonly Migration[];
}

/** Reads a stored value, migrating it upward. Throws when it is newer than this program or not of the form. */
export function readStored<T>(form: StoredForm<T>, value: unknown): T {
  let current = value as Record<string, unknown> & { version?: unknown };
  const found = typeof current?.version === 'number' ? current.version : Number.NaN;
  if (!(found >= 1 && found <= form.version)) {
    throw new Error(`Expected ${form.name} of version 1 to ${form.version}, found version ${String(current?.version)}`);
  }
  for (const migration of form.migrations) {
    if (migration.to > found) current = { ...migration.up(current), version: migration.to };
  }
  return form.schema.parse(current);
}

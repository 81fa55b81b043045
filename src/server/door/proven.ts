/** Sessions that were found to be ones lately; on the global object, because the server and the framework each load this module. */
const KEY = Symbol.for('zonda.proven');
const holder = globalThis as { [KEY]?: Map<string, number> };
const proven = (holder[KEY] ??= new Map<string, number>());

const MOST = 20_000;
/** So long a session is taken for one without being looked up, in milliseconds. */
const LASTS = 10 * 60_000;

/** A session was looked up, and is one. */
export function prove(token: string, now: number): void {
  proven.delete(token);
  proven.set(token, now);
  if (proven.size > MOST) proven.delete(proven.keys().next().value ?? '');
}

export const isProven = (token: string, now: number): boolean => now - (proven.get(token) ?? -Infinity) < LASTS;

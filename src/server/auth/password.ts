import { hash, verify } from '@node-rs/argon2';
import { dictionary } from '@zxcvbn-ts/language-common';
import { ok, type Result, refuse } from '@/core/base/result';
import { LEAST_PASSWORD } from '@/core/people/password';
import { Gate } from '../door/gate';

/**
 * So many passwords are worked on at a time: it takes much of a processor by
 * intent, and those who write must not wait for it.
 */
const AT_ONCE = 2;
const WAITING = 500;
const working = new Gate(AT_ONCE, WAITING);

/** Argon2id with the library's defaults, which follow OWASP's password storage advice. */
export async function hashPassword(password: string): Promise<string> {
  const leave = await working.enter();
  if (!leave) throw new Error('Too many passwords at once');
  return hash(password).finally(leave);
}

/** Null when too many are being looked at already. */
export async function passwordFits(stored: string, password: string): Promise<boolean | null> {
  const leave = await working.enter();
  return leave && verify(stored, password).finally(leave);
}

/** A hash that no password fits, checked for unknown user names so that they take as long as known ones. */
let decoy: Promise<string> | undefined;
export function decoyHash(): Promise<string> {
  decoy ??= hash(crypto.randomUUID());
  return decoy;
}

/** The most signs of a password (NIST SP 800-63B-4, 3.1.1.2: never shortened, any signs). */
const MOST_LENGTH = 200;

let common: ReadonlySet<string> | undefined;

/** Whether somebody may take this password: long enough, not a common one, and not their own name said again. */
export function acceptablePassword(password: string, names: readonly string[]): Result<null> {
  if ([...password].length < LEAST_PASSWORD) return refuse('password-short', { values: { least: LEAST_PASSWORD } });
  if (password.length > MOST_LENGTH) return refuse('password-long', { values: { most: MOST_LENGTH } });
  common ??= new Set(dictionary['passwords-common'] as string[]);
  const plain = password.toLowerCase();
  // A common one with a year or a sign behind it is one of the first that are tried.
  const stem = plain.replace(/[^\p{L}]+$/u, '');
  const own = names.some((name) => name.length > 2 && stem === name.toLowerCase().replaceAll(/\s+/g, ''));
  return own || common.has(plain) || common.has(stem) || new Set(plain).size < 5 ? refuse('password-common') : ok();
}

import { hash, verify } from '@node-rs/argon2';

/** Argon2id with the library's defaults, which follow OWASP's password storage advice. */
export function hashPassword(password: string): Promise<string> {
  return hash(password);
}

export function passwordFits(stored: string, password: string): Promise<boolean> {
  return verify(stored, password);
}

/** A hash that no password fits, checked for unknown user names so that they take as long as known ones. */
let decoy: Promise<string> | undefined;
export function decoyHash(): Promise<string> {
  decoy ??= hash(crypto.randomUUID());
  return decoy;
}

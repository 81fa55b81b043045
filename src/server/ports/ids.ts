import { randomInt } from 'node:crypto';
import { v7 } from 'uuid';

/** A new id that sorts by time of making. */
export function newId(): string {
  return v7();
}

/** A seed that nobody can work out from anything else. */
export function newSeed(): number {
  return randomInt(2 ** 32);
}

import { v7 } from 'uuid';

/** A new id that sorts by time of making. */
export function newId(): string {
  return v7();
}

import { shuffled } from '../base/random';

/**
 * Deals people at random into as many groups as hold at most `size` each; no
 * group is larger than another by more than one. The same seed deals the same.
 *
 * @param size at least 1
 */
export function dealt(people: readonly string[], size: number, seed: number): string[][] {
  const count = Math.ceil(people.length / Math.max(1, Math.trunc(size)));
  const groups: string[][] = Array.from({ length: count }, () => []);
  shuffled(people, seed).forEach((one, i) => groups[i % count]?.push(one));
  return groups;
}

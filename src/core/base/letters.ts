/** A … Z, then AA, AB …, by the place from 0. */
export function letterAt(index: number): string {
  const last = String.fromCharCode(65 + (index % 26));
  return index < 26 ? last : letterAt(Math.floor(index / 26) - 1) + last;
}

/** a … z, then aa, ab …: how parts are called on a printed paper. */
export const smallLetterAt = (index: number): string => letterAt(index).toLowerCase();

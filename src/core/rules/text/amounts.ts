import { type Exact, stored } from '../../base/exact';
import { readNumber } from '../number/read';
import { DIMENSIONLESS, parseUnit, toBase, type Unit } from '../number/units';
import type { PhrasePlace, Word } from './words';

/** A number among the wanted words: "59 %", "5.2 MW", "1500". */
export interface Amount {
  value: Exact;
  /** Null when it stands without one. */
  unit: Unit | null;
}

/** The number that a phrase is; null when it is words. */
export function amountOf(phrase: string): Amount | null {
  const reading = /\d/.test(phrase) ? readNumber(phrase) : null;
  if (!reading) return null;
  const unit = reading.rest === '' ? null : parseUnit(reading.rest);
  return reading.rest === '' || unit ? { value: reading.value, unit } : null;
}

const baseOf = ({ value, unit }: Amount): string =>
  [stored(toBase(value, unit ?? DIMENSIONLESS)), (unit ?? DIMENSIONLESS).dimension.join(',')].join(' ');

/** Every place where a number of the same value stands, its unit converted where one is wanted. Without a wanted unit any will do. */
export function amountsIn(words: readonly Word[], wanted: Amount): PhrasePlace[] {
  const found: PhrasePlace[] = [];
  words.forEach((word, from) => {
    if (!/\d/.test(word.shown)) return;
    const next = words[from + 1]?.shown;
    for (const to of next === undefined ? [from + 1] : [from + 2, from + 1]) {
      const shown = words
        .slice(from, to)
        .map((one) => one.shown)
        .join(' ');
      const amount = amountOf(shown);
      if (!amount) continue;
      const same = wanted.unit ? baseOf(amount) === baseOf(wanted) : amount.value.equals(wanted.value);
      if (same) found.push({ from, to, shown, likeness: 'same' });
      return;
    }
  });
  return found;
}

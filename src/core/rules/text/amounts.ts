import { type Exact, exact } from '../../base/exact';
import type { StemLanguage } from '../../text/stems';
import { spelledNumber } from '../../text/languages';
import { readNumber } from '../number/read';
import { DIMENSIONLESS, parseUnit, toBase, type Unit } from '../number/units';
import type { Reading } from './reading';
import type { PhrasePlace } from './words';

/** A number among the wanted words: "59 %", "5.2 MW", "1500", "between 207 and 208 mm". */
export interface Amount {
  from: Exact;
  to: Exact;
  /** Null when it stands without one. */
  unit: Unit | null;
}

/** One number as it was written, with the other reading of "7,500". */
interface Written {
  values: Exact[];
  unit: Unit | null;
}

function writtenAmount(text: string): Written | null {
  const reading = /\d/.test(text) ? readNumber(text) : null;
  if (!reading) return null;
  const unit = reading.rest === '' ? null : parseUnit(reading.rest);
  if (reading.rest !== '' && !unit) return null;
  return { values: [reading.value, ...(reading.other ? [reading.other] : [])], unit };
}

const RANGE = /^between (.+?) and (.+)$/i;

/** The number, or the range of numbers, that a phrase is; null when it is words. */
export function amountOf(phrase: string): Amount | null {
  const [, low = '', high = ''] = RANGE.exec(phrase.trim()) ?? [];
  const [from, to] = low === '' ? [writtenAmount(phrase), writtenAmount(phrase)] : [low, high].map(writtenAmount);
  const [first, last] = [from?.values[0], to?.values[0]];
  return first && last ? { from: first, to: last, unit: to?.unit ?? null } : null;
}

/** How many words may belong to one unit. */
const UNIT_WORDS = 3;

/** Every place where a number of that value stands, spelt out or not, its unit converted where one is wanted. Without a wanted unit any will do. */
export function amountsIn({ text, tokens }: Reading, wanted: Amount, language: StemLanguage | 'none'): PhrasePlace[] {
  const found: PhrasePlace[] = [];
  tokens.forEach((token, index) => {
    const spelled = spelledNumber(token.bare, language);
    if (spelled !== null) {
      if (!wanted.unit && holds(wanted, { values: [exact(spelled)], unit: null }))
        found.push({ from: index, to: index + 1, shown: token.shown, likeness: 'same' });
      return;
    }
    if (!/^[-+]?\d/.test(token.shown)) return;
    for (let more = UNIT_WORDS; more >= 0; more--) {
      const last = tokens[index + more];
      if (!last || last.sentence !== token.sentence) continue;
      const shown = text.slice(token.from, more === 0 && text[last.to] === '%' ? last.to + 1 : last.to);
      const amount =
        writtenAmount(shown) ?? (/\s%$/.test(text.slice(0, last.to + 2)) ? writtenAmount(`${shown} %`) : null);
      if (!amount || !holds(wanted, amount)) continue;
      found.push({ from: index, to: index + more + 1, shown, likeness: 'same' });
      return;
    }
  });
  return found;
}

function holds(wanted: Amount, { values, unit }: Written): boolean {
  if (!wanted.unit) {
    // A share is met by its percents, whichever of the two was asked for.
    return values.some(
      (value) =>
        within(wanted, value) || (unit?.dimension.every((d) => d === 0) && within(wanted, toBase(value, unit))),
    );
  }
  const [as, given] = [wanted.unit, unit ?? DIMENSIONLESS];
  if (as.dimension.join() !== given.dimension.join()) return false;
  const [low, high] = [toBase(wanted.from, as), toBase(wanted.to, as)];
  return values.some((value) => within({ from: low, to: high }, toBase(value, given)));
}

const within = ({ from, to }: Pick<Amount, 'from' | 'to'>, value: Exact): boolean =>
  value.compare(from) >= 0 && value.compare(to) <= 0;

import { type Exact, stored } from '../../base/exact';
import type { Put } from '../../content/put';
import { readNumber } from './read';
import type { NumberRules } from './rules';
import { splitAnswer } from './split';
import { DIMENSIONLESS, parseUnit, sameDimension, toBase, type Unit } from './units';

/** A typed number with its unit, as far as both can be read. */
interface ReadAnswer {
  value: Exact;
  /** Null for a unit that is not known. */
  unit: Unit | null;
  /** Whether a unit was written. */
  written: boolean;
}

function read({ unit }: NumberRules, number: string, unitText: string): ReadAnswer | null {
  const reading = readNumber(splitAnswer(number).number);
  if (!reading) return null;
  const typed = unitText.trim() || reading.rest;
  if (typed !== '') return { value: reading.value, unit: parseUnit(typed), written: true };
  return { value: reading.value, unit: unit === '' ? DIMENSIONLESS : parseUnit(unit), written: false };
}

/** What a typed number comes to: its value in base units with what they measure; the words themselves when it cannot be read. */
export function gistOfNumber(rules: NumberRules, number: string, unitText: string): string {
  const answer = read(rules, number, unitText);
  if (!answer?.unit) return `${number} ${unitText}`.replace(/\s+/g, ' ').trim().toLowerCase();
  const { value, unit, written } = answer;
  return [stored(toBase(value, unit)), unit.dimension.join(','), ...(written ? [] : ['without unit'])].join(' ');
}

/** A typed number in the unit of the key, as plain typing; null when it cannot be read or measures something else. */
export function valueInKeyUnit(rules: NumberRules, number: string, unitText: string): string | null {
  const answer = read(rules, number, unitText);
  const key = rules.unit === '' ? DIMENSIONLESS : parseUnit(rules.unit);
  if (!answer?.unit || !key || !sameDimension(answer.unit, key)) return null;
  const value = toBase(answer.value, answer.unit).sub(key.offset).div(key.factor);
  const text = value.toString();
  return text.includes('(') ? value.toFraction() : text;
}

/** The rules with named values put into keys, bounds and feedback. */
export function putInNumber(rules: NumberRules, put: Put): NumberRules {
  return {
    ...rules,
    rules: rules.rules.map((rule) => ({
      ...rule,
      value: put(rule.value, 'formula'),
      accept:
        typeof rule.accept.amount === 'string' && rule.accept.amount !== ''
          ? ({ ...rule.accept, amount: put(rule.accept.amount, 'formula') } as typeof rule.accept)
          : rule.accept,
      feedback: put(rule.feedback, 'words'),
    })),
    otherwiseFeedback: put(rules.otherwiseFeedback, 'words'),
  };
}

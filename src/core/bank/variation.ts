import { z } from 'zod';
import { type Exact, exact, exactText, parseExact, round } from '../base/exact';
import { type Finding, stops, warns } from '../base/finding';
import { seeded } from '../base/random';
import { slotId } from '../content/document';
import type { Put } from '../content/put';
import { conditionHolds, formulaValue, namesInFormula } from '../rules/maths/formula-value';
import { onBudget } from '../rules/maths/work';
import { readNumber } from '../rules/number/read';

/** Letters, then letters, digits and low lines: v, P_1, rho. In a text it stands between angle brackets: <v>. */
export const VALUE_NAME = /^\p{L}[\p{L}\p{N}_]{0,19}$/u;

const source = z.discriminatedUnion('by', [
  /** from the least on in steps, up to the most */
  z.object({ by: z.literal('range'), least: exactText, most: exactText, step: exactText }),
  /** one of these, numbers or words */
  z.object({ by: z.literal('list'), items: z.array(z.string().trim().min(1).max(200)).max(200) }),
  /** worked out from values that stand before it */
  z.object({
    by: z.literal('formula'),
    formula: z.string().max(500),
    round: z.object({ to: z.enum(['places', 'figures']), n: z.number().int().min(0).max(12) }).nullable(),
  }),
  /** what is answered in a slot of the same question */
  z.object({ by: z.literal('answer'), slot: slotId }),
]);

const namedValue = z.object({ name: z.string().max(20), from: source });
export type NamedValue = z.infer<typeof namedValue>;

/** Values that differ from student to student, and values that follow from answers. */
export const variation = z.object({
  values: z.array(namedValue).max(30),
  /** Relations that have to hold; other draws are thrown away. */
  conditions: z.array(z.string().max(300)).max(10),
  /** Whether each attempt draws its own values, or everybody gets the same. */
  each: z.enum(['attempt', 'everybody']),
});
export type Variation = z.infer<typeof variation>;

/** Values as text, by name. */
export type Values = ReadonlyMap<string, string>;

/** So many draws are tried before it is said that nothing fits, on one budget of work. */
const MOST_DRAWS = 300;
/** Terms and factors that a worked-out value may have. */
const MOST_STEPS_EACH = 2_000;

/** Values for which a search found nothing; it is not begun again. */
const hopeless = new WeakSet<Variation>();

/** The steps of a range: how many values it has; 0 when it has none. */
function stepsOf({ least, most, step }: { least: string; most: string; step: string }): number {
  const [from, to, by] = [exact(least), exact(most), exact(step)];
  if (by.compare(0) <= 0 || to.compare(from) < 0) return 0;
  return Math.min(1_000_000_000, Number(to.sub(from).div(by).floor().valueOf()) + 1);
}

/** A number rounded to places or figures, as plain typing without powers of ten. */
export function roundedText(value: Exact, to: 'places' | 'figures', n: number): string {
  if (to === 'places') return round(value, n);
  if (value.equals(0)) return '0';
  const size = value.abs();
  let power = size.n.toString().length - size.d.toString().length;
  if (size.compare(exact(`1e${power}`)) < 0) power -= 1;
  const places = Math.max(1, n) - 1 - power;
  const text =
    places >= 0
      ? round(value, Math.min(places, 20))
      : round(exact(round(value.div(exact(`1e${-places}`)), 0)).mul(exact(`1e${-places}`)), 0);
  return text;
}

/** An exact value as plain typing: whole when it is short, else eight figures. */
function asText(value: Exact): string {
  const text = value.toString();
  return text.length <= 14 && !text.includes('(') ? text : roundedText(value, 'figures', 8);
}

/**
 * Draws the values of one variant. The same seed gives the same values on
 * every machine. Values by an answer come from `answerOf`; while there is none,
 * they and what follows from them are left out. Null when no draw fits the
 * conditions, or a formula has no value in any.
 */
export function drawValues(
  variation: Variation,
  seed: number,
  answerOf: (slot: string) => string | null = () => null,
): Values | null {
  if (hopeless.has(variation)) return null;
  const found = onBudget(() => search(variation, seeded(seed), answerOf));
  // With another answer another search may find something.
  if (!found && variation.values.every(({ from }) => from.by !== 'answer')) hopeless.add(variation);
  return found;
}

function search(
  { values, conditions }: Variation,
  next: () => number,
  answerOf: (slot: string) => string | null,
): Values | null {
  for (let i = 0; i < MOST_DRAWS; i++) {
    const drawn = drawOnce(values, next, answerOf);
    const holds = (condition: string): boolean =>
      condition.trim() === '' ||
      (drawn !== null && conditionHolds(condition, numbersOf(drawn), { steps: MOST_STEPS_EACH }) === true);
    if (drawn && conditions.every(holds)) return drawn;
  }
  return null;
}

function drawOnce(
  values: readonly NamedValue[],
  next: () => number,
  answerOf: (slot: string) => string | null,
): Map<string, string> | null {
  const drawn = new Map<string, string>();
  for (const { name, from } of values) {
    if (from.by === 'range') {
      const steps = stepsOf(from);
      if (steps === 0) return null;
      drawn.set(name, asText(exact(from.least).add(exact(from.step).mul(Math.floor(next() * steps)))));
    } else if (from.by === 'list') {
      const item = from.items[Math.floor(next() * from.items.length)];
      if (item === undefined) return null;
      drawn.set(name, item);
    } else if (from.by === 'answer') {
      const answer = answerOf(from.slot);
      if (answer !== null) drawn.set(name, answer);
    } else {
      const value = formulaValue(from.formula, numbersOf(drawn), { steps: MOST_STEPS_EACH });
      if (!value) {
        // What follows from an answer that is not there yet is left out.
        if (waitsForAnswer(values, from.formula, drawn)) continue;
        return null;
      }
      drawn.set(name, from.round ? roundedText(value, from.round.to, from.round.n) : asText(value));
    }
  }
  return drawn;
}

function waitsForAnswer(values: readonly NamedValue[], formula: string, drawn: ReadonlyMap<string, string>): boolean {
  const names = namesInFormula(
    formula,
    values.map(({ name }) => name),
  );
  return values.some(({ name }) => !drawn.has(name) && names?.has(name) === true);
}

function numbersOf(values: Values): Map<string, Exact> {
  const numbers = new Map<string, Exact>();
  for (const [name, text] of values) {
    const reading = readNumber(text);
    const value = reading?.rest === '' ? reading.value : (parseExact(text) ?? formulaValue(text, new Map()));
    if (value) numbers.set(name, value);
  }
  return numbers;
}

/** Puts values where <name> stands; a name that has none is left as it is. */
export function putting(values: Values): Put {
  return (text, as) => {
    if (!text.includes('<')) return text;
    return text.replace(/<(\p{L}[\p{L}\p{N}_]{0,19})>/gu, (written: string, name: string, at: number) => {
      const value = values.get(name);
      if (value === undefined) return written;
      const alone = at === 0 && written.length === text.length;
      return as === 'formula' && !alone && !/^[\d.]+$/.test(value) ? `(${value})` : value;
    });
  };
}

/** The names that follow from answers, directly or by a formula, with the slots that they follow from. */
export function fromAnswers({ values }: Variation): ReadonlyMap<string, ReadonlySet<string>> {
  const found = new Map<string, ReadonlySet<string>>();
  const all = values.map(({ name }) => name);
  for (const { name, from } of values) {
    if (from.by === 'answer') found.set(name, new Set([from.slot]));
    if (from.by !== 'formula') continue;
    const names = namesInFormula(from.formula, all) ?? new Set();
    const behind = [...names].flatMap((one) => [...(found.get(one) ?? [])]);
    if (behind.length > 0) found.set(name, new Set(behind));
  }
  return found;
}

/** What stops or weakens the values by themselves. */
export function variationReadiness(vary: Variation, slots: readonly string[]): Finding[] {
  const findings: Finding[] = [];
  const before: string[] = [];
  vary.values.forEach(({ name, from }, i) => {
    const at = ['values', i];
    if (!VALUE_NAME.test(name)) findings.push(stops('value-name', at, { name: name || '…' }));
    else if (before.includes(name)) findings.push(stops('value-name-twice', at, { name }));
    if (from.by === 'range' && stepsOf(from) === 0) findings.push(stops('value-range-empty', at, { name }));
    if (from.by === 'list' && from.items.length === 0) findings.push(stops('value-list-empty', at, { name }));
    if (from.by === 'answer' && !slots.includes(from.slot)) findings.push(stops('value-slot-gone', at, { name }));
    if (from.by === 'formula') {
      const names = namesInFormula(from.formula, [...before, ...vary.values.map((one) => one.name)]);
      const unknown = [...(names ?? [])].find((one) => !before.includes(one));
      if (!names || from.formula.trim() === '') findings.push(stops('value-formula-unreadable', at, { name }));
      else if (unknown !== undefined) findings.push(stops('value-unknown', at, { name, unknown }));
    }
    before.push(name);
  });
  vary.conditions.forEach((condition, i) => {
    if (condition.trim() === '') return;
    const names = namesInFormula(condition, before);
    const unknown = [...(names ?? [])].find((one) => !before.includes(one));
    if (!names) findings.push(stops('condition-unreadable', ['conditions', i], { condition }));
    else if (unknown !== undefined)
      findings.push(stops('value-unknown', ['conditions', i], { name: condition, unknown }));
  });
  if (findings.length === 0 && vary.values.every(({ from }) => from.by === 'formula'))
    findings.push(warns('values-do-not-vary', ['values']));
  return findings;
}

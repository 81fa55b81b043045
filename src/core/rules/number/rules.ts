import { z } from 'zod';
import { type Finding, stops, warns } from '../../base/finding';
import { type Exact, exact, parseExact, round, shareText, ZERO } from '../../base/exact';
import { marked, type Marking, type TraceStep, waits } from '../marking';
import { type NumberReading, readNumber } from './read';
import { splitAnswer } from './split';
import { timeSpan } from './time-span';
import { DIMENSIONLESS, parseUnit, sameDimension, toBase, type Unit } from './units';

/** So many characters a value, or a unit, has at most where it is typed as a key. */
export const LONGEST_KEY = 80;

/** How near is near enough. */
const tolerance = z.discriminatedUnion('by', [
  /** within ± amount, in the unit of the target */
  z.object({ by: z.literal('absolute'), amount: z.string().max(60) }),
  /** within ± amount percent of the target */
  z.object({ by: z.literal('relative'), amount: z.string().max(60) }),
  /** the same when both are rounded (half up) to so many decimal places */
  z.object({ by: z.literal('places'), amount: z.number().int().min(0).max(12) }),
  /** the same when both are rounded (half up) to so many significant figures */
  z.object({ by: z.literal('figures'), amount: z.number().int().min(1).max(12) }),
  /** from the target up to this amount, both included */
  z.object({ by: z.literal('range'), amount: z.string().max(60) }),
  /** the target or more; the target or less */
  z.object({ by: z.literal('atLeast'), amount: z.literal('') }),
  z.object({ by: z.literal('atMost'), amount: z.literal('') }),
]);
export type Tolerance = z.infer<typeof tolerance>;

const numberRule = z.object({
  value: z.string().max(LONGEST_KEY),
  accept: tolerance,
  /** The number alone decides, whatever unit stands behind it. */
  anyUnit: z.boolean().optional(),
  share: shareText,
  feedback: z.string().max(1000),
});
export type NumberRule = z.infer<typeof numberRule>;

export const numberRules = z.object({
  /** The unit of the values below; empty for a bare number. */
  unit: z.string().max(LONGEST_KEY),
  /** The first rule is the key. */
  rules: z.array(numberRule).min(1).max(20),
  /** Share of a rule's marks for the right number without its unit. */
  missingUnit: shareText,
  /** A percentage as a fraction and the other way round: right too, or only as the key has it. Left out: "59 %" is 0.59, 0.59 is not 59 %. */
  percent: z.enum(['either', 'asWritten']).optional(),
  /** The uncertainty to be stated, in the unit of the key, with a tolerance in percent of it; and the share without it. */
  uncertainty: z
    .object({ value: z.string().max(LONGEST_KEY), percent: z.string().max(20), missing: shareText })
    .optional(),
  otherwiseFeedback: z.string().max(1000),
});
export type NumberRules = z.infer<typeof numberRules>;

/** The rules that a typed key such as "5.19 MW" or "<P> MW" makes. A whole number without a unit is meant exactly; all else within 1 %. */
export function rulesFromKey(key: string): NumberRules {
  const named = /^(<\p{L}[\p{L}\p{N}_]*>)\s*(.*)$/u.exec(key.trim());
  const { number, uncertainty } = splitAnswer(key);
  const reading = named ? null : readNumber(number);
  const unit = named?.[2] ?? reading?.rest ?? '';
  const value =
    named?.[1] ??
    (reading
      ? number
          .trim()
          .slice(0, number.trim().length - unit.length)
          .trim()
      : key.trim());
  const whole = unit === '' && reading !== null && reading.value.d === 1n;
  return {
    unit,
    rules: [
      {
        value,
        accept: whole ? { by: 'absolute', amount: '0' } : { by: 'relative', amount: '1' },
        share: '1',
        feedback: '',
      },
    ],
    missingUnit: '1/2',
    ...(uncertainty === null || named ? {} : { uncertainty: { value: uncertainty, percent: '20', missing: '1/2' } }),
    otherwiseFeedback: '',
  };
}

/** The two readings of a key such as "5,000": 5 and 5000. Null when it has one; a point before three digits is taken for a decimal point. */
export function otherReading(value: string): { one: string; other: string } | null {
  const reading = readNumber(value);
  return reading?.other && reading.rest === '' && value.includes(',')
    ? { one: reading.value.toString(), other: reading.other.toString() }
    : null;
}

/** A rule's target and a student's number, both in base units, with the unit that places and figures count in. */
interface Comparison {
  target: Exact;
  answer: Exact;
  unit: Unit;
}

function near(accept: Tolerance, { target, answer, unit }: Comparison): boolean {
  const inUnit = (value: Exact): Exact => value.sub(unit.offset).div(unit.factor);
  const gap = inUnit(answer).sub(inUnit(target)).abs();
  switch (accept.by) {
    case 'absolute': {
      const amount = readNumber(accept.amount)?.value;
      return amount !== undefined && gap.compare(amount) <= 0;
    }
    case 'relative': {
      const amount = readNumber(accept.amount)?.value;
      return amount !== undefined && gap.mul(100).compare(inUnit(target).abs().mul(amount)) <= 0;
    }
    case 'range': {
      const upper = readNumber(accept.amount)?.value;
      return upper !== undefined && answer.compare(target) >= 0 && inUnit(answer).compare(upper) <= 0;
    }
    case 'atLeast':
      return answer.compare(target) >= 0;
    case 'atMost':
      return answer.compare(target) <= 0;
    case 'places':
      return round(inUnit(answer), accept.amount) === round(inUnit(target), accept.amount);
    case 'figures':
      return figures(inUnit(answer), accept.amount) === figures(inUnit(target), accept.amount);
  }
}

/** A value written with n significant figures, half up, in a form that can be compared. */
export function figures(value: Exact, n: number): string {
  if (value.equals(0)) return '0';
  const size = value.abs();
  let power = size.n.toString().length - size.d.toString().length;
  if (size.compare(exact(`1e${power}`)) < 0) power -= 1;
  const digits = round(value.div(exact(`1e${power}`)), n - 1);
  return /^-?10(\.|$)/.test(digits)
    ? `${digits.startsWith('-') ? '-' : ''}1${n > 1 ? `.${'0'.repeat(n - 1)}` : ''}e${power + 1}`
    : `${digits}e${power}`;
}

/**
 * Marks a typed number with its unit. A right number without its unit earns the
 * rule's share times `missingUnit`; another dimension earns nothing and says
 * so; a number that reads right only as thousands, or does not read at all, waits.
 */
export function markNumber(rules: NumberRules, typed: string, unitText: string): Marking {
  const { number, uncertainty } = splitAnswer(typed);
  const marking = markValue(rules, number, unitText);
  return rules.uncertainty && marking.state === 'marked' && marking.share.compare(0) > 0
    ? withUncertainty(marking, rules.uncertainty, inKeyUnit(rules, uncertainty, number, unitText))
    : marking;
}

/** An uncertainty as it was stated, in the unit of the key; null when none was, or it cannot be read. */
function inKeyUnit({ unit }: NumberRules, stated: string | null, number: string, unitText: string): Exact | null {
  const value = stated === null ? null : readNumber(stated)?.value;
  if (!value) return null;
  const written = readNumber(number)?.rest || unitText.trim();
  const [own, key] = [parseUnit(written), parseUnit(unit)];
  return own && key && sameDimension(own, key) ? value.mul(own.factor).div(key.factor) : value;
}

/** A right value with its uncertainty: as the key has it, or for a share of the marks. */
function withUncertainty(
  marking: Marking & { state: 'marked' },
  { value, percent, missing }: NonNullable<NumberRules['uncertainty']>,
  stated: Exact | null,
): Marking {
  const [wanted, off] = [readNumber(value)?.value, readNumber(percent)?.value];
  if (!wanted || !off) return marking;
  const right = stated && stated.sub(wanted).abs().mul(100).compare(wanted.abs().mul(off)) <= 0;
  if (right) return { ...marking, trace: [...marking.trace, { code: 'uncertainty-right', values: { value } }] };
  const step = { code: stated ? 'uncertainty-off' : 'uncertainty-missing', values: { value } };
  return { ...marking, share: marking.share.mul(exact(missing)), trace: [...marking.trace, step] };
}

function markValue(rules: NumberRules, number: string, unitText: string): Marking {
  const reading = readNumber(number);
  if (!reading) return waits([{ code: 'number-unreadable', evidence: [number.slice(0, 100)] }]);
  // What stands behind the number was meant, whatever is printed or chosen beside it.
  const typedUnit = reading.rest || unitText.trim();
  const keyUnit = rules.unit === '' ? DIMENSIONLESS : parseUnit(rules.unit);
  if (!keyUnit) return waits([{ code: 'key-unit-unknown', values: { unit: rules.unit } }]);

  let unit: Unit | null = keyUnit;
  let unitMissing = false;
  if (typedUnit === '') unitMissing = rules.unit !== '' && rules.unit !== '1';
  else {
    const span = reading.rest === '' ? null : timeSpan(number);
    if (span && sameDimension(span.unit, keyUnit))
      return decided(rules, {
        reading: { value: span.value, rest: '' },
        number,
        typedUnit,
        unit: span.unit,
        keyUnit,
        unitMissing,
      });
    const parsed = asTurning(parseUnit(typedUnit), typedUnit, keyUnit);
    if (!parsed) return waits([{ code: 'unit-unknown', values: { unit: typedUnit } }]);
    unit = sameDimension(parsed, keyUnit) ? parsed : null;
  }
  return decided(rules, { reading, number, typedUnit, unit, keyUnit, unitMissing });
}

/**
 * "1500 1/min" and "157 1/s" for a speed of turning: per minute turns are counted, per second radians (common practice,
 * no source). Any other unit as it is.
 */
function asTurning(unit: Unit | null, written: string, key: Unit): Unit | null {
  const perMinute = parseUnit('rpm');
  const perTime = parseUnit('1/s');
  const turning = perMinute !== null && sameDimension(key, perMinute);
  if (!unit || !turning || !perTime || !sameDimension(unit, perTime) || /Hz/i.test(written)) return unit;
  return /min/i.test(written) ? perMinute : { ...unit, dimension: perMinute.dimension };
}

/** A number as it was typed and read, and what stood behind it. */
interface Given {
  reading: NumberReading;
  number: string;
  typedUnit: string;
  /** Null when it measures something else than the key. */
  unit: Unit | null;
  keyUnit: Unit;
  unitMissing: boolean;
}

/** The first rule that a number with its unit fulfils decides. */
function decided(rules: NumberRules, { reading, number, typedUnit, unit, keyUnit, unitMissing }: Given): Marking {
  const decide = (value: Exact): { rule: NumberRule; index: number } | null => {
    for (const [index, rule] of rules.rules.entries()) {
      const target = readNumber(rule.value)?.value;
      const own = rule.anyUnit ? keyUnit : unit;
      if (!target || !own) continue;
      const comparison = { target: toBase(target, keyUnit), answer: toBase(value, own), unit: keyUnit };
      if (near(rule.accept, comparison)) return { rule, index };
    }
    return null;
  };

  const percents = keyUnit === DIMENSIONLESS || rules.unit === '%';
  if (rules.percent === 'asWritten' && percents && !unitMissing && (typedUnit === '%') !== (rules.unit === '%'))
    return marked(ZERO, [{ code: 'percent-as-written' }], rules.otherwiseFeedback);
  const plain = decide(reading.value);
  const asPercent = !plain && rules.percent === 'either' && rules.unit === '%' && typedUnit === '';
  const hit = plain ?? (asPercent ? decide(reading.value.mul(100)) : null);
  if (!hit && reading.other && decide(reading.other)) {
    return waits([{ code: 'number-ambiguous', evidence: [number], values: { other: reading.other.toString() } }]);
  }
  if (!hit && !unit) {
    const step: TraceStep = {
      code: 'unit-wrong-dimension',
      values: { unit: typedUnit, wanted: rules.unit || '1' },
    };
    return marked(ZERO, [step], rules.otherwiseFeedback);
  }
  if (!hit) return marked(ZERO, [{ code: 'number-not-near', evidence: [number] }], rules.otherwiseFeedback);
  const trace: TraceStep[] = [
    { code: 'rule', values: { number: hit.index + 1 } },
    {
      code: `number-within-${hit.rule.accept.by.toLowerCase()}`,
      values: { value: hit.rule.value, unit: rules.unit, amount: hit.rule.accept.amount },
    },
    ...(hit.rule.anyUnit ? [{ code: 'number-any-unit' }] : []),
  ];
  const share = exact(hit.rule.share);
  if (!unitMissing || hit.rule.anyUnit || asPercent) return marked(share, trace, hit.rule.feedback);
  return marked(
    share.mul(exact(rules.missingUnit)),
    [...trace, { code: 'unit-missing', values: { wanted: rules.unit } }],
    hit.rule.feedback,
  );
}

/** Slips that have ready-made rules: half the marks and a word on what went wrong. */
export const SLIPS = ['sign', 'thousand-times', 'thousandth', 'wrong-unit'] as const;
export type Slip = (typeof SLIPS)[number];

/** A second rule for a usual slip against the key, with the key's tolerance; null while there is no key. */
export function slipRule(slip: Slip, { rules }: NumberRules): NumberRule | null {
  const [key] = rules;
  const value = key && readNumber(key.value)?.value;
  if (!key || !value) return null;
  const { accept } = key;
  const as = (number: Exact): string =>
    parseExact(number.toString()) && !number.toString().includes('(') ? number.toString() : number.toFraction();
  const rule = (number: Exact, feedback: string, more: Partial<NumberRule> = {}): NumberRule => ({
    value: as(number),
    accept,
    share: '1/2',
    feedback,
    ...more,
  });
  if (slip === 'sign') return rule(value.neg(), 'The amount is right; look at the sign.');
  if (slip === 'thousand-times') return rule(value.mul(1000), 'A thousand times too large.');
  if (slip === 'thousandth') return rule(value.div(1000), 'A thousand times too small.');
  return rule(value, 'The number is right, its unit is not.', { anyUnit: true });
}

/** What stops or weakens these rules. */
export function numberRulesReadiness(rules: NumberRules): Finding[] {
  const findings: Finding[] = [];
  if (rules.unit !== '' && !parseUnit(rules.unit)) findings.push(stops('unit-unknown', ['unit'], { unit: rules.unit }));
  if (rules.uncertainty && !readNumber(rules.uncertainty.value))
    findings.push(stops('uncertainty-not-a-number', ['uncertainty'], { value: rules.uncertainty.value }));
  rules.rules.forEach((rule, i) => {
    if (rule.value.trim() === '') findings.push(stops('no-key', ['rules', i]));
    else {
      const reading = readNumber(rule.value);
      const two = otherReading(rule.value);
      if (two) findings.push(stops('key-two-readings', ['rules', i], { value: rule.value, ...two }));
      if (!reading || reading.rest !== '')
        findings.push(stops('key-not-a-number', ['rules', i], { value: rule.value }));
    }
    if (rule.accept.by === 'range') {
      const [from, to] = [readNumber(rule.value)?.value, readNumber(rule.accept.amount)?.value];
      if (!to) findings.push(stops('tolerance-not-a-number', ['rules', i], { amount: rule.accept.amount }));
      else if (from && from.compare(to) > 0)
        findings.push(stops('range-turned-round', ['rules', i], { from: rule.value, to: rule.accept.amount }));
    }
    if (rule.accept.by === 'absolute' || rule.accept.by === 'relative') {
      const amount = readNumber(rule.accept.amount);
      if (!amount || amount.rest !== '' || amount.value.compare(0) < 0) {
        findings.push(stops('tolerance-not-a-number', ['rules', i], { amount: rule.accept.amount }));
      } else if (rule.accept.by === 'relative' && amount.value.compare(50) > 0) {
        findings.push(warns('tolerance-wide', ['rules', i], { amount: rule.accept.amount }));
      }
    }
  });
  return findings;
}

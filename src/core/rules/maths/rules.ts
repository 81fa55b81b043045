import { z } from 'zod';
import { exact, shareText, ZERO } from '../../base/exact';
import { type Finding, stops, warns } from '../../base/finding';
import type { Put } from '../../content/put';
import { marked, type Marking, type TraceStep, waits } from '../marking';
import { type Comparison, compareMaths, type Mode } from './compare';
import type { Form } from './forms';
import { parseMaths } from './parse';
import { namesOf, some, type Tree } from './tree';
import { MOST_WORK, onBudget } from './work';

/** How answers are compared with the key. A form is asked for beside the value. */
export const MATHS_MODES = ['equivalent', 'equation', 'set', 'list', 'tuple', 'interval', 'antiderivative'] as const;
export const MATHS_FORMS = [
  'factored',
  'expanded',
  'lowestTerms',
  'singleFraction',
  'noNegativeExponents',
  'rationalDenominator',
  'simplifiedRadical',
  'scientific',
  'completedSquare',
] as const;

/** The longest formula that a student or a teacher can type, in characters. */
export const LONGEST_FORMULA = 2000;
const formula = z.string().trim().max(LONGEST_FORMULA);

const form = z.union([
  z.enum(MATHS_FORMS),
  z.object({ decimalPlaces: z.number().int().min(0).max(12) }),
  z.object({ significantFigures: z.number().int().min(1).max(12) }),
  z.object({ forbidFunctions: z.array(z.string().max(20)).min(1).max(20) }),
  z.object({ useFunctions: z.array(z.string().max(20)).min(1).max(20) }),
]);

const mathsRule = z.object({
  key: formula,
  form: form.nullable(),
  share: shareText,
  feedback: z.string().max(1000),
});
export type MathsRule = z.infer<typeof mathsRule>;

export const mathsRules = z.object({
  mode: z.enum(MATHS_MODES),
  /** Every name is a positive quantity, as in formulas of physics. */
  allPositive: z.boolean(),
  /** Names that are longer than a letter, or that would else be constants. */
  variables: z.array(z.string().trim().min(1).max(30)).max(20),
  decimalComma: z.boolean(),
  logBase: z.enum(['10', 'e']),
  /** 1/2x is 1/(2x), not x/2. */
  tightDenominators: z.boolean().optional(),
  /** Equations: solved for another variable is right too. */
  rearranged: z.boolean(),
  /** Antiderivatives: by which variable, and whether a constant has to be added. */
  variable: z.string().trim().max(30),
  requireConstant: z.boolean(),
  rules: z.array(mathsRule).max(20),
  /** What happens to an answer that no rule accepts. What cannot be read or decided waits in any case. */
  otherwise: z.enum(['waits', 'zero']),
  otherwiseFeedback: z.string().max(1000),
});
export type MathsRules = z.infer<typeof mathsRules>;

/** The mode that a typed key suggests: a relation, a set, an interval, a point, or just its value. */
function modeFor(typed: string): MathsRules['mode'] {
  // The name of a value in angle brackets stands for a number.
  const key = typed.replace(/<\p{L}[\p{L}\p{N}_]*>/gu, '(7)');
  const parsed = parseMaths(key, { commaSeparates: true });
  if (!parsed.ok) return 'equivalent';
  const { tree } = parsed;
  if (tree.type === 'relation' || tree.type === 'logic') return 'equation';
  if (tree.type === 'setOperation' || tree.type === 'reals') return 'interval';
  if (tree.type === 'matrix') return 'tuple';
  if (tree.type !== 'collection') return 'equivalent';
  if (tree.open === '{') return 'set';
  if (tree.open === '') return 'list';
  return tree.open === '(' && tree.close === ')' && !some(tree, isInfinity) ? 'tuple' : 'interval';
}

const isInfinity = (tree: Tree): boolean => tree.type === 'constant' && tree.name === 'infinity';

/** How a department reads what can be read in two ways; each slot may be set otherwise. */
export const conventions = mathsRules.pick({ decimalComma: true, logBase: true, tightDenominators: true });
export type Conventions = z.infer<typeof conventions>;
export const CONVENTIONS: Conventions = { decimalComma: false, logBase: '10' };

/** The rules that a typed key makes: whatever is equivalent to it, full marks. */
export function rulesFromKey(
  key: string,
  { decimalComma, logBase, tightDenominators }: Conventions = CONVENTIONS,
): MathsRules {
  return {
    mode: modeFor(key),
    allPositive: false,
    variables: [],
    decimalComma,
    logBase,
    ...(tightDenominators ? { tightDenominators } : {}),
    rearranged: false,
    variable: 'x',
    requireConstant: false,
    rules: [{ key: key.trim(), form: null, share: '1', feedback: '' }],
    otherwise: 'zero',
    otherwiseFeedback: '',
  };
}

function comparisonFor(rules: MathsRules, asked: Form | null): Comparison {
  const { allPositive, variables, decimalComma, logBase, rearranged, variable, requireConstant, tightDenominators } =
    rules;
  const mode: Mode = asked && rules.mode === 'equivalent' ? 'form' : rules.mode;
  return {
    mode,
    allPositive,
    variables,
    decimalComma,
    logBase,
    rearranged,
    variable,
    requireConstant,
    ...(tightDenominators ? { tightDenominators } : {}),
    ...(asked ? { form: asked } : {}),
  };
}

/**
 * Marks a typed formula: the first rule whose key it equals gives its share.
 * It waits when it cannot be read, or when a rule that comes first can be held
 * neither to match nor not to.
 */
export function markMaths(rules: MathsRules, typed: string): Marking {
  return onBudget(() => markTyped(rules, typed), 2 * MOST_WORK);
}

function markTyped(rules: MathsRules, typed: string): Marking {
  const answer = typed.trim();
  const nearly: TraceStep[] = [];
  for (const [index, rule] of rules.rules.entries()) {
    if (rule.key === '') continue;
    const { verdict, reason } = compareMaths(rule.key, answer, comparisonFor(rules, rule.form));
    const at: TraceStep = { code: 'rule', values: { number: index + 1 } };
    if (verdict === 'right')
      return marked(exact(rule.share), [at, { code: 'maths-equal', values: { key: rule.key } }], rule.feedback);
    if (verdict === 'undecided')
      return waits([
        at,
        { code: reason === 'two-readings' ? 'maths-two-readings' : 'maths-undecided', evidence: [answer] },
      ]);
    if (reason === 'cannot-be-read') return waits([{ code: 'maths-unreadable', evidence: [answer] }]);
    if (reason === 'not-this-mode') return waits([{ code: 'maths-other-shape', evidence: [answer] }]);
    if (reason === 'other-form') nearly.push(at, { code: 'maths-other-form' });
  }
  const trace: TraceStep[] = [...nearly, { code: 'no-rule-matched' }];
  return rules.otherwise === 'zero' && rules.rules.some((rule) => rule.key !== '')
    ? marked(ZERO, trace, rules.otherwiseFeedback)
    : waits(trace);
}

/** Whether two typed formulas are the same by these rules, whatever form is asked for. */
export function sameFormula(rules: MathsRules, a: string, b: string): boolean {
  return compareMaths(a, b, comparisonFor(rules, null)).verdict === 'right';
}

/** The rules with named values put into keys and feedback. */
export function putInMaths(rules: MathsRules, put: Put): MathsRules {
  return {
    ...rules,
    rules: rules.rules.map((rule) => ({
      ...rule,
      key: put(rule.key, 'formula'),
      feedback: put(rule.feedback, 'words'),
    })),
    otherwiseFeedback: put(rules.otherwiseFeedback, 'words'),
  };
}

/** What stops or weakens these rules. */
export function mathsRulesReadiness(rules: MathsRules): Finding[] {
  const findings: Finding[] = [];
  if ((rules.rules[0]?.key ?? '') === '') return [stops('no-key', [])];
  rules.rules.forEach((rule, index) => {
    if (rule.key === '') return;
    findings.push(...keyReadiness(rules, rule, index));
  });
  rules.rules.forEach((rule, index) => {
    const earlier = rules.rules.findIndex(
      (other, n) =>
        n < index &&
        other.form === null &&
        rule.key !== '' &&
        other.key !== '' &&
        compareMaths(other.key, rule.key, comparisonFor(rules, null)).verdict === 'right',
    );
    if (earlier >= 0)
      findings.push(warns('maths-rule-never-reached', ['rules', index], { number: index + 1, before: earlier + 1 }));
  });
  return findings;
}

function keyReadiness(rules: MathsRules, { key, form: asked }: MathsRule, index: number): Finding[] {
  const at = ['rules', index];
  const { variables, logBase, tightDenominators = false } = rules;
  const parsed = parseMaths(key, { variables, logBase, tightDenominators });
  if (!parsed.ok) return [stops('maths-key-unreadable', at, { key, why: parsed.why })];
  const findings: Finding[] = [];
  if (parsed.doubts.includes('tight-denominator')) findings.push(warns('maths-key-two-readings', at, { key }));
  const own = compareMaths(key, key, comparisonFor(rules, null));
  if (own.verdict === 'undecided') findings.push(warns('maths-key-undecidable', at, { key }));
  else if (own.verdict !== 'right') findings.push(stops('maths-key-nowhere', at, { key }));
  else if (own.thin) findings.push(warns('maths-key-thin', at, { key }));
  else if (asked && compareMaths(key, key, comparisonFor(rules, asked)).verdict !== 'right')
    findings.push(warns('maths-key-other-form', at, { key }));
  if (!rules.allPositive && rules.mode === 'equivalent' && some(parsed.tree, isEvenRoot))
    findings.push(warns('maths-key-signs', at, { key }));
  return findings;
}

/** A square root over a product or a quotient of names, which people split as if all were positive. */
function isEvenRoot(tree: Tree): boolean {
  if (tree.type !== 'call' || tree.name !== 'root') return false;
  const [of] = tree.args;
  return (
    of !== undefined &&
    namesOf(of).size > 1 &&
    some(of, (part) => part.type === 'multiply' || part.type === 'divide') &&
    !some(of, (part) => part.type === 'add' || part.type === 'subtract')
  );
}

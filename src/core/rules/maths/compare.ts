import { sameAntiderivative } from './antiderivative';
import { bothSigns, listElements, sameMatrix, sameSet, sameTuple, setElements, tupleElements } from './collections';
import { type Conditions, type Equality, equalTrees } from './equal';
import { comparedOf, sameRelation } from './equations';
import { Unworked } from './arithmetic';
import { exact } from '../../base/exact';
import { type Form, hasForm } from './forms';
import { inBaseUnits, magnitude, readQuantity, type Tolerance, valueOf, within } from './numeric';
import { parseMaths } from './parse';
import type { Assumption } from './points';
import { sameSolutions } from './solutions';
import { sameDomain } from './strict-domain';
import { bare, namesOf, type Tree } from './tree';
import type { Reading } from './words';
import { onBudget } from './work';

export type Mode =
  | 'equivalent'
  | 'equation'
  | 'set'
  | 'list'
  | 'tuple'
  | 'interval'
  | 'antiderivative'
  | 'numeric'
  | 'form';

/** How an answer is compared with a key. The key has a decimal point always. */
export interface Comparison {
  mode: Mode;
  assume?: Readonly<Record<string, Assumption>>;
  /** Every name stands for a positive quantity. */
  allPositive?: boolean;
  /** Names longer than a letter, or that would else be constants. */
  variables?: readonly string[];
  decimalComma?: boolean;
  logBase?: '10' | 'e';
  /** What follows an inline slash without a sign between stands below the line: 1/2x is 1/(2x). */
  tightDenominators?: boolean;
  strictDomain?: boolean;
  /** Equations: solving for another variable is right too. */
  rearranged?: boolean;
  /** Tuples: names of the coordinates, for "x = 2, y = 5". */
  coordinates?: readonly string[];
  /** Antiderivatives: the variable, and whether a constant has to be added. */
  variable?: string;
  requireConstant?: boolean;
  form?: Form;
  tolerance?: Tolerance;
  /** A unit is required; another one of the same dimension is converted, unless strict. */
  units?: boolean;
  unitStrict?: boolean;
}

/** Why an answer is not plainly right. */
export type Reason =
  | 'cannot-be-read'
  | 'key-cannot-be-read'
  | 'not-this-mode'
  | 'other-value'
  | 'other-form'
  | 'unit-missing'
  | 'other-unit'
  | 'two-readings'
  | 'cannot-be-decided';

/** `undecided`: a person has to look. `thin`: there were few places where both could be compared. */
export interface Verdict {
  verdict: 'right' | 'wrong' | 'unreadable' | 'undecided';
  reason?: Reason;
  thin?: boolean;
}

const UNDECIDED: Verdict = { verdict: 'undecided', reason: 'cannot-be-decided' };
const RIGHT: Verdict = { verdict: 'right' };
const wrong = (reason: Reason = 'other-value'): Verdict => ({ verdict: 'wrong', reason });
const unreadable = (reason: Reason = 'cannot-be-read'): Verdict => ({ verdict: 'unreadable', reason });

/**
 * Compares an answer with a key. Never throws. Where only the other usual
 * reading of an answer would be right (what follows an inline slash, a lone
 * group of three digits) it is undecided, not guessed.
 */
export function compareMaths(key: string, answer: string, comparison: Comparison): Verdict {
  try {
    return onBudget(() => compareTyped(key, answer, comparison));
  } catch (error) {
    if (error instanceof Unworked) return UNDECIDED;
    throw error;
  }
}

function compareTyped(key: string, answer: string, comparison: Comparison): Verdict {
  const plain: Reading = {
    ...(comparison.variables ? { variables: comparison.variables } : {}),
    ...(comparison.logBase ? { logBase: comparison.logBase } : {}),
    ...(comparison.tightDenominators ? { tightDenominators: true } : {}),
    commaSeparates: ['set', 'list', 'tuple', 'interval'].includes(comparison.mode),
  };
  if (comparison.mode === 'numeric') return compareQuantities(key, answer, comparison);
  const right = parseMaths(key, plain);
  if (!right.ok) return unreadable('key-cannot-be-read');
  const reading: Reading = {
    ...plain,
    known: namesOf(right.tree),
    ...(comparison.decimalComma ? { decimalComma: true } : {}),
  };
  const { text, apart } = separated(answer, comparison);
  const given = parseMaths(text, apart ? { ...reading, commaSeparates: false } : reading);
  if (!given.ok) return unreadable();
  const verdict = compareTrees(right.tree, given.tree, comparison);
  if (given.doubts.length === 0 || verdict.verdict === 'undecided') return verdict;
  if (given.doubts.includes('lone-group')) return { verdict: 'undecided', reason: 'two-readings' };
  if (verdict.verdict === 'right') return verdict;
  const other = parseMaths(answer, { ...reading, tightDenominators: !reading.tightDenominators });
  const otherwise = other.ok ? compareTrees(right.tree, other.tree, comparison) : verdict;
  return otherwise.verdict === 'right' ? { verdict: 'undecided', reason: 'two-readings' } : verdict;
}

/**
 * Where the comma is decimal and a semicolon or a bar separates, every comma is decimal; only where neither stands does
 * the comma separate.
 */
function separated(answer: string, { decimalComma = false }: Comparison): { text: string; apart: boolean } {
  if (!decimalComma) return { text: answer, apart: false };
  const text = answer.replace(/(?<=[\d}])\s*\|\s*(?=[-+−]?\s*\d)/g, '; ');
  return { text, apart: text.includes(';') };
}

/** As `compareMaths`, of what was read already. */
export function compareTrees(key: Tree, answer: Tree, comparison: Comparison): Verdict {
  try {
    return onBudget(() => byMode(key, answer, comparison));
  } catch (error) {
    if (error instanceof Unworked || error instanceof RangeError) return UNDECIDED;
    throw error;
  }
}

function conditionsOf(key: Tree, answer: Tree, { assume = {}, allPositive, strictDomain }: Comparison): Conditions {
  const positive = allPositive ? [...namesOf(key), ...namesOf(answer)].map((name) => [name, 'positive'] as const) : [];
  return { assume: { ...Object.fromEntries(positive), ...assume }, ...(strictDomain ? { strictDomain } : {}) };
}

function byMode(key: Tree, answer: Tree, comparison: Comparison): Verdict {
  const conditions = conditionsOf(key, answer, comparison);
  switch (comparison.mode) {
    case 'equation':
      return compareRelations(key, answer, comparison, conditions);
    case 'set': {
      const [of, by] = [setElements(key), setElements(answer)];
      if (!of || !by) return unreadable('not-this-mode');
      if (by.some((element) => element.type === 'collection') && !of.some((element) => element.type === 'collection'))
        return wrong();
      return verdictOf(sameSet(of, by, conditions));
    }
    case 'list':
      return verdictOf(sameTuple(listElements(key), listElements(answer), conditions));
    case 'tuple': {
      const [a, b] = [bare(key), bare(answer)];
      const shaped = (tree: Tree): boolean =>
        tree.type === 'matrix' && tree.rows.length > 1 && (tree.rows[0]?.length ?? 0) > 1;
      if (a.type === 'matrix' && b.type === 'matrix' && (shaped(a) || shaped(b)))
        return verdictOf(sameMatrix(a.rows, b.rows, conditions));
      if (shaped(a) !== shaped(b)) return wrong();
      const [of, by] = [tupleElements(a, comparison.coordinates), tupleElements(b, comparison.coordinates)];
      if (!of || !by) return unreadable('not-this-mode');
      return verdictOf(sameTuple(of, by, conditions));
    }
    case 'interval': {
      const same = sameSolutions(key, answer);
      return same === 'unreadable' ? unreadable('not-this-mode') : same ? RIGHT : wrong();
    }
    case 'antiderivative': {
      const { variable = 'x', requireConstant = false } = comparison;
      const given = valueSide(answer, key);
      return given
        ? verdictOf(sameAntiderivative(key, given, { ...conditions, variable, requireConstant }))
        : unreadable('not-this-mode');
    }
    default:
      return compareValues(key, answer, comparison, conditions);
  }
}

function verdictOf(equality: Equality): Verdict {
  if (equality === 'undecided') return { verdict: 'undecided', reason: 'cannot-be-decided' };
  return equality.equal ? { ...RIGHT, ...(equality.thin ? { thin: true } : {}) } : wrong();
}

const VALUES = new Set<Tree['type']>([
  'relation',
  'logic',
  'collection',
  'matrix',
  'setOperation',
  'reals',
  'plusMinus',
]);

/** The side that is the value: the name asked for may stand before it. Null when it is no value. */
function valueSide(answer: Tree, key: Tree): Tree | null {
  const tree = bare(answer);
  if (tree.type === 'relation' && tree.signs.length === 1 && tree.signs[0] === '=') {
    const [name, value] = tree.parts;
    const asked = name?.type === 'name' && value && !namesOf(value).has(name.name) && !namesOf(key).has(name.name);
    return asked ? valueSide(value, key) : null;
  }
  return VALUES.has(tree.type) || bothSigns(tree).length > 1 ? null : tree;
}

function compareValues(key: Tree, answer: Tree, comparison: Comparison, conditions: Conditions): Verdict {
  const { form } = comparison;
  const [of, by] = [valueSide(key, key), valueSide(answer, key)];
  if (!of) return compareShapes(key, answer, comparison);
  if (!by) return unreadable('not-this-mode');
  const rounded = form && roundedTo(form, of, by);
  const equality = rounded === undefined ? equalTrees(of, by, conditions) : { equal: rounded, thin: false };
  if (equality === 'undecided' || !equality.equal) return verdictOf(equality);
  if (conditions.strictDomain && !sameDomain(of, by)) return wrong();
  if (form && !hasForm(by, form)) return wrong('other-form');
  return verdictOf(equality);
}

/** A key that is no single value in the plain mode: compared as what it is. */
function compareShapes(key: Tree, answer: Tree, comparison: Comparison): Verdict {
  const tree = bare(key);
  const mode: Mode | null =
    tree.type === 'relation'
      ? 'equation'
      : tree.type === 'matrix'
        ? 'tuple'
        : tree.type === 'collection'
          ? tree.open === '{'
            ? 'set'
            : tree.open === ''
              ? 'list'
              : 'tuple'
          : tree.type === 'setOperation' || tree.type === 'reals'
            ? 'interval'
            : null;
  return mode ? byMode(key, answer, { ...comparison, mode }) : unreadable('key-cannot-be-read');
}

/** Whether the answer is the key rounded as the form asks; undefined where the form does not round. */
function roundedTo(form: Form, key: Tree, answer: Tree): boolean | undefined {
  if (typeof form !== 'object' || !('decimalPlaces' in form || 'significantFigures' in form)) return undefined;
  const [of, by] = [valueOf(key), valueOf(answer)];
  if (!of || !by) return false;
  if ('decimalPlaces' in form)
    return within(by, of, { abs: `${exact(`1e${-form.decimalPlaces}`).div(2).toFraction()}` });
  return of.equals(0)
    ? by.equals(0)
    : by
        .sub(of)
        .abs()
        .compare(exact(`1e${magnitude(of) - form.significantFigures + 1}`).div(2)) <= 0;
}

function compareRelations(key: Tree, answer: Tree, comparison: Comparison, conditions: Conditions): Verdict {
  const [of, by] = [comparedOf(key), comparedOf(product(answer))];
  const names = new Set([...namesOf(key), ...namesOf(answer)]);
  const relations = (tree: Tree): boolean => ['relation', 'logic', 'setOperation'].includes(bare(tree).type);
  if (!relations(answer)) {
    // "±2" alone where one unknown is asked for: its two values.
    const values = bothSigns(answer);
    const [name, ...others] = namesOf(key);
    if (values.length < 2 || name === undefined || others.length > 0) return unreadable('not-this-mode');
    const parts = values.map(
      (value): Tree => ({ type: 'relation', parts: [{ type: 'name', name }, value], signs: ['='] }),
    );
    return compareRelations(key, { type: 'logic', how: 'or', parts }, comparison, conditions);
  }
  if (of?.sign === '=' || (of && names.size > 1)) {
    if (!by) return wrong();
    if (comparison.form && !relationHasForm(answer, comparison.form)) return wrong('other-form');
    return verdictOf(sameRelation(of, by, { ...conditions, ...(comparison.rearranged ? { rearranged: true } : {}) }));
  }
  const same = sameSolutions(key, answer);
  return same === 'unreadable' ? unreadable('not-this-mode') : same ? RIGHT : wrong();
}

/** Whether an equation has the form: the side that a lone name stands for, else one of its sides. */
function relationHasForm(answer: Tree, form: Form): boolean {
  const tree = bare(answer);
  if (tree.type !== 'relation') return true;
  const lone = tree.parts.filter((part) => bare(part).type === 'name');
  const sides = lone.length === 1 ? tree.parts.filter((part) => !lone.includes(part)) : tree.parts;
  return sides.some((side) => hasForm(side, form));
}

/** "x = 2 or x = 3" as one equation: the product of the differences. */
function product(tree: Tree): Tree {
  const signs = bothSigns(tree);
  const parts = tree.type === 'logic' && tree.how === 'or' ? tree.parts : signs.length > 1 ? signs : null;
  const compared = parts?.map(comparedOf);
  if (!compared?.every((c) => c?.sign === '=')) return tree;
  const zero: Tree = { type: 'number', value: exact(0), text: '0' };
  const factors = compared.flatMap((c) => (c ? [c.difference] : []));
  const left = factors.reduce((a, b): Tree => ({ type: 'multiply', left: a, right: b, beside: false }));
  return { type: 'relation', parts: [left, zero], signs: ['='] };
}

function compareQuantities(
  key: string,
  answer: string,
  { tolerance = { abs: '0' }, units = false, unitStrict = false, decimalComma = false }: Comparison,
): Verdict {
  const of = readQuantity(key, { units });
  const by = readQuantity(answer, { units, ...(decimalComma ? { decimalComma } : {}) });
  if (!of) return unreadable('key-cannot-be-read');
  if (!by) return unreadable();
  if (!units) return within(by.value, of.value, tolerance) ? RIGHT : wrong();
  if (!by.unit && of.unit) return wrong('unit-missing');
  const base = inBaseUnits(of, by);
  if (!base) return wrong('other-unit');
  if (
    unitStrict &&
    of.unit &&
    by.unit &&
    !(of.unit.factor.equals(by.unit.factor) && of.unit.offset.equals(by.unit.offset))
  )
    return wrong('other-unit');
  if ('sigfigs' in tolerance && of.unit) {
    const converted = base.answer.sub(of.unit.offset).div(of.unit.factor);
    return within(converted, of.value, tolerance) ? RIGHT : wrong();
  }
  const scaled =
    'abs' in tolerance && of.unit ? { abs: exact(tolerance.abs).mul(of.unit.factor).toFraction() } : tolerance;
  return within(base.answer, base.key, scaled) ? RIGHT : wrong();
}

import { type Exact, exact } from '../../base/exact';
import { readNumber } from '../number/read';
import { DIMENSIONLESS, parseUnit, sameDimension, toBase, type Unit } from '../number/units';
import { setting } from './arithmetic';
import { evaluate } from './evaluate';
import { exactValue } from './exact-value';
import { precise } from './fields';
import { parseMaths } from './parse';
import { namesOf, type Tree } from './tree';

/** How far a value may lie from the key; bounds belong to it. */
export type Tolerance = { abs: string } | { rel: string } | { sigfigs: number };

export interface Quantity {
  value: Exact;
  unit: Unit | null;
}

export interface QuantityReading {
  decimalComma?: boolean;
  /** Whether a unit stands behind the value. */
  units: boolean;
}

/** Steps that may still be taken; whoever works something out takes from them. */
export interface StepBudget {
  steps: number;
}

/**
 * A value, exact where the formula is, else with 60 digits. Null when it has names or no value, or when working it out
 * takes more steps than there are left.
 */
export function valueOf(tree: Tree, budget: StepBudget = { steps: 12_000 }): Exact | null {
  const value = exactValue(tree);
  if (value) return value;
  if (namesOf(tree).size > 0) return null;
  const work = setting(precise, new Map(), false, budget.steps);
  try {
    const computed = evaluate(tree, work);
    const text = computed?.re.toSignificantDigits(55).toString();
    return text && Math.abs(computed?.re.e ?? 0) < 300 ? exact(text) : null;
  } catch {
    return null;
  } finally {
    budget.steps = Math.max(0, work.steps);
  }
}

/** Reads "5\,\mathrm{kg\cdot m/s^{2}}", "3.6*10^6 J", "\frac{\pi}{4}". Null when there is no such value. */
export function readQuantity(text: string, { decimalComma, units }: QuantityReading): Quantity | null {
  const parsed = parseMaths(text, { ...(decimalComma ? { decimalComma } : {}) });
  const tree =
    parsed.ok && parsed.tree.type === 'relation' && parsed.tree.signs[0] === '='
      ? parsed.tree.parts[1]
      : parsed.ok
        ? parsed.tree
        : null;
  if (!units) {
    const value = tree && valueOf(tree);
    return value ? { value, unit: null } : null;
  }
  const plain = plainQuantity(text);
  const read = readNumber(decimalComma ? plain : plain.replace(/(?<=\d),(?=\d{3}(\D|$))/g, ''));
  if (read && read.rest !== '') {
    const unit = parseUnit(read.rest);
    return unit ? { value: read.value, unit } : null;
  }
  // A value that is no plain number: the unit is the longest ending that is one.
  for (let cut = 1; cut < Math.min(plain.length, 60); cut++) {
    const unit = /[\s\d)}]$/.test(plain.slice(0, cut)) ? parseUnit(plain.slice(cut).trim()) : null;
    const head = unit && parseMaths(plain.slice(0, cut));
    const value = head?.ok ? valueOf(head.tree) : null;
    if (unit && value && !/^\s*\d/.test(plain.slice(cut))) return { value, unit };
  }
  const value = tree && valueOf(tree);
  return value ? { value, unit: null } : null;
}

/** LaTeX of a quantity as one would type it. */
function plainQuantity(text: string): string {
  let plain = text.replace(/\\(?:,|;|:|!| )|~/g, ' ').replace(/\^\{(-?\d+)\}/g, '^$1');
  // A unit over a unit, with its bars as people set them, and a prefix that was set apart from its letter.
  plain = plain
    .replace(/\\(?:mathrm|text|textrm)\s*\{\s*\\[dt]?frac/g, '{\\frac')
    .replace(
      /\\[dt]?frac\s*\{((?:[^{}\d]|\{[^{}\d]*\})+)\}\s*\{((?:[^{}]|\{[^{}]*\})*\p{L}(?:[^{}]|\{[^{}]*\})*)\}/gu,
      ' $1/($2)',
    )
    .replace(/\\mathrm\s*\{\s*([mkMGTnpu])\s*\}\s*(?=\\(?:Omega|ohm)\b)/g, ' $1');
  for (let i = 0; i < 3; i++) plain = plain.replace(/\\(?:mathrm|text|operatorname|textrm)\s*\{([^{}]*)\}/g, ' $1 ');
  return plain
    .replace(/\^\s*\{?\s*\\circ\s*\}?/g, '°')
    .replace(/\\(?:degree|circ)/g, '°')
    .replace(/°\s+C\b/, '°C')
    .replace(/°\s+F\b/, '°F')
    .replace(/\\(?:cdot|times)\s*/g, '·')
    .replace(/\\(?:Omega|ohm)\b\s*/g, 'Ω')
    .replace(/\\mu\s*/g, 'μ')
    .replace(/\\%/g, '%')
    .replace(/\\left|\\right/g, '')
    .replace(/\{,\}/g, ',')
    .replace(/\^\{([^{}]*)\}/g, '^$1')
    .replace(/\s*\/\s*/g, '/')
    .replace(/(\d)\s*·\s*10/g, '$1·10')
    .replace(/[{}]/g, ' ')
    .replace(/\s*([()])\s*/g, '$1')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Whether a value lies within the tolerance of the key; decided exactly, bounds included. */
export function within(value: Exact, key: Exact, tolerance: Tolerance): boolean {
  const gap = value.sub(key).abs();
  if ('abs' in tolerance) return gap.compare(exact(tolerance.abs)) <= 0;
  if ('rel' in tolerance) return gap.compare(exact(tolerance.rel).mul(key.abs())) <= 0;
  if (key.equals(0)) return gap.equals(0);
  return gap.compare(exact(`1e${magnitude(key) - tolerance.sigfigs + 1}`).div(2)) <= 0;
}

/** The power of ten of the first figure. */
export function magnitude(value: Exact): number {
  const amount = value.abs();
  let power = Math.floor(Math.log10(amount.valueOf()));
  if (!Number.isFinite(power)) power = 0;
  if (amount.compare(exact(`1e${power}`)) < 0) power -= 1;
  if (amount.compare(exact(`1e${power + 1}`)) >= 0) power += 1;
  return power;
}

/** The key and the answer in the base units of the key; null when they do not measure the same. A missing unit is none. */
export function inBaseUnits(key: Quantity, answer: Quantity): { key: Exact; answer: Exact } | null {
  const [of, by] = [key.unit ?? DIMENSIONLESS, answer.unit ?? DIMENSIONLESS];
  if (!sameDimension(of, by) || (key.unit !== null) !== (answer.unit !== null)) return null;
  return { key: toBase(key.value, of), answer: toBase(answer.value, by) };
}

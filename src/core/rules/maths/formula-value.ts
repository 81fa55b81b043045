import type { Exact } from '../../base/exact';
import { type StepBudget, valueOf } from './numeric';
import { parseMaths } from './parse';
import { mapTree, namesOf, type Tree } from './tree';

type Values = ReadonlyMap<string, Exact>;

function put(tree: Tree, values: Values): Tree {
  return mapTree(tree, (part) => {
    const value = part.type === 'name' ? values.get(part.name) : undefined;
    return value ? { type: 'group', of: { type: 'number', value, text: value.toString() } } : null;
  });
}

const MOST_READ = 200;
const read = new Map<string, ReturnType<typeof parseMaths>>();

/** As `parseMaths`; what was read lately is not read again, since values are drawn many times with the same formulas. */
function parsedOnce(formula: string, names: readonly string[]): ReturnType<typeof parseMaths> {
  const key = `${names.join()} ${formula}`;
  const known = read.get(key);
  if (known) return known;
  const parsed = parseMaths(formula, { variables: names });
  if (read.size >= MOST_READ) read.delete(read.keys().next().value ?? '');
  read.set(key, parsed);
  return parsed;
}

/** The value of a formula with these names, exact where it can be, else with 55 digits; null when it has none or the budget is used up. */
export function formulaValue(formula: string, values: Values, budget?: StepBudget): Exact | null {
  const parsed = parsedOnce(formula, [...values.keys()]);
  return parsed.ok ? valueOf(put(parsed.tree, values), budget) : null;
}

/** Whether a relation such as "a ≠ b" or "0 < x < 10" holds; null when it is none, or has no value there. */
export function conditionHolds(condition: string, values: Values, budget?: StepBudget): boolean | null {
  const parsed = parsedOnce(condition, [...values.keys()]);
  if (!parsed.ok || parsed.tree.type !== 'relation') return null;
  const parts = parsed.tree.parts.map((part) => valueOf(put(part, values), budget));
  let holds = true;
  for (const [i, sign] of parsed.tree.signs.entries()) {
    const [left, right] = [parts[i], parts[i + 1]];
    if (!left || !right) return null;
    const order = left.compare(right);
    if (sign === '=') holds &&= order === 0;
    else if (sign === '≠') holds &&= order !== 0;
    else if (sign === '<') holds &&= order < 0;
    else if (sign === '≤') holds &&= order <= 0;
    else if (sign === '>') holds &&= order > 0;
    else if (sign === '≥') holds &&= order >= 0;
    else return null;
  }
  return holds;
}

/** The names in a formula; null when it cannot be read. */
export function namesInFormula(formula: string, declared: readonly string[]): Set<string> | null {
  const parsed = parseMaths(formula, { variables: declared });
  return parsed.ok ? namesOf(parsed.tree) : null;
}

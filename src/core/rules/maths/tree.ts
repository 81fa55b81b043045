import type { Exact } from '../../base/exact';

export type FunctionName =
  | 'sin'
  | 'cos'
  | 'tan'
  | 'sec'
  | 'csc'
  | 'cot'
  | 'asin'
  | 'acos'
  | 'atan'
  | 'asec'
  | 'acsc'
  | 'acot'
  | 'sinh'
  | 'cosh'
  | 'tanh'
  | 'sech'
  | 'csch'
  | 'coth'
  | 'asinh'
  | 'acosh'
  | 'atanh'
  | 'exp'
  | 'ln'
  | 'log'
  | 'root'
  | 'abs'
  | 'sign'
  | 'floor'
  | 'ceiling'
  | 'min'
  | 'max'
  | 'binomial'
  | 'real'
  | 'imaginary'
  | 'argument'
  | 'conjugate';

export type Relation = '=' | '≠' | '<' | '≤' | '>' | '≥' | '∈';

/**
 * A mathematical expression as it was written: brackets, mixed numbers and the
 * two ways of dividing are kept, nothing is simplified. `log` has the argument
 * and the base, `root` the argument and the order.
 */
export type Tree =
  | { type: 'number'; value: Exact; text: string }
  | { type: 'name'; name: string }
  | { type: 'constant'; name: 'pi' | 'e' | 'i' | 'infinity' }
  | { type: 'negate' | 'group' | 'percent' | 'degrees' | 'factorial'; of: Tree }
  | { type: 'add' | 'subtract' | 'power'; left: Tree; right: Tree }
  /** `beside`: written without a sign between the factors. */
  | { type: 'multiply'; left: Tree; right: Tree; beside: boolean }
  /** `built`: written as a fraction, one above the other. */
  | { type: 'divide'; left: Tree; right: Tree; built: boolean }
  /** `flipped`: minus or plus. Without a left side it is a sign in front. */
  | { type: 'plusMinus'; left: Tree | null; right: Tree; flipped: boolean }
  | { type: 'mixed'; whole: Tree; part: Tree }
  | { type: 'call'; name: FunctionName; args: Tree[] }
  /** A sum (or product) sign: the name that runs, from, to, and what is added up. */
  | { type: 'series'; how: 'sum' | 'product'; name: string; from: Tree; to: Tree; of: Tree }
  /** An integral or another sign that is read but not worked out. */
  | { type: 'unworked'; sign: string; parts: Tree[] }
  | { type: 'cases'; cases: { value: Tree; when: Tree | null }[] }
  | { type: 'relation'; parts: Tree[]; signs: Relation[] }
  | { type: 'logic'; how: 'and' | 'or'; parts: Tree[] }
  /** Elements between brackets; both brackets are empty for a bare list. */
  | { type: 'collection'; open: string; close: string; items: Tree[] }
  | { type: 'matrix'; rows: Tree[][] }
  | { type: 'setOperation'; how: 'union' | 'intersection' | 'without'; left: Tree; right: Tree }
  | { type: 'reals' };

/** What stands directly inside. */
export function childrenOf(tree: Tree): Tree[] {
  switch (tree.type) {
    case 'number':
    case 'name':
    case 'constant':
    case 'reals':
      return [];
    case 'negate':
    case 'group':
    case 'percent':
    case 'degrees':
    case 'factorial':
      return [tree.of];
    case 'plusMinus':
      return tree.left ? [tree.left, tree.right] : [tree.right];
    case 'mixed':
      return [tree.whole, tree.part];
    case 'call':
      return tree.args;
    case 'series':
      return [tree.from, tree.to, tree.of];
    case 'unworked':
    case 'relation':
    case 'logic':
      return tree.parts;
    case 'cases':
      return tree.cases.flatMap(({ value, when }) => (when ? [value, when] : [value]));
    case 'collection':
      return tree.items;
    case 'matrix':
      return tree.rows.flat();
    default:
      return [tree.left, tree.right];
  }
}

/** The tree and everything in it. */
export function* partsOf(tree: Tree): Generator<Tree> {
  yield tree;
  for (const child of childrenOf(tree)) yield* partsOf(child);
}

export function some(tree: Tree, test: (part: Tree) => boolean): boolean {
  return test(tree) || childrenOf(tree).some((child) => some(child, test));
}

/** The variables of the tree, each once, without those that a sum sign runs through. */
export function namesOf(tree: Tree): Set<string> {
  if (tree.type === 'name') return new Set([tree.name]);
  const names = new Set(childrenOf(tree).flatMap((child) => [...namesOf(child)]));
  if (tree.type === 'series') names.delete(tree.name);
  return names;
}

/** Without the brackets around it. */
export function bare(tree: Tree): Tree {
  return tree.type === 'group' ? bare(tree.of) : tree;
}

/** The tree with every part replaced for which `change` gives something else. */
export function mapTree(tree: Tree, change: (part: Tree) => Tree | null): Tree {
  const changed = change(tree);
  if (changed) return changed;
  const go = (part: Tree): Tree => mapTree(part, change);
  switch (tree.type) {
    case 'number':
    case 'name':
    case 'constant':
    case 'reals':
      return tree;
    case 'negate':
    case 'group':
    case 'percent':
    case 'degrees':
    case 'factorial':
      return { ...tree, of: go(tree.of) };
    case 'plusMinus':
      return { ...tree, left: tree.left && go(tree.left), right: go(tree.right) };
    case 'mixed':
      return { ...tree, whole: go(tree.whole), part: go(tree.part) };
    case 'call':
      return { ...tree, args: tree.args.map(go) };
    case 'series':
      return { ...tree, from: go(tree.from), to: go(tree.to), of: go(tree.of) };
    case 'unworked':
    case 'relation':
    case 'logic':
      return { ...tree, parts: tree.parts.map(go) };
    case 'cases':
      return { ...tree, cases: tree.cases.map(({ value, when }) => ({ value: go(value), when: when && go(when) })) };
    case 'collection':
      return { ...tree, items: tree.items.map(go) };
    case 'matrix':
      return { ...tree, rows: tree.rows.map((row) => row.map(go)) };
    default:
      return { ...tree, left: go(tree.left), right: go(tree.right) };
  }
}

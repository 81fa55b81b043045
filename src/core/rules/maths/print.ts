import { bare, type FunctionName, type Tree } from './tree';
import { GREEK } from './words';

const SIGNS = { '=': '=', '≠': '\\ne ', '<': '<', '≤': '\\le ', '>': '>', '≥': '\\ge ', '∈': '\\in ' } as const;
const OWN_COMMANDS = new Set<FunctionName>([
  'sin',
  'cos',
  'tan',
  'sec',
  'csc',
  'cot',
  'sinh',
  'cosh',
  'tanh',
  'coth',
  'exp',
  'ln',
  'min',
  'max',
]);
const INVERSES: Partial<Record<FunctionName, string>> = {
  asin: '\\arcsin',
  acos: '\\arccos',
  atan: '\\arctan',
  argument: '\\arg',
};

/** How a formula was understood, as LaTeX: divisions become fractions, so that nothing is left to be read in two ways. */
export function printMaths(tree: Tree): string {
  switch (tree.type) {
    case 'number':
      return tree.text.replace(/[eE]\+?(-?\d+)$/, '\\cdot 10^{$1}');
    case 'name':
      return printName(tree.name);
    case 'constant':
      return { pi: '\\pi', e: 'e', i: 'i', infinity: '\\infty' }[tree.name];
    case 'group':
      return printGroup(tree.of);
    case 'negate':
      return `-${tight(tree.of)}`;
    case 'percent':
      return `${tight(tree.of)}\\%`;
    case 'degrees':
      return `${tight(tree.of)}^{\\circ}`;
    case 'factorial':
      return `${tight(tree.of)}!`;
    case 'add':
      return `${printMaths(tree.left)}+${printMaths(tree.right)}`;
    case 'subtract':
      return `${printMaths(tree.left)}-${printMaths(tree.right)}`;
    case 'plusMinus':
      return `${tree.left ? printMaths(tree.left) : ''}${tree.flipped ? '\\mp ' : '\\pm '}${printMaths(tree.right)}`;
    case 'multiply':
      return printProduct(tree.left, tree.right, tree.beside);
    case 'divide':
      return `\\frac{${printMaths(bare(tree.left))}}{${printMaths(bare(tree.right))}}`;
    case 'power':
      return `${base(tree.left)}^{${printMaths(bare(tree.right))}}`;
    case 'mixed':
      return `${printMaths(tree.whole)}${printMaths(tree.part)}`;
    case 'call':
      return printCall(tree.name, tree.args);
    case 'series':
      return `${tree.how === 'sum' ? '\\sum' : '\\prod'}_{${printName(tree.name)}=${printMaths(tree.from)}}^{${printMaths(bare(tree.to))}}${printMaths(tree.of)}`;
    case 'unworked':
      return `${tree.sign === 'limit' ? '\\lim' : '\\int'} ${tree.parts.map(printMaths).join('\\,')}`;
    case 'cases':
      return `\\begin{cases}${tree.cases.map(({ value, when }) => `${printMaths(value)}&${when ? printMaths(when) : '\\text{otherwise}'}`).join('\\\\ ')}\\end{cases}`;
    case 'relation':
      return tree.parts.map((part, n) => `${n > 0 ? SIGNS[tree.signs[n - 1] ?? '='] : ''}${printMaths(part)}`).join('');
    case 'logic':
      return tree.parts.map(printMaths).join(`\\;\\text{${tree.how}}\\;`);
    case 'collection':
      return printCollection(tree.open, tree.items.map(printMaths).join(','), tree.close);
    case 'matrix':
      return `\\begin{pmatrix}${tree.rows.map((row) => row.map(printMaths).join('&')).join('\\\\ ')}\\end{pmatrix}`;
    case 'setOperation':
      return `${printMaths(tree.left)}${{ union: '\\cup ', intersection: '\\cap ', without: '\\setminus ' }[tree.how]}${printMaths(tree.right)}`;
    default:
      return '\\mathbb{R}';
  }
}

function printGroup(of: Tree): string {
  // A fraction and a root hold together by themselves.
  return `\\left(${printMaths(of)}\\right)`;
}

/** In brackets unless it holds together by itself. */
function tight(tree: Tree): string {
  return ['add', 'subtract', 'plusMinus', 'negate', 'multiply', 'divide', 'mixed'].includes(tree.type) &&
    tree.type !== 'divide' &&
    tree.type !== 'multiply'
    ? printGroup(tree)
    : printMaths(tree);
}

function base(tree: Tree): string {
  return ['number', 'name', 'constant', 'group'].includes(tree.type) &&
    !(tree.type === 'number' && /[eE]/.test(tree.text))
    ? printMaths(tree)
    : printGroup(tree);
}

function printProduct(left: Tree, right: Tree, beside: boolean): string {
  const [a, b] = [tight(left), tight(right)];
  const digits = /^[\d.]|^\\frac/.test(b) && /\d$|\}$/.test(a);
  return `${a}${beside && !digits ? joint(a, b) : '\\cdot '}${b}`.replace(/\\cdot (?=\\)/g, '\\cdot');
}

/** A space after a command that a letter follows. */
function joint(a: string, b: string): string {
  return /\\[A-Za-z]+$/.test(a) && /^[A-Za-z]/.test(b) ? ' ' : '';
}

function printName(name: string): string {
  const accent = /^(.+) (\w+)$/.exec(name);
  if (accent && !name.includes('Delta ')) return `\\${accent[2]}{${printName(accent[1] ?? '')}}`;
  const [letter = '', below] = name.split('_');
  const primes = /'*$/.exec(letter)?.[0] ?? '';
  const plain = letter.slice(0, letter.length - primes.length);
  const printed = (GREEK as readonly string[]).includes(plain)
    ? `\\${plain}`
    : plain.length > 1
      ? `\\mathrm{${plain}}`
      : plain;
  return `${printed}${below ? `_{${below}}` : ''}${primes}`;
}

function printCall(name: FunctionName, args: Tree[]): string {
  // Each once: printed twice, the work would double with every nesting.
  const printed = args.map((arg) => printMaths(bare(arg)));
  const [first, second] = printed;
  if (name === 'root') return second === '2' ? `\\sqrt{${first}}` : `\\sqrt[${second}]{${first}}`;
  if (name === 'abs') return `\\left|${first}\\right|`;
  if (name === 'floor') return `\\lfloor ${first}\\rfloor `;
  if (name === 'ceiling') return `\\lceil ${first}\\rceil `;
  if (name === 'binomial') return `\\binom{${first}}{${second}}`;
  if (name === 'log') return `\\log_{${second}}\\left(${first}\\right)`;
  const command =
    INVERSES[name] ?? (OWN_COMMANDS.has(name) ? `\\${name}` : `\\operatorname{${OPERATORS[name] ?? name}}`);
  return `${command}\\left(${printed.join(',')}\\right)`;
}

const OPERATORS: Partial<Record<FunctionName, string>> = {
  ceiling: 'ceil',
  real: 'Re',
  imaginary: 'Im',
  conjugate: 'conj',
  sign: 'sgn',
};

function printCollection(open: string, items: string, close: string): string {
  if (open === '') return items;
  const bracket = (sign: string): string =>
    ({ '{': '\\{', '}': '\\}', '⟨': '\\langle ', '⟩': '\\rangle ' })[sign] ?? sign;
  return `\\left${bracket(open)}${items}\\right${bracket(close)}`;
}

/** A key under a maths field. */
export interface PaletteKey {
  /** What it is called, for those who hear it. */
  name: string;
  face: string;
  /** What it puts into plain typing; empty when that has no sign for it. */
  plain: string;
  /** LaTeX with #@ for what stands before the cursor and #? for a place to fill. */
  insert: string;
}

const key = (name: string, face: string, insert: string, plain = ''): PaletteKey => ({ name, face, insert, plain });

const FRACTION = key('Fraction', 'a⁄b', '\\frac{#@}{#?}', '/');
const POWER = key('Power', 'xⁿ', '#@^{#?}', '^');
const ROOT = key('Square root', '√', '\\sqrt{#?}', 'sqrt()');
const NTH_ROOT = key('Root of any order', 'ⁿ√', '\\sqrt[#?]{#?}');
const INDEX = key('Index', 'xₙ', '#@_{#?}', '_');
const BRACKETS = key('Brackets', '( )', '\\left(#?\\right)', '()');
const AMOUNT = key('Amount', '|x|', '\\left|#?\\right|', 'abs()');
const PI = key('Pi', 'π', '\\pi', 'pi');
const INFINITY = key('Infinity', '∞', '\\infty', '∞');
const PLUS_MINUS = key('Plus or minus', '±', '\\pm', '±');
const TIMES = key('Times', '·', '\\cdot', '*');
const AT_MOST = key('At most', '≤', '\\le', '≤');
const AT_LEAST = key('At least', '≥', '\\ge', '≥');
const SINE = key('Sine', 'sin', '\\sin\\left(#?\\right)', 'sin()');
const COSINE = key('Cosine', 'cos', '\\cos\\left(#?\\right)', 'cos()');
const LN = key('Natural logarithm', 'ln', '\\ln\\left(#?\\right)', 'ln()');
const SUM = key('Sum', 'Σ', '\\sum_{#?}^{#?}');
const INTEGRAL = key('Integral', '∫', '\\int_{#?}^{#?}');
const MATRIX = key('Matrix, two by two', '[ ⁛ ]', '\\begin{pmatrix}#? & #?\\\\ #? & #?\\end{pmatrix}', '[[,],[,]]');
const VECTOR = key('Column', '[ : ]', '\\begin{pmatrix}#?\\\\ #?\\end{pmatrix}');

const BASICS = [FRACTION, POWER, ROOT, BRACKETS, TIMES, PI];

/** The keys that fit what is asked for. */
export const PALETTES = {
  general: [...BASICS, NTH_ROOT, INDEX, AMOUNT, SINE, COSINE, LN, PLUS_MINUS, AT_MOST, AT_LEAST, SUM, INTEGRAL, MATRIX],
  expression: [...BASICS, NTH_ROOT, INDEX, AMOUNT, SINE, COSINE, LN],
  comparison: [...BASICS, INDEX, AMOUNT, PLUS_MINUS, AT_MOST, AT_LEAST, INFINITY],
  matrix: [...BASICS, INDEX, VECTOR, MATRIX],
} as const satisfies Record<string, readonly PaletteKey[]>;

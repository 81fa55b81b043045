import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { compareMaths } from '@/core/rules/maths/compare';
import { mathsFigures, mathsRows } from '../../tests/reference/maths';
import { percentile, say } from './figures';

const FILE = path.resolve('tests/reference/fixtures/maths-pairs.jsonl');

/** SymPy on the equivalent pairs that it reads in its own LaTeX printing; prints the sum of simplify(a-b) in ms and the pairs. */
const SYMPY = `
import json, sys, time, signal
from sympy import simplify
from sympy.parsing.sympy_parser import parse_expr, standard_transformations, implicit_multiplication_application, convert_xor
T = standard_transformations + (implicit_multiplication_application, convert_xor)
def give_up(*_): raise TimeoutError()
signal.signal(signal.SIGALRM, give_up)
out = []
for line in open(sys.argv[1]):
    a, b = json.loads(line)
    try:
        x, y = parse_expr(a, transformations=T), parse_expr(b, transformations=T)
        start = time.perf_counter()
        signal.alarm(20)
        try: simplify(x - y) == 0
        finally: signal.alarm(0)
        out.append([a, b, (time.perf_counter() - start) * 1000])
    except Exception: pass
print(json.dumps(out))
`;

/** Mathematics: time per pair over all modes; and in total against SymPy's simplify(a-b)==0 where both read the pair. */
export function maths(): void {
  mathsRows(FILE);
  const rows = mathsRows(FILE);
  const { medianms, p95ms, maxms } = mathsFigures(rows);
  say({ pairs: rows.length, 'median ms': Number(medianms), 'p95 ms': Number(p95ms), 'max ms': Number(maxms) });
  mkdirSync('.test', { recursive: true });
  writeFileSync(
    '.test/bench-pairs.jsonl',
    algebraic()
      .map((pair) => JSON.stringify(pair))
      .join('\n'),
  );
  let timed: [string, string, number][];
  try {
    timed = JSON.parse(
      execFileSync('python3', ['-c', SYMPY, '.test/bench-pairs.jsonl'], { encoding: 'utf8', maxBuffer: 1e8 }),
    ) as typeof timed;
  } catch {
    console.log('SymPy (python3-sympy) is not there: no comparison.');
    return;
  }
  const ours = timed.map(([a, b]) => {
    const start = performance.now();
    compareMaths(a, b, { mode: 'equivalent' });
    return performance.now() - start;
  });
  const total = (times: readonly number[]): number => times.reduce((x, y) => x + y, 0);
  const theirs = timed.map(([, , ms]) => ms);
  say({
    'pairs both read': timed.length,
    'ours, total ms': total(ours),
    'SymPy, total ms': total(theirs),
    'times as fast': total(theirs) / total(ours),
    'ours p95': percentile(ours, 0.95),
    'SymPy p95': percentile(theirs, 0.95),
  });
}

/** The pairs of the mode "equivalent" as plain text that both can read: commands of LaTeX written out. */
function algebraic(): [string, string][] {
  return readFileSync(FILE, 'utf8')
    .split('\n')
    .filter((line) => line !== '')
    .map(
      (line) =>
        JSON.parse(line) as {
          mode: string;
          key: string;
          answer: string;
          options: object;
          category: string;
          tags: string[];
        },
    )
    .filter(
      ({ mode, options, tags, category }) =>
        mode === 'equivalent' &&
        Object.keys(options).length === 0 &&
        !tags.includes('within1s') &&
        category !== 'number',
    )
    .map(({ key, answer }): [string, string] => [plainly(key), plainly(answer)])
    .filter((pair) => pair.every((text) => !/[\\{}|°½]/.test(text)));
}

function plainly(latex: string): string {
  let text = latex
    .replace(/\\left|\\right/g, '')
    .replace(/\\cdot|\\times/g, '*')
    .replace(/\\pi/g, 'pi');
  for (let i = 0; i < 4; i++) {
    text = text
      .replace(/\\frac\{([^{}]*)\}\{([^{}]*)\}/g, '(($1)/($2))')
      .replace(/\\sqrt\{([^{}]*)\}/g, 'sqrt($1)')
      .replace(/\^\{([^{}]*)\}/g, '^($1)');
  }
  return text
    .replace(/\\(sin|cos|tan|sec|cot|ln|cosh|sinh)\^\(?(\d)\)?\s*(\([^()]*\)|[a-z])/g, '($1($3))^$2')
    .replace(/\\(sin|cos|tan|sec|cot|ln|cosh|sinh)\s*(?=\()/g, '$1')
    .replace(/\\(sin|cos|tan|sec|cot|ln|cosh|sinh)\s*([a-z])/g, '$1($2)')
    .replace(/\be\^/g, 'exp(1)^');
}

import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { calculate, type CalculatorKind, MOST_SIGNS, resultText } from '@/core/aids/calculator';
import { refusalText } from '../words/refusals';

interface Line {
  typed: string;
  result: string;
}

const BASIC = ['7', '8', '9', '÷', '(', '4', '5', '6', '×', ')', '1', '2', '3', '−', '√', '0', '.', '%', '+', '²'];
const MORE = [
  'sin ',
  'cos ',
  'tan ',
  'π',
  'arcsin ',
  'arccos ',
  'arctan ',
  'e',
  'ln ',
  'log ',
  'exp ',
  '^',
  'abs ',
  '!',
  'ans',
];
const SPOKEN: Record<string, string> = {
  '÷': 'divided by',
  '×': 'times',
  '−': 'minus',
  '+': 'plus',
  '.': 'point',
  '(': 'open bracket',
  ')': 'close bracket',
  '√': 'root',
  '²': 'squared',
  '%': 'per cent',
  '^': 'to the power of',
  '!': 'factorial',
  π: 'pi',
};
/** A calculator that keeps what was worked out as lines on a strip of paper; a line is taken up again by a click. */
export function Calculator({ kind, shown }: { kind: CalculatorKind; shown: boolean }) {
  const [typed, setTyped] = useState('');
  const [lines, setLines] = useState<Line[]>([]);
  const [ans, setAns] = useState<number | null>(null);
  const [degrees, setDegrees] = useState(true);
  const [trouble, setTrouble] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const strip = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (shown) field.current?.focus();
  }, [shown]);
  useEffect(() => {
    strip.current?.scrollTo({ top: strip.current.scrollHeight });
  }, [lines]);

  /** Puts a key's sign where the cursor stands; after a result, a sign goes on with it. */
  const press = (key: string): void => {
    const at = field.current;
    const from = at?.selectionStart ?? typed.length;
    const to = at?.selectionEnd ?? from;
    const goesOn = typed === '' && ans !== null && ['÷', '×', '−', '+', '^', '²', '%', '!'].includes(key);
    const put = goesOn ? `ans ${key}` : key;
    const next = `${typed.slice(0, from)}${put}${typed.slice(to)}`.slice(0, MOST_SIGNS);
    setTyped(next);
    setTrouble(null);
    requestAnimationFrame(() => {
      at?.focus();
      at?.setSelectionRange(from + put.length, from + put.length);
    });
  };
  const work = (): void => {
    if (typed.trim() === '') return;
    const result = calculate(typed, { degrees, ans });
    if (!result.ok) return setTrouble(refusalText(result.refusal));
    setTrouble(null);
    setAns(result.value);
    setLines((all) => [...all, { typed: typed.trim(), result: resultText(result.value) }].slice(-100));
    setTyped('');
  };
  const onKey = (e: KeyboardEvent): void => {
    if (e.key === 'Enter' || e.key === '=') {
      e.preventDefault();
      work();
    }
    // The keys of the room are letters; here they are signs.
    if (e.key !== 'Escape') e.stopPropagation();
  };
  const keys = (all: readonly string[], className: string) => (
    <div className={className}>
      {all.map((key) => (
        <button key={key} type="button" className="key" aria-label={SPOKEN[key]} onClick={() => press(key)}>
          {key.trim()}
        </button>
      ))}
    </div>
  );
  return (
    <div className="calculator">
      <div ref={strip} className="worked-out" aria-label="Worked out before" role="log">
        <ol>
          {lines.map((line, i) => (
            <li key={i}>
              <button type="button" className="btn-link-plain" onClick={() => setTyped(line.typed)}>
                {line.typed}
              </button>
              <span className="visually-hidden">is</span>
              <button
                type="button"
                className="btn-link-plain result"
                onClick={() => setTyped(`${typed}${line.result.replace(/^(−.*)/, '($1)').replace(' × 10^', '×10^')}`)}
              >
                {line.result}
              </button>
            </li>
          ))}
        </ol>
      </div>
      <div className="d-flex gap-2">
        <input
          ref={field}
          className="form-control mono"
          aria-label="Calculation"
          autoComplete="off"
          autoCapitalize="off"
          spellCheck={false}
          inputMode="text"
          maxLength={MOST_SIGNS}
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setTrouble(null);
          }}
          onKeyDown={onKey}
        />
        <button type="button" className="btn btn-primary" aria-label="Work it out" onClick={work}>
          =
        </button>
      </div>
      <p className="hand mb-0" role="status">
        {trouble}
      </p>
      {keys(BASIC, 'keys')}
      {kind === 'scientific' && (
        <>
          {keys(MORE, 'keys more')}
          <label className="mt-2">
            angles in{' '}
            <select
              className="form-select form-select-sm d-inline-block w-auto"
              value={degrees ? 'degrees' : 'radians'}
              onChange={(e) => setDegrees(e.target.value === 'degrees')}
            >
              <option value="degrees">degrees</option>
              <option value="radians">radians</option>
            </select>
          </label>
        </>
      )}
    </div>
  );
}

import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { markMaths, type MathsRules, mathsRulesReadiness, rulesFromKey } from './rules';
import { understood } from './understood';

const rules = (key: string, more: Partial<MathsRules> = {}): MathsRules => ({ ...rulesFromKey(key), ...more });

describe('a typed key', () => {
  it.each([
    ['x^2+1', 'equivalent'],
    ['y=3x-5', 'equation'],
    ['x\\ge 2', 'equation'],
    ['\\left\\{1,-2\\right\\}', 'set'],
    ['1,2,3', 'list'],
    ['(3,-1)', 'tuple'],
    ['\\begin{pmatrix}1\\\\2\\end{pmatrix}', 'tuple'],
    ['[-1,3)', 'interval'],
    ['\\left(2,\\infty\\right)', 'interval'],
    ['(-\\infty,-2)\\cup(2,\\infty)', 'interval'],
  ])('%s is compared as %s', (key, mode) => expect(rulesFromKey(key).mode).toBe(mode));
});

describe('marking', () => {
  it('gives the share of the first rule that holds, typical slips with their feedback', () => {
    const slips = rules('\\frac{1}{2}mv^2', {
      rules: [
        { key: '\\frac{1}{2}mv^2', form: null, share: '1', feedback: '' },
        { key: 'mv^2', form: null, share: '1/2', feedback: 'The half is missing.' },
      ],
    });
    expect(markMaths(slips, '0.5 m v^2')).toMatchObject({
      state: 'marked',
      trace: [{ values: { number: 1 } }, { code: 'maths-equal' }],
    });
    const slip = markMaths(slips, 'm*v*v');
    expect(slip).toMatchObject({ state: 'marked', feedback: 'The half is missing.' });
    expect(slip.state === 'marked' && stored(slip.share)).toBe('1/2');
    expect(markMaths(slips, 'mv')).toMatchObject({ state: 'marked', trace: [{ code: 'no-rule-matched' }] });
  });

  it('waits for what cannot be read, decided, or be read in one way only', () => {
    expect(markMaths(rules('x+1'), 'x+')).toMatchObject({ state: 'waits', trace: [{ code: 'maths-unreadable' }] });
    expect(markMaths(rules('x+1'), '\\int x dx')).toMatchObject({ state: 'waits' });
    expect(markMaths(rules('\\frac{1}{2x}'), '1/2x').trace.at(-1)?.code).toBe('maths-two-readings');
    expect(markMaths(rules('1234', { decimalComma: true }), '1.234').state).toBe('waits');
    expect(markMaths(rules('x+1'), 'x=2')).toMatchObject({ state: 'waits', trace: [{ code: 'maths-other-shape' }] });
    expect(markMaths(rules('x+1', { otherwise: 'waits' }), 'x').state).toBe('waits');
  });

  it('says that the value is right when only the form is not', () => {
    const factored = rules('(x+2)(x+3)', {
      rules: [{ key: '(x+2)(x+3)', form: 'factored', share: '1', feedback: '' }],
    });
    expect(markMaths(factored, 'x^2+5x+6').trace.map((s) => s.code)).toEqual([
      'rule',
      'maths-other-form',
      'no-rule-matched',
    ]);
    expect(markMaths(factored, '(3+x)(x+2)').state).toBe('marked');
    // Students read traces also where the key is not shown.
    expect(JSON.stringify(markMaths(factored, 'x^2+5x+6').trace)).not.toContain('(x+2)');
  });

  it('reads names and logarithms as the question says', () => {
    expect(markMaths(rules('e\\cdot m', { variables: ['e'] }), 'm e').trace.at(-1)?.code).toBe('maths-equal');
    expect(markMaths(rules('\\ln x'), 'log x').trace.at(-1)?.code).toBe('no-rule-matched');
    expect(markMaths(rules('\\ln x', { logBase: 'e' }), 'log x').trace.at(-1)?.code).toBe('maths-equal');
  });
});

describe('readiness', () => {
  const codes = (r: MathsRules): string[] => mathsRulesReadiness(r).map((f) => f.code);
  it.each<[string, MathsRules]>([
    ['no-key', rules('')],
    ['maths-key-unreadable', rules('x+')],
    ['maths-key-two-readings', rules('1/2x')],
    ['maths-key-undecidable', rules('\\int x dx')],
    ['maths-key-nowhere', rules('\\frac{1}{x-x}')],
    ['maths-key-thin', rules('\\sqrt{-(x-1)^2+0.0001}')],
    ['maths-key-signs', rules('\\sqrt{\\frac{2E}{m}}')],
    ['maths-key-other-form', rules('x', { rules: [{ key: 'x^2-1', form: 'factored', share: '1', feedback: '' }] })],
    [
      'maths-rule-never-reached',
      rules('x', { rules: ['2x', 'x+x'].map((key) => ({ key, form: null, share: '1', feedback: '' })) }),
    ],
  ])('%s', (code, r) => expect(codes(r)).toContain(code));

  it('has nothing to say of a plain key', () => {
    expect(codes(rules('3x^2-5'))).toEqual([]);
    expect(codes(rules('\\sqrt{\\frac{2E}{m}}', { allPositive: true }))).toEqual([]);
  });
});

describe('how it was understood', () => {
  it('shows both readings where a slash leaves it open', () => {
    expect(understood('1/2x', {})).toEqual({ ok: true, latex: '\\frac{1}{2}x', orElse: '\\frac{1}{2x}' });
    expect(understood('1/(2x)', {})).toEqual({ ok: true, latex: '\\frac{1}{2x}' });
    expect(understood('sqrt(', {})).toMatchObject({ ok: false });
  });
});

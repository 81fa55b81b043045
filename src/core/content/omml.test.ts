import katex from 'katex';
import { describe, expect, it } from 'vitest';
import { parseXml } from '../base/xml';
import { latexFromOmml } from './omml';

const latex = (inner: string): string => {
  const [math] = parseXml(`<m:oMath>${inner}</m:oMath>`);
  if (!math) throw new Error('There is an equation');
  return latexFromOmml(math);
};
const r = (text: string): string => `<m:r><m:t>${text}</m:t></m:r>`;

/** Element names and meaning: ECMA-376 part 1, section 22.1 (shared math). */
describe('equations of word processors', () => {
  it.each([
    ['a fraction', `<m:f><m:num>${r('1')}</m:num><m:den>${r('2')}</m:den></m:f>`, '\\frac{1}{2}'],
    ['a power', `${r('A')}<m:sSup><m:e>${r('v')}</m:e><m:sup>${r('3')}</m:sup></m:sSup>`, 'Av^{3}'],
    ['an index', `<m:sSub><m:e>${r('c')}</m:e><m:sub>${r('p')}</m:sub></m:sSub>`, 'c_{p}'],
    ['a root', `<m:rad><m:radPr><m:degHide m:val="1"/></m:radPr><m:deg/><m:e>${r('x')}</m:e></m:rad>`, '\\sqrt{x}'],
    ['a cube root', `<m:rad><m:deg>${r('3')}</m:deg><m:e>${r('x')}</m:e></m:rad>`, '\\sqrt[3]{x}'],
    ['brackets', `<m:d><m:e>${r('a+b')}</m:e></m:d>`, '\\left(a+b\\right)'],
    [
      'a sum',
      `<m:nary><m:naryPr><m:chr m:val="∑"/></m:naryPr><m:sub>${r('i=1')}</m:sub><m:sup>${r('n')}</m:sup><m:e>${r('i')}</m:e></m:nary>`,
      '\\sum_{i=1}^{n} i',
    ],
    ['a function', `<m:func><m:fName>${r('sin')}</m:fName><m:e>${r('θ')}</m:e></m:func>`, '\\sin {\\theta}'],
    [
      'a matrix',
      `<m:m><m:mr><m:e>${r('1')}</m:e><m:e>${r('0')}</m:e></m:mr><m:mr><m:e>${r('0')}</m:e><m:e>${r('1')}</m:e></m:mr></m:m>`,
      '\\begin{matrix}1 & 0 \\\\ 0 & 1\\end{matrix}',
    ],
    ['Greek letters and signs', r('½ρ≤∞'), '1⁄2\\rho \\le \\infty'],
    ['something unknown, by its text', `<m:strange>${r('x')}</m:strange>`, 'x'],
  ])('%s', (_, xml, expected) => {
    expect(latex(xml)).toBe(expected);
    expect(() => katex.renderToString(latex(xml), { throwOnError: true, strict: false })).not.toThrow();
  });
});

it('refuses XML whose entities could grow', () => {
  expect(() => parseXml('<!DOCTYPE x [<!ENTITY a "aaaa">]><x>&a;</x>')).toThrow('document type');
});

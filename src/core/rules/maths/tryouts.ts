import type { MathsRules } from './rules';

/** Answers worth trying on rules of mathematics: every key, the key written otherwise, turned round, and with usual slips. */
export function mathsTryouts({ mode, rules }: MathsRules): string[] {
  const keys = rules.map((rule) => rule.key).filter((key) => key !== '');
  const [first] = keys;
  if (first === undefined) return [];
  const elements = first.replace(/^\\?[{(]|\\?[})]$/g, '').split(',');
  const ofMode: string[] =
    mode === 'equation'
      ? [first.split('=').reverse().join('='), first.replace('=', '=-')]
      : mode === 'set' || mode === 'list' || mode === 'tuple'
        ? [[...elements].reverse().join(', '), elements.join('; ')]
        : mode === 'antiderivative'
          ? [`${first}+C`, `2(${first})`]
          : [`0+(${first})`, `(${first})/1`, `-(${first})`, `2(${first})`, `(${first})+1`];
  return [...new Set([...keys, ...ofMode].filter((typed) => typed.trim() !== ''))];
}

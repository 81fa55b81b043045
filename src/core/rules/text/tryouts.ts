import type { TextRules } from './rules';

/** Answers worth trying on text rules: every key, keys in capitals, without accents, with a slip, within a sentence, denied. */
export function textTryouts({ rules }: TextRules): string[] {
  const keys = rules.flatMap((rule) =>
    rule.when === 'exact'
      ? rule.answers
      : rule.when === 'pattern'
        ? []
        : [rule.groups.map((g) => g.words[0] ?? '').join(' '), ...rule.groups.map((g) => g.words[0] ?? '')],
  );
  const [first = ''] = keys;
  if (first === '') return [];
  const all = [
    ...keys.slice(0, 6),
    first.toUpperCase(),
    first.normalize('NFD').replace(/\p{M}/gu, ''),
    withSlip(first),
    `I think it is ${first}.`,
    `not ${first}`,
  ];
  return [...new Set(all.filter((typed) => typed.trim() !== ''))];
}

/** The word with two neighbouring letters in its middle swapped. */
function withSlip(word: string): string {
  const at = Math.floor(word.length / 2);
  const [before, a, b, after] = [word.slice(0, at - 1), word[at - 1] ?? '', word[at] ?? '', word.slice(at + 1)];
  return word.length < 4 ? word : before + b + a + after;
}

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exact, parseExact, stored } from '@/core/base/exact';
import { choice, type ChoiceSetup } from '@/core/kinds/choice/choice';
import { CHOICE_SCHEMES } from '@/core/rules/choice/rules';
import { DOUBTS_NONE } from '@/core/rules/text/doubts';
import { markText, type TextRule, type TextRules } from '@/core/rules/text/rules';
import type { Marking } from '@/core/rules/marking';
import { pointsFrom } from '../drivers/text-points';
import { choiceEditor } from '@/ui/kinds/choice/editor';
import { textRulesSentence } from '@/ui/words/text-rules';

/**
 * What the margin says is what is marked: a reader that knows only the sentence, and nothing of the rules, has to give
 * the same mark. Made words, and nothing forgiven, so that only the logic of the rules is looked at.
 */
const WORDS = ['alba', 'brio', 'corvo', 'dunal', 'ember', 'fjeld', 'gusto', 'halma'];
const word = fc.constantFrom(...WORDS);
const share = fc.constantFrom('1', '1/2', '1/3', '1/4');
const SEED = 20261125;

const FRACTIONS: Record<string, string> = { '½': '1/2', '⅓': '1/3', '¼': '1/4', '1': '1' };
const shareOf = (written: string): string => FRACTIONS[written] ?? written;
const quotedIn = (text: string): string[] => [...text.matchAll(/“([^”]*)”/g)].map((m) => m[1] ?? '');

/** Reads a part such as `any of “a”, “b”` against the words of an answer. */
function groupHolds(part: string, answer: readonly string[]): boolean {
  const wanted = quotedIn(part);
  const found = new Set(wanted.filter((w) => answer.includes(w))).size;
  const [, many = ''] = /(any|all|\d+) of “/.exec(part) ?? [];
  if (many === 'all') return new Set(wanted).size === found;
  return found >= (many === 'any' ? 1 : Number(many));
}

/** The mark that the sentence promises for an answer: a share, or "waits". */
function readSentence(sentence: string, text: string): string {
  const answer = text.split(' ').filter((w) => w !== '');
  const [rules = '', ...after] = sentence.replace(/\.$/, '').split('; anything else ');
  const otherwise = after[0] === 'waits for a person' ? 'waits' : '0';
  for (const part of rules.replace('; capitals and accents count', '').split('; else ')) {
    if (part.startsWith('“')) {
      const [, earns] = / earns (\S+) of the marks$/.exec(part) ?? [];
      if (quotedIn(part).includes(text.trim())) return earns ? shareOf(earns) : '1';
      continue;
    }
    const [said = '', unless] = part.split(', unless ');
    if (unless && quotedIn(unless).some((w) => answer.includes(w))) continue;
    let total = exact(0);
    for (const group of said.split(/ plus\s/)) {
      const [, earns] = /^(\S+) of the marks for /.exec(group) ?? [];
      if (groupHolds(group, answer)) total = total.add(parseExact(earns ? shareOf(earns) : '1') ?? exact(0));
    }
    if (total.compare(0) > 0) return total.compare(1) > 0 ? '1' : stored(total);
  }
  return otherwise;
}

const group = fc
  .record({
    need: fc.oneof(fc.constantFrom('any' as const, 'all' as const, 'none' as const), fc.integer({ min: 1, max: 3 })),
    words: fc.uniqueArray(word, { minLength: 1, maxLength: 4 }),
    share,
  })
  .filter(({ need, words }) => typeof need !== 'number' || need <= words.length);
const keywords = fc
  .array(group, { minLength: 1, maxLength: 3 })
  .filter((groups) => groups.some(({ need }) => need !== 'none'))
  .map((groups): TextRule => pointsFrom(groups));
const exactly = fc
  .record({ answers: fc.uniqueArray(word, { minLength: 1, maxLength: 3 }), share })
  .map((rule): TextRule => ({ when: 'exact', ...rule, feedback: '' }));
const textRules = fc
  .record({
    rules: fc.array(fc.oneof(keywords, exactly), { minLength: 1, maxLength: 3 }),
    otherwise: fc.constantFrom('waits' as const, 'zero' as const),
  })
  .map(
    (made): TextRules => ({
      ...made,
      forgives: {
        capitals: false,
        accents: false,
        spaces: true,
        quotes: true,
        punctuation: false,
        hyphens: false,
        spelling: false,
        slips: false,
        endings: 'none',
      },
      calls: [],
      doubts: DOUBTS_NONE,
      otherwiseFeedback: '',
      lists: [],
    }),
  );
const markOf = (m: Marking): string => (m.state === 'marked' ? stored(m.share) : 'waits');

describe('the sentence in the margin', () => {
  it('of text rules promises what is marked', () => {
    fc.assert(
      fc.property(textRules, fc.array(word, { minLength: 1, maxLength: 5 }), (rules, answer) => {
        const text = answer.join(' ');
        expect(readSentence(textRulesSentence(rules), text), textRulesSentence(rules)).toBe(
          markOf(markText(rules, text)),
        );
      }),
      { numRuns: 2000, seed: SEED },
    );
  });

  it('of two groups of words says what each earns', () => {
    const rules: TextRules = {
      ...fc.sample(textRules, { numRuns: 1, seed: SEED })[0],
      rules: [
        pointsFrom([
          { need: 'any', words: ['oil'], share: '1/2' },
          { need: 'any', words: ['water'], share: '1/2' },
          { need: 'none', words: ['rust'], share: '1/2' },
        ]),
      ],
      otherwise: 'zero',
    } as TextRules;
    expect(textRulesSentence(rules)).toBe(
      '½ of the marks for any of “oil” plus\n½ of the marks for any of “water”, unless “rust” stands in it; capitals and accents count; anything else earns nothing.',
    );
    expect(markOf(markText(rules, 'oil'))).toBe('1/2');
    expect(markOf(markText(rules, 'nothing'))).toBe('0');
    expect(markOf(markText(rules, 'oil water rust'))).toBe('0');
  });

  it('of a choice promises what is marked', () => {
    const { sentence } = choiceEditor;
    const setups = fc
      .record({
        keys: fc.array(fc.boolean(), { minLength: 2, maxLength: 6 }),
        several: fc.boolean(),
        scheme: fc.constantFrom(...CHOICE_SCHEMES),
        most: fc.option(fc.integer({ min: 1, max: 4 })),
      })
      .filter(({ keys, several }) => (several ? keys.includes(true) : keys.filter(Boolean).length === 1))
      .map(
        ({ keys, several, scheme, most }): ChoiceSetup => ({
          ...choice.fresh(),
          several,
          scheme,
          most,
          options: keys.map((key, i) => ({ id: `o${i}`, text: `option ${i}`, key, feedback: '' })),
        }),
      );
    const promised = (said: string, setup: ChoiceSetup, chosen: readonly string[]): string => {
      const isKey = (id: string): boolean => setup.options.some((o) => o.id === id && o.key);
      const keys = setup.options.filter((o) => o.key).length;
      const right = chosen.filter(isKey).length;
      const wrong = chosen.length - right;
      const [, limit] = /At most (\d+) can be chosen\.$/.exec(said) ?? [];
      if (limit && chosen.length > Number(limit)) return '0';
      if (/ earns the marks, anything else nothing/.test(said)) return right === 1 && wrong === 0 ? '1' : '0';
      if (/no wrong one: the marks; anything else earns nothing/.test(said))
        return right === keys && wrong === 0 ? '1' : '0';
      const [, most] = /chooses more than (\d+) earns nothing/.exec(said) ?? [];
      if (most) return chosen.length > Number(most) ? '0' : stored(exact(`${right}/${keys}`));
      expect(said).toMatch(/each wrong one takes .* back; never below 0/);
      return right <= wrong ? '0' : stored(exact(`${right - wrong}/${keys}`));
    };
    fc.assert(
      fc.property(setups, fc.array(fc.integer({ min: 0, max: 5 }), { minLength: 1, maxLength: 6 }), (setup, picks) => {
        const ids = [...new Set(picks)].map((n) => `o${n}`).filter((id) => setup.options.some((o) => o.id === id));
        const chosen = setup.several ? ids : ids.slice(0, 1);
        if (chosen.length === 0) return;
        expect(markOf(choice.marked.mark(setup, { chosen }))).toBe(promised(sentence(setup), setup, chosen));
      }),
      { numRuns: 1500, seed: SEED },
    );
  });
});

import { z } from 'zod';
import { KEYWORDS_BECOME_POINTS } from '../../rules/text/migrate';
import { textRulesReadiness } from '../../rules/text/readiness';
import { markText, putInText, rulesFromKey, textRules } from '../../rules/text/rules';
import { sayingAll, textTryouts } from '../../rules/text/tryouts';
import { wordedBy } from '../../rules/text/worded';
import { judgedWords } from '../judged-words';
import { gistOfText } from '../../rules/text/words';
import type { KindWith } from '../contract';

const setup = z.object({
  version: z.literal(2),
  rules: textRules,
  /** Room to write in: a word, a line, or a few lines. */
  room: z.enum(['word', 'line', 'lines']),
});
export type ShortTextSetup = z.infer<typeof setup>;

const response = z.object({ text: z.string().max(5000) });
export type ShortTextResponse = z.infer<typeof response>;

export interface ShortTextSheet {
  room: ShortTextSetup['room'];
}

function firstKey({ rules }: ShortTextSetup): string {
  const rule = rules.rules[0];
  if (!rule) return '';
  if (rule.when === 'exact') return rule.answers[0] ?? '';
  return rule.when === 'pattern' ? '' : sayingAll(rule);
}

export const shortText: KindWith<
  'marked' | 'typed' | 'valued' | 'worded' | 'judged',
  ShortTextSetup,
  ShortTextSheet,
  ShortTextResponse
> = {
  name: 'shortText',
  placement: 'inline',
  setup: { name: 'short text setup', version: 2, schema: setup, migrations: [KEYWORDS_BECOME_POINTS] },
  response: { name: 'short text response', version: 1, schema: response, migrations: [] },
  accepts: () => true,
  fresh: () => ({ version: 2, rules: rulesFromKey(''), room: 'line' }),
  blank: ({ text }) => text.trim() === '',
  sheet: ({ room }) => ({ room }),
  readiness: ({ rules }) => textRulesReadiness(rules),
  describe: () => '…',
  describeResponse: (_, { text }) => text,
  gist: ({ rules }, { text }) => gistOfText(text, rules.forgives),
  put: (setup, put) => ({ ...setup, rules: putInText(setup.rules, put) }),
  marked: {
    mark: ({ rules }, { text }, asked) => markText(rules, text, asked),
    key(setup) {
      const text = firstKey(setup);
      return text === '' ? null : { text };
    },
    describeKey: firstKey,
    fixedKeyPlace: () => null,
    tryouts: ({ rules }) => textTryouts(rules).map((text) => ({ text })),
  },
  typed: {
    name: 'short text',
    withKey: (setup, typed) => ({ ...setup, rules: rulesFromKey(typed) }),
    keyText(setup) {
      const rule = setup.rules.rules[0];
      return rule?.when === 'exact' ? rule.answers.join('; ') : firstKey(setup);
    },
    response: (_, text) => ({ text }),
    responseText: (_, { text }) => text,
  },
  judged: judgedWords,
  worded: wordedBy<ShortTextSetup, ShortTextResponse>(),
  valued: { value: (_, { text }) => text.trim() || null },
};

import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { type Proposal, ranked, signsFor } from '@/core/rules/text/proposals';
import { bareWord } from '@/core/rules/text/reading';
import { synonymsOf } from '@/core/rules/text/synonyms';
import { LANGUAGE_WORDS } from '@/core/text/languages';
import { STEM_LANGUAGES } from '@/core/text/stems';
import { synonymsFor } from '../bank/synonyms';
import { visibleBanks } from '../bank/access';
import { type Context, FORBIDDEN, parse } from '../context';
import { wordLists } from '../db/schema/bank';
import { type Related, relatedWords } from './wordnet';

const input = z.object({
  bank: z.string(),
  topic: z.string().nullable(),
  words: z.array(z.string().trim().min(1).max(200)).min(1).max(60),
  language: z.enum(['none', ...STEM_LANGUAGES]),
});

/** So many words of all are looked up, so many related ones of each are offered. */
const MOST_LOOKED_UP = 24;
const MOST_OF_EACH = 14;

/**
 * Further wordings for those of a point: from the synonyms of the topic, the
 * department's word lists, signs and short forms, and, for English, a
 * dictionary. Of a phrase of several words, each is looked up by itself and put
 * into it.
 */
export async function proposeWordings(ctx: Context, raw: unknown): Promise<Result<Proposal[]>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { bank, topic, words, language } = parsed.value;
  if (!(await visibleBanks(ctx)).some(({ id }) => id === bank)) return FORBIDDEN;
  const sets = await synonymsFor(ctx.db.read, bank, topic);
  const lists = await ctx.db.read.select({ name: wordLists.name, words: wordLists.words }).from(wordLists);
  const all: Proposal[] = [];
  for (const wording of synonymsOf(words, sets)) all.push({ wording, from: 'topic', instead: '' });
  let lookedUp = 0;
  for (const phrase of words) {
    for (const { name, words: listed } of lists)
      if (listed.some((one) => one.toLowerCase() === phrase.toLowerCase()))
        all.push({ wording: `{${name}}`, from: 'list', instead: phrase });
    for (const part of partsOf(phrase)) {
      const within = (word: string): string => (part === phrase ? word : phrase.replace(part, word));
      for (const sign of signsFor(part)) all.push({ wording: within(sign), from: 'symbol', instead: part });
      for (const other of synonymsOf([part], sets)) all.push({ wording: within(other), from: 'topic', instead: part });
      if ((language !== 'en' && language !== 'none') || lookedUp++ >= MOST_LOOKED_UP) continue;
      const related = (await relatedWords(part)).filter((one) => fits(one, part === phrase));
      for (const { word, relation } of related.slice(0, MOST_OF_EACH))
        all.push({ wording: within(word), from: relation, instead: part });
    }
  }
  return ok(ranked(all, words));
}

/** Names are no wordings; within a phrase only the commonest senses fit, and no narrower words. */
function fits({ word, relation, sense }: Related, whole: boolean): boolean {
  if (/\p{Lu}/u.test(word)) return false;
  return relation === 'narrower' ? whole : whole || sense < 2;
}

/** A phrase as a whole, and its words that have a matter of their own. */
function partsOf(phrase: string): string[] {
  const words = phrase.split(/\s+/).filter((word) => !LANGUAGE_WORDS.en.function.has(bareWord(word)));
  return [...new Set([phrase, ...words])].slice(0, 6);
}

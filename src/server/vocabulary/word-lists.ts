import { asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { circularList, listNamed, type WordList } from '@/core/rules/text/lists';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { wordLists } from '../db/schema/bank';

/** A word list of the department, by its name, and how many words it has. */
export interface WordListRow {
  name: string;
  words: number;
}

/** The department's word lists, by name. */
export async function listWordLists(ctx: Context): Promise<Result<WordListRow[]>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const rows = await ctx.db.read.select().from(wordLists).orderBy(asc(wordLists.name));
  return ok(rows.map(({ name, words }) => ({ name, words: words.length })));
}

/** A word list and those that it names, itself first. */
export async function openWordList(ctx: Context, raw: unknown): Promise<Result<WordList[]>> {
  const parsed = parse(z.string().max(60), raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const all = await ctx.db.read.select({ name: wordLists.name, words: wordLists.words }).from(wordLists);
  const byName = new Map(all.map((list) => [list.name.toLowerCase(), list]));
  const found: WordList[] = [];
  const take = (name: string): void => {
    const list = byName.get(name.trim().toLowerCase());
    if (!list || found.includes(list)) return;
    found.push(list);
    for (const word of list.words) {
      const other = listNamed(word);
      if (other !== null) take(other);
    }
  };
  take(parsed.value);
  return found.length > 0 ? ok(found) : NOT_FOUND;
}

const kept = z.object({
  name: z.string().trim().min(1, 'list-name-empty').max(60),
  words: z.array(z.string().trim().min(1).max(200)).max(20_000),
});

/** Keeps a word list under its name; one without words is gone. Setups that use it keep what they took in until they are brought up to date. */
export async function keepWordList(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(kept, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const { name } = parsed.value;
  const words = [...new Set(parsed.value.words)];
  if (/[{}]/.test(name)) return refuse('list-name-braces', { at: ['name'] });
  return ctx.db.transaction(async (tx): Promise<Result<null>> => {
    const all = await tx.select({ name: wordLists.name, words: wordLists.words }).from(wordLists);
    const others = all.filter((list) => list.name.toLowerCase() !== name.toLowerCase());
    const circular = circularList([...others, { name, words }]);
    if (circular !== null) return refuse('list-circular', { at: ['words'], values: { list: circular } });
    const before = all.find((list) => list.name.toLowerCase() === name.toLowerCase());
    if (before) await tx.delete(wordLists).where(eq(wordLists.name, before.name));
    if (words.length > 0) await tx.insert(wordLists).values({ name, words });
    return ok(null);
  });
}

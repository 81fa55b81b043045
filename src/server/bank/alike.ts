import { and, eq, inArray, isNull, ne, sql } from 'drizzle-orm';
import { readStored } from '@/core/base/stored-form';
import { questionForm } from '@/core/bank/question';
import { summarise } from '@/core/bank/summary';
import { likeness, wordsOf } from '@/core/text/likeness';
import type { Context } from '../context';
import type { Reader } from '../db/database';
import { questions } from '../db/schema/bank';
import { visibleBanks } from './access';

export interface Alike {
  id: string;
  title: string;
  /** From 0 to 1. */
  likeness: number;
}

/** So many of a text's rarest words are looked up. */
const RAREST = 6;
/** A word that no more questions have is rare. */
const RARE = 2000;
const CANDIDATES = 40;

/** Questions of the bank whose text is at least so much like this one, the likest first. */
export async function questionsLike(
  ctx: Context,
  { text, except, least, most = 8 }: { text: string; except: string | null; least: number; most?: number },
): Promise<Alike[]> {
  const query = await candidatesQuery(ctx.db.read, text);
  if (query === null) return [];
  const rows = await ctx.db.read.all<{ row: number }>(
    sql`SELECT rowid AS row FROM question_search WHERE question_search MATCH ${query} ORDER BY rank LIMIT ${CANDIDATES}`,
  );
  if (rows.length === 0) return [];
  const banks = (await visibleBanks(ctx)).map(({ id }) => id);
  const found = await ctx.db.read
    .select({ id: questions.id, title: questions.title, draft: questions.draft })
    .from(questions)
    .where(
      and(
        inArray(
          questions.row,
          rows.map(({ row }) => row),
        ),
        inArray(questions.bank, banks),
        isNull(questions.deletedAt),
        except === null ? undefined : ne(questions.id, except),
      ),
    );
  return found
    .map(({ draft, ...q }) => ({ ...q, likeness: likeness(text, summarise(readStored(questionForm, draft)).text) }))
    .filter((q) => q.likeness >= least)
    .sort((a, b) => b.likeness - a.likeness)
    .slice(0, most);
}

/** Questions like one of a bank that the actor sees. */
export async function alikeTo(ctx: Context, id: string): Promise<Alike[]> {
  const banks = (await visibleBanks(ctx)).map((bank) => bank.id);
  const [row] = await ctx.db.read
    .select({ draft: questions.draft })
    .from(questions)
    .where(and(eq(questions.id, id), inArray(questions.bank, banks)));
  if (!row) return [];
  return questionsLike(ctx, { text: summarise(readStored(questionForm, row.draft)).text, except: id, least: 0.2 });
}

/**
 * A full-text query for what may be like a text: any of its rare words; when
 * it has none, several of its words together. Null when it says too little.
 */
async function candidatesQuery(read: Reader, text: string): Promise<string | null> {
  const words = [...new Set(wordsOf(text))].filter((word) => word.length > 1).slice(0, 200);
  if (words.length < 2) return null;
  const known = await read.all<{ term: string; doc: number }>(
    sql`SELECT term, doc FROM question_words WHERE term IN ${words} ORDER BY doc, length(term) DESC LIMIT ${RAREST}`,
  );
  const quoted = (list: typeof known): string[] => list.map(({ term }) => `"${term}"`);
  const rare = known.filter(({ doc }) => doc <= RARE);
  if (rare.length >= 2) return quoted(rare).join(' OR ');
  return known.length < 2 ? null : quoted(known.slice(0, 5)).join(' ');
}

import { sql } from 'drizzle-orm';
import { terms } from '@/core/bank/searching';
import { editDistance } from '@/core/text/edit-distance';
import type { Reader } from '../db/database';

/** Words as they may have been meant, when nothing holds them as they were typed; null when none comes near. */
export async function likelierWords(read: Reader, words: string): Promise<string | null> {
  const typed = terms(words);
  if (typed.length === 0 || typed.length > 6) return null;
  const meant = await Promise.all(typed.map((term) => likelier(read, term.toLowerCase())));
  const found = meant.map((word, i) => word ?? typed[i] ?? '');
  const now = found.join(' ');
  return meant.some((word) => word !== null) && now !== typed.join(' ').toLowerCase() ? now : null;
}

/** The word of the bank that a typed one stands for: itself, without its plural, or one slip away and used most often. */
async function likelier(read: Reader, term: string): Promise<string | null> {
  if (await known(read, term)) return null;
  for (const single of singulars(term)) if (await known(read, single)) return single;
  if (term.length < 4) return null;
  const near = await read.all<{ term: string; doc: number }>(
    sql`SELECT term, doc FROM question_words
        WHERE term >= ${term.charAt(0)} AND term < ${`${term.charAt(0)}\uffff`}
          AND length(term) BETWEEN ${term.length - 1} AND ${term.length + 1}`,
  );
  const letters = [...term];
  const [best] = near
    .filter(({ term: other }) => editDistance(letters, [...other], { transpositions: true }) === 1)
    .sort((a, b) => b.doc - a.doc);
  return best?.term ?? null;
}

async function known(read: Reader, beginning: string): Promise<boolean> {
  const rows = await read.all(
    sql`SELECT 1 FROM question_words WHERE term >= ${beginning} AND term < ${`${beginning}\uffff`} LIMIT 1`,
  );
  return rows.length > 0;
}

/** A word without the endings of an English plural. */
function singulars(term: string): string[] {
  return [
    ...(/ies$/.test(term) ? [term.replace(/ies$/, 'y')] : []),
    ...(/(?:s|x|z|ch|sh)es$/.test(term) ? [term.replace(/es$/, '')] : []),
    ...(/ves$/.test(term) ? [term.replace(/ves$/, 'f')] : []),
    ...(/[^s]s$/.test(term) ? [term.replace(/s$/, '')] : []),
  ];
}

import { inArray } from 'drizzle-orm';
import { z } from 'zod';
import { readStored } from '@/core/base/stored-form';
import { ok, type Result } from '@/core/base/result';
import { questionForm } from '@/core/bank/question';
import { type ArchivedQuestion, mediaIn, writeArchive } from '@/core/exchange/archive';
import { COLUMNS, rowFromQuestion } from '@/core/exchange/rows';
import { visibleBanks } from '../bank/access';
import { labelsOf } from '../bank/labels';
import { type Context, NOT_FOUND, parse } from '../context';
import { goals, questions, topics } from '../db/schema/bank';
import { csvFromRows, xlsxFromRows } from './spreadsheet';

const input = z.object({ questions: z.array(z.string()).min(1).max(10_000), as: z.enum(['xlsx', 'csv', 'zip']) });

export interface TakenOut {
  bytes: Uint8Array;
  mime: string;
  name: string;
  /** Questions that a row cannot hold and that are therefore not in the file. */
  leftOut: number;
}

/** Questions as a spreadsheet (those with one slot) or as an open archive (all, with their pictures). */
export async function takeOut(ctx: Context, raw: unknown): Promise<Result<TakenOut>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { as } = parsed.value;
  const found = await readQuestions(ctx, parsed.value.questions);
  if (found.length === 0) return NOT_FOUND;
  if (as === 'zip') {
    const media = new Map<string, Uint8Array>();
    for (const hash of new Set(found.flatMap(({ body }) => mediaIn(body)))) {
      const bytes = await ctx.files.get(hash);
      if (bytes) media.set(hash, bytes);
    }
    const bytes = writeArchive({ questions: found, media });
    return ok({ bytes, mime: 'application/zip', name: 'questions.zip', leftOut: 0 });
  }
  const rows = found.map(({ topic, ...q }) => rowFromQuestion({ ...q, topic: topic.at(-1) ?? '' }));
  const kept = rows.filter((row) => row !== null);
  const table = [[...COLUMNS], ...kept];
  const leftOut = rows.length - kept.length;
  if (as === 'csv') {
    const bytes = new TextEncoder().encode(csvFromRows(table));
    return ok({ bytes, mime: 'text/csv; charset=utf-8', name: 'questions.csv', leftOut });
  }
  return ok({ bytes: await xlsxFromRows('Questions', table), mime: XLSX, name: 'questions.xlsx', leftOut });
}

export const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

async function readQuestions(ctx: Context, ids: string[]): Promise<ArchivedQuestion[]> {
  const banks = (await visibleBanks(ctx)).map(({ id }) => id);
  const rows = await ctx.db.read.select().from(questions).where(inArray(questions.id, ids));
  const labels = await labelsOf(ctx.db.read, ids);
  const allTopics = new Map((await ctx.db.read.select().from(topics)).map((t) => [t.id, t]));
  const codes = new Map((await ctx.db.read.select().from(goals)).map((g) => [g.id, g.code]));
  const path = (id: string | null): string[] => {
    const topic = id === null ? undefined : allTopics.get(id);
    return topic ? [...path(topic.parent), topic.name] : [];
  };
  const place = new Map(ids.map((id, i) => [id, i]));
  return rows
    .filter(({ bank, deletedAt }) => banks.includes(bank) && deletedAt === null)
    .sort((a, b) => (place.get(a.id) ?? 0) - (place.get(b.id) ?? 0))
    .map(({ id, draft, difficulty, demand, topic }) => {
      const { tags, goals: aims } = labels(id);
      return {
        body: readStored(questionForm, draft),
        facts: { difficulty, demand, tags },
        topic: path(topic),
        goals: aims.flatMap((aim) => codes.get(aim) ?? []),
      };
    });
}

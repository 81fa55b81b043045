import { and, asc, eq, inArray, like, or, sql } from 'drizzle-orm';
import { may } from '@/core/people/may';
import { fullTextQuery } from '../bank/search';
import { visibleBanks } from '../bank/access';
import type { Context } from '../context';
import { questions } from '../db/schema/bank';
import { exams, sittings } from '../db/schema/exams';
import { courses, members } from '../db/schema/people';
import { examsFor } from '../exams/access';
import { coursesFor, sittingsFor } from '../people/courses';

export interface Hit {
  what: 'question' | 'exam' | 'sitting' | 'person' | 'course';
  id: string;
  title: string;
  note: string;
}

const EACH = 6;

/** Looks through questions, exams, sittings, people and courses for what is typed. */
export async function find(ctx: Context, words: string): Promise<Hit[]> {
  const query = fullTextQuery(words.slice(0, 200));
  if (!query || !may(ctx.actor, 'use staff rooms', null)) return [];
  const { read } = ctx.db;
  const part = `%${words.trim().slice(0, 200).replace(/[%_]/g, ' ')}%`;
  const hits: Hit[] = [];
  if (may(ctx.actor, 'build exams', null)) {
    const banks = (await visibleBanks(ctx)).map((b) => b.id);
    const own = (await coursesFor(ctx, 'run sittings')).map(({ id }) => id);
    const found = await read
      .select({ id: questions.id, title: questions.title })
      .from(questions)
      .where(
        and(
          inArray(questions.bank, banks),
          sql`${questions.row} IN (SELECT rowid FROM question_search WHERE question_search MATCH ${query})`,
        ),
      )
      .limit(EACH);
    hits.push(...found.map((q): Hit => ({ what: 'question', id: q.id, title: q.title, note: '' })));
    const plans = await read
      .select({ id: exams.id, title: exams.title })
      .from(exams)
      .where(and(like(exams.title, part), examsFor(ctx.actor)))
      .limit(EACH);
    hits.push(...plans.map((e): Hit => ({ what: 'exam', ...e, note: '' })));
    const held = await read
      .select({ id: sittings.id, title: sittings.title, note: courses.code })
      .from(sittings)
      .innerJoin(courses, eq(courses.id, sittings.course))
      .where(and(like(sittings.title, part), await sittingsFor(ctx, 'run sittings')))
      .limit(EACH);
    hits.push(...held.map((s): Hit => ({ what: 'sitting', ...s })));
    const books = await read
      .select({ id: courses.id, title: courses.title, note: courses.code })
      .from(courses)
      .where(and(or(like(courses.title, part), like(courses.code, part)), inArray(courses.id, own)))
      .limit(EACH);
    hits.push(...books.map((c): Hit => ({ what: 'course', ...c })));
  }
  const people = await read
    .select({ id: members.id, title: members.name, note: members.role })
    .from(members)
    .where(or(like(members.name, part), like(members.userName, part)))
    .orderBy(asc(members.name))
    .limit(EACH);
  hits.push(...people.map((p): Hit => ({ what: 'person', ...p })));
  return hits;
}

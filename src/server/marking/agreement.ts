import { eq } from 'drizzle-orm';
import { exact } from '@/core/base/exact';
import { agreementOf, type Agreement, pairTable, shareInterval } from '@/core/agreement/two-raters';
import { ok, type Result } from '@/core/base/result';
import { firstWords } from '@/core/content/plain';
import { poolQuestions } from '@/core/exams/pool';
import { type Context, NOT_FOUND } from '../context';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { members } from '../db/schema/people';
import { probeMarks, secondMarks } from '../db/schema/marks';
import { inSitting } from '../people/courses';
import { currentMarks } from './current-marks';
import { poolOfSitting } from '../sittings/pinned';

/** How far first and second marks agree, over some answers. */
export interface AgreementRow extends Agreement {
  /** A question by its number and first words, or a second marker by name. */
  name: string;
  /** Between which shares the exact one lies with 95 % confidence. */
  between: [number, number];
}

export interface AgreementReport {
  title: string;
  whole: AgreementRow;
  questions: AgreementRow[];
  markers: AgreementRow[];
  /** Whether markers are in step: what they gave to scripts that were marked beforehand, by marker. */
  inStep: AgreementRow[];
}

interface Pair {
  item: string;
  by: string;
  first: string;
  second: string;
}

/** Marks are told apart as exact values; over several questions, as shares of what could be had. */
function rowOf(name: string, pairs: readonly Pair[], worth: ReadonlyMap<string, string>): AgreementRow {
  const share = ({ item }: Pair, marks: string): number =>
    exact(marks)
      .div(exact(worth.get(item) ?? '1'))
      .valueOf();
  const table = pairTable(
    pairs.map((pair) => [share(pair, pair.first), share(pair, pair.second)] as const),
    (a, b) => a - b,
  );
  const agreement = agreementOf(table);
  return { name, ...agreement, between: shareInterval(Math.round(agreement.exact * agreement.n), agreement.n) };
}

function byMarker(pairs: readonly Pair[], worth: ReadonlyMap<string, string>): AgreementRow[] {
  return [...new Set(pairs.map(({ by }) => by))].map((name) =>
    rowOf(
      name,
      pairs.filter(({ by }) => by === name),
      worth,
    ),
  );
}

/** How far those who marked twice agree, by question and by second marker. */
export async function openAgreement(ctx: Context, sitting: string): Promise<Result<AgreementReport>> {
  const allowed = await inSitting(ctx, 'see results', sitting);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const [row] = await read.select({ title: sittings.title }).from(sittings).where(eq(sittings.id, sitting));
  if (!row) return NOT_FOUND;
  const rows = await read
    .select({
      item: secondMarks.item,
      slot: secondMarks.slot,
      by: members.name,
      first: secondMarks.first,
      second: secondMarks.marks,
    })
    .from(secondMarks)
    .innerJoin(attempts, eq(attempts.id, secondMarks.attempt))
    .innerJoin(members, eq(members.id, secondMarks.by))
    .where(eq(attempts.sitting, sitting));
  const items = poolQuestions(await poolOfSitting(read, sitting));
  const worth = new Map(
    items.flatMap((item) =>
      [...item.worth].map(([slot, marks]) => [`${item.id} ${slot}`, marks.toFraction()] as const),
    ),
  );
  const pairs = rows.map(({ item, slot, ...pair }): Pair => ({ ...pair, item: `${item} ${slot}` }));
  const questions = items.flatMap((item) => {
    const mine = pairs.filter((pair) => pair.item.startsWith(`${item.id} `));
    if (mine.length === 0) return [];
    return [rowOf(`${item.number}. ${firstWords(item.question.content, 50)}`, mine, worth)];
  });
  const markers = byMarker(pairs, worth);
  const beforehand = new Map(
    (await currentMarks(read, { sitting })).map((m) => [`${m.attempt} ${m.item} ${m.slot}`, m.marks]),
  );
  const probed = await read
    .select({
      attempt: probeMarks.attempt,
      item: probeMarks.item,
      slot: probeMarks.slot,
      by: members.name,
      second: probeMarks.marks,
    })
    .from(probeMarks)
    .innerJoin(attempts, eq(attempts.id, probeMarks.attempt))
    .innerJoin(members, eq(members.id, probeMarks.by))
    .where(eq(attempts.sitting, sitting));
  const probes = probed.flatMap(({ attempt, item, slot, by, second }): Pair[] => {
    const first = beforehand.get(`${attempt} ${item} ${slot}`);
    return first ? [{ item: `${item} ${slot}`, by, first, second }] : [];
  });
  return ok({
    title: row.title,
    whole: rowOf('all', pairs, worth),
    questions,
    markers,
    inStep: byMarker(probes, worth),
  });
}

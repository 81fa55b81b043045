import ExcelJS from 'exceljs';
import { eq } from 'drizzle-orm';
import { placedSlots } from '@/core/bank/question';
import { ok, type Result } from '@/core/base/result';
import { firstWords } from '@/core/content/plain';
import { poolQuestions } from '@/core/exams/pool';
import { kindOf } from '@/core/kinds/registry';
import { readResponse } from '@/core/kinds/response';
import { type Context, NOT_FOUND } from '../context';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { byAttempt, currentMarks } from '../marking/current-marks';
import { inSitting } from '../people/courses';
import { readDepartment } from '../people/policy';
import { currentAnswersOf } from '../sittings/attempts';
import { poolOfSitting } from '../sittings/pinned';
import { scoresOf } from './results';

type Value = string | number | Date | null;

/** A whole sitting as a table: a row for each script that counts, with times, every answer in plain words, its marks, and the score. */
export interface SittingTable {
  title: string;
  head: string[];
  rows: Value[][];
}

/** For whoever sees the results; by the numbers of scripts where the department hides names and results are not out yet. */
export async function sittingTable(ctx: Context, id: string): Promise<Result<SittingTable>> {
  const allowed = await inSitting(ctx, 'see results', id);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const [sitting] = await read.select().from(sittings).where(eq(sittings.id, id));
  if (!sitting) return NOT_FOUND;
  const { policy } = await readDepartment(read);
  const nameless = policy.namesHidden && sitting.releasedAt === null;
  const slots = poolQuestions(await poolOfSitting(read, id)).flatMap((item) =>
    placedSlots(item.question).map(({ id: slot, letter, slot: { kind, setup } }, _, all) => ({
      item,
      slot,
      kind: kindOf(kind),
      setup,
      name: all.length > 1 ? `${item.number}${letter}` : item.number,
    })),
  );
  const scored = await scoresOf(read, sitting, ctx.now);
  const ids = scored.map(({ attempt }) => attempt);
  const given = await currentAnswersOf(
    read,
    ids,
    slots.map(({ item }) => item.id),
  );
  const marks = byAttempt(await currentMarks(read, { sitting: id }));
  const times = await read.select().from(attempts).where(eq(attempts.sitting, id));
  const timeOf = new Map(times.map((row) => [row.id, row]));
  const rows = scored.map(({ attempt, name, score }): Value[] => {
    const time = timeOf.get(attempt);
    const answers = slots.flatMap(({ item, slot, kind, setup }): Value[] => {
      const response = readResponse(kind, given.get(attempt)?.[item.id]?.[slot]);
      const answered = response && !kind.blank(response.response);
      const earned = marks.get(attempt)?.get(item.id)?.get(slot);
      return [answered ? kind.describeResponse(setup, response.response) : null, earned?.valueOf() ?? null];
    });
    const handedInAt = time?.handedInAt ?? null;
    return [
      time?.script ?? null,
      ...(nameless ? [] : [name]),
      time ? new Date(time.startedAt) : null,
      handedInAt === null ? null : new Date(handedInAt),
      time && handedInAt !== null ? Math.round((handedInAt - time.startedAt) / 60_000) : null,
      ...answers,
      score.marks.valueOf(),
      score.of.valueOf(),
      Number(score.shown.percent),
      score.grade,
      score.waiting > 0 ? 'not final' : score.passed ? 'yes' : 'no',
    ];
  });
  const head = [
    'Script',
    ...(nameless ? [] : ['Name']),
    'Begun',
    'Handed in',
    'Minutes',
    ...slots.flatMap(({ name, item }) => [`${name} ${firstWords(item.question.content, 40)}`, `${name} marks`]),
    'Score',
    'Of',
    'Percent',
    'Grade',
    'Passed',
  ];
  return ok({ title: sitting.title, head, rows });
}

/** Longer text than a cell of a workbook can hold is cut. */
const MOST_SIGNS = 32_000;

export async function sittingXlsx({ title, head, rows }: SittingTable): Promise<Uint8Array> {
  const workbook = new ExcelJS.Workbook();
  const sheet = workbook.addWorksheet(title.replace(/[\\/*?:[\]]/g, ' ').slice(0, 31), {
    views: [{ state: 'frozen', xSplit: 2, ySplit: 1 }],
  });
  sheet.addRow(head).font = { bold: true };
  sheet.addRows(rows.map((row) => row.map((cell) => (typeof cell === 'string' ? cell.slice(0, MOST_SIGNS) : cell))));
  sheet.columns.forEach((column, i) => {
    column.width = i === 1 ? 28 : 14;
    if (head[i] === 'Begun' || head[i] === 'Handed in') column.numFmt = 'yyyy-mm-dd hh:mm';
  });
  return new Uint8Array(await workbook.xlsx.writeBuffer());
}

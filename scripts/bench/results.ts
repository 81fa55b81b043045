import { spawnSync } from 'node:child_process';
import { performance } from 'node:perf_hooks';
import { must } from '../../src/core/base/result';
import { seeded } from '../../src/core/base/random';
import { discrimination, itemFigures } from '../../src/core/analysis/items';
import { rasch } from '../../src/core/analysis/rasch';
import { alpha } from '../../src/core/analysis/reliability';
import { type BookColumn, NEW_BOOK } from '../../src/core/gradebook/book';
import { gradeRow } from '../../src/core/gradebook/row';
import { bookEntries } from '../../src/server/db/schema/gradebook';
import { enrolments, members } from '../../src/server/db/schema/people';
import { openGradebook } from '../../src/server/gradebook/gradebook';
import { putCells } from '../../src/server/gradebook/entries';
import { saveBook } from '../../src/server/gradebook/settings';
import { TestDepartment } from '../../tests/drivers/department';
import { percentile, say } from './figures';

const timed = async <T>(act: () => Promise<T> | T): Promise<[T, number]> => {
  const begin = performance.now();
  const value = await act();
  return [value, performance.now() - begin];
};

/** Alpha, correlations with the rest and the best less the weakest, plainly written, of the rows on the standard input. */
const PLAIN = `
import sys, time
rows = [[int(x) for x in line.split(',')] for line in sys.stdin]
begin = time.perf_counter()
n, k = len(rows), len(rows[0])
tot = [sum(r) for r in rows]
mean = lambda v: sum(v) / len(v)
def var(v):
    m = mean(v)
    return sum((x - m) ** 2 for x in v) / (len(v) - 1)
cols = [[r[i] for r in rows] for i in range(k)]
alpha = k / (k - 1) * (1 - sum(var(c) for c in cols) / var(tot))
def corr(a, b):
    ma, mb = mean(a), mean(b)
    return sum((x - ma) * (y - mb) for x, y in zip(a, b)) / (sum((x - ma) ** 2 for x in a) * sum((y - mb) ** 2 for y in b)) ** 0.5
rest = [corr(c, [t - x for t, x in zip(tot, c)]) for c in cols]
order = sorted(range(n), key=lambda p: tot[p])
g = int(0.27 * n + 0.5)
apart = [mean([c[p] for p in order[-g:]]) - mean([c[p] for p in order[:g]]) for c in cols]
print((time.perf_counter() - begin) * 1000, alpha)
`;

/** 10,000 persons × 60 items, beside the same in plain Python, and a gradebook of 500 × 60, beside reading its rows alone. */
export async function resultsBench(): Promise<void> {
  const random = seeded(11);
  const scores = Array.from({ length: 10_000 }, () => {
    const ability = 2 * (random() + random() + random() - 1.5);
    return Array.from({ length: 60 }, (_, i) => (random() < 1 / (1 + Math.exp((i - 30) / 15 - ability)) ? 1 : 0));
  });
  const [, plain] = await timed(() => [alpha(scores), itemFigures(scores), discrimination(scores, 0.27)]);
  const [, scale] = await timed(() => rasch(scores));
  const lines = scores.map((row) => row.join(',')).join('\n');
  const python = spawnSync('python3', ['-c', PLAIN], { input: lines, encoding: 'utf8' });
  const [ms = NaN, same = NaN] = python.stdout ? python.stdout.trim().split(' ').map(Number) : [];
  say({
    'analysis of 10,000 × 60, ms': plain,
    'to plain Python': plain / ms,
    'the same alpha': Math.abs((alpha(scores) ?? 0) - same) < 1e-9 ? 'yes' : 'no',
    'Rasch, ms': scale,
  });
  await gradebook(500, 60);
}

async function gradebook(students: number, width: number): Promise<void> {
  const dept = await TestDepartment.open();
  const { db } = dept.out;
  const columns = Array.from(
    { length: width },
    (_, i): BookColumn => ({
      id: `c${i}`,
      from: { is: 'hand', title: `Column ${i}`, of: '20' },
      category: `k${i % 4}`,
      counts: true,
      extra: i % 15 === 14,
      missing: 'zero',
      replacedBy: null,
    }),
  );
  const categories = Array.from({ length: 4 }, (_, i) => ({
    id: `k${i}`,
    name: `Category ${i}`,
    weight: '25',
    average: i % 2 === 0 ? ('points' as const) : ('percents' as const),
    keep: { is: 'dropLowest' as const, n: 2 },
    passPercent: null,
  }));
  const teacher = dept.as('teacher');
  must(await saveBook(teacher, { course: dept.course, base: 0, book: { ...NEW_BOOK, categories, columns } }));
  await db.transaction(async (tx) => {
    for (let s = 0; s < students; s++) {
      const id = `m${s}`;
      await tx.insert(members).values({ id, userName: id, name: id, role: 'student', passwordHash: '-', createdAt: 1 });
      await tx.insert(enrolments).values({ course: dept.course, member: id });
      await tx.insert(bookEntries).values(
        columns.map(({ id: column }, c) => ({
          ...{ course: dept.course, column, member: id, reason: '', by: teacher.actor.id, at: 1 },
          entry: { is: 'marks' as const, marks: String((s * 7 + c * 3) % 21) },
        })),
      );
    }
  });
  const [, baseline] = await timed(() => db.read.select().from(bookEntries));
  const opens: number[] = [];
  for (let i = 0; i < 5; i++) opens.push((await timed(() => openGradebook(teacher, dept.course)))[1]);
  const book = must(await openGradebook(teacher, dept.course));
  const [, all] = await timed(() => book.rows.map((row) => gradeRow(book, row.cells, null)));
  const first = book.rows.find(({ member }) => member === 'm0');
  const typed: number[] = [];
  for (let i = 0; i < 20; i++) typed.push((await timed(() => first && gradeRow(book, first.cells, null)))[1]);
  const change = {
    column: 'c0',
    member: 'm0',
    entry: { is: 'marks', marks: '5' },
    base: first?.cells[0]?.last ?? 0,
  };
  const [, kept] = await timed(async () =>
    must(await putCells(teacher, { course: dept.course, changes: [change], reason: '' })),
  );
  say({
    'gradebook 500 × 60 opens, ms (median)': percentile(opens, 0.5),
    'to reading its rows alone': percentile(opens, 0.5) / baseline,
    'all grades, ms': all,
    'a typed cell to its grade, ms (p95)': percentile(typed, 0.95),
    'a typed cell kept, ms': kept,
  });
  await dept.close();
}

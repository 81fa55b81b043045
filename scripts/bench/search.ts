import { performance } from 'node:perf_hooks';
import { seeded } from '../../src/core/base/random';
import { must } from '../../src/core/base/result';
import { contentFromLines } from '../../src/core/content/lines';
import { headOf, indexQuestion } from '../../src/server/bank/write';
import { searchQuestions } from '../../src/server/bank/search';
import { questions } from '../../src/server/db/schema/bank';
import { TestDepartment } from '../../tests/drivers/department';
import { sampleQuestion } from '../../tests/drivers/samples';
import { percentile, say } from './figures';

const WORDS =
  'rotor blade gearbox oil bearing generator tower nacelle wind speed power torque current voltage cable switch harness ladder rescue pitch yaw brake shaft filter pressure temperature alarm inspection lightning grid'.split(
    ' ',
  );

/** Bank search over generated questions; the baseline is a plain LIKE over the same table. */
export async function search(count: number): Promise<void> {
  const dept = await TestDepartment.open();
  const begun = performance.now();
  const next = seeded(20);
  const word = (): string => WORDS[Math.floor(next() * WORDS.length)] ?? 'rotor';
  const by = dept.id('teacher');
  for (let done = 0; done < count; done += 500) {
    await dept.out.db.transaction(async (tx) => {
      for (let i = 0; i < 500; i++) {
        const body = {
          ...sampleQuestion(''),
          content: contentFromLines(`${Array.from({ length: 14 }, word).join(' ')} ${done + i}`),
        };
        const [row] = await tx
          .insert(questions)
          .values({
            id: `g${done + i}`,
            bank: dept.bank,
            topic: null,
            difficulty: 1 + (i % 3),
            demand: 'use',
            ...headOf(body),
            draftVersion: 1,
            revision: 0,
            changed: true,
            author: by,
            savedBy: by,
            savedAt: done + i,
          })
          .returning({ row: questions.row });
        if (row) await indexQuestion(tx, row.row, body);
      }
    });
  }
  say({ 'made in s': (performance.now() - begun) / 1000 });
  const ctx = dept.as('teacher');
  const timed = async (words: string): Promise<number> => {
    const from = performance.now();
    must(
      await searchQuestions(ctx, {
        bank: null,
        topic: null,
        words,
        kind: null,
        difficulty: null,
        sort: 'best',
        from: 0,
      }),
    );
    return performance.now() - from;
  };
  await timed('warm up');
  const one: number[] = [];
  const three: number[] = [];
  const prefix: number[] = [];
  for (let i = 0; i < 150; i++) {
    one.push(await timed(word()));
    three.push(await timed(`${word()} ${word()} ${word()}`));
    prefix.push(await timed(word().slice(0, 2)));
  }
  const all = [...one, ...three, ...prefix];
  const baseline: number[] = [];
  for (let i = 0; i < 20; i++) {
    const from = performance.now();
    await dept.out.db.read.all(
      `SELECT id FROM questions WHERE draft LIKE '%${word()}%' ORDER BY saved_at DESC LIMIT 60`,
    );
    baseline.push(performance.now() - from);
  }
  say({
    questions: count,
    'search p50 ms': percentile(all, 0.5),
    'p95 ms': percentile(all, 0.95),
    'one word p95': percentile(one, 0.95),
    'three words p95': percentile(three, 0.95),
    'two letters p95': percentile(prefix, 0.95),
    'ratio to LIKE (p50)': percentile(all, 0.5) / percentile(baseline, 0.5),
  });
  dept.close();
}

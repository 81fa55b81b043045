import { performance } from 'node:perf_hooks';
import { seeded } from '../../src/core/base/random';
import { must } from '../../src/core/base/result';
import { contentFromLines } from '../../src/core/content/lines';
import { freshFacts } from '../../src/core/bank/facts';
import { questionsLike } from '../../src/server/bank/alike';
import { searchQuestions } from '../../src/server/bank/search';
import { insertQuestion } from '../../src/server/bank/write';
import { outside } from '../../src/server/outside';
import { goTo, launch, signIn } from '../../tests/drivers/browser';
import { sampleQuestion } from '../../tests/drivers/samples';
import { loadDemo, Server } from '../../tests/drivers/server';
import { percentile, say } from './figures';

const WORDS =
  'rotor blade gearbox oil bearing generator tower nacelle wind speed power torque current voltage cable switch harness ladder rescue pitch yaw brake shaft filter pressure temperature alarm inspection lightning grid'.split(
    ' ',
  );

/** Bank search over generated questions; the baseline is a plain LIKE over the same table. */
export async function search(count: number): Promise<void> {
  const server = new Server(3404, 'bench-search');
  loadDemo(server.data);
  process.env.ZONDA_DATA = server.data;
  const out = await outside();
  const [bank] = await out.db.read.all<{ id: string; owner: string }>(
    `SELECT id, owner FROM banks WHERE share = 'department' ORDER BY id LIMIT 1`,
  );
  if (!bank) throw new Error('The demo department has a shared bank');
  const begun = performance.now();
  const next = seeded(20);
  const word = (): string => WORDS[Math.floor(next() * WORDS.length)] ?? 'rotor';
  for (let done = 0; done < count; done += 500) {
    await out.db.transaction(async (tx) => {
      for (let i = 0; i < 500; i++) {
        const body = {
          ...sampleQuestion(''),
          content: contentFromLines(`${Array.from({ length: 14 }, word).join(' ')} ${done + i}`),
        };
        const facts = { ...freshFacts, difficulty: 1 + (i % 3), tags: [`tag ${i % 20}`] };
        await insertQuestion(tx, { bank: bank.id, facts, body }, bank.owner, done + i);
      }
    });
  }
  say({ 'made in s': (performance.now() - begun) / 1000 });
  const ctx = { ...out, actor: { id: bank.owner, role: 'teacher' as const } };
  const timed = async (words: string, more: Record<string, unknown> = {}): Promise<number> => {
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
        ...more,
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
  const narrowed: number[] = [];
  const alike: number[] = [];
  for (let i = 0; i < 40; i++) {
    narrowed.push(await timed('', { tag: `tag ${i % 20}`, sort: 'newest' }));
    narrowed.push(await timed(word(), { difficulty: 2, sort: 'title' }));
    const from = performance.now();
    await questionsLike(ctx, { text: Array.from({ length: 14 }, word).join(' '), except: null, least: 0.3 });
    alike.push(performance.now() - from);
  }
  const all = [...one, ...three, ...prefix];
  const baseline: number[] = [];
  for (let i = 0; i < 20; i++) {
    const from = performance.now();
    await out.db.read.all(`SELECT id FROM questions WHERE draft LIKE '%${word()}%' ORDER BY saved_at DESC LIMIT 60`);
    baseline.push(performance.now() - from);
  }
  say({
    questions: count,
    'search p50 ms': percentile(all, 0.5),
    'p95 ms': percentile(all, 0.95),
    'one word p95': percentile(one, 0.95),
    'three words p95': percentile(three, 0.95),
    'two letters p95': percentile(prefix, 0.95),
    'narrowed p95': percentile(narrowed, 0.95),
    'alike p95': percentile(alike, 0.95),
    'ratio to LIKE (p50)': percentile(all, 0.5) / percentile(baseline, 0.5),
  });
  say({ 'memory MB': process.memoryUsage().rss / 1048576 });
  out.db.close();
  await toTheScreen(server);
}

/** How long after the last key the list has changed in the browser. */
async function toTheScreen(server: Server): Promise<void> {
  await server.start();
  const browser = await launch();
  const { page } = await signIn(browser, server.base, 'odalys');
  await goTo(page, '/bank?bank=all');
  const field = page.getByRole('searchbox').first();
  const times: number[] = [];
  for (let i = 0; i < 40; i++) {
    const word = `${WORDS[(i * 7) % WORDS.length]} ${WORDS[(i * 11 + 3) % WORDS.length]}`;
    await field.fill('');
    await page.waitForTimeout(400);
    times.push(
      await field.evaluate(async (input, typed) => {
        const list = document.querySelector('.question-list')?.parentElement ?? document.body;
        const changed = new Promise<number>((done) => {
          const watch = new MutationObserver(() => {
            if (!list.querySelector('.question-list mark')) return;
            watch.disconnect();
            requestAnimationFrame(() => done(performance.now()));
          });
          watch.observe(list, { childList: true, subtree: true, characterData: true });
        });
        const from = performance.now();
        const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
        set?.call(input, typed);
        input.dispatchEvent(new Event('input', { bubbles: true }));
        return (await changed) - from;
      }, word),
    );
  }
  say({ 'key to list p50 ms': percentile(times, 0.5), 'p95 ms': percentile(times, 0.95) });
  await browser.close();
  await server.kill();
}

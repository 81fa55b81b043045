import { performance } from 'node:perf_hooks';
import { readFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import { checkQuestion } from '../../src/core/bank/checks';
import type { QuestionBody } from '../../src/core/bank/question';
import { COLUMNS } from '../../src/core/exchange/rows';
import { goTo, launch, signIn } from '../../tests/drivers/browser';
import { sampleQuestion } from '../../tests/drivers/samples';
import { loadDemo, Server } from '../../tests/drivers/server';
import { csvFromRows } from '../../src/server/exchange/spreadsheet';
import { percentile, say } from './figures';
import { keepQuestion } from './keep-question';

/** A question of thirty slots with a hundred trial answers. */
function large(): QuestionBody {
  const one = sampleQuestion('Large');
  const ids = Array.from({ length: 30 }, (_, i) => `s${i + 1}`);
  const { b } = one.slots;
  if (!b) throw new Error('The sample has a number');
  return {
    ...one,
    slots: Object.fromEntries(ids.map((id) => [id, b])),
    content: {
      type: 'doc',
      content: ids.map((id) => ({
        type: 'paragraph',
        content: [
          { type: 'text', text: `Work out value ${id}: ` },
          { type: 'inlineSlot', attrs: { id } },
        ],
      })),
    },
    trials: Array.from({ length: 100 }, (_, i) => ({
      id: `t${i}`,
      slot: `s${(i % 30) + 1}`,
      response: { number: `${73_000 + i} kW`, unit: '' },
      expected: '' as const,
    })),
  };
}

/** Opening the bench, typing on a large question, checking it, bringing in 5,000 rows. */
export async function writing(): Promise<void> {
  const checks: number[] = [];
  for (let i = 0; i < 20; i++) {
    const from = performance.now();
    checkQuestion(large());
    checks.push(performance.now() - from);
  }
  const server = new Server(3403, 'bench-writing');
  loadDemo(server.data);
  await server.start();
  const browser = await launch();
  const { page } = await signIn(browser, server.base, 'odalys');
  await keepQuestion(page, server.base, large());
  await goTo(page, '/bank?bank=all');
  const opening = performance.now();
  await page.getByRole('link', { name: 'Large', exact: true }).click();
  await page.getByRole('textbox', { name: 'The sheet' }).waitFor();
  await page.getByLabel('Slot A: the right number with its unit').waitFor();
  const opened = performance.now() - opening;

  await page
    .getByRole('textbox', { name: 'The sheet' })
    .locator('p')
    .first()
    .click({ position: { x: 10, y: 10 } });
  const typing = await page.evaluate(async () => {
    const times: number[] = [];
    for (let i = 0; i < 60; i++) {
      const from = performance.now();
      document.execCommand('insertText', false, 'x');
      await new Promise((done) => requestAnimationFrame(() => setTimeout(done, 0)));
      times.push(performance.now() - from);
      await new Promise((done) => setTimeout(done, 40));
    }
    return times;
  });

  await goTo(page, '/bank/bring-in');
  const rows = [
    [...COLUMNS],
    ...Array.from({ length: 5000 }, (_, i) => ['number', `Row ${i}: how much is it?`, `${i + 1} kW`, '1']),
  ];
  await page
    .getByLabel(/^A file/)
    .setInputFiles({ name: 'many.csv', mimeType: 'text/csv', buffer: Buffer.from(csvFromRows(rows)) });
  const begun = performance.now();
  await page.getByText('5000 questions found').waitFor({ timeout: 60_000 });
  const read = performance.now() - begun;
  await page.getByRole('button', { name: 'Bring in 5000' }).click();
  await page.getByText('5000 questions are in the bank as drafts.').waitFor({ timeout: 120_000 });
  const kept = performance.now() - begun;
  say({
    'bench opens ms': opened,
    'key to screen p50 ms': percentile(typing, 0.5),
    'p95 ms': percentile(typing, 0.95),
    'check of 30 slots and 100 trial answers p95 ms': percentile(checks, 0.95),
    '5,000 rows read s': read / 1000,
    'and kept s': kept / 1000,
    'memory of the server MB': memoryOf('next-server'),
  });
  await browser.close();
  await server.kill();
}

function memoryOf(name: string): number {
  const [pid = ''] = execFileSync('pgrep', ['-f', name], { encoding: 'utf8' }).trim().split('\n');
  const [, kilobytes = '0'] = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
  return Number(kilobytes) / 1024;
}

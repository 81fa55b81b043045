import { createHash } from 'node:crypto';
import path from 'node:path';
import { and, eq, like } from 'drizzle-orm';
import sharp from 'sharp';
import { openDatabase } from '../../src/server/db/database';
import { answersNow, attemptFiles } from '../../src/server/db/schema/attempts';
import { folderFiles } from '../../src/server/ports/files';
import type { Page } from '@playwright/test';
import { goTo, launch, signIn } from '../../tests/drivers/browser';
import { loadDemo, Server } from '../../tests/drivers/server';
import { percentile, say } from './figures';

/** Pixels of a photograph: 12 million. */
const [WIDE, HIGH] = [4000, 3000];

/** Puts a photograph of its own in the place of each page that was handed in. */
async function photographs(data: string): Promise<number> {
  const db = await openDatabase(`file:${path.join(data, 'zonda.db')}`);
  const files = folderFiles(path.join(data, 'files'));
  const rows = await db.read.select().from(answersNow).where(like(answersNow.value, '%page 1.jpg%'));
  for (const [i, row] of rows.entries()) {
    const noise = { type: 'gaussian' as const, mean: 120 + i, sigma: 30 };
    const bytes = await sharp({ create: { width: WIDE, height: HIGH, channels: 3, background: 'white', noise } })
      .jpeg({ quality: 60 })
      .toBuffer();
    const hash = createHash('sha256').update(bytes).digest('hex');
    await files.put(hash, bytes);
    const file = { hash, name: 'page 1.jpg', size: bytes.length, attempt: row.attempt };
    await db.transaction(async (tx) => {
      const { attempt, name, size } = file;
      await tx.insert(attemptFiles).values({ attempt, hash, name, size, received: size, at: 1 });
      const value = { version: 1, pages: [{ ...file, turn: 0, corners: null }] };
      const here = and(eq(answersNow.attempt, attempt), eq(answersNow.item, row.item), eq(answersNow.slot, row.slot));
      await tx.update(answersNow).set({ value }).where(here);
    });
  }
  db.close();
  return rows.length;
}

/** Milliseconds from the key for the next answer until it stands on the screen, so often, with time to look between. As text: the compiler of this script would leave its own helpers in a function. */
async function nexts(page: Page, question: RegExp, times: number): Promise<number[]> {
  await goTo(page, '/marking');
  await page.getByRole('link', { name: question }).first().click();
  await page.waitForURL(/\/marking\/[^/]+\/./);
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(4000);
  const took: number[] = [];
  for (let i = 0; i < times; i++) {
    await page.evaluate(`
      window.script = () => [...document.querySelectorAll('button[aria-current]')].findIndex((b) => b.ariaCurrent === 'true');
      window.shown = () => [...document.querySelectorAll('.answer-box .page-view img')].map((img) => img.complete && img.src).join();
      window.before = [window.script(), window.shown()];
      window.photographed = document.querySelector('.answer-box .page-view img') !== null;
      window.took = new Promise((done) => {
        addEventListener('keydown', () => {
          const from = performance.now();
          requestAnimationFrame(function look() {
            const there = window.script() !== window.before[0] && (!window.photographed || (window.shown() !== '' && window.shown() !== 'false' && window.shown() !== window.before[1]));
            if (there) requestAnimationFrame(() => done(performance.now() - from));
            else requestAnimationFrame(look);
          });
        }, { once: true, capture: true });
      });
      0;
    `);
    await page.keyboard.press('j');
    took.push(Number(await page.evaluate('window.took')));
    await page.waitForTimeout(2500);
  }
  return took;
}

/** The desk with photographs of 12 megapixels: how soon the next is there, to the same with typed answers. */
export async function photosBench(): Promise<void> {
  const server = new Server(3405, 'bench-photos');
  loadDemo(server.data);
  const count = await photographs(server.data);
  await server.start();
  const browser = await launch();
  const { page } = await signIn(browser, server.base, 'odalys');
  const typed = await nexts(page, /You have found oil/, 8);
  const shown = await nexts(page, /Work out on paper/, 8);
  say({
    photographs: count,
    'megapixels of each': (WIDE * HIGH) / 1e6,
    'next answer, ms (p95)': percentile(shown, 0.95),
    'next answer, ms (median)': percentile(shown, 0.5),
    'to answers without a picture': percentile(shown, 0.5) / percentile(typed, 0.5),
  });
  await browser.close();
  await server.kill();
}

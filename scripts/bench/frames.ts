import { performance } from 'node:perf_hooks';
import type { Page } from '@playwright/test';

/** The times between the frames of a page while something is done again and again for four seconds, in milliseconds. */
export async function framesWhile(page: Page, again: (i: number) => Promise<void>): Promise<number[]> {
  // As text: the compiler of this script would leave its own helpers in a function.
  await page.evaluate(`
    window.frameTimes = [];
    let last = performance.now();
    requestAnimationFrame(function tick(now) {
      window.frameTimes.push(now - last);
      last = now;
      requestAnimationFrame(tick);
    });
  `);
  const from = performance.now();
  for (let i = 0; performance.now() - from < 4000; i++) {
    await again(i);
    await page.waitForTimeout(8);
  }
  return page.evaluate(() => (window as unknown as { frameTimes: number[] }).frameTimes.slice(5));
}

/** Frames a second. */
export const frameRate = (times: readonly number[]): number =>
  1000 / (times.reduce((all, one) => all + one, 0) / times.length);

import type { Page } from '@playwright/test';
import { emptyQuestion, type QuestionBody } from '../../src/core/bank/question';
import { draw } from '../../src/core/kinds/draw/draw';
import { goTo, launch, PHONE, signIn } from '../../tests/drivers/browser';
import { loadDemo, Server } from '../../tests/drivers/server';
import { percentile, say } from './figures';
import { frameRate, framesWhile } from './frames';
import { keepQuestion } from './keep-question';

const body: QuestionBody = {
  ...emptyQuestion,
  title: 'Drawn upon',
  content: { type: 'doc', content: [{ type: 'blockSlot', attrs: { id: 'a' } }] },
  slots: { a: { kind: 'draw', marks: '1', setup: draw.fresh() } },
};

/** Frames over some seconds in which nothing, or a long stroke, is drawn. */
async function frames(page: Page, drawing: boolean): Promise<number[]> {
  const paper = await page.locator('[role="dialog"] .drawing-frame').last().boundingBox();
  if (!paper) throw new Error('Nothing to draw on');
  const at = (turn: number): [number, number] => [
    paper.x + paper.width * (0.5 + 0.4 * Math.cos(turn) * Math.cos(turn / 7)),
    paper.y + paper.height * (0.5 + 0.4 * Math.sin(turn)),
  ];
  await page.mouse.move(...at(0));
  if (drawing) await page.mouse.down();
  const times = await framesWhile(page, (i) => (drawing ? page.mouse.move(...at(i / 12)) : Promise.resolve()));
  if (drawing) await page.mouse.up();
  return times;
}

/** Drawing on a paper with 5,000 points on a phone with a quarter of the processor, to the same page at rest. */
export async function drawingBench(): Promise<void> {
  const server = new Server(3404, 'bench-drawing');
  loadDemo(server.data);
  await server.start();
  const browser = await launch();
  const { page, context } = await signIn(browser, server.base, 'odalys');
  await keepQuestion(page, server.base, body);
  await goTo(page, '/bank?bank=all');
  await page.getByRole('link', { name: 'Drawn upon', exact: true }).click();
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  await page.setViewportSize(PHONE);
  const paper = page.locator('[role="dialog"] .drawing-frame').last();
  await paper.scrollIntoViewIfNeeded();
  const box = await paper.boundingBox();
  // Zigzags, of which every point stays.
  for (let line = 0; line < 50; line++) {
    const y = (box?.y ?? 0) + 10 + (line % 10) * 4;
    await page.mouse.move((box?.x ?? 0) + 5, y);
    await page.mouse.down();
    for (let i = 1; i <= 100; i++)
      await page.mouse.move((box?.x ?? 0) + 5 + ((box?.width ?? 300) - 10) * (i / 100), y + (i % 2) * 12);
    await page.mouse.up();
  }
  const protocol = await context.newCDPSession(page);
  await protocol.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const rest = await frames(page, false);
  const drawn = await frames(page, true);
  const points = await page.evaluate(`
    [...document.querySelectorAll('[role="dialog"] [data-shape]')].reduce((n, path) => n + path.getAttribute('d').split('L').length, 0)
  `);
  say({
    points: Number(points),
    'frames a second, drawing': frameRate(drawn),
    'to the page at rest': frameRate(drawn) / frameRate(rest),
    'frame p95 ms': percentile(drawn, 0.95),
  });
  await browser.close();
  await server.kill();
}

import type { Page } from '@playwright/test';
import { emptyQuestion, type QuestionBody } from '../../src/core/bank/question';
import { BICYCLE } from '../../src/core/content/bundled';
import { label, type LabelSetup } from '../../src/core/kinds/label/label';
import { goTo, launch, signIn } from '../../tests/drivers/browser';
import { loadDemo, Server } from '../../tests/drivers/server';
import { percentile, say } from './figures';
import { frameRate, framesWhile } from './frames';
import { keepQuestion } from './keep-question';

/** A picture with forty places and sixty names. */
function crowded(): QuestionBody {
  const names = Array.from({ length: 60 }, (_, i) => ({ id: `n${i + 1}`, text: `name ${i + 1}` }));
  const places = Array.from({ length: 40 }, (_, i) => ({
    id: `p${i + 1}`,
    at: { x: i % 2 === 0 ? -4 : 104, y: 2.4 * i + 2 },
    foot: { x: 20 + 1.5 * i, y: 2.4 * i + 2 },
    accepts: [`n${i + 1}`],
    description: '',
    feedback: '',
  }));
  const setup: LabelSetup = {
    ...label.fresh(),
    picture: BICYCLE,
    margin: { top: 0, right: 40, bottom: 0, left: 40 },
    places,
    names,
  };
  return {
    ...emptyQuestion,
    title: 'Crowded',
    content: { type: 'doc', content: [{ type: 'blockSlot', attrs: { id: 'a' } }] },
    slots: { a: { kind: 'label', marks: '40', setup } },
  };
}

/** The times between frames while something is dragged across the sheet, in milliseconds. */
async function frames(page: Page): Promise<number[]> {
  const tile = await page.locator('[role="dialog"] .item-list .tile:enabled').first().boundingBox();
  const board = await page.locator('[role="dialog"] .board').last().boundingBox();
  if (!tile || !board) throw new Error('Nothing to drag');
  await page.mouse.move(tile.x + 10, tile.y + 10);
  await page.mouse.down();
  await page.mouse.move(tile.x + 20, tile.y - 10, { steps: 3 });
  const times = await framesWhile(page, (i) => {
    const turn = (i / 90) * 2 * Math.PI;
    return page.mouse.move(
      board.x + board.width * (0.5 + 0.45 * Math.cos(turn)),
      board.y + board.height * (0.5 + 0.4 * Math.sin(turn)),
    );
  });
  await page.mouse.up();
  return times;
}

/** From the press on a place to the picture of it, in milliseconds. */
async function puts(page: Page): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < 20; i++) {
    await page.locator('[role="dialog"] .item-list .tile:enabled').first().click();
    times.push(
      await page
        .locator('[role="dialog"] .place.free')
        .first()
        .evaluate(async (place: HTMLElement) => {
          const started = performance.now();
          place.click();
          await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
          return performance.now() - started;
        }),
    );
  }
  return times;
}

/** Taking and putting on a picture with forty places and sixty names: as it is, and with a quarter of the processor. */
export async function placing(): Promise<void> {
  const server = new Server(3404, 'bench-placing');
  loadDemo(server.data);
  await server.start();
  const browser = await launch();
  const { page, context } = await signIn(browser, server.base, 'odalys');
  await keepQuestion(page, server.base, crowded());
  await goTo(page, '/bank?bank=all');
  await page.getByRole('link', { name: 'Crowded', exact: true }).click();
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  const idle = await frames(page);
  const fast = await puts(page);
  const protocol = await context.newCDPSession(page);
  await protocol.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const slow = await puts(page);
  say({
    'frames a second': frameRate(idle),
    'frame p95 ms': percentile(idle, 0.95),
    'put p95 ms': percentile(fast, 0.95),
    'put p95 ms, a quarter of the processor': percentile(slow, 0.95),
  });
  await browser.close();
  await server.kill();
}

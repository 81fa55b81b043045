import { gzipSync } from 'node:zlib';
import { WT110 } from '../../src/demo/people';
import { launch, PHONE, signIn } from '../../tests/drivers/browser';
import { loadDemo, Server } from '../../tests/drivers/server';
import { say } from './figures';

/** What a student's phone loads before the first answer can be given, and when the sheet is painted. */
export async function room(): Promise<void> {
  const server = new Server(3400, 'bench-room');
  loadDemo(server.data);
  await server.start();
  const browser = await launch();
  const { page } = await signIn(browser, server.base, WT110[9]?.userName ?? '', PHONE);
  const address = (await page.getByRole('link', { name: 'Go on' }).getAttribute('href')) ?? '';
  const fresh = await page.context().newPage();
  const scripts: Promise<number>[] = [];
  fresh.on('response', (r) => {
    if (r.url().endsWith('.js')) scripts.push(r.body().then((b) => gzipSync(b).length));
  });
  await fresh.goto(address);
  await fresh.getByText('All answers saved').waitFor();
  const paint = await fresh.evaluate(
    () =>
      new Promise<number>((done) => {
        new PerformanceObserver((list) => done(list.getEntries().at(-1)?.startTime ?? 0)).observe({
          type: 'largest-contentful-paint',
          buffered: true,
        });
      }),
  );
  const sizes = await Promise.all(scripts);
  say({
    'scripts kB (gzip)': sizes.reduce((a, b) => a + b, 0) / 1000,
    files: sizes.length,
    'largest contentful paint ms': paint,
  });
  await browser.close();
  await server.kill();
}

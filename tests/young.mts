import { launch, LAPTOP, PHONE } from './drivers/browser';
const browser = await launch();
for (const [name, viewport] of [['laptop', LAPTOP], ['phone', PHONE]] as const) {
  const page = await (await browser.newContext({ viewport, hasTouch: name === 'phone' })).newPage();
  page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
  await page.goto(`http://localhost:3000/open/${process.argv[2]}`);
  await page.getByLabel('Your name').fill('Mo');
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.waitForURL(/room/);
  await page.waitForTimeout(1500);
  await page.screenshot({ path: `/tmp/young-${name}.png` });
  await page.getByRole('button', { name: 'Next' }).click();
  await page.waitForTimeout(600);
  await page.screenshot({ path: `/tmp/young2-${name}.png` });
}
await browser.close();

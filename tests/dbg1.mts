import { launch, signIn, PHONE } from './drivers/browser';
const b = await launch();
const { page } = await signIn(b, 'http://localhost:3400', 'odalys');
page.on('console', (m) => m.type() === 'error' && console.log(m.type(), m.text().slice(0, 300)));
const fresh = async (text: string) => { await page.goto('/bank/new'); await page.waitForURL(/\/bank\/[0-9a-f-]{36}/); await page.keyboard.type(text); };
await fresh('Which part turns the nacelle? /several');
await page.keyboard.press('Enter');
for (const o of ['yaw drive', 'tower', 'blade']) { await page.keyboard.type(o); await page.keyboard.press('Enter'); }
await page.getByLabel('Option 1 is right').check();
await page.getByLabel('How many may be chosen at most').fill('2');
await page.waitForTimeout(800);
await page.screenshot({ path: '/tmp/choice.png' });
await fresh('Which part turns the nacelle? /choice');
await page.keyboard.press('Enter');
for (const o of ['yaw drive', 'tower', 'blade']) { await page.keyboard.type(o); await page.keyboard.press('Enter'); }
await page.getByLabel('Option 1 is right').check();
await page.getByLabel('they stand').selectOption('menu');
await page.getByRole('button', { name: 'Try the sheet' }).click();
await page.waitForTimeout(800);
await page.screenshot({ path: '/tmp/menu.png' });
await page.keyboard.press('Escape');
await page.goto('/bank?bank=all'); await page.getByLabel('Search all text').fill('log book turbine stand still Monday'); await page.waitForTimeout(800);
await page.locator('a.title').first().click(); await page.waitForURL(/\/bank\/[0-9a-f-]{36}/); await page.waitForTimeout(800);
await page.screenshot({ path: '/tmp/passage-bench.png' });
await page.getByRole('button', { name: 'Try the sheet' }).click();
await page.waitForTimeout(600);
await page.screenshot({ path: '/tmp/passage.png' });
await b.close();

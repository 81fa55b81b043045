import { launch, signIn, LAPTOP, PHONE } from './drivers/browser';
const base = 'http://localhost:3000';
export const browser = await launch();
const errors: string[] = [];
export async function as(who: string, phone = false) {
  const { page } = await signIn(browser, base, who, phone ? PHONE : LAPTOP, new Map());
  page.on('pageerror', (e) => errors.push(page.url() + ' ' + e.message));
  page.on('console', (m) => m.type() === 'error' && errors.push(page.url() + ' ' + m.text()));
  return page;
}
const [what] = process.argv.slice(2);
const shot = (page: any, n: string) => page.screenshot({ path: `/tmp/shots/${n}.png` });
if (what === 'a') {
  const p = await as('odalys');
  await p.goto(base + '/gradebook'); 
  await p.getByRole('link', { name: /WT-201/ }).first().click();
  await p.waitForURL(/gradebook\/.+/); await p.waitForTimeout(1500);
  await shot(p, 'book');
  await p.getByRole('link', { name: 'How grades come about' }).click();
  await p.waitForURL(/rules/); await p.waitForTimeout(1000);
  await shot(p, 'rules');
  await p.goto(base + '/sittings');
  await p.getByRole('link', { name: /first check/ }).first().click(); await p.waitForTimeout(1000);
  const id = p.url().split('/sittings/')[1].split(/[/?]/)[0];
  await p.goto(base + `/sittings/${id}/pass-mark`); await p.waitForTimeout(800);
  await shot(p, 'passmark');
}
if (what === 'b') {
  const p = await as(process.argv[3], process.argv[5] === 'phone');
  await p.goto(base + process.argv[4]); await p.waitForTimeout(1500);
  await shot(p, 'b');
}
console.log(errors.join('\n'));
await browser.close();

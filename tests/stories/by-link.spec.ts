import { type BrowserContext, type Page, test } from '@playwright/test';
import { barriers } from '../drivers/barriers';
import { routes } from '../drivers/crawl';
import { goTo, PHONE } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** Somebody without an account comes by a link, on a phone. */
const stage = onStage('by-link');
let page: Page;
let link = '';

test.beforeAll(async () => {
  page = (await stage.signIn('jonas')).page;
});

test('a teacher opens a sitting to whoever has its link, with a code', async () => {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Certificate' }).click();
  await page.getByRole('button', { name: 'Schedule…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Who', { exact: true }).selectOption('some');
  await expect(dialog.getByRole('group', { name: 'Who has this sitting' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Schedule it' }).click();
  await expect(dialog).toContainText('Nobody is chosen.');
  await dialog.getByLabel('Who', { exact: true }).selectOption('link');
  await dialog.getByLabel(/^Code to get in/).fill('abc');
  await dialog.getByRole('button', { name: 'Schedule it' }).click();
  await expect(dialog).toContainText('A code has 4 to 40 signs.');
  await dialog.getByLabel(/^Code to get in/).fill('rope 27');
  expect(await barriers(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Schedule it' }).click();
  await page.waitForURL(/\/sittings\//);
  await expect(page.getByRole('status').first()).toContainText(
    'Open: whoever has the link, and the students of WT-110 can get in now with the code rope 27',
  );
  link = await page.getByLabel('The link').inputValue();
  expect(link).toMatch(/\/open\/[0-9a-f-]{36}$/);
});

/** Where a page leads to, without drawing it. */
async function leadsTo(context: BrowserContext, path: string): Promise<string> {
  return (await context.request.get(`${stage.base}${path}`)).url();
}

/** One more sitting of the certificate that is open to its link. */
async function another(): Promise<string> {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Certificate' }).click();
  await page.getByRole('button', { name: 'Schedule…' }).click();
  await page.getByLabel('Who', { exact: true }).selectOption('link');
  await page.getByRole('button', { name: 'Schedule it' }).click();
  await page.waitForURL(/\/sittings\//);
  return page.url().split('/').at(-1) ?? '';
}

test('a guest on a phone gets in with name and code, writes, hands in, and finds the page again', async () => {
  // Far from the department, whose times hold.
  const context = await stage.browser.newContext({ viewport: PHONE, hasTouch: true, timezoneId: 'Asia/Tokyo' });
  const guest = await context.newPage();
  stage.hear(guest);
  await guest.goto(link);
  await expect(guest.getByRole('heading', { name: 'Certificate' })).toBeVisible();
  expect(await barriers(guest)).toEqual([]);
  await guest.getByLabel('Your name').fill('Rowan Vale');
  await guest.getByLabel('Code').fill('rope 28');
  await guest.getByRole('button', { name: 'Begin' }).click();
  await expect(guest.getByText('This is not the code.')).toBeVisible();
  await expect(guest.getByLabel('Your name')).toHaveValue('Rowan Vale');
  await guest.getByLabel('Code').fill('ROPE27');
  await guest.getByRole('button', { name: 'Begin' }).dblclick();
  await guest.waitForURL(/\/room\//);
  await expect(guest.getByText('All answers saved ✓')).toBeVisible();
  // Every page of the others leads back to the link, and nothing else answers.
  const room = guest.url();
  // A department that is set up is set up no more: that page leads to the door.
  const own = ['/check', '/open/[sitting]', '/room/[attempt]', '/set-up', '/sign-in', '/simulations/blade-pitch'];
  for (const route of routes('page.tsx').filter((one) => !own.includes(one))) {
    expect(await leadsTo(context, route.replace(/\[[^\]]*\]/g, 'nothing')), route).toBe(link);
  }
  const forAll = ['/api/events', '/.well-known/jwks.json'];
  for (const route of routes('route.ts').filter((one) => !forAll.includes(one))) {
    const address = `${stage.base}${route.replace(/\[[^\]]*\]/g, 'nothing')}`;
    for (const method of ['GET', 'POST'] as const) {
      const data = method === 'POST' ? 'nonsense' : undefined;
      const answer = await context.request.fetch(address, { method, data, maxRedirects: 0 });
      // Sent to where a guest is at home, or refused.
      expect([307, 400, 403, 404, 405, 413], `${method} ${route}`).toContain(answer.status());
      if (answer.status() === 307) expect(link).toContain(answer.headers().location);
    }
  }
  await guest.goto(link);
  await guest.getByRole('link', { name: 'Go on' }).click();
  await guest.waitForURL(room);
  // The link of another sitting says what beginning there would cost.
  await guest.goto(`${stage.base}/open/${await another()}`);
  await expect(guest.getByText('there is no way back to it')).toBeVisible();
  await goTo(guest, room);
  await guest.getByRole('radio').first().check();
  await expect(guest.getByText('All answers saved ✓')).toBeVisible();

  await page.goto(link.replace('/open/', '/sittings/'));
  await expect(page.getByRole('row', { name: /Rowan Vale/ })).toHaveCount(1);

  await guest
    .getByRole('button', { name: /^Hand in/ })
    .first()
    .click();
  await guest
    .getByRole('dialog')
    .getByRole('button', { name: /^Hand in/ })
    .click();
  await expect(guest.getByRole('heading', { name: 'Handed in' })).toBeVisible();
  await guest.goto(link);
  await expect(guest.getByText('You have handed in.')).toBeVisible();
  expect(await barriers(guest)).toEqual([]);
  await guest.getByRole('button', { name: 'Leave' }).click();
  await guest.waitForURL(/\/sign-in/);
  await guest.goto(link);
  await expect(guest.getByLabel('Your name')).toBeVisible();
  await context.close();
});

test('whoever is signed in and does not take part is told before they are signed out', async () => {
  const { page: colleague, context } = await stage.signIn('imre');
  await colleague.goto(link);
  await expect(colleague.getByText(/You are signed in as Imre Vasko/)).toBeVisible();
  await colleague.goto(link.replace(/[0-9a-f]{4}$/, 'ffff'));
  await expect(colleague.getByText('This is not there').first()).toBeVisible();
  await context.close();
});

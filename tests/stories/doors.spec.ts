import { test } from '@playwright/test';
import { DEMO_PASSWORD, WT110, WT201 } from '../../src/demo/people';
import { barriers } from '../drivers/barriers';
import { begin, linkTo, goTo, LAPTOP, PHONE } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** What must hold on every screen: no barrier for anybody, no door that opens to the wrong person. */
const stage = onStage('doors');

test('staff screens have no barrier that axe can find, by daylight and by lamp', async () => {
  const { page } = await stage.signIn('odalys');
  await page.goto('/exams');
  // Pages of a smaller exam and course have all that the larger ones have.
  const exam = (await page.getByRole('link', { name: 'Certificate' }).getAttribute('href')) ?? '';
  await page.goto('/sittings');
  const sitting = (await page.getByRole('link', { name: 'Certificate' }).getAttribute('href')) ?? '';
  await page.goto('/gradebook');
  const book = (await page.getByRole('link', { name: 'WT-110' }).getAttribute('href')) ?? '';
  await page.goto('/marking');
  const desk = (await page.getByRole('link', { name: 'Mark the next' }).getAttribute('href')) ?? '';
  await page.goto('/bank');
  const bench = (await page.locator('a.title').first().getAttribute('href')) ?? '';
  const found: string[] = [];
  for (const address of [
    '/',
    '/bank',
    bench,
    '/exams',
    exam,
    '/sittings',
    sitting,
    `${sitting}/results`,
    `${sitting}/analysis`,
    '/marking',
    desk,
    book,
    '/department',
  ]) {
    await page.goto(address);
    await page.waitForLoadState('networkidle');
    const byDay = await barriers(page);
    // By lamp only the colours are other ones.
    await page.evaluate(() => {
      document.documentElement.dataset.theme = 'lamp';
      // Colours that are on their way to others are none of either.
      return Promise.all(document.getAnimations().map(({ finished }) => finished)).then(() => undefined);
    });
    const byLamp = await barriers(page, ['color-contrast', 'link-in-text-block']);
    found.push(...[...byDay, ...byLamp].map((one) => `${address} ${one}`));
  }
  expect(found).toEqual([]);
});

test('the room and the result have no barrier that axe can find, on a laptop and on a phone', async () => {
  for (const size of [LAPTOP, PHONE]) {
    const writing = await stage.signIn(WT110[9]?.userName ?? '', size);
    await writing.page.getByRole('link', { name: 'Go on' }).click();
    await expect(writing.page.getByText('All answers saved')).toBeVisible();
    const reading = await stage.signIn(WT201[4]?.userName ?? '', size);
    const list = await barriers(reading.page);
    await reading.page.getByRole('link', { name: 'Energy in the wind' }).click();
    await reading.page.getByText('pass mark').waitFor();
    for (const found of [list, await barriers(writing.page), await barriers(reading.page)]) {
      expect(found.map((one) => `${size.width} ${one}`)).toEqual([]);
    }
    expect(await writing.page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    await writing.page.setViewportSize({ width: 320, height: 700 });
    expect(await writing.page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  }
});

test('a student reaches no staff screen, no file of results and nobody else’s room', async () => {
  const victim = await stage.signIn(WT110[10]?.userName ?? '');
  await victim.page.getByRole('link', { name: 'Go on' }).click();
  await victim.page.waitForURL(/\/room\//);
  const room = new URL(victim.page.url()).pathname;
  const staff = await stage.signIn('odalys');
  await staff.page.goto('/gradebook');
  const book = (await staff.page.getByRole('link', { name: 'WT-201' }).getAttribute('href')) ?? '';

  const { page } = await stage.signIn(WT110[11]?.userName ?? '');
  for (const address of ['/', '/bank', '/exams', '/sittings', '/marking', book, '/department', '/department/gallery']) {
    await page.goto(address);
    expect(new URL(page.url()).pathname).toBe('/my');
  }
  expect((await page.goto(room))?.status()).toBe(404);
  expect((await page.request.get(`${book}/export?as=csv`)).status()).toBe(403);
  const origin = { Origin: stage.base };
  const written = {
    device: 'device-two',
    entries: [{ seq: 1, item: 'x', slot: null, value: { later: true }, age: 0 }],
  };
  expect((await page.request.post(`/api${room}`, { data: written, headers: origin })).status()).toBe(403);
  expect((await page.request.post(`/api${room}/hand-in`, { headers: origin })).status()).toBe(403);
  expect((await page.request.post('/api/media', { data: Buffer.from('x'), headers: origin })).status()).toBe(403);
});

test('without a session, or from another page, nothing is written', async () => {
  const bare = await stage.browser.newContext({ baseURL: stage.base });
  expect((await bare.request.post('/api/room/x', { data: {}, headers: { Origin: stage.base } })).status()).toBe(401);
  expect((await bare.request.get('/gradebook/x/export')).status()).toBe(401);
  const page = await bare.newPage();
  await page.goto('/bank');
  expect(new URL(page.url()).pathname).toBe('/sign-in');

  const { page: own } = await stage.signIn(WT110[12]?.userName ?? '');
  await own.getByRole('link', { name: 'Go on' }).click();
  await own.waitForURL(/\/room\//);
  const room = new URL(own.url()).pathname;
  expect(
    (
      await own.request.post(`/api${room}`, {
        data: { device: 'device-x', entries: [] },
        headers: { Origin: 'https://elsewhere.example' },
      })
    ).status(),
  ).toBe(403);
  expect(
    (
      await own.request.post(`/api${room}`, {
        data: 'nonsense',
        headers: { Origin: stage.base, 'Content-Type': 'application/json' },
      })
    ).status(),
  ).toBe(422);
});

test('who begins before the page listens is in the room all the same', async () => {
  const { page } = await stage.signIn(WT110[27]?.userName ?? '', PHONE);
  const door = (await linkTo(page, 'Certificate').getAttribute('href')) ?? '';
  // No script comes: the browser sends the form itself.
  await page.route('**/_next/static/**/*.js', (route) => route.abort());
  await page.goto(door);
  await page.getByRole('button', { name: /^Begin/ }).click();
  await page.waitForURL(/\/room\//);
  await page.unrouteAll();
  await page.reload();
  await expect(page.getByText('All answers saved')).toBeVisible();
});

test('what the browser of a student is sent before release holds no key', async () => {
  // Somebody who has not begun: their own right answers would look like keys.
  const { page } = await stage.signIn(WT110[26]?.userName ?? '');
  const bodies: Promise<string>[] = [];
  page.on('response', (r) => {
    // A stream of events never ends; what it says is read in a story of its own.
    const ends = !/\/_next\/static\/|\/api\/events/.test(r.url());
    if (r.url().startsWith(stage.base) && ends) bodies.push(r.text().catch(() => ''));
  });
  await begin(linkTo(page, 'Certificate'));
  await page.reload();
  await expect(page.getByText('All answers saved')).toBeVisible();
  await page.getByRole('button', { name: '2 ›' }).click();
  await page.getByRole('checkbox').first().click();
  await expect(page.getByText('All answers saved')).toBeVisible();
  // The number 1962 is a key; unquoted it may stand by chance in an instant or an address.
  const said = (await Promise.all(bodies)).join('\n');
  expect(said).toContain('How much energy must the arrester take up');
  for (const secret of [
    '"1962"',
    '\\"1962\\"',
    'suspension',
    'circulation',
    '"key"',
    '\\"key\\"',
    '"rules"',
    '\\"rules\\"',
  ])
    expect(said).not.toContain(secret);
});

test('a wrong password is told beside the field, and markup in a name stays text', async () => {
  const page = await (await stage.browser.newContext({ baseURL: stage.base })).newPage();
  await page.goto('/sign-in');
  await page.getByLabel('User name').fill('<img src=x onerror=alert(1)>');
  await page.getByLabel('Password').fill('x');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'do not fit together' })).toBeVisible();
  await expect(page.getByLabel('User name')).toHaveValue('<img src=x onerror=alert(1)>');
});

test('a student whom wrong passwords keep out is let in from the sitting’s page, and takes a password of their own', async () => {
  const student = WT110[20];
  const page = await (await stage.browser.newContext({ baseURL: stage.base })).newPage();
  await page.goto('/sign-in');
  const tryWith = async (password: string): Promise<void> => {
    await page.getByLabel('User name').fill(student?.userName ?? '');
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeEnabled();
  };
  for (let i = 0; i < 5; i++) {
    await tryWith(`guess ${i}`);
    await expect(page.getByRole('alert').filter({ hasText: 'do not fit together' })).toBeVisible();
  }
  await tryWith(DEMO_PASSWORD);
  await expect(page.getByRole('alert').filter({ hasText: 'Too many wrong tries' })).toBeVisible();

  const teacher = (await stage.signIn('jonas')).page;
  await goTo(teacher, '/sittings');
  await teacher.getByRole('link', { name: 'Certificate' }).first().click();
  const row = teacher.getByRole('row', { name: student?.name ?? '' });
  await expect(row).toContainText('kept out by wrong passwords');
  await row.getByRole('button', { name: 'Let in at once' }).click();
  await expect(row).not.toContainText('wrong passwords');
  await page.getByLabel('Password').fill(DEMO_PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL(/\/my$/);

  await page.getByRole('button', { name: `${student?.name}, student` }).click();
  await page.getByRole('button', { name: 'Your password…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('The one that holds now').fill(DEMO_PASSWORD);
  await dialog.getByLabel('The new one').fill('password123');
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('alert')).toContainText('Many people have this one');
  await dialog.getByLabel('The new one').fill('gusts before noon');
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('status')).toContainText('It is changed');
});

test('a teacher of one course sees nothing of another, whatever address is typed', async () => {
  const jonas = (await stage.signIn('jonas')).page;
  const odalys = (await stage.signIn('odalys')).page;
  await goTo(odalys, '/sittings');
  const addresses = await odalys
    .getByRole('link', { name: /Mid-term|first check/ })
    .evaluateAll((links) => links.map((link) => link.getAttribute('href') ?? ''));
  expect(addresses.length).toBeGreaterThan(0);
  for (const address of addresses.flatMap((one) => [one, `${one}/results`, `${one}/answers`])) {
    const response = await jonas.goto(address.replace(/\/results\/results$/, '/results'));
    expect([address, response?.status()]).toEqual([address, 404]);
  }
  await goTo(jonas, '/sittings');
  await expect(jonas.getByText('Certificate').first()).toBeVisible();
  await expect(jonas.getByText('Mid-term')).toHaveCount(0);
  await goTo(jonas, '/gradebook');
  await expect(jonas.getByText('WT-201')).toHaveCount(0);
});

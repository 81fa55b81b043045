import { readFileSync } from 'node:fs';
import path from 'node:path';
import { type Page, test } from '@playwright/test';
import { barriers } from '../drivers/barriers';
import { atBrowser, goTo } from '../drivers/browser';
import { crawl, routes } from '../drivers/crawl';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** A server on which nobody is yet, until a teacher and a student of a course come in. */
const stage = onStage('from-nothing', { department: 'none' });
test.describe.configure({ mode: 'serial' });

const come = async (): Promise<Page> => {
  const page = await (await atBrowser(stage.browser, stage.base)).newPage();
  stage.hear(page);
  return page;
};
const wordOfServer = (): string => readFileSync(path.join(stage.server.data, 'set-up-word'), 'utf8').trim();

async function through(page: Page, userName: string, password: string): Promise<void> {
  await goTo(page, '/sign-in');
  await page.getByLabel('User name').fill(userName);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL((url) => url.pathname !== '/sign-in');
}
const LEAD = 'slack water at noon';
/** Passwords that the lead was told. */
const told: Record<string, string> = {};

test('before there is a department every page leads to its beginning, or says that nothing is there', async () => {
  const { request } = await atBrowser(stage.browser, stage.base);
  for (const route of routes('page.tsx')) {
    const answer = await request.get(route.replace(/\[[^\]]*\]/g, 'nothing'));
    const { pathname } = new URL(answer.url());
    expect([200, 404], route).toContain(answer.status());
    if (answer.status() === 200 && !['/check', '/simulations/blade-pitch'].includes(route))
      expect(pathname).toBe('/set-up');
  }
});

test('whoever has the word of the server sets it up; what is wrong is said beside its place, and nothing typed is lost', async () => {
  const page = await come();
  await goTo(page, '/');
  expect(await barriers(page)).toEqual([]);
  const field = (name: string) => page.getByLabel(name, { exact: true });
  await field('Name of the department').fill('Tidal Power');
  await field('Your name').fill('Odalys Ferrand');
  await field('User name').fill('odalys f');
  await field('Password').fill('password1234');
  await field('Word of the server').fill('guessed');
  const setItUp = page.getByRole('button', { name: 'Set it up' });
  await setItUp.click();
  await expect(page.getByText('This is not the word of this server.')).toBeVisible();
  await field('Word of the server').fill(wordOfServer().toUpperCase());
  await setItUp.click();
  await expect(page.getByText('A user name has two letters or more')).toBeVisible();
  await field('User name').fill('Odalys');
  await setItUp.click();
  await expect(page.getByText('Many people have this one')).toBeVisible();
  await expect(field('Name of the department')).toHaveValue('Tidal Power');
  await field('Password').fill(LEAD);
  await setItUp.dblclick();
  await page.waitForURL('**/department');
  await expect(page.getByRole('heading', { name: 'Tidal Power' })).toBeVisible();
  // Once.
  const late = await come();
  await goTo(late, '/set-up');
  expect(new URL(late.url()).pathname).toBe('/sign-in');
});

test('the lead takes people in, begins a course and says who teaches it', async () => {
  const page = await come();
  await through(page, 'odalys', LEAD);
  await goTo(page, '/department');
  await expect(page.getByText('No course yet.')).toBeVisible();
  const takeIn = async (name: string, userName: string, does: string): Promise<void> => {
    await page.getByLabel('Name', { exact: true }).fill(name);
    await page.getByLabel('User name').fill(userName);
    await page.getByLabel('What they do').selectOption(does);
    await page.getByRole('button', { name: 'Take them in' }).dblclick();
  };
  const somebodyNew = page.getByRole('button', { name: 'Somebody new…' });
  await somebodyNew.click();
  await takeIn('Imre Halász', 'ODALYS', 'teacher');
  await expect(page.getByText('Somebody has this user name already.')).toBeVisible();
  const passwords = page.getByRole('status', { name: 'Passwords given now' });
  for (const [name, userName, does] of [
    ['Imre Halász', 'imre', 'teacher'],
    ['Aino Virtala', 'aino.v', 'student'],
  ] as const) {
    if (does === 'student') await somebodyNew.click();
    await takeIn(name, userName, does);
    // However hasty the hand: it stands there until the page is left.
    const slip = passwords.getByRole('listitem').filter({ hasText: name });
    told[userName] = await slip.locator('.mono').nth(1).innerText();
    // The second half of a double click may have opened something else.
    if ((await page.getByRole('dialog').count()) > 0) await page.keyboard.press('Escape');
  }
  await expect(passwords.getByRole('listitem')).toHaveCount(2);
  expect(await barriers(page)).toEqual([]);
  // A server that is away is told of, and what was typed stays.
  await somebodyNew.click();
  await page.getByLabel('Name', { exact: true }).fill('Noor');
  await page.getByLabel('User name').fill('noor');
  await page.context().setOffline(true);
  await page.getByRole('button', { name: 'Take them in' }).click();
  await expect(page.getByText('The server did not answer.')).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Noor');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'New course…' }).click();
  await page.getByLabel('Code').fill('TP-1');
  await page.getByLabel('Title').fill('Tides');
  await page.getByRole('button', { name: 'Begin it' }).dblclick();
  await page.getByRole('button', { name: 'Who teaches and marks in TP-1…' }).click();
  await page.getByRole('checkbox', { name: 'Imre Halász' }).check();
  await page.getByRole('button', { name: 'Keep it' }).click();
  const note = page.getByRole('complementary', { name: 'Courses' });
  await expect(note.getByText('Imre Halász')).toBeVisible();
  await expect(note.getByRole('heading', { name: 'TP-1 Tides' })).toHaveCount(1);
  await note.getByRole('link', { name: 'Students and groups' }).click();
  await page.getByLabel('A student of the department').selectOption({ label: 'Aino Virtala' });
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('cell', { name: 'Aino Virtala', exact: true })).toBeVisible();

  await goTo(page, '/department');
  await page.getByRole('button', { name: 'Odalys Ferrand: change…' }).click();
  await page.getByLabel('What they do').selectOption('teacher');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Nobody else leads the department.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Rename…', exact: true }).click();
  await page.getByLabel('School or institute').fill('Kestrel Ridge Institute');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Kestrel Ridge Institute · 3 people')).toBeVisible();
});

test('an account is closed after a question, says so at the door, and is opened again', async () => {
  const page = await come();
  await through(page, 'odalys', LEAD);
  await goTo(page, '/department');
  const change = page.getByRole('button', { name: 'Imre Halász: change…' });
  const row = page.getByRole('row', { name: /Imre Halász/ });
  await change.click();
  await page.getByRole('button', { name: 'Close the account…' }).dblclick();
  await expect(page.getByText('is signed out and cannot come in')).toBeVisible();
  await page.getByRole('button', { name: 'Close it' }).click();
  await expect(row).toContainText('teacher, closed');
  const door = await come();
  await goTo(door, '/sign-in');
  await door.getByLabel('User name').fill('imre');
  await door.getByLabel('Password').fill(told.imre ?? '');
  await door.getByRole('button', { name: 'Sign in' }).click();
  await expect(door.getByText('Your account is closed.')).toBeVisible();
  await change.click();
  await page.getByRole('button', { name: 'Open the account again' }).click();
  await expect(row).not.toContainText('closed');
});

test('every page of a department in which nothing was done yet is whole, for all who are in it', async () => {
  const known = [...routes('page.tsx'), ...routes('route.ts')];
  for (const [who, password, start, least] of [
    ['odalys', LEAD, '/', 15],
    ['imre', told.imre ?? '', '/', 12],
    ['aino.v', told['aino.v'] ?? '', '/my', 1],
  ] as const) {
    const page = await come();
    await through(page, who, password);
    expect(new URL(page.url()).pathname).toBe(start);
    const visits = await crawl({
      context: page.context(),
      start,
      known,
      most: { opened: 1, asked: 0 },
      alike: { routes: [], asked: 0 },
      differing: [],
    });
    expect(visits.flatMap(({ path, faults }) => faults.map((fault) => `${who} ${path}: ${fault}`))).toEqual([]);
    expect(visits.length, who).toBeGreaterThanOrEqual(least);
  }
});

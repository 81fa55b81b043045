import { type Locator, type Page, test } from '@playwright/test';
import { WT110 } from '../../src/demo/people';
import { barriers } from '../drivers/barriers';
import { begin, linkTo, goTo, PHONE } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** A teacher watches a sitting, and does what has to be done about bad luck. */
const stage = onStage('watch');
let page: Page;
test.beforeAll(async () => {
  page = (await stage.signIn('jonas')).page;
  await goTo(page, '/sittings');
  await page.getByRole('link', { name: 'Certificate' }).click();
});

const rowOf = (name: string): Locator => page.getByRole('row', { name: new RegExp(name) });
const writer = (i: number): { userName: string; name: string } => WT110[i] ?? { userName: '', name: '' };

async function goOnWriting(userName: string): Promise<Page> {
  const { page: student } = await stage.signIn(userName, PHONE);
  await student.getByRole('link', { name: 'Go on' }).click();
  await expect(student.getByText('All answers saved ✓')).toBeVisible();
  return student;
}

test('the clock stops in every room at once, whatever was written is kept, and the time goes on as it was', async () => {
  const { userName } = writer(6);
  const student = await goOnWriting(userName);
  const left = await student.locator('.time strong').innerText();
  await page.getByRole('button', { name: 'Stop the clock' }).click();
  const stopped = student.getByRole('alert').filter({ hasText: 'Your teacher has stopped the clock' });
  await expect(stopped).toBeVisible({ timeout: 5_000 });
  await expect(student.locator('fieldset[disabled]')).toBeHidden();
  expect(await barriers(student)).toEqual([]);
  await expect(page.getByRole('button', { name: /^Clock stopped \d+$/ })).toBeVisible();
  expect(await barriers(page)).toEqual([]);
  // Not by keys either, and not after a reload.
  await student.keyboard.press('l');
  await student.reload();
  await expect(stopped).toBeVisible();
  await page.getByRole('button', { name: 'Go on' }).dblclick();
  await expect(stopped).toHaveCount(0, { timeout: 5_000 });
  await expect(student.getByText('All answers saved ✓')).toBeVisible();
  expect(await student.locator('.time strong').innerText()).toBe(left);
  await student.context().close();
});

test('who has handed in by mistake is let back in and finds every answer, also in a room that was loaded since', async () => {
  const { userName, name } = writer(7);
  const student = await goOnWriting(userName);
  await student.getByRole('radio').first().check();
  await expect(student.getByText('All answers saved ✓')).toBeVisible();
  await student.getByRole('button', { name: 'Hand in' }).first().click();
  await student
    .getByRole('dialog')
    .getByRole('button', { name: /^Hand in/ })
    .click();
  await expect(student.getByText('Handed in')).toBeVisible();
  await student.reload();
  await expect(student.getByText('Handed in')).toBeVisible();
  await expect(rowOf(name)).toContainText('✓ handed in', { timeout: 8_000 });
  await page.getByRole('button', { name, exact: true }).click();
  const dialog = page.getByRole('dialog', { name });
  await expect(dialog).toContainText('began');
  await dialog.getByLabel('Reason').fill('wrong button');
  await dialog.getByRole('button', { name: 'Let back in' }).click();
  await expect(dialog).toContainText('let them back in: wrong button');
  expect(await barriers(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(student.getByRole('radio').first()).toBeChecked({ timeout: 8_000 });
  await student.context().close();
});

test('an attempt that is set aside closes in its room with the reason, and its student begins anew', async () => {
  const { userName, name } = writer(8);
  const student = await goOnWriting(userName);
  await page.getByRole('button', { name, exact: true }).click();
  const dialog = page.getByRole('dialog', { name });
  await dialog.getByRole('button', { name: 'Set it aside' }).click();
  await expect(dialog).toContainText('Say why.');
  await dialog.getByLabel('Reason').fill('the wrong paper');
  await dialog.getByRole('button', { name: 'Set it aside' }).click();
  await expect(dialog.getByRole('button', { name: 'Bring it back' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(student.getByText('has set this attempt', { exact: false })).toContainText('the wrong paper');
  await student.getByRole('link', { name: 'To my page' }).click();
  await expect(student.getByText('set aside by your teacher: the wrong paper')).toBeVisible();
  await begin(linkTo(student, 'Certificate'));
  await expect(student.getByText('All answers saved ✓')).toBeVisible();
  await expect(student.getByRole('radio', { checked: true })).toHaveCount(0);
  await expect(rowOf(name)).toContainText('writing', { timeout: 8_000 });
  await student.context().close();
});

test('those that a figure counts are spoken to alone', async () => {
  const { userName, name } = writer(9);
  const student = await goOnWriting(userName);
  await expect(rowOf(name)).not.toContainText('offline', { timeout: 15_000 });
  await page.getByLabel('Find a student').fill(name);
  await page.getByLabel('To whom').selectOption('shown');
  await page.getByLabel('Minutes to give').fill('7');
  await page.getByRole('button', { name: 'Give minutes' }).click();
  await expect(page.getByText('7 more minutes for 1 student.')).toBeVisible();
  await expect(rowOf(name)).toContainText('(+7 given)');
  await page.getByLabel('What is said').fill('You have seven more.');
  await page.getByRole('button', { name: 'Say it' }).click();
  await expect(student.locator('.notice-box')).toContainText('You have seven more.', { timeout: 5_000 });
  await page.getByLabel('Find a student').fill('');
  await student.context().close();
});

test('a sitting that opens by hand, can be sat twice and has a due time says so to its students', async () => {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Certificate' }).click();
  await page.getByRole('button', { name: 'Schedule…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('nobody gets in before I open it').check();
  await dialog.getByLabel('How often').selectOption('several');
  await dialog.getByLabel('How many times').fill('2');
  await dialog.getByLabel('Whether it is due before its end').selectOption('due');
  await dialog.getByLabel('Due at').fill('2001-01-01T10:00');
  await dialog.getByRole('button', { name: 'Schedule it' }).click();
  await expect(dialog).toContainText('It is due after it opens, and at its end at the latest.');
  await dialog.getByLabel('Due at').fill(await dialog.getByLabel('It ends for all at').inputValue());
  expect(await barriers(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Schedule it' }).click();
  await page.waitForURL(/\/sittings\//);
  await expect(page.getByText('Nobody can get in yet: it opens when you say so', { exact: false })).toBeVisible();
  await expect(page.getByText('each time with draws and numbers of its own', { exact: false })).toBeVisible();
  const { page: student } = await stage.signIn(writer(30).userName, PHONE);
  await expect(student.getByText('your teacher opens it', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(student.getByText('Attempt 1 of 2; the best counts')).toBeVisible({ timeout: 8_000 });
  await expect(student.getByText('Later, each day begun costs 10 % of all marks', { exact: false })).toBeVisible();
  for (const name of ['Begin…', 'Begin anew…']) {
    // The newest stands first.
    await begin(student.getByRole('link', { name, exact: true }).first());
    await expect(student.getByText('All answers saved ✓')).toBeVisible();
    await student.getByRole('button', { name: 'Hand in' }).first().click();
    await student
      .getByRole('dialog')
      .getByRole('button', { name: /^Hand in/ })
      .click();
    await student.getByRole('link', { name: 'To my page' }).click();
    await expect(student.getByRole('heading', { name: 'Now' })).toBeVisible();
  }
  await expect(student.getByRole('link', { name: 'Begin anew…' })).toHaveCount(0);
  await expect(student.getByText('· attempt 2')).toBeVisible();
  await expect(rowOf(writer(30).name)).toContainText('attempt 2');
});

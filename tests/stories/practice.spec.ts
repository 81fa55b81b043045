import { type Page, test } from '@playwright/test';
import { barriers } from '../drivers/barriers';
import { WT110 } from '../../src/demo/people';
import { begin, linkTo, goTo, PHONE, saved } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** A sitting in which answers are checked while they are written. */
const stage = onStage('practice');
let page: Page;

test.beforeAll(async () => {
  page = (await stage.signIn('jonas')).page;
});

test('a teacher says how answers are checked, and what is told of them when', async () => {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Certificate' }).click();
  await page.getByRole('button', { name: 'Take a copy' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Certificate, copy');
  const margin = page.getByRole('complementary', { name: 'Readiness and how it runs' });
  await margin.getByLabel('When answers are checked').selectOption('itself');
  await expect(margin).toContainText('hard to follow');
  await margin.getByLabel('When answers are checked').selectOption('wish');
  await expect(margin).toContainText('says nothing that is told when they are');
  await margin.getByLabel(/^How often a question is checked/).fill('2');
  await margin.getByRole('radio', { name: 'right or not: when checked' }).check();
  await margin.getByText('the key can be looked at').click();
  await expect(margin).toContainText('They see right or not as soon as they check an answer;');
  expect(await barriers(page)).toEqual([]);
  await saved(page);
  await page.getByRole('button', { name: 'Schedule…' }).click();
  await page.getByRole('button', { name: 'Schedule it' }).click();
  await page.waitForURL(/\/sittings\//);
});

test('a student checks, tries again, looks at the key, and finds it all after a reload', async () => {
  const { page: student } = await stage.signIn(WT110[30]?.userName ?? '', PHONE);
  await begin(linkTo(student, 'Certificate, copy'));
  const box = student.getByRole('group', { name: 'Check question 1' });
  const check = box.getByRole('button', { name: 'Check', exact: true });
  await expect(box).toContainText('2 checks in all');
  await expect(check).toBeDisabled();
  const options = student.getByRole('radio');
  await options.nth(0).check();
  await check.dblclick();
  await expect(box.getByRole('status')).toContainText(/right|not right/);
  await expect(box).toContainText('one more check');
  await expect(check).toBeDisabled();
  expect(await barriers(student)).toEqual([]);

  // Without a network nothing is lost and nothing is counted.
  await student.context().setOffline(true);
  await options.nth(1).check();
  await expect(box).toContainText('Changed since it was checked.');
  await check.click();
  await expect(box.getByRole('alert')).toContainText('There is no connection.');
  await student.context().setOffline(false);
  await expect(student.getByText('All answers saved ✓')).toBeVisible();
  await box.getByRole('button', { name: 'See the key…' }).click();
  await box.getByRole('button', { name: 'Cancel' }).click();
  await check.click();
  await expect(box).toContainText('Your answer stays as it is.');
  await expect(options).toHaveCount(0);
  await box.getByRole('button', { name: 'See the key…' }).click();
  await box.getByRole('button', { name: 'See the key', exact: true }).click();
  await expect(box.getByRole('button', { name: /See the key/ })).toHaveCount(0);
  await student.reload();
  await expect(box).toContainText('Your answer stays as it is.');
  await expect(options).toHaveCount(0);
  expect(await barriers(student)).toEqual([]);
});

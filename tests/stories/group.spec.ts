import { test } from '@playwright/test';
import { WT110 } from '../../src/demo/people';
import { barriers } from '../drivers/barriers';
import { begin, goTo, LAPTOP, PHONE } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** A group writes one paper together, each at a device of their own. */
const stage = onStage('group');
/** Two who have begun nothing. */
const crew = [WT110[33], WT110[34]].map((one) => one ?? { userName: '', name: '' });

test('a teacher puts two into a group and gives each group a paper together', async () => {
  const { page } = await stage.signIn('jonas');
  await goTo(page, '/department');
  await page.getByRole('link', { name: 'Students and groups' }).click();
  await page.getByLabel('Name of a new group').fill('Crew 9');
  await page.getByLabel('Name of a new group').press('Enter');
  for (const { name } of crew) {
    await page.getByLabel(`Group of ${name}`).selectOption('Crew 9');
    await expect(page.getByLabel(`Group of ${name}`).locator('option:checked')).toHaveText('Crew 9');
  }
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Certificate', exact: true }).click();
  await page.getByRole('button', { name: 'Schedule…' }).click();
  await page.getByLabel('Who', { exact: true }).selectOption('groups');
  await page.getByRole('button', { name: 'Schedule it' }).click();
  await page.waitForURL(/\/sittings\//);
});

test('each sees what the other writes, one at a time in each place, and it is handed in once', async () => {
  const { page: first } = await stage.signIn(crew[0]?.userName ?? '', PHONE);
  await begin(first.getByRole('link', { name: 'Begin…' }).first());
  await expect(first.getByText('All answers saved ✓')).toBeVisible();
  const { page: second } = await stage.signIn(crew[1]?.userName ?? '', LAPTOP);
  await second.getByRole('link', { name: 'Go on' }).first().click();
  await expect(second.getByText('All answers saved ✓')).toBeVisible();
  expect(second.url()).toBe(first.url());

  await first.getByRole('radio').nth(1).check();
  await expect(second.getByRole('radio').nth(1)).toBeChecked();
  await expect(second.getByText(`${crew[0]?.name} writes here`)).toBeVisible();
  await expect(second.getByRole('radio').nth(0)).toBeDisabled();
  expect(await barriers(second)).toEqual([]);
  // Who goes on elsewhere lets go.
  await first.getByRole('button', { name: '2 ›' }).click();
  await first.getByRole('checkbox').first().check();
  await expect(second.getByRole('radio').nth(0)).toBeEnabled();
  await second.getByRole('radio').nth(0).check();
  await expect(second.getByText('All answers saved ✓')).toBeVisible();
  await first.getByRole('button', { name: '‹ Back to 1' }).click();
  await expect(first.getByRole('radio').nth(0)).toBeChecked();
  await expect(first.getByText(`${crew[1]?.name} writes here`)).toBeVisible();
  expect(await barriers(first)).toEqual([]);
  // And who writes nothing any more, after twenty seconds.
  await expect(first.getByRole('radio').nth(2)).toBeEnabled({ timeout: 25_000 });

  await second.getByRole('button', { name: 'Hand in' }).first().click();
  await second.getByRole('dialog').getByRole('button', { name: 'Hand in' }).click();
  await expect(second.getByText('is with your teacher', { exact: false })).toBeVisible();
  await expect(first.getByText('is with your teacher', { exact: false })).toBeVisible({ timeout: 20_000 });
});

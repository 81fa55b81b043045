import { type Page, test } from '@playwright/test';
import { WT110 } from '../../src/demo/people';
import { chooseFrom } from '../drivers/act-menu';
import { barriers } from '../drivers/barriers';
import { begin, goTo, linkTo, PHONE, saved, reloaded } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** Hints and words of an exam's own, exams in a row, breaks, groups that students form, exams as sealed files. */
test.describe.configure({ mode: 'serial' });
const stage = onStage('story-in-full');
let page: Page;
test.beforeAll(async () => {
  page = (await stage.signIn('jonas')).page;
});
const student = (at: number): string => WT110[at]?.userName ?? '';

test('hints are asked for at their price, in words of the exam’s own; handed in, the next of the row is begun', async () => {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Certificate', exact: true }).click();
  await page.getByRole('button', { name: 'Take a copy' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Certificate, copy');
  await page.getByText('hints can be asked for').click();
  await page.getByText('Words on the student’s screens').click();
  await page.getByLabel('hands it in').fill('Give it in');
  await page.getByLabel('hands it in').press('Enter');
  await expect(page.getByText('1 changed')).toBeVisible();
  expect(await barriers(page)).toEqual([]);
  await saved(page);
  await page.getByRole('button', { name: 'Schedule…' }).click();
  await chooseFrom(page, 'then another exam…', 'Tower week');
  await expect(page.getByText('then Tower week, 20 min, once it is handed in')).toBeVisible();
  await page.getByRole('button', { name: 'Schedule it' }).click();
  await page.waitForURL(/sittings/);

  const { page: room } = await stage.signIn(student(34), PHONE);
  await expect(room.getByText('after Certificate, copy')).toBeVisible();
  await linkTo(room, 'Certificate, copy').click();
  await expect(room.getByText('Where a question has hints you can ask for them')).toBeVisible();
  await room.getByRole('button', { name: 'Begin' }).click();
  await room.waitForURL(/room/);
  await room.getByRole('button', { name: 'Contents' }).click();
  await room.getByRole('button', { name: /^4 A climber/ }).click();
  const hints = room.getByRole('group', { name: 'Hints of question 4' });
  await expect(hints).toContainText('takes nothing off');
  await hints.getByRole('button', { name: 'Hint' }).dblclick();
  await expect(hints.getByRole('status')).toContainText('Energy of a fall');
  await expect(hints).toContainText('½ mark');
  await expect(hints.getByRole('status')).not.toContainText('free fall, 2 m');
  if (await hints.getByRole('button', { name: 'Cancel' }).isVisible())
    await hints.getByRole('button', { name: 'Cancel' }).click();
  await hints.getByRole('button', { name: 'Hint…' }).click();
  await expect(hints).toContainText('This takes off ½ marks.');
  expect(await barriers(room)).toEqual([]);
  await hints.getByRole('button', { name: 'Hint', exact: true }).click();
  await expect(hints.getByRole('status')).toContainText('free fall, 2 m');
  await expect(hints.getByRole('button')).toHaveCount(0);
  await reloaded(room);
  await room.getByRole('button', { name: 'Contents' }).click();
  await room.getByRole('button', { name: /^4 A climber/ }).click();
  await expect(hints.getByRole('status')).toContainText('free fall, 2 m');

  await room.getByRole('button', { name: 'Give it in' }).first().click();
  await room.getByRole('dialog').getByRole('button', { name: 'Give it in' }).click();
  await room.getByRole('link', { name: 'Next: Tower week' }).click();
  await begin(room.getByRole('heading', { name: 'Tower week' }));
  await expect(room.getByRole('list', { name: 'How far you are' }).getByRole('listitem')).toHaveCount(3);
  expect(await barriers(room)).toEqual([]);
  await room.context().close();
});

test('whoever is entitled to breaks rests while the time stands still', async () => {
  const { userName = '', name = '' } = WT110[35] ?? {};
  await goTo(page, '/department');
  await page.getByLabel('Find a person').fill(name);
  await page.getByRole('button', { name: `Provision of ${name}: none…` }).click();
  await page.getByRole('dialog', { name }).getByLabel('Minutes of breaks in all').fill('10');
  await page.getByRole('dialog', { name }).getByRole('button', { name: 'Provide it' }).click();
  await expect(page.getByRole('row', { name })).toContainText('10 minutes of breaks');

  const { page: room } = await stage.signIn(userName);
  await begin(linkTo(room, 'Certificate'));
  await room.getByRole('radio').first().check();
  await expect(room.getByText('All answers saved ✓')).toBeVisible();
  await room.getByRole('button', { name: 'Take a break…' }).click();
  await room.getByRole('button', { name: 'Rest now, 10 minutes at most' }).click();
  await expect(room.getByRole('heading', { name: 'You are resting' })).toBeVisible();
  await expect(room.getByRole('radio').first()).toBeHidden();
  expect(await barriers(room)).toEqual([]);
  await room.getByRole('button', { name: 'Go on now' }).dblclick();
  await expect(room.getByRole('radio').first()).toBeChecked();
  await expect(room.getByRole('button', { name: 'Take a break…' })).toBeVisible();
  await room.context().close();
});

test('students form their groups themselves', async () => {
  await goTo(page, '/department');
  await page.getByRole('link', { name: 'Students and groups' }).first().click();
  await page.getByText('students form them').click();
  await page.getByLabel('The most in a group that students form').fill('2');
  await expect(page.getByLabel('The most in a group that students form')).toHaveValue('2');
  const [first, second] = [
    (await stage.signIn(student(34), PHONE)).page,
    (await stage.signIn(student(35), PHONE)).page,
  ];
  await first.getByLabel(/^Name of a new group/).fill('North wind');
  await first.getByRole('button', { name: 'Begin it' }).dblclick();
  await expect(first.getByText('North wind')).toHaveCount(1);
  await reloaded(second);
  await second.getByRole('button', { name: 'Join North wind' }).click();
  await expect(second.getByRole('button', { name: 'Leave' })).toBeVisible();
  expect(await barriers(second)).toEqual([]);
  await page.reload();
  await expect(page.getByLabel(`Group of ${WT110[34]?.name}`)).toContainText('North wind');
  await first.context().close();
  await second.context().close();
});

test('an exam goes into a sealed file, and opens with its word alone', async () => {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Certificate', exact: true }).click();
  await page.getByRole('button', { name: 'Keep…' }).click();
  await page.getByRole('button', { name: 'As a file…' }).click();
  const dialog = page.getByRole('dialog', { name: 'The exam as a file' });
  await dialog.getByLabel(/^The word that opens it/).fill('gusts from the west');
  expect(await barriers(page)).toEqual([]);
  const download = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'Take it out' }).click();
  const file = await (await download).path();
  await dialog.getByRole('button', { name: 'Done' }).click();

  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Sealed files' }).click();
  const field = page.getByLabel('A sealed exam, or answers that come back');
  await field.setInputFiles({ name: 'x.zonda', mimeType: 'application/zip', buffer: Buffer.from('PK no seal') });
  await expect(page.getByRole('alert').filter({ hasText: 'no sealed file' })).toBeVisible();
  await field.setInputFiles(file);
  const waits = page.getByRole('region', { name: 'Certificate' });
  await waits.getByLabel('The word of Certificate').fill('gusts from the east');
  await waits.getByRole('button', { name: 'Open it' }).click();
  await expect(waits.getByRole('alert')).toContainText('This is not its word');
  expect(await barriers(page)).toEqual([]);
  await waits.getByLabel('The word of Certificate').fill('gusts from the west');
  await waits.getByRole('button', { name: 'Open it' }).click();
  await page.waitForURL(/\/exams\/[^f]/);
  await expect(page.getByText('13 of 13 questions ready')).toBeVisible();
});

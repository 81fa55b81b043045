import path from 'node:path';
import { createClient } from '@libsql/client';
import { type Page, test } from '@playwright/test';
import { WT110 } from '../../src/demo/people';
import { barriers } from '../drivers/barriers';
import { begin, linkTo, goTo, PHONE, saved } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** How an exam runs: what is read before, aids, parts that are left for good, what a student is entitled to. */
const stage = onStage('how-it-runs');
const student = WT110[30] ?? { userName: '', name: '' };
let page: Page;
test.beforeAll(async () => {
  page = (await stage.signIn('jonas')).page;
});

/** An exam of one's own: a copy of the certificate. */
async function copyOfCertificate(): Promise<void> {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Certificate', exact: true }).click();
  await page.getByRole('button', { name: 'Take a copy' }).click();
  await expect(page.getByText('Certificate, copy').first()).toBeVisible();
}

async function scheduleIt(): Promise<void> {
  await saved(page);
  await page.getByRole('button', { name: 'Schedule…' }).click();
  await page.getByRole('button', { name: 'Schedule it' }).click();
  await page.waitForURL(/\/sittings\//);
}

test('a calculator and a formula sheet lie in the room, and keep what is in them', async () => {
  await copyOfCertificate();
  await page.getByLabel('Calculator', { exact: true }).selectOption('scientific');
  await page.getByRole('button', { name: 'Write one…' }).click();
  const sheet = page.getByRole('dialog').getByRole('textbox', { name: 'The formula sheet' });
  await sheet.click();
  await page.keyboard.type('Energy of a fall');
  await expect(sheet).toContainText('Energy of a fall');
  expect(await barriers(page)).toEqual([]);
  // Escape leaves the window from within its editor, too.
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByText('with a formula sheet')).toBeVisible();
  await scheduleIt();

  const { page: room } = await stage.signIn(student.userName, PHONE);
  await room.getByRole('link', { name: 'Begin…' }).first().click();
  await expect(room.getByText('In the room there is a scientific calculator and a formula sheet.')).toBeVisible();
  await expect(room.getByText('✓ This device keeps your answers when the network is gone.')).toBeVisible();
  await expect(room.getByText('✓ The server answers.')).toBeVisible();
  await room.context().setOffline(true);
  await expect(room.getByText('The server does not answer.', { exact: false })).toBeVisible();
  await room.context().setOffline(false);
  await expect(room.getByText('✓ The server answers.')).toBeVisible();
  expect(await barriers(room)).toEqual([]);
  await room.getByRole('button', { name: 'Begin' }).click();
  await expect(room.getByText('All answers saved ✓')).toBeVisible();

  await room.getByRole('button', { name: 'Calculator' }).click();
  const field = room.getByRole('textbox', { name: 'Calculation' });
  // Letters are signs here, not the room's keys.
  await field.pressSequentially('2 sin 30 + ln 1');
  await room.keyboard.press('Enter');
  const strip = room.getByRole('log', { name: 'Worked out before' });
  await expect(strip).toContainText('2 sin 30 + ln 1');
  await expect(strip.getByRole('button', { name: '1', exact: true })).toBeVisible();
  await room.getByRole('button', { name: 'times' }).click();
  await room.getByRole('button', { name: '7', exact: true }).click();
  await room.getByRole('button', { name: 'Work it out' }).click();
  await expect(strip.getByRole('button', { name: '7', exact: true })).toBeVisible();
  await field.fill('1/0');
  await room.keyboard.press('Enter');
  await expect(room.getByText('This has no value.')).toBeVisible();
  await field.fill('<img src=x onerror=alert(1)>');
  await room.keyboard.press('Enter');
  await expect(room.getByText('This cannot be read. Look at brackets and signs.')).toBeVisible();
  expect(await barriers(room)).toEqual([]);
  await room.keyboard.press('Escape');
  await expect(field).toBeHidden();
  await room.getByRole('button', { name: 'Formulas' }).click();
  await expect(room.getByRole('region', { name: 'Formulas' })).toContainText('Energy of a fall');
  await room.getByRole('button', { name: 'Calculator' }).click();
  await expect(strip).toContainText('2 sin 30 + ln 1');
  await room.context().close();
});

test('forward only: a part is left for good, never while something has not arrived, and nothing of it is lost', async () => {
  await copyOfCertificate();
  await page.getByLabel('How one moves').selectOption('forward');
  await scheduleIt();
  const { page: room } = await stage.signIn(student.userName, PHONE);
  await room.getByRole('link', { name: 'Begin…' }).first().click();
  await expect(room.getByText('You go forward only', { exact: false })).toBeVisible();
  await room.getByRole('button', { name: 'Begin' }).click();
  await expect(room.getByText('part 1 of 13', { exact: false })).toBeVisible();
  await expect(room.getByRole('button', { name: 'Hand in' })).toHaveCount(0);
  await room.getByRole('radio').first().check();
  await expect(room.getByText('All answers saved ✓')).toBeVisible();
  await room.context().setOffline(true);
  await room.getByRole('radio').nth(1).check();
  await room.getByRole('button', { name: 'Go on for good' }).click();
  const asking = room.getByRole('dialog');
  await expect(asking).toContainText('There is no way back to it.');
  expect(await barriers(room)).toEqual([]);
  await asking.getByRole('button', { name: 'Go on for good' }).click();
  await expect(asking).toContainText('You cannot go on yet');
  await room.context().setOffline(false);
  await expect(room.getByText('All answers saved ✓')).toBeVisible();
  await asking.getByRole('button', { name: 'Go on for good' }).dblclick();
  await expect(room.getByText('part 2 of 13', { exact: false })).toBeVisible();
  await expect(asking).toHaveCount(0);
  // Whoever goes back finds the way in again.
  await room.goBack();
  await room.getByRole('link', { name: 'Go on' }).click();
  await expect(room.getByText('part 2 of 13', { exact: false })).toBeVisible();
  await expect(room.getByText('Look at the drawing.')).toHaveCount(0);
  await room.context().close();
});

test('a section with a time of its own ends by itself, and the next begins', async () => {
  await copyOfCertificate();
  await page.getByLabel('Minutes of section A alone; empty for none').fill('1');
  await scheduleIt();
  const { page: room } = await stage.signIn(WT110[33]?.userName ?? '', PHONE);
  await begin(room.getByRole('link', { name: 'Begin…' }).first());
  await expect(room.getByText('part 1 of 3', { exact: false })).toBeVisible();
  await expect(room.getByText('of 1', { exact: true })).toBeVisible();
  await room.getByRole('radio').first().check();
  await expect(room.getByText('All answers saved ✓')).toBeVisible();
  // The minute is nearly over, for whoever has no time to wait for it.
  const client = createClient({ url: `file:${path.join(stage.server.data, 'zonda.db')}`, timeout: 5000 });
  await client.execute('UPDATE stages SET started_at = started_at - 40000 WHERE left_at IS NULL');
  client.close();
  await expect(room.getByText('part 2 of 3', { exact: false })).toBeVisible({ timeout: 60_000 });
  await expect(room.getByText('Look at the drawing', { exact: false })).toHaveCount(0);
  await expect(room.getByText(/1(19|20) min/).first()).toBeVisible();
  await room.context().close();
});

test('who is entitled to it has large text and questions read aloud', async () => {
  const { userName, name } = WT110[31] ?? student;
  await goTo(page, '/department');
  await page.getByLabel('Find a person').fill(name);
  await page.getByRole('button', { name: `Provision of ${name}: none…` }).click();
  const dialog = page.getByRole('dialog', { name });
  await dialog.getByLabel(/^large print/).check();
  await dialog.getByLabel(/^read aloud/).check();
  await dialog.getByLabel('Extra time in minutes').fill('10');
  expect(await barriers(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Provide it' }).click();
  await expect(page.getByRole('row', { name })).toContainText('10 minutes extra time, large print, read aloud');

  const { page: room } = await stage.signIn(userName, PHONE);
  await room.addInitScript(() => {
    const said: string[] = [];
    Object.assign(window, { said });
    Object.defineProperty(window, 'speechSynthesis', {
      value: { cancel: () => undefined, speak: (words: SpeechSynthesisUtterance) => said.push(words.text) },
    });
  });
  await begin(linkTo(room, 'Certificate'));
  await expect(room.getByText('All answers saved ✓')).toBeVisible();
  const scale = () => room.evaluate(() => document.documentElement.style.getPropertyValue('--text-scale'));
  await expect.poll(scale).toBe('1.5');
  await room.getByRole('button', { name: 'Read question 1 aloud' }).click();
  const said = await room.evaluate(() => (window as unknown as { said: string[] }).said.join(' '));
  expect(said).toContain('Look at the drawing. What is part 1?');
  expect(said).toContain('fall arrester');
  expect(said).not.toContain('[1]');
  expect(await barriers(room)).toEqual([]);
  await room.context().close();
});

test('students are written to, and the outbox says what became of it', async () => {
  await goTo(page, '/sittings');
  await page.getByRole('link', { name: 'Certificate', exact: true }).first().click();
  await page.getByRole('button', { name: 'Write…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Write to the students' });
  await dialog.getByLabel('To whom it is written').selectOption('not begun');
  await expect(dialog.getByLabel('Text')).toHaveValue(/you have not begun \[exam\]/);
  await dialog.getByLabel('Subject').fill('');
  await dialog.getByRole('button', { name: /^Send to/ }).click();
  await expect(dialog).toContainText('Write what it is about.');
  await dialog.getByLabel('Subject').fill('[exam], [name]');
  expect(await barriers(page)).toEqual([]);
  await dialog.getByRole('button', { name: /^Send to/ }).dblclick();
  await expect(page.getByRole('dialog')).toContainText(/\d+ messages written/);
  await page.getByRole('link', { name: 'The outbox' }).click();
  await expect(page.getByText('No mail server is set', { exact: false })).toBeVisible();
  await expect(async () => {
    await page.reload();
    await expect(page.getByText('kept here').first()).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.locator('summary').first().click();
  await expect(page.getByText('Dear ', { exact: false }).first()).toBeVisible();
  expect(await barriers(page)).toEqual([]);
});

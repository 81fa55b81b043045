import path from 'node:path';
import { type Page, test } from '@playwright/test';
import { WT201 } from '../../src/demo/people';
import { barriers } from '../drivers/barriers';
import { begin, goTo, launch, PHONE, saved, signIn } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** A phrase is said into a microphone, understood, marked, and heard by a person where it is doubtful. */
const stage = onStage('spoken');
const voice = (name: string): string => path.resolve(import.meta.dirname, '../../src/demo/voices/calls', `${name}.wav`);
let teacher: Page;
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  teacher = (await stage.signIn('thandeka')).page;
});

/** Says what the microphone hears. */
async function sayIt(page: Page): Promise<void> {
  await page
    .getByRole('button', { name: /: say it/ })
    .last()
    .click();
  await expect(page.getByText('● recording')).toBeVisible();
  await page.waitForTimeout(1600);
  await page.getByRole('button', { name: 'Stop' }).click();
}

test('on the bench a sample is spoken, and a trial answer is understood as in the room', async () => {
  const browser = await launch(voice('said-stop'));
  const { page } = await signIn(browser, stage.base, 'thandeka');
  stage.hear(page);
  await goTo(page, '/bank?bank=all');
  await page.getByRole('searchbox').first().fill('Three words over');
  await page.getByRole('link', { name: 'Three words over the radio' }).click();
  await page.waitForURL(/\/bank\/[0-9a-f-]+$/);
  await page.waitForLoadState('networkidle');
  await sayIt(page);
  await expect(page.locator('.understood', { hasText: 'Understood: “stop the rotor”' })).toBeVisible();
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const trials = page.getByRole('region', { name: 'Trial answers' });
  await expect(trials).toContainText('understood “stop the rotor”');
  // What is said becomes a sample, with its words; without words nothing is taken.
  const samples = page.getByRole('region', { name: 'Slot A: samples' });
  await expect(samples.getByRole('button', { name: 'Slot A: sample: record' })).toBeDisabled();
  await samples.getByLabel('words of the next sample').fill('stop the rotor now');
  await samples.getByRole('button', { name: 'Slot A: sample: record' }).click();
  await page.waitForTimeout(1600);
  await samples.getByRole('button', { name: 'Stop' }).click();
  await expect(samples.getByLabel('Words of sample 6')).toHaveValue('stop the rotor now');
  await expect(samples.getByRole('listitem').nth(5)).toContainText('other');
  await samples.getByRole('listitem').nth(5).getByLabel('Words of sample 6').fill('Stop the rotor');
  await expect(samples.getByRole('listitem').nth(5)).toContainText('right');
  await samples.getByLabel('a sample as a file').setInputFiles({
    name: 'no sound.wav',
    mimeType: 'audio/wav',
    buffer: Buffer.from('no sound at all'),
  });
  await expect(samples.getByLabel('a sample as a file')).toBeDisabled();
  await samples.getByRole('button', { name: 'Take sample 6 out' }).click();
  await expect(samples.getByRole('listitem')).toHaveCount(5);
  expect(await barriers(page)).toEqual([]);
  await browser.close();
});

/** From the first question on to the one that is said. */
async function toTheRadio(page: Page): Promise<void> {
  for (let number = 2; number <= 5; number++) {
    await page.getByRole('button', { name: `${number} ›`, exact: true }).click();
    await expect(page.getByRole('region', { name: `Question ${number}` })).toBeVisible();
  }
}

/** Somebody begins the copy of the workshop on a phone, and goes to what is said. */
async function atTheRadio(heard: string, userName: string) {
  const browser = await launch(voice(heard));
  const { page } = await signIn(browser, stage.base, userName, PHONE);
  stage.hear(page);
  await begin(page.getByRole('link', { name: 'Begin…' }).first());
  await expect(page.getByText('All answers saved ✓')).toBeVisible();
  await toTheRadio(page);
  return { page, close: () => browser.close() };
}

test('a student says it, hears it, sees what was understood, and may say it again; offline it waits', async () => {
  await goTo(teacher, '/exams');
  await teacher.getByRole('link', { name: 'Workshop, week 9', exact: true }).click();
  await teacher.getByRole('button', { name: 'Take a copy' }).click();
  await expect(teacher.getByText('Workshop, week 9, copy').first()).toBeVisible();
  await saved(teacher);
  await teacher.getByRole('button', { name: 'Schedule…' }).click();
  await teacher.getByRole('button', { name: 'Schedule it' }).click();
  await teacher.waitForURL(/\/sittings\//);

  const { page, close } = await atTheRadio('said-stop', WT201[20]?.userName ?? '');
  await expect(page.getByText('3 left')).toBeVisible();
  await sayIt(page);
  await expect(page.locator('.understood', { hasText: 'Understood: “stop the rotor”' })).toBeVisible();
  await expect(page.getByText('2 left')).toBeVisible();
  expect(await barriers(page)).toEqual([]);
  await page.context().setOffline(true);
  await sayIt(page);
  await expect(page.getByText(/It is listened to when/)).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.locator('.understood', { hasText: 'Understood: “stop the rotor”' })).toBeVisible();
  await page.reload();
  await expect(page.getByText('All answers saved ✓')).toBeVisible();
  await toTheRadio(page);
  await expect(page.getByText('1 left')).toBeVisible();
  await expect(page.locator('.understood', { hasText: 'Understood: “stop the rotor”' })).toBeVisible();
  await close();
});

test('what is doubtful waits, and a person hears it', async () => {
  const { page, close } = await atTheRadio('said-other', WT201[21]?.userName ?? '');
  await sayIt(page);
  await expect(page.getByText('A person will listen.')).toBeVisible();
  await page
    .getByRole('button', { name: /Hand in/ })
    .first()
    .click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Hand in/ })
    .click();
  await expect(page.getByText(/handed in/i).first()).toBeVisible();
  await close();

  await goTo(teacher, '/marking');
  await teacher
    .getByRole('link', { name: /Somebody steps below/ })
    .last()
    .click();
  await teacher.waitForURL(/\/marking\/[^/]+\/./);
  await teacher.waitForLoadState('networkidle');
  await expect(teacher.getByLabel('The recording')).toBeVisible();
  await expect(teacher.getByText(/a person listens/).first()).toBeVisible();
  expect(await barriers(teacher)).toEqual([]);
});

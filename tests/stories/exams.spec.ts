import { expect, type Page, test } from '@playwright/test';
import { barriers } from '../drivers/barriers';
import { WT110 } from '../../src/demo/people';
import { goTo, PHONE, saved } from '../drivers/browser';
import { onStage } from '../drivers/stage';

/** An exam is planned: what is drawn from the bank, looked at and scheduled. */
const stage = onStage('exams');
let page: Page;

test.beforeAll(async () => {
  page = (await stage.signIn('odalys')).page;
});

test('questions are drawn by a sentence, each student meets others, and too few are told', async () => {
  await goTo(page, '/exams');
  await page.keyboard.press('n');
  await page.getByLabel('Title').fill('Drawn from the bank');
  await page.getByRole('button', { name: 'Build it' }).click();
  await page.waitForURL(/\/exams\/[0-9a-f-]{36}/);
  await page.getByRole('button', { name: 'or draw some' }).click();
  const draw = page.getByRole('group', { name: 'draw 1 of section A' });
  const found = draw.getByRole('status');
  await expect(found).toHaveText(/^\d+ questions to draw from$/);
  const all = parseInt(await found.innerText(), 10);
  await draw.getByLabel('difficulty').selectOption('1');
  await expect.poll(async () => parseInt(await found.innerText(), 10)).toBeLessThan(all);
  await draw.getByLabel('difficulty').selectOption('');
  await draw.getByLabel('bank and topic').selectOption({ label: 'First principles' });
  await draw.getByLabel(/^Words that draw 1/).fill('rotor');
  await expect.poll(async () => parseInt(await found.innerText(), 10)).toBeLessThan(10);
  const few = parseInt(await found.innerText(), 10);
  expect(few).toBeGreaterThan(1);

  const take = draw.getByLabel('How many questions draw 1 of section A takes');
  const margin = page.getByRole('complementary', { name: 'Readiness and how it runs' });
  await take.fill(String(few + 1));
  await expect(margin).toContainText(`Section A draws ${few + 1} of ${few}: there are not so many.`);
  await draw.getByLabel(/^Words that draw 1/).fill('');
  await take.fill('2');
  await draw.getByLabel(/^Marks of each question of draw 1/).fill('2½');
  await expect(margin).toContainText('2 of 2 questions ready');
  await expect(page.getByText('5 marks, 30 minutes')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(draw.getByLabel('bank and topic').locator('option:checked')).toHaveText('First principles');
  await expect(draw.getByLabel(/^Marks of each question of draw 1/)).toHaveValue('2½');
  expect(await barriers(page)).toEqual([]);

  await page.getByRole('button', { name: 'Try the paper' }).click();
  const paper = page.getByRole('dialog');
  const words = async (): Promise<string> => {
    await expect(paper.locator('.trial-paper')).toHaveAttribute('aria-busy', 'false');
    await expect(paper.locator('.sheet')).toHaveCount(2);
    return (await paper.locator('.sheet').allInnerTexts()).join();
  };
  const sides = paper.getByRole('table', { name: 'Papers side by side' });
  await expect(sides.getByRole('row')).toHaveCount(7);
  const papers = new Set([await words()]);
  for (let i = 0; i < 6; i++) {
    await paper.getByRole('button', { name: 'Another student’s paper' }).click();
    papers.add(await words());
  }
  expect(papers.size).toBeGreaterThan(1);
  await sides.getByRole('button', { name: '1', exact: true }).click();
  expect(await words()).toBe([...papers][0]);
  expect(await barriers(page)).toEqual([]);
  await page.keyboard.press('Escape');

  await draw.getByText('not met by the course before').click();
  await saved(page);
  await page.getByRole('button', { name: 'Schedule…' }).click();
  await page.getByRole('button', { name: 'Schedule it' }).click();
  await page.waitForURL(/\/sittings\//);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Drawn from the bank');
});

test('a draw is taken out and comes back by undo', async () => {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Drawn from the bank' }).click();
  const draw = page.getByRole('group', { name: 'draw 1 of section A' });
  await draw.getByRole('button', { name: 'Take draw 1 of section A out' }).click();
  await expect(draw).toHaveCount(0);
  await expect(page.getByText('There is no question yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(draw).toBeVisible();
});

test('a question becomes a bonus: outside the total, and back again by keys', async () => {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Drive train, final' }).click();
  const chip = page.locator('.strip .chip').first();
  await expect(chip).toHaveText('31 marks, 60 minutes');
  const bonus = page.getByRole('button', { name: 'Question 9 is a bonus, outside the total' });
  await bonus.click();
  await expect(chip).toHaveText('30 marks, 60 minutes');
  await expect(bonus).toHaveAttribute('aria-pressed', 'true');
  await bonus.press('Space');
  await expect(chip).toHaveText('31 marks, 60 minutes');
  await page.getByLabel('Instructions of section 3').fill('Three questions from everywhere.');
  await saved(page);
  await page.getByRole('button', { name: 'Try the paper' }).click();
  await expect(page.getByRole('dialog')).toContainText('Three questions from everywhere.');
});

test('what the teacher says stands in the rooms until it is read', async () => {
  const { userName = '', name = '' } = WT110[7] ?? {};
  const { page: student } = await stage.signIn(userName, PHONE);
  await student.getByRole('link', { name: 'Go on' }).click();
  await expect(student.getByText('All answers saved ✓')).toBeVisible();
  await goTo(page, '/sittings');
  await page.getByRole('link', { name: 'Certificate' }).click();
  const say = page.getByLabel('What is said');
  await page.getByRole('button', { name: 'Say it' }).click();
  await expect(page.getByText('Write what you want to say.')).toBeVisible();
  await say.fill('In question 2, read kilometres.');
  await say.press('Enter');
  await expect(page.getByText(/^Said to \d+ students\.$/)).toBeVisible();
  await expect(say).toHaveValue('');
  const row = page.getByRole('row', { name: new RegExp(name) });
  await expect(row).toContainText('has not read yet what you said');
  // A room asks for the clock every quarter of a minute at the latest, and with every save.
  const later = student.getByRole('button', { name: /^Come back to this later|^later/ });
  await later.click();
  const notice = student.getByRole('alert').filter({ hasText: 'In question 2, read kilometres.' });
  await expect(notice).toBeVisible();
  expect(await barriers(student)).toEqual([]);
  await student.context().setOffline(true);
  await notice.getByRole('button', { name: 'I have read it' }).click();
  await expect(notice).toContainText('could not be told yet');
  await student.context().setOffline(false);
  await notice.getByRole('button', { name: 'I have read it' }).click();
  await expect(notice).toHaveCount(0);
  await student.reload();
  await expect(student.getByText('All answers saved ✓')).toBeVisible();
  await expect(notice).toHaveCount(0);
  await page.reload();
  await expect(row).toContainText('read it');
});

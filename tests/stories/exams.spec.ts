import { readFileSync } from 'node:fs';
import { type Page, test } from '@playwright/test';
import { chooseFrom } from '../drivers/act-menu';
import { barriers } from '../drivers/barriers';
import { WT110 } from '../../src/demo/people';
import { goTo, PHONE, saved, reloaded } from '../drivers/browser';
import { expect } from '../drivers/expect';
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
  await expect(chip).toHaveText('31 to 36 marks, 60 minutes');
  const bonus = page.getByRole('button', { name: 'Question 9 is a bonus, outside the total' });
  await bonus.click();
  await expect(chip).toHaveText('30 to 35 marks, 60 minutes');
  await expect(bonus).toHaveAttribute('aria-pressed', 'true');
  await bonus.press('Space');
  await expect(chip).toHaveText('31 to 36 marks, 60 minutes');
  await page.getByLabel('Instructions of section C').fill('Three questions from everywhere.');
  await saved(page);
  await page.getByRole('button', { name: 'Try the paper' }).click();
  await expect(page.getByRole('dialog')).toContainText('Three questions from everywhere.');
});

test('several rows at once: parts of a question, a number of its own, marks; what stands there follows', async () => {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Drive train, final' }).click();
  const grips = page.getByRole('region', { name: 'Section A' }).getByRole('button', { name: /, move$/ });
  const numbers = async (): Promise<string> => (await grips.allInnerTexts()).join(' ').replace(/⠿ /g, '');
  await expect.poll(numbers).toBe('1 2 3 4 5 6 7 8');
  await page.getByRole('checkbox', { name: 'Choose question 2', exact: true }).press('Space');
  await page.getByRole('checkbox', { name: 'Choose question 3', exact: true }).press('Space');
  const bar = page.getByRole('group', { name: 'The chosen questions' });
  await expect(bar).toContainText('2 questions');
  await bar.getByRole('button', { name: 'parts of the one above' }).click();
  await expect.poll(numbers).toBe('1a 1b 1c 2 3 4 5 6');
  await bar.getByLabel(/^Marks of each chosen question/).fill('2');
  await expect(page.locator('.strip .chip').first()).toHaveText('33 to 38 marks, 60 minutes');
  await bar.getByRole('button', { name: 'Choose none' }).click();
  await page.getByRole('checkbox', { name: 'Choose question 2', exact: true }).press('Space');
  await bar.getByLabel(/^Its own number/).fill('7');
  await expect.poll(numbers).toBe('1a 1b 1c 7 8 9 10 11');
  await page.getByLabel('Numbers of the questions').selectOption('lettered');
  await expect.poll(numbers).toBe('A1a A1b A1c 7 A8 A9 A10 A11');
  await saved(page);
  await page.reload();
  await expect.poll(numbers).toBe('A1a A1b A1c 7 A8 A9 A10 A11');
  expect(await barriers(page)).toEqual([]);
});

test('a blueprint says what is missing, and a cell leads to what would fill it', async () => {
  await page.getByRole('button', { name: 'Want what there is' }).click();
  const margin = page.getByRole('complementary', { name: 'Readiness and how it runs' });
  await expect(margin).not.toContainText('blueprint');
  const wanted = page.getByLabel('Marks wanted of Rotor, know');
  await expect(wanted).toHaveCount(0);
  await chooseFrom(page, 'one topic more…', 'Rotor');
  await wanted.fill('2');
  await expect(margin).toContainText('One cell of the blueprint has other marks than you want.');
  await page.getByRole('button', { name: '0 marks of Rotor, know: find questions' }).click();
  const cell = page.getByRole('dialog');
  expect(await barriers(page)).toEqual([]);
  await cell
    .getByRole('button', { name: /^Place / })
    .first()
    .click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^[1-9]\S* marks of Rotor, know/ })).toBeVisible();
  await saved(page);
});

test('a course has subjects and groups, and a section is for some of them only', async () => {
  await goTo(page, '/department');
  await page
    .getByRole('region', { name: 'Courses' })
    .or(page.getByLabel('Courses'))
    .first()
    .getByRole('link', { name: 'Students and groups' })
    .first()
    .click();
  await page.getByLabel('Find a student').fill(WT110[0]?.name ?? '');
  const subjects = page.getByRole('textbox', { name: /^Subjects of/ });
  await expect(subjects).toHaveCount(1);
  await subjects.fill('Rope access, Blades');
  await subjects.press('Enter');
  await page.getByLabel('Name of a new group').fill('Night shift');
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(page.getByLabel('Name of Night shift')).toBeVisible();
  const group = page.getByLabel(/^Group of/);
  await group.selectOption({ label: 'Night shift' });
  await expect(page.getByLabel('Groups', { exact: true })).toContainText(WT110[0]?.name ?? '');
  await reloaded(page);
  await page.getByLabel('Find a student').fill('rope access');
  await expect(subjects).toHaveValue('Rope access, Blades');
  expect(await barriers(page)).toEqual([]);

  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Certificate' }).click();
  await page.getByLabel('Whom section B is for').selectOption('some');
  const margin = page.getByRole('complementary', { name: 'Readiness and how it runs' });
  await expect(margin).toContainText('Section B is for nobody in the course.');
  await page.getByRole('group', { name: 'Who has section B' }).getByText('Rope access').click();
  await expect(margin).toContainText(/^.*1 student: A, B, C, /s);
  await expect(margin).toContainText(/Papers of the course are worth \S+ to \S+ marks/);
  await saved(page);
  await page.getByRole('button', { name: 'Try the paper' }).click();
  const paper = page.getByRole('dialog');
  await expect(paper.getByRole('heading', { name: /^B Rescue/ })).toHaveCount(0);
  await paper.getByText('B Rescue').click();
  await expect(paper.getByRole('heading', { name: /^B Rescue/ })).toBeVisible();
});

test('students come from a file: columns are seen, bad rows told, passwords shown once, and a second time nobody doubles', async () => {
  await goTo(page, '/department');
  await page.getByLabel('Courses').first().getByRole('link', { name: 'Students and groups' }).first().click();
  await page.waitForURL(/\/courses\/[0-9a-f-]{36}$/);
  const course = page.url();
  await page.getByRole('link', { name: 'Bring in…' }).click();
  const rows = [
    'Kestrel Ridge Institute;;;',
    'Learner;Account;Team;Subjects',
    `${WT110[1]?.name};${WT110[1]?.userName};Day shift;Rope access`,
    'Rowan Vale;;Day shift;Blades, Rope access',
    ';nameless;;',
    'Tess;imre;;',
  ];
  const file = { name: 'roster.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\r\n')) };
  await page
    .getByLabel(/^A workbook/)
    .setInputFiles({ ...file, name: 'nothing.png', buffer: Buffer.from([0x89, 0x50, 0, 0]) });
  await expect(page.getByRole('alert').filter({ hasText: 'There are no rows in this file.' })).toBeVisible();
  await page.getByLabel(/^A workbook/).setInputFiles(file);
  await page.getByLabel('What column 1 says').selectOption('name');
  await page.getByLabel('What column 2 says').selectOption('user name');
  await page.getByLabel('What column 3 says').selectOption('group');
  await page.getByLabel('What column 4 says').selectOption('subjects');
  await page.getByLabel('headings stand in row').selectOption('2');
  const margin = page.getByRole('complementary', { name: 'What will be brought in' });
  await expect(margin).toContainText('1 new student,');
  await expect(margin).toContainText('1 student of the department, brought up to date');
  await expect(margin).toContainText('Row 5 has no name.');
  await expect(margin).toContainText('Row 6 “Tess” has the user name of somebody who is no student.');
  expect(await barriers(page)).toEqual([]);
  const bringIn = margin.getByRole('button', { name: 'Bring in 2 students' });
  await expect(bringIn).toBeDisabled();
  await margin.getByText('leave them out').click();
  await bringIn.dblclick();
  await expect(page.getByRole('heading', { name: '1 new student, 1 brought up to date' })).toBeVisible();
  const slip = page.getByRole('listitem').filter({ hasText: 'Rowan Vale' });
  const [userName = '', password = ''] = await slip.locator('.mono').allInnerTexts();
  expect([userName, password]).toEqual(['rowan.v', expect.stringMatching(/^[a-z]{4}-[a-z]{4}-[a-z]{4}$/)]);
  expect(await barriers(page)).toEqual([]);
  await page.getByRole('link', { name: 'To the course' }).click();
  await page.waitForURL(course);
  await page.getByLabel('Find a student').fill('Rowan');
  await expect(page.getByRole('textbox', { name: 'Subjects of Rowan Vale, with commas between' })).toHaveValue(
    'Blades, Rope access',
  );
  await expect(page.getByLabel('Group of Rowan Vale').locator('option:checked')).toHaveText('Day shift');

  const context = await stage.browser.newContext();
  const newcomer = await context.newPage();
  await newcomer.goto(`${stage.base}/sign-in`);
  await newcomer.getByLabel('User name').fill(userName);
  await newcomer.getByLabel('Password').fill(password);
  await newcomer.getByRole('button', { name: 'Sign in' }).click();
  await newcomer.waitForURL(/\/my$/);
  await context.close();
});

test('an exam is printed: versions with their keys, and a PDF file', async () => {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Mid-term' }).click();
  await page.getByRole('link', { name: 'Print…' }).click();
  const sheet = page.locator('.printed');
  await expect(sheet.getByRole('region', { name: 'Question 1', exact: true })).toBeVisible();
  const first = await sheet.innerText();
  await page.getByLabel('How many versions').selectOption('2');
  await page.getByRole('button', { name: 'Version B' }).click();
  await expect(sheet).toContainText('version B');
  expect(await sheet.innerText()).not.toBe(first);
  await page.getByText('the key', { exact: true }).click();
  await expect(sheet.getByRole('row')).not.toHaveCount(0);
  await page.getByText('the marking scheme').click();
  await expect(sheet).toContainText('earns the marks, anything else nothing');
  await page.getByText('the answer sheet').click();
  await expect(sheet).toContainText('on the paper');
  expect(await barriers(page)).toEqual([]);
  await page.getByText('the paper', { exact: true }).click();
  await expect(sheet).toContainText('End of the paper');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'As PDF' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Mid-term.pdf');
  const pdf = readFileSync(await download.path());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  // No question is cut in two, no picture parted from its question.
  await page.emulateMedia({ media: 'print' });
  const unbroken = await sheet
    .locator('.printed-question')
    .evaluateAll((all) => all.every((one) => getComputedStyle(one).breakInside === 'avoid'));
  expect(unbroken).toBe(true);
  await page.emulateMedia({ media: null });
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

test('an exam is copied by one hasty click once, locked so that nobody changes it, and archived', async () => {
  await goTo(page, '/exams');
  await page.getByRole('link', { name: 'Certificate', exact: true }).click();
  await page.getByRole('button', { name: 'Take a copy' }).dblclick();
  await expect(page.getByLabel('Title of the exam')).toHaveValue('Certificate, copy');
  const address = page.url();
  await goTo(page, '/exams');
  await expect(page.getByRole('link', { name: 'Certificate, copy' })).toHaveCount(1);
  await goTo(page, address);
  await page.getByRole('button', { name: 'Keep…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Keeping this exam' });
  await dialog.getByLabel(/^locked/).check();
  expect(await barriers(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByText('nothing here can be changed', { exact: false })).toBeVisible();
  await expect(page.getByLabel('Title of the exam')).toBeDisabled();
  expect(await barriers(page)).toEqual([]);

  const { page: colleague, context } = await stage.signIn('thandeka');
  await goTo(colleague, address);
  await expect(colleague.getByText('Take a copy to change it.', { exact: false })).toBeVisible();
  await expect(colleague.getByRole('button', { name: 'Keep…' })).toHaveCount(0);
  await context.close();

  await page.getByRole('button', { name: 'Keep…' }).click();
  await dialog.getByLabel(/^in the archive/).check();
  await dialog.getByRole('button', { name: 'Done' }).click();
  await goTo(page, '/exams');
  await expect(page.getByRole('link', { name: 'Certificate, copy' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Archive' }).click();
  await page.getByRole('link', { name: 'Certificate, copy' }).click();
  await page.getByRole('button', { name: 'Schedule…' }).click();
  await page.getByRole('button', { name: 'Schedule it' }).click();
  await expect(page.getByRole('dialog')).toContainText('This exam is in the archive.');
});

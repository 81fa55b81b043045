import { type Page, test } from '@playwright/test';
import { begin, goTo, LAPTOP, PHONE, saved } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** The way of one question from the bench to the gradebook, in a real browser against the built application. */
const stage = onStage('story');
let teacher: Page;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  teacher = (await stage.signIn('odalys')).page;
});

test('a teacher writes a question with a picture, a formula and three slots', async () => {
  await goTo(teacher, '/bank');
  await teacher.keyboard.press('n');
  const sheet = teacher.getByRole('textbox', { name: 'The sheet' });
  await sheet.click();
  await teacher.keyboard.type('A cable carries 400 A. Which law gives its loss?');
  await teacher.keyboard.press('Enter');

  await teacher.evaluate(async () => {
    const canvas = document.createElement('canvas');
    canvas.width = 300;
    canvas.height = 150;
    canvas.getContext('2d')?.fillRect(20, 20, 260, 110);
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done));
    const data = new DataTransfer();
    data.items.add(new File([blob ?? ''], 'IMG_1.png', { type: 'image/png' }));
    document
      .querySelector('.ProseMirror')
      ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await teacher.getByLabel('Description of the picture').fill('A black cable');
  await sheet.press('Control+End');
  await teacher.keyboard.press('Enter');
  await teacher.getByRole('button', { name: 'Formula', exact: true }).click();
  await teacher.getByLabel(/LaTeX/).fill('P = R I^2');
  await teacher.keyboard.press('Enter');
  await expect(sheet.locator('.katex').first()).toBeVisible();

  await teacher.getByRole('button', { name: '+ Choice' }).click();
  await teacher.getByLabel('Option 1', { exact: true }).fill('Joule');
  await teacher.getByLabel('Option 2', { exact: true }).fill('Betz');
  await teacher.getByLabel('Option 3', { exact: true }).fill('Hooke');
  await teacher.getByLabel('Option 1 is right').check();
  await sheet.press('Control+End');
  await teacher.keyboard.press('Enter');
  await teacher.keyboard.type('Name it in a word: ');
  await teacher.getByRole('button', { name: '+ Short text' }).click();
  await teacher.getByLabel('Slot B: the right answer').fill('resistance');
  await sheet.press('Control+End');
  await teacher.getByRole('button', { name: '+ Number, unit' }).click();
  await teacher.getByLabel('Slot C: the right number with its unit').fill('3.2 kW');
  await teacher.getByLabel('Marks of slot C').fill('2');
  await expect(teacher.getByRole('region', { name: 'Slot C' })).toContainText('3.2 kW ± 1 %; without its unit ½.');
  await expect(teacher.getByText('✓ Ready')).toBeVisible();
});

test('trial answers show mark, expected mark and the reason', async () => {
  const drawer = teacher.getByRole('region', { name: 'Trial answers' });
  await drawer.getByLabel('A new trial answer').fill('3200 W');
  await teacher.keyboard.press('Enter');
  await drawer.getByLabel('Expected mark').fill('2');
  await expect(drawer).toContainText('1 of 1 as expected');
  await drawer.getByLabel('A new trial answer').fill('3.2');
  await teacher.keyboard.press('Enter');
  await drawer.getByLabel('Expected mark').nth(1).fill('2');
  await expect(drawer).toContainText('not as expected: rule 1 · within ± 1 % of 3.2 kW · the unit is missing (kW)');
  await expect(teacher.getByRole('navigation', { name: 'On this sheet' })).toContainText('is not marked as expected');
  await drawer.getByLabel('Expected mark').nth(1).fill('1');
  await expect(drawer).toContainText('2 of 2 as expected');
});

test('undo goes back over everything, and closing the tab loses nothing', async () => {
  await teacher.getByLabel('Marks of slot A').fill('7');
  await expect(teacher.getByTitle('10 marks')).toBeVisible();
  await teacher.getByRole('heading', { level: 1 }).click();
  await teacher.keyboard.press('Control+z');
  await expect(teacher.getByTitle('4 marks')).toBeVisible();
  await saved(teacher);
  // A save that arrives and whose answer nobody hears: what is typed after it began from a version that is gone.
  let arrived = 0;
  await teacher.route('**/bank/*', async (route) => {
    // Others are asked for, too.
    if (!route.request().postData()?.includes('typed')) return route.fallback();
    await route.fetch();
    arrived += 1;
  });
  await teacher.getByLabel('Notes to colleagues').fill('typed');
  await expect.poll(() => arrived).toBeGreaterThan(0);
  await teacher.getByLabel('Notes to colleagues').fill('typed just before the tab was closed');
  await teacher.unrouteAll({ behavior: 'ignoreErrors' });
  await teacher.reload();
  await teacher.waitForLoadState('networkidle');
  await expect(teacher.getByLabel('Notes to colleagues')).toHaveValue('typed just before the tab was closed');
  await expect(teacher.getByLabel('Slot B: the right answer')).toHaveValue('resistance');
  await expect(teacher.getByAltText('A black cable')).toBeVisible();
  await saved(teacher);
  await teacher.getByRole('button', { name: 'Done' }).click();
  await expect(teacher.getByRole('link', { name: /A cable carries 400 A/ })).toBeVisible();
});

let sitting = '';
test('she builds an exam of two sections, tries the paper, and schedules it', async () => {
  await goTo(teacher, '/exams');
  await teacher.keyboard.press('n');
  await teacher.getByLabel('Title').fill('Cables, short check');
  await teacher.getByLabel('Course').selectOption({ label: 'WT-201 Turbine systems' });
  await teacher.getByRole('button', { name: 'Build it' }).click();
  const margin = teacher.getByRole('complementary', { name: 'Readiness and how it runs' });
  await expect(margin).toContainText('There is no question yet.');
  await teacher.getByLabel('Find a question for Section').fill('cable carries 400');
  await teacher.getByRole('option', { name: /A cable carries 400 A/ }).click();
  await teacher.getByRole('button', { name: '+ Section' }).click();
  await expect(margin).toContainText('Section B is empty.');
  await teacher.getByLabel('Title of section B').fill('Betz');
  await teacher.getByLabel('Find a question for Betz').fill('largest share betz');
  await expect(teacher.getByRole('option', { name: /largest share/ })).toBeVisible();
  await teacher.keyboard.press('Enter');
  await expect(margin).toContainText('2 of 2 questions ready');
  await teacher.getByLabel('Marks of question 2').fill('2');
  await teacher.keyboard.press('Enter');
  await teacher.getByLabel('Pass mark in percent').fill('60');
  await expect(teacher.getByText('6 marks, 30 minutes', { exact: true })).toBeVisible();

  await teacher.getByRole('button', { name: 'Question 2, move' }).focus();
  const announced = teacher.locator('[id^="DndLiveRegion"]').first();
  await teacher.keyboard.press('Space');
  await expect(announced).toContainText('Question 2 is taken.');
  await teacher.keyboard.press('ArrowUp');
  await expect(announced).toHaveText('Over the end of section A.');
  await teacher.keyboard.press('Space');
  await expect(announced).toHaveText('Question 2 is put down.');
  await expect(margin).toContainText('Section B is empty.');
  await teacher.getByRole('button', { name: 'Undo' }).click();
  await expect(margin).not.toContainText('Section B is empty.');
  await saved(teacher);

  await teacher.getByRole('button', { name: 'Try the paper' }).click();
  const trial = teacher.getByRole('dialog');
  await trial.getByRole('button', { name: 'Phone' }).click();
  await trial.getByLabel('Question 1, answer B').fill('not kept');
  await trial.getByRole('button', { name: 'Close' }).click();

  await teacher.getByRole('button', { name: 'Schedule…' }).click();
  await teacher.getByLabel('It ends for all at').fill('2020-01-01T10:00');
  await teacher.getByRole('button', { name: 'Schedule it' }).click();
  await expect(teacher.getByRole('alert').filter({ hasText: 'It would end before it starts' })).toBeVisible();
  const start = new Date(Date.now() - 60_000 - new Date().getTimezoneOffset() * 60_000);
  await teacher.getByLabel('They may start from').fill(start.toISOString().slice(0, 16));
  await teacher
    .getByLabel('It ends for all at')
    .fill(new Date(start.getTime() + 3 * 3_600_000).toISOString().slice(0, 16));
  await teacher.getByRole('button', { name: 'Schedule it' }).click();
  await expect(teacher.getByText(/Open: all 62 students of WT-201 can get in now/)).toBeVisible();
  await teacher.getByLabel('Extra time of Aino Virtala').selectOption('25');
  await expect(teacher.getByRole('row', { name: /Aino Virtala/ })).toContainText('38 min');
  sitting = teacher.url();
});

test('a student sits it on a phone, through a killed server and a cut network', async () => {
  const { page: student } = await stage.signIn('aino.v', PHONE);
  const card = student.locator('section', { hasText: 'Cables, short check' }).first();
  await expect(card).toContainText('38 minutes, extra time included');
  await begin(card.locator('div', { hasText: 'Cables, short check' }).getByRole('link', { name: 'Begin…' }).first());
  await expect(student.getByText(/38 min|37 min/).first()).toBeVisible();
  expect(await student.content()).not.toContain('resistance');

  await student.getByLabel('Joule').check();
  await student.getByLabel('Question 1, answer B').fill('resi');
  await expect(student.getByText('All answers saved ✓')).toBeVisible();

  await stage.server.kill();
  await student.getByLabel('Question 1, answer B').fill('a kind of friction');
  await expect(student.getByText(/Offline: kept on this device/)).toBeVisible();
  await student.waitForTimeout(7000);
  await stage.server.start();
  await expect(student.getByText('All answers saved ✓')).toBeVisible({ timeout: 30_000 });

  await student.context().setOffline(true);
  await student.getByLabel('Question 1, answer C').fill('3,2 kW');
  await student.getByRole('button', { name: /Come back to this/ }).click();
  await expect(student.getByText(/Offline: kept on this device/)).toBeVisible();
  await student.waitForTimeout(5000);
  await student.context().setOffline(false);
  await expect(student.getByText('All answers saved ✓')).toBeVisible({ timeout: 30_000 });

  await student.reload();
  await expect(student.getByLabel('Question 1, answer B')).toHaveValue('a kind of friction');
  await expect(student.getByLabel('Question 1, answer C')).toHaveValue('3,2 kW');
  const tab = await student.context().newPage();
  await tab.goto(student.url());
  await tab.getByLabel('Question 1, answer C').fill('3.2 kW');
  await expect(student.getByLabel('Question 1, answer C')).toHaveValue('3.2 kW');
  await tab.close({ runBeforeUnload: false });
  await expect(student.getByText('All answers saved ✓')).toBeVisible();

  await student.getByRole('button', { name: 'Larger text' }).click();
  await student.getByRole('button', { name: 'Hand in' }).first().click();
  const asking = student.getByRole('dialog');
  await expect(asking).toContainText('Not answered: 2');
  await expect(asking).toContainText('Marked to come back to: 1');
  await asking.getByRole('button', { name: 'Go on writing' }).click();
  await student.getByRole('button', { name: '2 ›' }).click();
  await student.getByLabel('16/27').check();
  await student.getByRole('button', { name: 'Hand in' }).first().click();
  await asking.getByRole('button', { name: 'Hand in' }).click();
  await expect(student.getByRole('heading', { name: 'Handed in' })).toBeVisible();
  await student.getByRole('link', { name: 'To my page' }).click();
  await student.waitForURL(/\/my$/);
});

test('another never hands in; the clock does it though the browser is closed', async () => {
  const other = await stage.signIn('bram.o', LAPTOP);
  const row = other.page.getByText('Cables, short check').locator('xpath=ancestor::div[.//a][1]');
  await begin(row.getByRole('link', { name: 'Begin…' }));
  await other.page.getByLabel('Betz').check();
  await expect(other.page.getByText('All answers saved ✓')).toBeVisible();
  await other.context.close();
  await goTo(teacher, sitting);
  await teacher.getByRole('button', { name: 'End for all…' }).click();
  await expect(teacher.getByText('This hands in the work of 1 student as it is.')).toBeVisible();
  await teacher.getByRole('button', { name: 'End it' }).click();
  await expect(async () => {
    await teacher.reload();
    await expect(teacher.getByRole('row', { name: /Bram Oosterveld/ })).toContainText('by the clock', {
      timeout: 1000,
    });
  }).toPass({ timeout: 60_000 });
});

test('what no rule decides waits; the teacher marks it, saved as typed', async () => {
  await goTo(teacher, '/marking');
  await teacher
    .getByRole('row', { name: /Cables, short check/ })
    .getByRole('link')
    .first()
    .click();
  await expect(teacher.locator('.answer-box')).toHaveText('a kind of friction');
  const mark = teacher.getByLabel('Marks out of 1');
  await mark.fill('5');
  await expect(teacher.getByText('Between 0 and 1.')).toBeVisible();
  await mark.fill('½');
  await expect(teacher.getByText('Mark saved ✓')).toBeVisible();
  // What is typed and not yet said is said when the answer is left; a place in it is pointed at by selecting words.
  await teacher.keyboard.press('r');
  await teacher.getByLabel('Remark', { exact: true }).fill('What does the friction do?');
  await teacher.keyboard.press('Enter');
  await expect(teacher.getByRole('listitem').filter({ hasText: 'What does the friction do?' })).toBeVisible();
  const answer = teacher.locator('.remarked');
  await answer.dblclick({ position: { x: ((await answer.boundingBox())?.width ?? 0) - 12, y: 10 } });
  await expect(teacher.getByText('About “friction”')).toBeVisible();
  await teacher.keyboard.type('wh');
  await expect(teacher.getByRole('option', { name: /What does the friction do/ })).toBeVisible();
  await teacher.getByLabel('Remark', { exact: true }).fill('Which?');
  await teacher.keyboard.press('Enter');
  await expect(teacher.locator('.said-of')).toHaveText('friction');
  await teacher.reload();
  await expect(teacher.getByLabel('Marks out of 1')).toHaveValue('½');
  await expect(teacher.locator('.said-of')).toHaveText('friction');
});

test('results: boundaries dragged and typed, then released; the student reads why', async () => {
  await goTo(teacher, `${sitting}/results`);
  await expect(teacher.getByText('marked 2 of 2')).toBeVisible();
  const pass = teacher.getByRole('slider', { name: 'Pass mark' });
  await pass.focus();
  await teacher.keyboard.press('PageUp');
  await expect(teacher.getByLabel('Pass mark', { exact: true }).last()).toHaveValue('65');
  const box = await pass.locator('rect').last().boundingBox();
  if (!box) throw new Error('The pass mark is not on the line');
  await teacher.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await teacher.mouse.down();
  await teacher.mouse.move(box.x - 120, box.y, { steps: 6 });
  await teacher.mouse.up();
  await saved(teacher);
  await teacher.getByRole('textbox', { name: 'Pass mark' }).fill('55');
  await teacher.getByLabel('What range 4 reads').fill('Very good, [name]: [percent].');
  await expect(teacher.getByText(/Pass 1 of 2/)).toBeVisible();
  await saved(teacher);
  await teacher.getByRole('button', { name: 'Release…' }).click();
  await teacher.getByRole('button', { name: 'Release to 2 students' }).click();
  await expect(teacher.getByRole('button', { name: 'Take back' })).toBeVisible();

  const { page: student } = await stage.signIn('aino.v', PHONE);
  await student.getByRole('link', { name: 'Cables, short check' }).click();
  await expect(student.getByText('5.5 of 6')).toBeVisible();
  await expect(student.getByText('Very good, Aino Virtala: 91.7 %.')).toBeVisible();
  await expect(student.getByText('rule 1 · within ± 1 % of 3.2 kW')).toBeVisible();
  await expect(student.getByText('What does the friction do?')).toBeVisible();
  await expect(student.locator('.said-of')).toHaveText('friction');
});

test('the gradebook has the column, and exports it', async () => {
  await teacher.goto('/gradebook');
  await teacher.getByRole('link', { name: 'WT-201' }).click();
  await expect(teacher.getByRole('columnheader', { name: /Cables, short check/ })).not.toContainText('pencil');
  await teacher.getByRole('radio', { name: 'percent' }).check();
  await expect(teacher.getByRole('row', { name: /Aino Virtala/ })).toContainText('91.7');
  await teacher.getByRole('button', { name: 'Take out…' }).click();
  const [csv] = await Promise.all([
    teacher.waitForEvent('download'),
    teacher.getByRole('link', { name: 'CSV' }).click(),
  ]);
  const stream = await csv.createReadStream();
  const text = Buffer.concat(await stream.toArray()).toString('utf8');
  expect(text.split('\r\n')[0]).toContain('"Cables, short check (of 6)","Cables, short check %"');
  expect(text).toContain('Aino Virtala,aino.v');
  await teacher.getByRole('button', { name: 'Take out…' }).click();
  const [xlsx] = await Promise.all([
    teacher.waitForEvent('download'),
    teacher.getByRole('link', { name: /XLSX/ }).click(),
  ]);
  expect(xlsx.suggestedFilename()).toBe('WT-201.xlsx');
});

test('a single question reaches the class in two clicks', async () => {
  await goTo(teacher, '/bank');
  await teacher.getByLabel('Search all text').fill('wind speed doubles');
  const beside = teacher.getByRole('complementary', { name: 'The question' });
  await expect(beside.getByText('The wind speed doubles.')).toBeVisible();
  await beside.getByRole('button', { name: 'Give to the class now' }).click();
  await teacher.getByRole('button', { name: 'WT-110 Working at height' }).click();
  await expect(teacher.getByText(/Open: all 38 students of WT-110 can get in now/)).toBeVisible();
});

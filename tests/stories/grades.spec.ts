import { type Locator, type Page, test } from '@playwright/test';
import { chooseFrom } from '../drivers/act-menu';
import { barriers } from '../drivers/barriers';
import { goTo, PHONE } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** What a department lives with: the gradebook, judges of a pass mark, what the analysis finds, questions about marks, certificates. */
const stage = onStage('grades');
let teacher: Page;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  teacher = (await stage.signIn('odalys')).page;
});

const grid = (page: Page): Locator => page.getByRole('grid', { name: 'Marks' });
const rowOf = (page: Page, name: string): Locator => grid(page).getByRole('row', { name });

async function book(page: Page): Promise<void> {
  await goTo(page, '/gradebook');
  await page.getByRole('link', { name: /WT-201/ }).click();
  await expect(grid(page)).toBeVisible();
}

test('marks are typed from the keyboard, a slip is told, an undo takes them back, and the grade follows at once', async () => {
  await book(teacher);
  const row = rowOf(teacher, 'Anders Fjellvang');
  const final = row.getByRole('gridcell').first();
  const before = (await final.textContent()) ?? '';
  const cell = row.getByRole('gridcell').nth(3);
  await cell.click();
  const was = await cell.innerText();
  // On a slow line too: a step back does not wait until the step has arrived.
  await teacher.route('**/gradebook/**', async (route) => {
    await new Promise((done) => setTimeout(done, 700));
    await route.continue();
  });
  await teacher.keyboard.type('19,5');
  await teacher.keyboard.press('Enter');
  const arrived = teacher.waitForResponse((answer) => answer.request().method() === 'POST');
  await teacher.keyboard.press('Control+z');
  await expect(cell).toHaveText(was);
  // The first has arrived, the step back has not: what was typed is not back, and is not what a next step goes back to.
  await arrived;
  await teacher.keyboard.press('ArrowUp');
  await teacher.keyboard.type('19,5');
  await expect(row.getByRole('textbox')).toHaveValue('19,5');
  await teacher.keyboard.press('Escape');
  expect(await cell.innerText()).toBe(was);
  await teacher.keyboard.type('19,5');
  await teacher.keyboard.press('Enter');
  await expect(cell).toHaveText('19.5');
  await expect(teacher.getByText('Saving…')).toBeHidden();
  await teacher.unrouteAll({ behavior: 'wait' });
  await expect(cell).toHaveText('19.5');
  await expect(final).not.toHaveText(before);
  // Enter has gone down, arrows go on from there; nonsense is told and not taken.
  await teacher.keyboard.press('ArrowUp');
  await teacher.keyboard.type('999');
  await teacher.keyboard.press('Enter');
  await expect(teacher.getByRole('alert').filter({ hasText: 'more than twice' })).toBeVisible();
  await expect(cell).toHaveText('19.5');
  await teacher.keyboard.press('Control+z');
  await expect(cell).toHaveText(was);
  await expect(final).toHaveText(before);
  await expect(teacher.getByText('Saving…')).toBeHidden();
  await teacher.reload();
  await expect(rowOf(teacher, 'Anders Fjellvang').getByRole('gridcell').nth(3)).toHaveText(was);
});

test('a block is pasted after it was seen what changes; what reaches beyond is left out', async () => {
  const row = rowOf(teacher, 'Aino Virtala');
  await row.getByRole('gridcell').nth(1).click();
  await grid(teacher).evaluate((table) => {
    const data = new DataTransfer();
    data.setData('text/plain', '11\t12\n13\tx\n');
    table.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  const dialog = teacher.getByRole('dialog');
  await expect(dialog).toContainText('“x” is no number');
  await expect(dialog).toContainText('Blade sections');
  // A hasty hand.
  await dialog.getByRole('button', { name: 'Change 3 cells' }).dblclick();
  await expect(row.getByRole('gridcell').nth(2)).toHaveText('12');
  await expect(rowOf(teacher, 'Anders Fjellvang').getByRole('gridcell').nth(1)).toHaveText('13');
});

test('what was reckoned changes only with a reason, which stands in the history; the grade explains itself', async () => {
  const row = rowOf(teacher, 'Aino Virtala');
  await row.getByRole('gridcell').first().click();
  await teacher.keyboard.type('50');
  await teacher.keyboard.press('Enter');
  const dialog = teacher.getByRole('dialog');
  await expect(dialog.getByRole('button', { name: 'Change it' })).toBeDisabled();
  await dialog.getByLabel(/^Why/).fill('Agreed with the board');
  await dialog.getByRole('button', { name: 'Change it' }).click();
  await expect(row.getByRole('gridcell').first()).toContainText('50.0');
  await row.getByRole('gridcell').first().click();
  const note = teacher.getByRole('complementary', { name: 'The cell' });
  await expect(note).toContainText('Agreed with the board');
  await expect(note).toContainText('By hand 50.0 %');
  await expect(note).toContainText('÷ 3 =');
  await note.getByRole('button', { name: 'Back to the reckoned grade' }).click();
  await teacher.getByRole('dialog').getByLabel(/^Why/).fill('It does not count');
  await teacher.getByRole('dialog').getByRole('button', { name: 'Change it' }).click();
  await expect(row.getByRole('gridcell').first()).not.toContainText('50.0');
});

test('rules say at once whose grade moves; the student reads the same reckoning, and nobody else’s', async () => {
  await teacher.getByRole('link', { name: 'How grades come about' }).click();
  await teacher.getByLabel('Weight of Exams').fill('0');
  await expect(teacher.getByRole('complementary')).toContainText('The weights add up to 50, not to 100');
  await expect(teacher.getByRole('complementary')).toContainText(/grades have moved/);
  await teacher.getByLabel('Weight of Exams').fill('50');
  await expect(teacher.getByRole('complementary')).toContainText('No grade has moved');
  await expect(teacher.getByText(/^Saved/).first()).toBeVisible();
  expect(await barriers(teacher)).toEqual([]);
  const student = (await stage.signIn('aino.v', PHONE)).page;
  await goTo(student, '/my');
  await student.getByRole('link', { name: /^WT-201/ }).click();
  await expect(student.getByRole('heading', { level: 1 })).toContainText('%');
  await expect(student.getByText('Blade sections')).toBeVisible();
  await expect(student.locator('body')).not.toContainText('Anders');
  expect(await barriers(student)).toEqual([]);
});

test('a colleague reads a course that is signed off, and changes nothing in it', async () => {
  await book(teacher);
  await teacher.getByRole('button', { name: 'Sign off…' }).click();
  await teacher.getByRole('button', { name: 'Sign it off' }).click();
  // Marks in pencil keep it open.
  await expect(teacher.getByRole('dialog')).toContainText('not released yet');
  await teacher.getByRole('button', { name: 'Cancel' }).click();
});

const openFirstCheck = async (page: Page): Promise<string> => {
  await goTo(page, '/sittings');
  await page
    .getByRole('link', { name: /first check/ })
    .first()
    .click();
  await page.waitForURL(/\/sittings\/[^/]+$/);
  return new URL(page.url()).pathname;
};

test('the analysis finds the wrong key, the option that misleads nobody and the question that favours some', async () => {
  const sitting = await openFirstCheck(teacher);
  await goTo(teacher, `${sitting}/analysis`);
  const row = (words: string): Locator => teacher.getByRole('row').filter({ hasText: words }).first();
  await expect(row('drops to half')).toContainText('is the key right?');
  await expect(row('does not change the power')).toContainText('Nobody chose');
  await teacher.getByLabel('Order of the questions').selectOption('worst with the rest first');
  await expect(teacher.getByRole('row').nth(1)).toContainText('drops to half');
  await teacher.getByLabel('only what is worth a look').check();
  await teacher.getByLabel('Group', { exact: true }).selectOption({ label: 'Offshore against all others' });
  const groups = teacher.getByRole('region', { name: 'Two groups compared' });
  await expect(groups.getByRole('row').filter({ hasText: 'Salt spray' })).toContainText('much easier for Offshore (C)');
  await expect(teacher.getByRole('img', { name: /Difficulties of \d+ questions/ })).toBeVisible();
  for (const as of ['CSV', 'PDF']) {
    const saved = teacher.waitForEvent('download');
    await teacher.getByRole('button', { name: 'Save…' }).click();
    await teacher.getByRole('button', { name: as }).click();
    expect((await saved).suggestedFilename()).toBe(`students-and-questions.${as.toLowerCase()}`);
  }
  await row('drops to half').getByRole('link').click();
  await expect(teacher.getByRole('img', { name: /weakest, middle and best third/ })).toBeVisible();
  await teacher.getByRole('link', { name: 'To the bench' }).click();
  await teacher.getByRole('button', { name: 'Look at its sittings' }).click();
  await expect(teacher.getByText('is the key right?')).toBeVisible();

  // The bank is searched by it, and draws can be.
  await goTo(teacher, '/bank');
  await chooseFrom(teacher, 'narrow by …', 'how it did');
  await teacher.getByLabel('how it did').selectOption('that hardly told who was better');
  await expect(teacher.getByText('Half the wind').first()).toBeVisible();
  await teacher.getByLabel('how it did').selectOption('not tried yet');
  await expect(teacher.getByText('Half the wind')).toHaveCount(0);
  await teacher.getByLabel('how it did').selectOption('');
});

test('judges say where the pass mark belongs, each on a page of their own', async () => {
  const sitting = await openFirstCheck(teacher);
  await goTo(teacher, `${sitting}/pass-mark`);
  await expect(teacher.getByText('As the panel said')).toBeVisible();
  await teacher.getByRole('button', { name: 'Ask judges…' }).click();
  await teacher.getByLabel(/by bearable limits/).check();
  await teacher.getByRole('dialog').getByLabel('Mirela Petrescu').check();
  await teacher.getByRole('button', { name: 'Ask them' }).dblclick();
  await expect(teacher.getByText('has not begun')).toBeVisible();
  expect(await barriers(teacher)).toEqual([]);
  const judge = (await stage.signIn('mirela')).page;
  await goTo(judge, '/');
  await judge.getByRole('link', { name: /Where the pass mark of/ }).click();
  const say = async (label: RegExp, percent: string): Promise<void> => judge.getByLabel(label).fill(percent);
  await say(/lowest pass mark/, '60');
  await say(/highest pass mark/, '40');
  await say(/At least so many/, '5');
  await say(/At most so many/, '50');
  await expect(judge.getByText('What you bear at least is more')).toBeVisible();
  await expect(judge.getByRole('button', { name: 'That is all' })).toBeDisabled();
  await say(/highest pass mark/, '75');
  await say(/lowest pass mark/, '40');
  expect(await barriers(judge)).toEqual([]);
  await judge.getByRole('button', { name: 'That is all' }).click();
  await expect(judge.getByRole('button', { name: '✓ Done' })).toBeVisible();
  await teacher.reload();
  const panel = teacher.getByRole('region', { name: /bearable limits/ });
  await expect(panel).toContainText('where the limits meet the scores');
  await panel.getByRole('button', { name: 'Take it…' }).click();
  await expect(teacher.getByRole('dialog')).toContainText('Mirela Petrescu');
  await teacher.getByRole('button', { name: 'Cancel' }).click();
});

test('a pass asks for a topic; what is said of it has weights; ranges are kept for the department', async () => {
  const sitting = await openFirstCheck(teacher);
  await goTo(teacher, `${sitting}/results`);
  const passed = teacher.getByText(/^Pass \d+ of 62/);
  const before = await passed.innerText();
  const notes = teacher.getByRole('complementary', { name: 'Boundaries' });
  await chooseFrom(notes, 'a topic or a criterion…', 'Lift and drag: 4 questions');
  await notes.getByRole('button', { name: 'Ask for a percent of the topic Lift and drag' }).click();
  const percent = notes.getByLabel('Percent of the topic Lift and drag that a pass needs');
  await percent.fill('100');
  await expect(passed).not.toHaveText(before);
  await expect(notes).toContainText(/\d+ pass the whole but not all/);
  await notes.getByText('If an edge moved by 2 percent').first().click();
  await expect(notes.getByText(/^70 to 68: (nobody|\d+ students?, .+)\.$/)).toBeVisible();
  await notes.getByRole('button', { name: 'Ask for no percent of the topic Lift and drag' }).click();
  await expect(passed).toHaveText(before);
  await notes.getByRole('button', { name: 'Say something of the topic Lift and drag' }).click();
  await notes.getByRole('textbox', { name: 'What range 1 of the topic Lift and drag reads' }).click();
  await teacher.keyboard.type('Look at ');
  await teacher.keyboard.press('Control+b');
  await teacher.keyboard.type('the polar');
  await teacher.getByText('As three of them will read it').click();
  await expect(teacher.locator('.read-as strong').filter({ hasText: 'the polar' }).first()).toBeVisible();
  expect(await barriers(teacher)).toEqual([]);
  await expect(teacher.getByText('Saved', { exact: true })).toBeVisible();
  await teacher.reload();
  await expect(notes.getByRole('textbox', { name: 'What range 1 of the topic Lift and drag reads' })).toHaveText(
    'Look at the polar',
  );

  await teacher.getByRole('button', { name: 'Keep these for the department…' }).click();
  const dialog = teacher.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Keep them' }).click();
  await expect(dialog.getByRole('alert')).toHaveText('A set needs a name.');
  await dialog.getByLabel('Under which name').fill('Four ranges');
  await teacher.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  const range = teacher.getByRole('textbox', { name: 'What range 4 reads' });
  const said = await range.innerText();
  await range.fill('Something else');
  await teacher.getByRole('button', { name: 'Take ranges and grades over…' }).click();
  expect(await barriers(teacher)).toEqual([]);
  await dialog.getByRole('button', { name: 'Four ranges', exact: true }).click();
  await expect(range).toHaveText(said);
  await teacher.getByRole('button', { name: 'Take ranges and grades over…' }).click();
  await dialog.getByRole('button', { name: 'Take the set Four ranges out' }).dblclick();
  await expect(dialog.getByRole('button', { name: 'Four ranges', exact: true })).toBeHidden();
  await dialog.getByRole('button', { name: 'Close' }).click();
});

test('a student asks about a mark, prints a certificate, and anybody can check its number', async () => {
  const sitting = await openFirstCheck(teacher);
  await goTo(teacher, `${sitting}/results`);
  await teacher.getByRole('button', { name: 'Certificate…' }).click();
  await teacher.getByLabel('What it says').fill('[name] passed [exam] with [percent].');
  await teacher.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(teacher.getByRole('dialog')).toBeHidden();
  const student = (await stage.signIn('aino.v', PHONE)).page;
  await goTo(student, '/my');
  await student
    .getByRole('link', { name: /first check/ })
    .first()
    .click();
  await student.getByRole('button', { name: 'Ask about the marks of question 2', exact: true }).click();
  const words = student.getByLabel('What you want to know about the marks of question 2');
  await words.fill('Does a cube not make it eight times?');
  await student.getByRole('button', { name: 'Ask', exact: true }).dblclick();
  await expect(student.getByText('The answer comes here.')).toHaveCount(1);
  expect(await barriers(student)).toEqual([]);
  await student.getByRole('link', { name: 'Certificate' }).click();
  const number = await student.locator('.certificate strong').innerText();
  await expect(student.locator('.certificate')).toContainText('Aino Virtala passed');

  await goTo(teacher, '/');
  await teacher.getByRole('link', { name: 'Aino Virtala asks about 1 mark' }).click();
  await teacher.getByLabel('Answer to the question about 2').fill('It does; you have the mark.');
  await teacher.getByRole('button', { name: 'Answer' }).click();
  await expect(teacher.getByText('It does; you have the mark.')).toBeVisible();

  const context = await stage.browser.newContext({ baseURL: stage.base });
  const anybody = await context.newPage();
  stage.hear(anybody);
  await goTo(anybody, '/check');
  await anybody.getByLabel('Its number').fill(number.toLowerCase());
  await anybody.getByRole('button', { name: 'Check' }).click();
  await expect(anybody.getByRole('status')).toContainText('✓ This certificate holds.');
  expect(await barriers(anybody)).toEqual([]);
  await anybody.getByLabel('Its number').fill('AAAA-AAAA-AAAA');
  await anybody.getByRole('button', { name: 'Check' }).click();
  await expect(anybody.getByRole('status')).toContainText('No certificate has this number');
  await context.close();
});

test('scores go to the gradebook of a learning platform; what stands there is asked, and what is new is sent', async () => {
  // The lead registers nothing new, but sees that the platform knows this installation.
  await goTo(teacher, '/department');
  const platforms = teacher.getByRole('complementary', { name: 'Learning platforms' });
  await platforms.getByRole('button', { name: 'Try Stand-in platform' }).click();
  await expect(platforms.getByRole('status')).toHaveText('It knows this installation, and gave access.');
  await platforms.getByRole('button', { name: 'Register a platform…' }).click();
  const dialog = teacher.getByRole('dialog');
  await dialog.getByLabel('Its name here').fill('Learning place');
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(dialog.getByRole('alert')).toHaveText('This is no web address. It begins with https://.');
  await dialog.getByLabel('Client id that it has given').fill('zonda-7');
  await dialog.getByLabel('Address of its access tokens').fill('https://learning.example/token');
  await dialog.getByLabel('All line items of its courses').fill('https://learning.example/courses/');
  // A hasty hand registers it once.
  await dialog.getByRole('button', { name: 'Keep it' }).dblclick();
  await expect(dialog).toBeHidden();
  await expect(platforms.getByRole('heading', { name: 'Learning place' })).toHaveCount(1);
  await platforms.getByRole('button', { name: 'Try Learning place' }).click();
  await expect(platforms.getByRole('status')).toHaveText('The platform does not answer.');
  await platforms.getByRole('button', { name: 'Change Learning place…' }).click();
  await dialog.getByRole('button', { name: 'Take it out…' }).click();
  await dialog.getByRole('button', { name: 'Take it out', exact: true }).click();
  await expect(platforms.getByRole('heading', { name: 'Learning place' })).toHaveCount(0);
  // The one that a course stands in stays.
  await platforms.getByRole('button', { name: 'Change Stand-in platform…' }).click();
  await dialog.getByRole('button', { name: 'Take it out…' }).click();
  await dialog.getByRole('button', { name: 'Take it out', exact: true }).click();
  await expect(dialog.getByRole('alert')).toHaveText('A course stands in its gradebooks. Disconnect first.');
  await teacher.keyboard.press('Escape');

  await book(teacher);
  await teacher.getByRole('button', { name: 'Take out…' }).click();
  await teacher.getByRole('link', { name: 'to the gradebook of a learning platform' }).click();
  await expect(teacher.getByRole('heading', { name: 'Outside gradebook' })).toBeVisible();
  await teacher.waitForLoadState('networkidle');
  expect(await barriers(teacher)).toEqual([]);
  // What earlier steps changed is new there.
  const send = teacher.getByRole('button', { name: /^(Send \d+ scores?|Nothing new to send)$/ });
  // Two students are not known there; one gets an id from a list, a second that is somebody else's.
  await teacher.getByRole('button', { name: 'From a list…' }).click();
  const fields = teacher.getByRole('textbox', { name: /^Id of .* on the platform$/ });
  const [unknown, another] = [fields.first(), fields.nth(1)];
  const name = ((await unknown.getAttribute('aria-label')) ?? '').replace(/^Id of (.*) on the platform$/, '$1');
  await dialog.getByRole('textbox').fill(`Name\tId\n${name}\t17-b\nNobody Known\t18`);
  await expect(dialog).toContainText('1 line left out');
  await dialog.getByRole('button', { name: 'Put 1 id into the list' }).click();
  await expect(unknown).toHaveValue('17-b');
  await another.fill(await fields.last().inputValue());
  await teacher.getByRole('button', { name: 'Keep 2 ids' }).click();
  await expect(teacher.getByRole('alert').filter({ hasText: 'another student’s already' })).toBeVisible();
  await another.fill('');
  await teacher.getByRole('button', { name: 'Keep 1 id' }).click();
  await expect(teacher.getByRole('button', { name: 'Kept' })).toBeVisible();
  await expect(send).toBeEnabled();
  await send.click();
  await expect(send).toHaveText('Nothing new to send');
  await expect(teacher.getByText(/scores arrived$/)).toBeVisible();
  await teacher.getByRole('button', { name: 'Ask the platform' }).click();
  await expect(teacher.getByText(/\d+ places are the same here and there\./)).toBeVisible();

  // A column that is taken away is sent no more; an address beside the platform is refused, and nothing is lost.
  await teacher.getByRole('checkbox', { name: 'Send Poster on a failure' }).uncheck();
  await expect(teacher.getByRole('row', { name: /Poster on a failure/ })).toContainText('not sent');
  const address = teacher.getByLabel('Address of its line items');
  const was = await address.inputValue();
  await address.fill('https://elsewhere.example/line_items');
  await teacher.getByRole('button', { name: 'Keep it' }).click();
  await expect(teacher.getByRole('alert').filter({ hasText: 'does not lie under' })).toBeVisible();
  await teacher.reload();
  await expect(address).toHaveValue(was);
  // A colleague of another course finds nothing here.
  const { page: other, context } = await stage.signIn('jonas');
  expect((await other.goto(new URL(teacher.url()).pathname))?.status()).toBe(404);
  await context.close();
});

import AxeBuilder from '@axe-core/playwright';
import { type Page, test } from '@playwright/test';
import { begin, goTo, PHONE } from '../drivers/browser';
import { beginQuestion } from '../drivers/bench';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** Answer rules in the browser: a formula written and answered, and words with what calls a person. */
const stage = onStage('mathematics');
let teacher: Page;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  teacher = (await stage.signIn('odalys')).page;
});

test('typing a formula as it looks is enough for a rule; trial answers are read in any notation', async () => {
  await goTo(teacher, '/bank');
  await teacher.keyboard.press('n');
  await teacher.waitForURL(/\/bank\/(?!new)/);
  await teacher.getByRole('textbox', { name: 'The sheet' }).click();
  await teacher.keyboard.type('Reciprocal of twice the slip, as a formula: ');
  await teacher.getByRole('button', { name: '+ Mathematics' }).click();
  const key = teacher.locator('math-field[aria-label="Slot A: the right formula"]');
  await key.click();
  await expect(key).toBeFocused();
  await teacher.keyboard.type('1/2s');
  const note = teacher.getByRole('region', { name: 'Slot A' });
  await expect(note).toContainText('Right when it has the same value as');
  await expect(note.locator('.katex').first()).toBeVisible();
  const drawer = teacher.getByRole('region', { name: 'Trial answers' });
  for (const [typed, mark] of [
    ['1/(2s)', '1'],
    ['\\frac{0.5}{s}', '1'],
    ['2s', '0'],
    ['1/2s', 'waits'],
  ] as const) {
    await drawer.getByLabel('A new trial answer').fill(typed);
    await teacher.keyboard.press('Enter');
    await drawer.getByLabel('Expected mark').last().fill(mark);
  }
  await expect(drawer).toContainText('4 of 4 as expected');
  await expect(drawer).toContainText('can be read in two ways');

  await note.getByRole('button', { name: 'another formula, or a typical slip' }).click();
  const slip = note.locator('math-field[aria-label="Formula of rule 2"]');
  await slip.click();
  await expect(slip).toBeFocused();
  await teacher.keyboard.type('2s');
  await note.getByLabel('Feedback of rule 2').fill('That is not the reciprocal yet.');
  await expect(note).toContainText('earns ½');
  await expect(drawer).toContainText('not as expected');
  await drawer.getByLabel('Expected mark').nth(2).fill('½');
  await expect(drawer).toContainText('4 of 4 as expected');
  const { violations } = await new AxeBuilder({ page: teacher }).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
});

test('a student on a phone types plainly, sees how it is read, and puts the brackets', async () => {
  await teacher.getByRole('button', { name: 'Done' }).click();
  await teacher.getByLabel('Search all text').fill('reciprocal of twice');
  const beside = teacher.getByRole('complementary', { name: 'The question' });
  await expect(beside.getByText('Reciprocal of twice the slip')).toBeVisible();
  await beside.getByRole('button', { name: 'Give to the class now' }).click();
  await teacher.getByRole('button', { name: 'WT-201 Turbine systems' }).click();
  await expect(teacher.getByText(/can get in now/)).toBeVisible();

  const student = (await stage.signIn('aino.v', PHONE)).page;
  const card = student.locator('section', { hasText: 'Reciprocal of twice' }).first();
  await begin(card.locator('div', { hasText: 'Reciprocal of twice' }).getByRole('link', { name: 'Begin…' }).first());
  const field = student.getByRole('textbox', { name: 'Question 1' });
  await field.fill('1/2');
  await student.getByRole('button', { name: 'Brackets' }).click();
  await student.keyboard.type('s');
  await expect(field).toHaveValue('1/2(s)');
  await field.fill('1/2s');
  await expect(student.getByText('or do you mean')).toBeVisible();
  await student.getByRole('button', { name: 'Yes, put the brackets' }).click();
  await expect(field).toHaveValue('\\frac{1}{2s}');
  await expect(student.getByText('All answers saved ✓')).toBeVisible();
  const { violations } = await new AxeBuilder({ page: student }).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
  await student.getByRole('button', { name: 'write it as it looks' }).click();
  await expect(student.locator('.maths-field math-field')).toHaveJSProperty('value', '\\frac{1}{2s}');
  // A page that the server drew for a mouse becomes one for fingers without a complaint.
  await student.reload();
  await expect(field).toHaveValue('\\frac{1}{2s}');
  await student
    .getByRole('button', { name: /^Hand in/ })
    .first()
    .click();
  await student
    .getByRole('dialog')
    .getByRole('button', { name: /^Hand in/ })
    .click();
  await expect(student.getByText(/handed in/i).first()).toBeVisible();
});

test('words: endings and slips are forgiven, a denial calls a person', async () => {
  await goTo(teacher, '/bank');
  await teacher.keyboard.press('n');
  await teacher.waitForURL(/\/bank\/(?!new)/);
  await teacher.getByRole('textbox', { name: 'The sheet' }).click();
  await teacher.keyboard.type('What measures the wind? ');
  await teacher.getByRole('button', { name: '+ Short text' }).click();
  await teacher.getByLabel('Slot A: the right answer').fill('anemometer');
  const note = teacher.getByRole('region', { name: 'Slot A' });
  await expect(note).toContainText(
    '“anemometer”; slips and British or American spelling forgiven; anything else waits',
  );
  await note.getByLabel('Rule 1', { exact: true }).selectOption({ label: 'points of a scheme' });
  await note.getByText('What is forgiven').click();
  await note.getByLabel('endings of words').selectOption({ label: 'forgiven, English' });
  const drawer = teacher.getByRole('region', { name: 'Trial answers' });
  for (const typed of ['two anemomters', 'not an anemometer', 'the wind vane']) {
    await drawer.getByLabel('A new trial answer').fill(typed);
    await teacher.keyboard.press('Enter');
  }
  await expect(drawer).toContainText('taken for a slip of the pen');
  await expect(drawer).toContainText('“not” denies something');
  await note.getByText('What calls a person').click();
  await expect(note).toContainText('would hand over 1 trial answer');
  await note
    .getByLabel(/what is denied/)
    .first()
    .selectOption({ label: 'does not count' });
  await expect(drawer).not.toContainText('“not” denies something');
});

/** Nothing on the page that axe would complain about. */
async function accessible(page: Page): Promise<void> {
  expect(
    (await new AxeBuilder({ page }).analyze()).violations.map(({ id, nodes }) => `${id} ${nodes[0]?.html}`),
  ).toEqual([]);
}

test('a pasted scheme becomes points, whose words are looked up, and lists are used by name', async () => {
  await beginQuestion(teacher);
  await teacher.keyboard.type('Why does the second turbine make less? ');
  await teacher.getByRole('button', { name: '+ A few lines' }).click();
  const note = teacher.getByRole('region', { name: 'Slot A' });
  await expect(note.getByLabel('Rule 1', { exact: true })).toHaveValue('points');
  // A scheme comes first in a few lines, and is as simple as any of these words.
  await teacher.getByLabel('Slot A: the right answer').fill('wake; shadow');
  await expect(note.getByLabel('Accepted for point 1', { exact: true })).toHaveValue('wake; shadow');
  const dialog = teacher.getByRole('dialog');
  await note.getByRole('button', { name: 'points from a text…' }).click();
  await dialog
    .getByLabel('The marking scheme')
    .fill('P1 wake / shadow (1)\n  Do not accept: upwind\nP2 less wind (1)\nIgnore: age');
  await expect(dialog.getByRole('listitem')).toHaveText([/wake; shadow · not with upwind/, /less wind/, 'Ignore: age']);
  await accessible(teacher);
  await dialog.getByRole('button', { name: 'Make 2 points' }).click();
  await expect(note).toContainText('½ of the marks for any of “wake”, “shadow”, not with any of “upwind” plus');
  await note.getByRole('button', { name: 'other wordings…' }).first().click();
  await note.getByRole('button', { name: 'shade', exact: true }).click();
  await expect(note.getByLabel('Accepted for point 1', { exact: true })).toHaveValue('wake; shadow; shade');
  await note.getByLabel('Accepted for point 2', { exact: true }).fill('less wind; {load cases}');
  await note.getByRole('button', { name: 'Take in' }).click();
  await expect(note).toContainText('load cases: 7 words');
  const drawer = teacher.getByRole('region', { name: 'Trial answers' });
  await drawer.getByLabel('A new trial answer').fill('a gust in the shade of it');
  await teacher.keyboard.press('Enter');
  await expect(drawer.getByRole('row').filter({ hasText: 'found “gust”' })).toContainText('1');
  await accessible(teacher);
});

test('a formula begun while its engine cannot be fetched is there as soon as it can', async () => {
  const { page } = await stage.signIn('imre');
  let cut = 0;
  await page.route('**/_next/static/**/*.js', async (route) => {
    const response = await route.fetch();
    if (!(await response.text()).includes('ML__')) return route.fulfill({ response });
    cut += 1;
    return route.abort();
  });
  await beginQuestion(page);
  await page.keyboard.type('How large is it? ');
  await page.getByRole('button', { name: '+ Mathematics' }).click();
  await page.keyboard.type('ab');
  await expect.poll(() => cut).toBeGreaterThan(1);
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  const field = page.locator('math-field[aria-label="Slot A: the right formula"]');
  await expect(field).toHaveJSProperty('value', 'ab');
  await expect(page.getByRole('region', { name: 'Slot A' })).toContainText('Right when it has the same value as');
});

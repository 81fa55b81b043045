import AxeBuilder from '@axe-core/playwright';
import { type Page, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { checkQuestion } from '../../src/core/bank/checks';
import { placedSlots } from '../../src/core/bank/question';
import { kindOf } from '../../src/core/kinds/registry';
import { beginQuestion } from '../drivers/bench';
import { goTo, letGo, reloaded } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { photographed } from '../drivers/photographed';
import { questionOfEveryKind } from '../drivers/samples';
import { onStage } from '../drivers/stage';

/** Rubrics, numbers that vary, formulas with places, and mending after the exam, in the browser. */
const stage = onStage('marking');
let teacher: Page;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  teacher = (await stage.signIn('odalys')).page;
});

async function openInBank(words: string, title: RegExp): Promise<void> {
  await goTo(teacher, '/bank');
  await teacher.getByLabel('Search all text').fill(words);
  const link = teacher.getByRole('link', { name: title }).first();
  await expect(link).toBeVisible();
  await link.click();
  await teacher.keyboard.press('Enter');
  await teacher.waitForURL(/\/bank\/./);
  await teacher.waitForLoadState('networkidle');
}

async function firstBank(page: Page): Promise<string> {
  await page.getByLabel('Or paste the questions').fill('1. Q?\nAnswer: a');
  await page.getByRole('button', { name: 'Find the questions' }).click();
  return page.getByLabel('Bring them into').inputValue();
}

async function plain(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
}

test('a report is marked by a rubric with three keys, and the words that were noticed stand out', async () => {
  await goTo(teacher, '/marking');
  await teacher.getByRole('link', { name: /On turbine 9/ }).click();
  await teacher.waitForURL(/\/marking\/./);
  await expect(teacher.getByRole('heading', { name: 'Maintenance report' })).toBeVisible();
  await teacher.waitForLoadState('networkidle');
  // The first answer in which something was noticed; who wrote what is drawn anew with every demo.
  const scripts = teacher.getByRole('navigation', { name: 'Answers' }).getByRole('button');
  let script = 0;
  while (script < 20 && (await teacher.locator('.answer-box mark').count()) === 0) {
    script += 1;
    await teacher.keyboard.press('j');
    await expect(scripts.nth(script)).toHaveAttribute('aria-current', 'true');
  }
  await expect(teacher.locator('.answer-box mark').first()).toBeVisible();
  await teacher.keyboard.press('3');
  await teacher.keyboard.press('2');
  await expect(teacher.getByText('so far, 1 open')).toBeVisible();
  await teacher.keyboard.press('3');
  await expect(teacher.getByText('= 5 of 6 marks')).toBeVisible();
  await expect(teacher.getByText('Mark saved')).toBeVisible();
  await teacher.getByLabel('Remark on Handover').fill('Say who orders the filter.');
  await expect(teacher.getByText('1 of')).toBeVisible();
  await plain(teacher);
  // By why they wait: the answer that is open stays open, with its mark.
  await teacher.getByLabel('In which order').selectOption('by why they wait');
  await expect(scripts.and(teacher.locator('[aria-current="true"]'))).toHaveCount(1);
  await expect(teacher.getByText('= 5 of 6 marks')).toBeVisible();
  await reloaded(teacher);
  await scripts.nth(script).click();
  await expect(teacher.getByText('= 5 of 6 marks')).toBeVisible();
  await expect(teacher.getByLabel('Remark on Handover')).toHaveValue('Say who orders the filter.');
});

test('a long answer gets its room and a file beside it, tried on the sheet', async () => {
  await goTo(teacher, '/bank');
  await teacher.keyboard.press('n');
  await teacher.waitForURL(/\/bank\/(?!new)/);
  await teacher.getByRole('textbox', { name: 'The sheet' }).click();
  await teacher.keyboard.type('Describe the state of the harness.');
  await teacher.getByRole('button', { name: '+ Long answer' }).click();
  await teacher.getByLabel('Lines of room').click();
  await teacher.keyboard.press('Control+a');
  await teacher.keyboard.type('12');
  await teacher.getByLabel('Files beside it').fill('2');
  await teacher.getByLabel('At least so many words').fill('5');
  await expect(teacher.getByLabel('Lines of room')).toHaveValue('12');
  await teacher.getByRole('button', { name: 'Try the sheet' }).click();
  const sheet = teacher.getByRole('dialog');
  await expect(sheet.locator('textarea')).toHaveAttribute('rows', '12');
  await sheet.locator('textarea').fill('Webbing worn');
  await expect(sheet).toContainText('2 words; at least 5 are asked for');
  await sheet
    .locator('input[type=file]')
    .setInputFiles({ name: 'loop.png', mimeType: 'image/png', buffer: Buffer.alloc(3000) });
  await expect(sheet).toContainText('loop.png 3 kB');
  await sheet.getByRole('button', { name: 'Hand in' }).click();
  await expect(sheet).toContainText('one file beside it');
  await sheet.getByRole('button', { name: 'Close' }).click();
});

test('pages are handed in: looked over, turned, cropped by keys, put in order, tried on the sheet', async () => {
  await beginQuestion(teacher);
  await teacher.keyboard.type('Work it out on paper.');
  await teacher.getByRole('button', { name: '+ Pages to hand in' }).click();
  await teacher.getByLabel('How many can be handed in').fill('3');
  await expect(teacher.getByRole('region', { name: 'Slot A' })).toContainText('Up to 3 pages, photographed or as PDF.');
  await teacher.getByRole('button', { name: 'Try the sheet' }).click();
  const sheet = teacher.getByRole('dialog', { name: /./ }).first();
  await sheet
    .getByLabel(/Choose files/)
    .setInputFiles([
      await photographed('first.png', 900, 600),
      { name: 'notes.exe', mimeType: 'application/octet-stream', buffer: Buffer.from('MZ') },
      { name: 'broken.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') },
    ]);
  const pages = sheet.locator('.hand-in li');
  await expect(pages).toHaveCount(2);
  await expect(sheet.getByRole('alert')).toContainText('notes.exe: not one of the kinds that are asked for');
  const picture = pages.first().locator('.page-view');
  await expect(picture).toHaveCSS('height', '64px');
  await sheet.getByRole('button', { name: 'Turn page 1' }).click();
  await expect(picture).toHaveCSS('height', '144px');
  await sheet.getByRole('button', { name: 'Crop page 1' }).click();
  const crop = teacher.getByRole('dialog', { name: 'The sheet in first.png' });
  await crop.getByRole('button', { name: /^lower right corner: 95 across, 95 down/ }).focus();
  for (let i = 0; i < 5; i++) await teacher.keyboard.press('Shift+ArrowLeft');
  await expect(crop.getByRole('button', { name: /^lower right corner: 70 across/ })).toBeFocused();
  await plain(teacher);
  await crop.getByRole('button', { name: 'Crop to these corners' }).click();
  await expect(crop).toBeHidden();
  await sheet.getByRole('button', { name: 'Page 1 later' }).click();
  await expect(pages.nth(1)).toContainText('2. first.png');
  const thumb = await pages.nth(1).locator('.thumb').boundingBox();
  const above = await pages.first().locator('.thumb').boundingBox();
  if (!thumb || !above) throw new Error('A page is not shown');
  await teacher.mouse.move(thumb.x + 20, thumb.y + 20);
  await teacher.mouse.down();
  await teacher.mouse.move(thumb.x + 20, thumb.y, { steps: 4 });
  await expect(sheet.locator('.hand-in li.dragged')).toBeVisible();
  await teacher.mouse.move(above.x + 20, above.y + 10, { steps: 8 });
  await expect(pages.first()).toHaveCSS('transform', /matrix\(1, 0, 0, 1, 0, [1-9]/);
  await letGo(teacher);
  await expect(pages.first()).toContainText('1. first.png');
  await sheet.getByRole('button', { name: 'Page 2 earlier' }).click();
  await expect(pages.nth(1)).toContainText('2. first.png');
  await sheet.getByRole('button', { name: 'Take page 1 out' }).click();
  await sheet.getByRole('button', { name: 'Hand in' }).click();
  await expect(sheet.getByText('marked by a person')).toBeVisible();
});

test('a rubric is written on its own sheet and saved as typed', async () => {
  await goTo(teacher, '/bank/rubrics');
  await teacher.getByRole('button', { name: 'New rubric' }).click();
  await teacher.getByLabel('Name', { exact: true }).fill('Tower climb');
  await teacher.getByRole('button', { name: 'Begin it' }).click();
  await teacher.waitForURL(/rubrics\/./);
  await teacher.getByLabel('Name of the criterion').first().fill('Harness');
  await teacher.getByLabel('Harness, Fully', { exact: true }).fill('Checked by a second person.');
  await teacher.getByRole('button', { name: 'Add a level' }).click();
  await teacher.getByRole('button', { name: 'Take level Level 5 out' }).click();
  await expect(teacher.getByText(/^Saved/)).toBeVisible();
  await plain(teacher);
  await teacher.reload();
  await expect(teacher.getByLabel('Harness, Fully', { exact: true })).toHaveValue('Checked by a second person.');
});

test('numbers vary; a right way from a wrong area earns its marks and says so', async () => {
  await openInBank('own numbers swept area', /Swept area and power/);
  const note = teacher.getByRole('region', { name: 'Numbers that vary' });
  await expect(note).toContainText('variant 1: r = ');
  const first = await note.getByRole('status').textContent();
  await note.getByRole('button', { name: 'Next variant' }).click();
  await expect(note.getByRole('status')).not.toHaveText(first ?? '');
  await expect(teacher.getByRole('region', { name: 'Trial answers' })).toContainText('as expected');
  await note.getByLabel('Condition 1').fill('r > 1000');
  await expect(note).toContainText('No draw of the values fits');
  await note.getByLabel('Condition 1').fill('');
  await expect(note).not.toContainText('No draw');

  await teacher.getByRole('button', { name: 'Try the sheet' }).click();
  const sheet = teacher.getByRole('dialog');
  const text = (await sheet.getByRole('region', { name: 'Question 1' }).textContent()) ?? '';
  const speed = Number(/wind of (\d+) m\/s/.exec(text)?.[1]);
  await sheet.getByLabel('Question 1, answer A').fill('1000 m^2');
  await sheet.getByLabel('Question 1, answer B').fill(`${(0.5 * 1.225 * 1000 * speed ** 3) / 1000} kW`);
  await sheet.getByRole('button', { name: 'Hand in' }).click();
  await expect(sheet.getByText('0 of 2')).toBeVisible();
  await expect(sheet.getByText('2 of 2')).toBeVisible();
  await expect(sheet.getByText(/right with the earlier answer 1000/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Close' }).click();
});

test('a part of a formula becomes a place with its key; a student fills it in the formula', async () => {
  await goTo(teacher, '/bank');
  await teacher.keyboard.press('n');
  await teacher.waitForURL(/\/bank\/(?!new)/);
  await teacher.getByRole('textbox', { name: 'The sheet' }).click();
  await teacher.keyboard.type('Torque is force times: ');
  await teacher.getByRole('button', { name: '+ Formula with places' }).click();
  const formula = teacher.locator('math-field[aria-label="Slot A: the formula with its places"]');
  await formula.click();
  await expect(formula).toBeFocused();
  await teacher.keyboard.type('M=Fr');
  await teacher.keyboard.press('Shift+ArrowLeft');
  await teacher.getByRole('button', { name: 'make a place' }).click();
  const note = teacher.getByRole('region', { name: 'Slot A' });
  await expect(note).toContainText('A formula with 1 place');
  await expect(note).toContainText('Place 1: r');
  await teacher.getByRole('button', { name: 'Try the sheet' }).click();
  const sheet = teacher.getByRole('dialog');
  const field = sheet.locator('math-field');
  await field.click();
  await expect(field).toBeFocused();
  await teacher.keyboard.press('Tab');
  await sheet.getByRole('button', { name: 'type the places plainly' }).click();
  await sheet.getByLabel('Question 1, place 1').fill('r');
  await expect(sheet.getByRole('status')).toContainText('read as');
  await sheet.getByRole('button', { name: 'Hand in' }).click();
  await expect(sheet.getByText('1 of 1')).toHaveCount(2);
  await sheet.getByRole('button', { name: 'Close' }).click();
});

test('after the exam an answer is accepted for all who gave it, with a look at who moves, and taken back', async () => {
  await goTo(teacher, '/sittings');
  await teacher.getByRole('link', { name: 'Mid-term' }).click();
  await teacher.getByRole('link', { name: 'Results' }).click();
  await teacher.getByRole('link', { name: 'Answers', exact: true }).click();
  await teacher.waitForURL(/\/answers/, { timeout: 20_000 });
  await teacher.waitForLoadState('networkidle');
  const table = teacher.getByRole('region', { name: 'Answers in slot C' });
  const row = table.getByRole('row').filter({ hasText: 'waits' }).first();
  await expect(row).toBeVisible();
  const answer =
    (await row.locator('.answer').textContent())?.split('choose those')[0]?.split('also:')[0]?.trim() ?? '';
  await row.getByLabel(/shall earn/).fill('7');
  await expect(row).toContainText('0 to 1');
  await row.getByLabel(/shall earn/).fill('1');
  const changes = teacher.getByRole('region', { name: 'Changes' });
  await expect(changes).toContainText(`“${answer}” earns 1 of 1 in slot C.`);
  await changes.getByLabel('Reason, for the history').fill('It means the same.');
  await plain(teacher);
  // What is meant to change outlives a look at another question.
  await teacher.getByRole('navigation', { name: 'Questions' }).getByRole('link').nth(1).click();
  await expect(teacher.getByRole('heading', { name: 'Answers to question 2' })).toBeVisible();
  await teacher.goBack();
  await expect(changes).toContainText('earns 1 of 1');

  await teacher.getByRole('button', { name: 'Preview who moves…' }).first().click();
  const dialog = teacher.getByRole('dialog');
  const apply = dialog.getByRole('button', { name: /^Change \d+ marks?$/ });
  await expect(apply).toBeEnabled({ timeout: 30_000 });
  await expect(dialog.getByRole('table')).toContainText('Script');
  await plain(teacher);
  await apply.click();
  await expect(dialog).toBeHidden({ timeout: 30_000 });
  const history = teacher.getByRole('region', { name: 'History' });
  await expect(history).toContainText('It means the same.');
  await expect(table.getByRole('row').filter({ hasText: answer }).first()).toContainText('was decided on by itself');

  await history.getByRole('button', { name: 'Take back' }).click();
  await expect(history).toContainText('taken back');
  await expect(table.getByRole('row').filter({ hasText: answer }).first()).toContainText('waits');
});

test('what no rule has read is given to a point with a click, with a look at who moves', async () => {
  await teacher
    .getByRole('navigation', { name: 'Questions' })
    .getByRole('link', { name: /Turbine 14/ })
    .click();
  const unread = teacher.getByRole('region', { name: /^Not read/ });
  const row = unread.getByRole('row').filter({ hasText: /^lee/ });
  await row.getByRole('button', { name: /^in the wake/ }).click();
  await expect(teacher.getByRole('region', { name: 'Changes' })).toContainText('“lee” counts for “in the wake”.');
  await plain(teacher);
  await teacher.getByRole('button', { name: 'Preview who moves…' }).first().click();
  const dialog = teacher.getByRole('dialog');
  await expect(dialog.getByRole('button', { name: /^Change \d+ marks$/ })).toBeEnabled({ timeout: 30_000 });
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await row.getByRole('button', { name: /in the wake/ }).click();
  await expect(teacher.getByRole('region', { name: 'Changes' })).not.toContainText('“lee” counts');
});

test('the worker on the bench and the server mark byte for byte alike', async () => {
  const pairs = readFileSync(path.join(import.meta.dirname, '../reference/fixtures/maths-pairs.jsonl'), 'utf8')
    .split('\n')
    .filter((line) => line !== '')
    .map((line) => (JSON.parse(line) as { answer: string }).answer)
    .filter((answer) => answer.length < 300);
  const body = questionOfEveryKind('Every kind');
  const tryouts = placedSlots(body).flatMap(({ id, slot }) =>
    (kindOf(slot.kind).marked?.tryouts(slot.setup) ?? []).map((response) => ({ slot: id, response })),
  );
  const formulas = placedSlots(body).find(({ slot }) => slot.kind === 'maths')?.id ?? '';
  const answers = [
    ...tryouts,
    ...pairs.slice(0, 300).map((formula) => ({ slot: formulas, response: { formula } })),
    ...pairs.slice(0, 60).map((number) => ({ slot: 'b', response: { number, unit: '' } })),
  ];
  const trials = answers.map((answer, i) => ({ id: `t${i}`, ...answer, expected: '' as const }));
  const question = { ...body, trials };

  const page = await (await stage.signIn('odalys')).context.newPage();
  await page.addInitScript(() => {
    const seen: unknown[] = [];
    Object.assign(window, { seen });
    const Real = window.Worker;
    window.Worker = class extends Real {
      constructor(...all: ConstructorParameters<typeof Worker>) {
        super(...all);
        this.addEventListener('message', ({ data }: MessageEvent<{ checks?: unknown }>) => {
          if (data.checks) seen.push(data.checks);
        });
      }
    };
  });
  await goTo(page, '/bank/bring-in');
  const kept = await page.request.post('/api/bring-in/keep', {
    headers: { Origin: stage.base },
    data: {
      bank: await firstBank(page),
      topic: null,
      items: [{ body: question, facts: { difficulty: 1, demand: 'know', tags: [] }, topic: [], goals: [] }],
    },
  });
  expect(kept.ok(), await kept.text()).toBe(true);
  await goTo(page, '/bank?bank=all');
  await page.getByLabel('Search all text').fill('choose work out name');
  await page.getByRole('link', { name: 'Every kind', exact: true }).click();
  await page.waitForURL(/\/bank\/./);
  // A change has the worker look at it.
  await page.getByLabel('Notes to colleagues').fill('.');
  const inBrowser = await page.waitForFunction(() =>
    (window as unknown as { seen: { trials: unknown }[] }).seen.at(-1),
  );
  const { trials: there } = (await inBrowser.jsonValue()) as { trials: unknown[] };
  const here = checkQuestion({ ...question, notes: '.' }).trials;
  expect(there).toHaveLength(trials.length);
  expect(JSON.stringify(there)).toBe(JSON.stringify(here));
});

import AxeBuilder from '@axe-core/playwright';
import { type Locator, type Page, test } from '@playwright/test';
import { WT201 } from '../../src/demo/people';
import { beginQuestion } from '../drivers/bench';
import { goTo, PHONE, reloaded } from '../drivers/browser';
import { pdf } from '../drivers/documents';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** What is drawn, photographed and spoken: made by a student, marked by two people. */
const stage = onStage('workshop');
let teacher: Page;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  teacher = (await stage.signIn('odalys')).page;
});

async function plain(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
}

async function desk(page: Page, question: RegExp): Promise<void> {
  await goTo(page, '/marking');
  await page.getByRole('link', { name: question }).click();
  await page.waitForURL(/\/marking\/[^/]+\/./);
  await page.waitForLoadState('networkidle');
}

const remark = (page: Page): Locator => page.getByLabel('Remark', { exact: true });

/** Draws from part to part of a paper. */
async function stroke(page: Page, paper: Locator, ...parts: (readonly [number, number])[]): Promise<void> {
  const box = await paper.boundingBox();
  if (!box) throw new Error('There is no paper to draw on');
  const at = ([x, y]: readonly [number, number]): [number, number] => [box.x + x * box.width, box.y + y * box.height];
  const [first, ...others] = parts;
  await page.mouse.move(...at(first ?? [0, 0]));
  await page.mouse.down();
  for (const part of others) await page.mouse.move(...at(part), { steps: 5 });
  await page.mouse.up();
}

test('a student draws with the pointer and by keys, takes steps back, and says it in words', async () => {
  await beginQuestion(teacher);
  await teacher.keyboard.type('Draw it.');
  await teacher.getByRole('button', { name: '+ Curve on axes' }).click();
  await teacher.getByLabel('y axis: to', { exact: true }).fill('-5');
  await expect(teacher.getByRole('region', { name: 'Slot A' })).toContainText('The y axis cannot be drawn');
  await teacher.getByLabel('y axis: to', { exact: true }).fill('20');
  await teacher.getByRole('button', { name: 'Try the sheet' }).click();
  await teacher.getByRole('button', { name: 'Phone' }).click();
  const sheet = teacher.getByRole('dialog').getByRole('region', { name: 'Question' });
  const paper = sheet.getByRole('img', { name: 'Question 1: drawing' });
  const shapes = paper.locator('[data-shape]');
  await stroke(teacher, paper, [0.2, 0.8], [0.4, 0.5], [0.8, 0.2]);
  await expect(shapes).toHaveCount(1);
  await sheet.getByRole('button', { name: 'Arrow', exact: true }).click();
  await sheet.getByRole('button', { name: 'Colour blue' }).click();
  await stroke(teacher, paper, [0.3, 0.3], [0.5, 0.45]);
  await sheet.getByRole('button', { name: 'Text', exact: true }).click();
  await paper.click({ position: { x: 60, y: 40 } });
  await teacher.keyboard.type('rated');
  await teacher.keyboard.press('Enter');
  await expect(shapes).toHaveCount(3);
  await teacher.keyboard.press('Control+z');
  await sheet.getByRole('button', { name: 'Redo' }).click();
  await expect(paper.locator('text', { hasText: 'rated' })).toHaveCount(1);
  // By keys: a line is put in, placed by values of the axes, and moved by arrows.
  await sheet.getByText('Draw by keys and numbers').click();
  await sheet.getByRole('button', { name: 'Put in: line' }).click();
  const begins = sheet.getByLabel('4. Line, blue: y of its beginning');
  await begins.fill('400');
  await expect(sheet.getByText('outside the paper')).toBeVisible();
  await begins.fill('10');
  await begins.blur();
  await expect(begins).toHaveValue('10');
  await sheet.getByRole('button', { name: 'Move 4. Line, blue by arrow keys' }).press('ArrowUp');
  await expect(begins).not.toHaveValue('10');
  await sheet.getByRole('button', { name: 'Eraser' }).click();
  await stroke(teacher, paper, [0.4, 0.46], [0.4, 0.54]);
  await expect(shapes).toHaveCount(3);
  await sheet.getByLabel(/^In words/).fill('It rises.');
  await plain(teacher);
  await teacher.getByRole('button', { name: 'Hand in', exact: true }).click();
  const handed = sheet.getByRole('img', { name: 'It rises.' });
  await expect(handed.locator('[data-shape]')).toHaveCount(3);
  const [file] = await Promise.all([
    teacher.waitForEvent('download'),
    sheet.getByRole('button', { name: 'Save as SVG' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('drawing.svg');
  await teacher.getByRole('button', { name: 'Close' }).click();
});

test('beside a pen no finger draws; two fingers enlarge the paper', async () => {
  await beginQuestion(teacher);
  await teacher.keyboard.type('Draw it by pen.');
  await teacher.getByRole('button', { name: '+ Drawing', exact: true }).click();
  await teacher.getByRole('button', { name: 'Try the sheet' }).click();
  const sheet = teacher.getByRole('dialog').getByRole('region', { name: 'Question' });
  const paper = sheet.getByRole('img', { name: 'Question 1: drawing' });
  const box = await paper.boundingBox();
  if (!box) throw new Error('There is no paper');
  const at = (x: number, y: number): { x: number; y: number } => ({
    x: box.x + x * box.width,
    y: box.y + y * box.height,
  });
  const device = await teacher.context().newCDPSession(teacher);
  const finger = async (...parts: { x: number; y: number }[][]): Promise<void> => {
    for (const [i, touchPoints] of parts.entries())
      await device.send('Input.dispatchTouchEvent', { type: i === 0 ? 'touchStart' : 'touchMove', touchPoints });
    await device.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  };
  const shapes = paper.locator('[data-shape]');
  await finger([at(0.2, 0.2)], [at(0.4, 0.4)]);
  await expect(shapes).toHaveCount(1);
  const pen = { button: 'left', buttons: 1, clickCount: 1, pointerType: 'pen' } as const;
  await device.send('Input.dispatchMouseEvent', { type: 'mousePressed', ...at(0.5, 0.2), ...pen });
  await device.send('Input.dispatchMouseEvent', { type: 'mouseMoved', ...at(0.7, 0.5), ...pen });
  await device.send('Input.dispatchMouseEvent', { type: 'mouseReleased', ...at(0.7, 0.5), ...pen });
  await expect(shapes).toHaveCount(2);
  // The palm lies on the paper.
  await finger([at(0.8, 0.8)], [at(0.6, 0.7)]);
  await expect(shapes).toHaveCount(2);
  await finger([at(0.4, 0.5), at(0.6, 0.5)], [at(0.3, 0.5), at(0.7, 0.5)], [at(0.2, 0.5), at(0.8, 0.5)]);
  await expect(paper.locator('.drawing-paper')).toHaveAttribute('style', /scale\([23456]/);
  await expect(shapes).toHaveCount(2);
  await sheet.getByRole('button', { name: 'Whole' }).click();
  await expect(paper.locator('.drawing-paper')).toHaveAttribute('style', /scale\(1\)/);
  await teacher.getByRole('button', { name: 'Close' }).click();
});

test('a voice is recorded, paused, heard, and recorded no more often than allowed', async () => {
  await beginQuestion(teacher);
  await teacher.keyboard.type('Say it.');
  await teacher.getByRole('button', { name: '+ Voice', exact: true }).click();
  await teacher.getByLabel('How often it can be recorded').fill('1');
  await teacher.getByRole('button', { name: 'Try the sheet' }).click();
  const sheet = teacher.getByRole('dialog').getByRole('region', { name: 'Question' });
  await expect(sheet).toContainText('Your voice, up to 1 minute, recorded once.');
  // A browser that refuses says so, and what to do.
  await teacher.evaluate(() => {
    const { mediaDevices } = navigator;
    const real = mediaDevices.getUserMedia.bind(mediaDevices);
    let first = true;
    mediaDevices.getUserMedia = (wanted) => {
      if (!first) return real(wanted);
      first = false;
      return Promise.reject(new DOMException('no', 'NotAllowedError'));
    };
  });
  const record = sheet.getByRole('button', { name: 'Question 1: record', exact: true });
  await record.click();
  await expect(sheet).toContainText('The browser does not let this page use the microphone');
  await record.click();
  await expect(sheet).toContainText('● recording');
  await sheet.getByRole('button', { name: 'Pause' }).click();
  await expect(sheet).toContainText('paused');
  await sheet.getByRole('button', { name: 'Go on' }).click();
  await expect(sheet).toContainText('0:02');
  await sheet.getByRole('button', { name: 'Stop' }).click();
  await expect(sheet.getByLabel('Question 1: listen')).toBeVisible();
  await expect(sheet).toContainText('0 left');
  await expect(sheet.getByRole('button', { name: 'Question 1: record again' })).toBeDisabled();
  await sheet
    .getByLabel('Question 1: a recording as a file')
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no sound') });
  await expect(sheet).toContainText('notes.txt is no recording of the kind asked for.');
  await plain(teacher);
  await teacher.getByRole('button', { name: 'Hand in', exact: true }).click();
  await expect(sheet.getByLabel('The recording')).toBeVisible();
  await teacher.getByRole('button', { name: 'Close' }).click();
});

test('a page gets remarks at places and the red pen, and a recording at seconds; all of it stays', async () => {
  await desk(teacher, /Work out on paper/);
  const page = teacher.locator('.page-pins');
  await stroke(teacher, page, [0.2, 0.2], [0.6, 0.3]);
  await expect(remark(teacher)).toBeFocused();
  await expect(teacher.getByText('About a stretch of the page')).toBeVisible();
  await teacher.keyboard.type('The radius, not the diameter.');
  await teacher.keyboard.press('Enter');
  await expect(page.locator('.stretch b')).toHaveText('1');
  await teacher.getByRole('button', { name: 'Take the red pen' }).click();
  // A hasty hand: three signs in a row, none of which waits for the server.
  const face = await teacher.getByRole('img', { name: 'The page, to be drawn on' }).boundingBox();
  for (const y of [200, 260, 320]) await teacher.mouse.click((face?.x ?? 0) + 300, (face?.y ?? 0) + y);
  await expect(teacher.getByRole('listitem').filter({ hasText: 'drawn on the page' })).toBeVisible();
  await plain(teacher);
  await teacher.reload();
  await expect(page.locator('.stretch b')).toHaveText('1');
  await expect(teacher.getByRole('img', { name: 'Drawn by whoever marked' })).toContainText('✓✓✓');
  // The remark is offered at the next answer by the first letters of its words.
  await teacher.keyboard.press('j');
  await remark(teacher).fill('rad');
  // Taken with a double click it is said once.
  await teacher.getByRole('option', { name: /The radius/ }).dblclick();
  const said = teacher.getByRole('listitem').filter({ hasText: 'The radius' });
  await expect(said).toHaveCount(1);
  await teacher.reload();
  await expect(page.locator('.stretch b')).toHaveText('1');
  await teacher.keyboard.press('j');
  await expect(said).toHaveCount(1);
  await desk(teacher, /You are in the nacelle/);
  await teacher.getByRole('button', { name: 'Remark at 0:00' }).click();
  await teacher.keyboard.type('Say first whom you call.');
  await teacher.keyboard.press('Enter');
  await expect(teacher.getByRole('button', { name: 'Remark 1, at 0:00' })).toBeVisible();
  await plain(teacher);
});

test('a PDF is drawn page by page, with remarks on each; what is locked or broken is said', async () => {
  await desk(teacher, /Work out on paper/);
  await teacher.getByRole('button', { name: /Script 07/ }).click();
  const second = teacher.locator('.pdf-page').nth(1);
  await second.scrollIntoViewIfNeeded();
  const page = second.locator('.page-pins');
  await expect(page).toBeVisible();
  await page.evaluate((face) => face.scrollIntoView());
  await stroke(teacher, page, [0.3, 0.1], [0.6, 0.15]);
  await expect(remark(teacher)).toBeFocused();
  await teacher.keyboard.type('Of which wind?');
  await teacher.keyboard.press('Enter');
  await expect(page.locator('.stretch b')).toHaveText('1');
  await plain(teacher);
  await reloaded(teacher);
  await teacher.getByRole('button', { name: /Script 07/ }).click();
  await second.scrollIntoViewIfNeeded();
  await expect(page.locator('.stretch b')).toHaveText('1');
  await expect(teacher.locator('.pdf-page').first().locator('.stretch b')).toHaveCount(0);

  await beginQuestion(teacher);
  await teacher.keyboard.type('Hand it in.');
  await teacher.getByRole('button', { name: '+ Pages to hand in' }).click();
  await teacher.getByRole('button', { name: 'Try the sheet' }).click();
  const sheet = teacher.getByRole('dialog').getByRole('region', { name: 'Question' });
  await sheet
    .locator('input[type=file]')
    .last()
    .setInputFiles(
      [
        ['sound.pdf', pdf(['The power is 5 MW.'])],
        ['locked.pdf', pdf(['Nobody reads this.'], true)],
        ['broken.pdf', new TextEncoder().encode('%PDF-1.4 and nothing else')],
      ].map(([name, bytes]) => ({
        name: name as string,
        mimeType: 'application/pdf',
        buffer: Buffer.from(bytes as Uint8Array),
      })),
    );
  await expect(sheet.getByRole('listitem').filter({ hasText: 'broken.pdf' })).toBeVisible();
  await teacher.getByRole('dialog').getByRole('button', { name: 'Hand in' }).click();
  await expect(sheet.getByRole('img', { name: 'sound.pdf, page 1' })).toBeVisible();
  await expect(sheet.getByText('It is locked with a password')).toBeVisible();
  await expect(sheet.getByText(/^It cannot be shown here/)).toBeVisible();
  await teacher.getByRole('button', { name: 'Close' }).click();
});

test('words of a reading are tapped while listening, and come to right words a minute', async () => {
  await desk(teacher, /Read this aloud/);
  const text = teacher.locator('.read-aloud');
  await expect(text).toContainText('0 wrong');
  await text.getByRole('button', { name: 'harness', exact: true }).click();
  await teacher.getByLabel('What went wrong').selectOption('left out');
  await text.getByRole('button', { name: 'both', exact: true }).click();
  await expect(text).toContainText('2 wrong');
  await expect(text).toContainText('right words a minute');
  await text.getByRole('button', { name: 'both: left out' }).click();
  await expect(text).toContainText('1 wrong');
  await plain(teacher);
});

test('a student’s judgement of their own work stands beside the marker’s, by the same rubric', async () => {
  await desk(teacher, /You have found oil/);
  const own = teacher.locator('.answer-box .own-levels');
  await expect(own.locator('label.chosen')).toHaveCount(3);
  await expect(teacher.getByRole('heading', { name: 'Maintenance report' })).toBeVisible();
  for (const level of ['3', '2', '2']) await teacher.keyboard.press(level);
  await expect(teacher.getByText('Mark saved ✓')).toBeVisible();
  await expect(teacher.getByRole('region', { name: 'Own judgement and yours' })).toContainText('Handover');
  await plain(teacher);
});

test('a student judges their own work after handing in, on a phone, and finds it as it was judged', async () => {
  const { page, context } = await stage.signIn(WT201[3]?.userName ?? '', PHONE);
  await page.getByRole('link', { name: 'Judge your own work' }).click();
  const judgement = page.getByRole('group', { name: 'Question 6: your judgement' });
  await expect(page.getByRole('region', { name: 'Question 6' })).toContainText('oil');
  for (const at of [0, 4, 8]) await judgement.getByRole('radio').nth(at).check();
  await judgement.getByRole('textbox').fill('The handover is short.');
  await expect(page.getByText(/^Saved/)).toBeVisible();
  await plain(page);
  await page.reload();
  await expect(judgement.getByRole('radio').nth(4)).toBeChecked();
  await expect(judgement.getByRole('textbox')).toHaveValue('The handover is short.');
  await context.close();
});

test('scripts that were marked beforehand are named by whoever runs the sitting', async () => {
  await goTo(teacher, '/marking');
  await teacher
    .getByRole('link', { name: /Workshop, week 9/ })
    .first()
    .click();
  const sharing = teacher.getByRole('region', { name: 'Who marks what' });
  const probes = sharing.getByLabel('Scripts marked beforehand, by their numbers');
  await probes.fill('one, two');
  await probes.blur();
  await expect(sharing.getByRole('alert')).toContainText('Scripts are named by their numbers');
  await probes.fill('2,3 3');
  await probes.blur();
  await expect(probes).toHaveValue('2, 3');
  await expect(sharing.getByRole('alert')).toHaveCount(0);
  await plain(teacher);
  await teacher.reload();
  await expect(probes).toHaveValue('2, 3');
  await probes.fill('');
  await probes.blur();
});

test('a second marker works blind; what is far apart is settled with both in sight; agreement is told', async () => {
  const second = (await stage.signIn('thandeka')).page;
  await goTo(second, '/marking');
  await second.getByRole('link', { name: 'Workshop, week 9' }).first().click();
  await second.waitForURL(/\/marking\/[^/]+$/);
  await plain(second);
  await second.getByRole('link', { name: '7 of 9' }).click();
  await second.waitForURL(/second=1/);
  await second.waitForLoadState('networkidle');
  await expect(second.getByText('7 of 9 marked a second time')).toBeVisible();
  await second.getByLabel('Marks out of 4').fill('2');
  await expect(second.getByText('Mark saved ✓')).toBeVisible();
  await expect(second.getByText('8 of 9 marked a second time')).toBeVisible();
  await desk(teacher, /Sketch how/);
  await teacher.getByRole('button', { name: /^Script 05/ }).click();
  await expect(teacher.getByText('First 4, then 1: “The curve does not level off.”')).toBeVisible();
  // A click on a stroke means the stroke.
  const paper = teacher.locator('.answer-box .page-pins');
  const line = teacher.locator('.answer-box [data-shape="1"]');
  const box = await line.boundingBox();
  const face = await paper.boundingBox();
  await paper.click({
    position: { x: (box?.x ?? 0) - (face?.x ?? 0) + 1, y: (box?.y ?? 0) - (face?.y ?? 0) + (box?.height ?? 0) - 2 },
  });
  await expect(teacher.getByText('About what was drawn there')).toBeVisible();
  await teacher.keyboard.press('Escape');
  await teacher.getByLabel('Marks out of 4').fill('2');
  await expect(teacher.getByText('Mark saved ✓')).toBeVisible();
  await teacher.getByRole('link', { name: 'Workshop, week 9' }).click();
  await teacher.waitForURL(/\/marking\/[^/]+$/);
  await teacher.getByLabel('How the marking is shared out').selectOption('as they come, ten at a time');
  await teacher.getByRole('link', { name: 'Agreement' }).click();
  await expect(teacher.getByText(/of 8 answers two people gave the same mark/)).toBeVisible();
  await plain(teacher);
});

test('answers are given out as they come; a script is read as a whole and marked at its edge', async () => {
  const marker = (await stage.signIn('mirela')).page;
  await goTo(marker, '/marking');
  await marker.getByRole('link', { name: /You are in the nacelle/ }).click();
  await marker.getByRole('button', { name: 'Take ten answers' }).click();
  await expect(marker.getByText('0 of 10 marked')).toBeVisible();
  await goTo(teacher, '/marking');
  await teacher.getByRole('link', { name: 'Workshop, week 9' }).first().click();
  await teacher.waitForURL(/\/marking\/[^/]+$/);
  await teacher.getByLabel('How the marking is shared out').selectOption('by all, whoever comes first');
  await teacher.waitForLoadState('networkidle');
  await reloaded(teacher);
  await teacher.getByRole('link', { name: 'Script 01' }).click();
  await teacher.waitForURL(/\/script\//);
  await teacher.waitForLoadState('networkidle');
  await expect(teacher.getByRole('region', { name: 'Question 2' }).locator('.stretch b')).toHaveText('1');
  const mark = teacher.getByRole('complementary', { name: 'Marks of question 2' }).getByLabel(/marks out of 4/);
  await mark.fill('9');
  await mark.press('Enter');
  await expect(teacher.getByText('Between 0 and 4.')).toBeVisible();
  await mark.fill('3½');
  await mark.press('Enter');
  await expect(teacher.getByText('✓', { exact: true }).last()).toBeVisible();
  await plain(teacher);
  await teacher.keyboard.press('Escape');
  await teacher.getByRole('link', { name: 'Next ›' }).click();
  await expect(teacher.getByRole('heading', { name: 'Script 02' })).toBeVisible();
});

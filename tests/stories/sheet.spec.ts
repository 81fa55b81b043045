import { type Page, test } from '@playwright/test';
import { clickBefore, goTo, saved } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { handOnSheet } from '../drivers/hand-on-sheet';
import { onStage } from '../drivers/stage';

/** The sheet in hasty hands: single clicks, no waiting, Enter, Backspace, undo after each. */
const stage = onStage('sheet');
let page: Page;

test.beforeAll(async () => {
  page = (await stage.signIn('odalys')).page;
});

const { sheet, blocks, letters, type, press, add, newQuestion } = handOnSheet(() => page);

test('a new question is written at once; a slot takes the letters that come after it, of every preset', async () => {
  const entry: Record<string, string> = {
    Mathematics: 'math-field',
    Formula: 'math-field',
    'Formula with places': 'math-field',
  };
  for (const preset of [
    'Choice',
    'Several of several',
    'Short text',
    'Fill in a word',
    'Number, unit',
    'Mathematics',
    'Formula',
    'Formula with places',
    'A few lines',
    'Long answer',
    'Match pairs',
    'Sort into groups',
    'Put in order',
    'Select words',
    'Label a picture',
  ]) {
    await newQuestion();
    await type('Which part? ');
    await add(preset);
    await type('12');
    const field = sheet()
      .locator(entry[preset] ?? 'input:not([type=radio]):not([type=checkbox]), textarea')
      .first();
    await expect(field, preset).toHaveJSProperty('value', '12');
    await expect(sheet()).toContainText('Which part?');
  }
});

test('nothing moves under a pointer that is about to add something', async () => {
  await newQuestion();
  const readiness = page.getByRole('navigation', { name: 'On this sheet' }).getByRole('listitem');
  await expect(readiness).toHaveCount(2);
  const choice = page.getByRole('button', { name: '+ Choice', exact: true });
  await choice.hover();
  const there = await choice.boundingBox();
  await type('Which part?');
  await saved(page);
  expect(await choice.boundingBox()).toEqual(there);
  await page.mouse.move(600, 500);
  await expect(readiness).toHaveCount(1);
  expect((await choice.boundingBox())?.y).toBeLessThan(there?.y ?? 0);
  // A double click adds once, wherever the button has gone meanwhile.
  await choice.dblclick();
  await expect(letters()).toHaveCount(1);
  await saved(page);
  await expect(letters()).toHaveCount(1);
});

test('"/short" and Enter, typed without a pause, lose no letter', async () => {
  await newQuestion();
  await type('What turns? /short');
  await press('Enter');
  await type('the rotor');
  await expect(page.getByLabel('Slot A: the right answer')).toHaveValue('the rotor');
  await newQuestion();
  await type('What turns? /cho');
  await expect(page.getByRole('listbox', { name: 'Insert' }).getByRole('option')).toHaveText([/^Choice/]);
  await newQuestion();
  await type('Solve. /math');
  await press('Enter');
  await type('x+1');
  await expect(sheet().locator('math-field')).toHaveJSProperty('value', 'x+1');
});

test('one click into a field of a slot sets the cursor there', async () => {
  await newQuestion();
  await type('One. ');
  await add('Short text');
  await type('rotor');
  await add('Choice');
  await type('up');
  await press('Enter');
  await type('down');
  await add('Long answer');
  await type('Because it turns.');
  await clickBefore(sheet().getByText('One.'));
  for (const [field, value] of [
    [page.getByLabel('Slot A: the right answer'), 'rotor'],
    [page.getByLabel('Option 1', { exact: true }), 'up'],
    [page.getByLabel('Slot C: an answer as it might be, for markers'), 'Because it turns.'],
  ] as const) {
    await field.click();
    await press('End');
    await type('X');
    await expect(field).toHaveValue(`${value}X`);
    await press('Backspace');
    await expect(field).toHaveValue(value);
  }
  await expect(letters()).toHaveCount(3);
});

test('what is put in after a slot or a picture goes behind it, and so do letters', async () => {
  await newQuestion();
  await type('Two. ');
  await add('Choice');
  await add('Short text');
  await add('Number, unit');
  await expect(letters()).toHaveCount(3);
  await letters().first().click();
  await type('between');
  await expect(letters()).toHaveCount(3);
  await expect(blocks().nth(2)).toHaveText('between');
  await page.getByLabel('Option 1', { exact: true }).click();
  await add('Short text');
  await expect(letters()).toHaveCount(4);
  await expect(blocks().nth(2).getByRole('button')).toHaveText('B');
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  ).toString('base64');
  await sheet().press('Control+End');
  await sheet().evaluate((element, data) => {
    const bytes = Uint8Array.from(atob(data), (c) => c.charCodeAt(0));
    const dropped = new DataTransfer();
    for (const name of ['a.png', 'b.png', 'c.png']) dropped.items.add(new File([bytes], name, { type: 'image/png' }));
    const { left, bottom } = element.getBoundingClientRect();
    const at = { clientX: left + 40, clientY: bottom - 10, bubbles: true, cancelable: true };
    element.dispatchEvent(new DragEvent('drop', { ...at, dataTransfer: dropped }));
  }, png);
  await expect(sheet().locator('figure.picture')).toHaveCount(3);
  await type('after');
  await expect(sheet().locator('figure.picture')).toHaveCount(3);
  await expect(sheet()).toContainText('after');
});

test('the white below the last line belongs to the text; after a reload things are put at the end', async () => {
  await newQuestion();
  await type('Three.');
  const box = await page.locator('.sheet.prose').boundingBox();
  await page.mouse.click((box?.x ?? 0) + 200, (box?.y ?? 0) + (box?.height ?? 0) - 12);
  await type(' End.');
  await expect(sheet()).toHaveText('Three. End.');
  await saved(page);
  await page.reload({ waitUntil: 'networkidle' });
  await add('Short text');
  await expect(blocks().first()).toContainText('Three. End.');
  expect(await blocks().first().innerHTML()).toMatch(/^Three\. End\..*data-slot|^Three\. End\./s);
  await expect(letters()).toHaveCount(1);
});

test('undo and redo by keys wherever the cursor is, by two buttons, and across a reload', async () => {
  await newQuestion();
  await type('Four.');
  // Whoever pauses has begun something new.
  await page.waitForTimeout(1000);
  await type(' More.');
  await press('Control+z');
  await expect(sheet()).toHaveText('Four.');
  await press('Control+y');
  await expect(sheet()).toHaveText('Four. More.');
  await press('Control+z', 'Control+Shift+z');
  await expect(sheet()).toHaveText('Four. More.');
  await add('Short text');
  await type('rotor');
  await press('Control+z');
  await expect(page.getByLabel('Slot A: the right answer')).toHaveValue('');
  await press('Control+Shift+z');
  await expect(page.getByLabel('Slot A: the right answer')).toHaveValue('rotor');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Slot A: the right answer')).toHaveValue('');
  await saved(page);
  await page.reload({ waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByLabel('Slot A: the right answer')).toHaveValue('rotor');
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(letters()).toHaveCount(0);
  await expect(sheet()).toHaveText('Four. More.');
});

test('the sheet is within three keys of the address bar', async () => {
  await newQuestion();
  await type('Some words.');
  await saved(page);
  await goTo(page, page.url());
  await press('Tab', 'Enter');
  await expect(sheet()).toBeFocused();
});

test('options: Enter adds, an empty one ends the list, a pasted list falls into options, they are moved', async () => {
  await newQuestion();
  await type('Five. ');
  await add('Choice');
  await type('one');
  await press('Enter');
  await type('two');
  await press('Enter');
  await type('three');
  const texts = (): Promise<string[]> =>
    sheet()
      .locator('.line-row input.text')
      .evaluateAll((all) => all.map((i) => (i as HTMLInputElement).value));
  expect((await texts()).filter((t) => t !== '')).toEqual(['one', 'two', 'three']);
  while ((await texts()).at(-1) !== '') await press('Enter');
  const before = (await texts()).length;
  await press('Enter');
  expect(await texts()).toHaveLength(before - 1);
  await type('Behind.');
  await expect(sheet()).toContainText('Behind.');
  await page.getByLabel('Option 1', { exact: true }).click();
  await press('Alt+ArrowDown');
  expect((await texts()).slice(0, 2)).toEqual(['two', 'one']);
  await type('!');
  expect(await texts()).toContain('one!');
  await page.evaluate(() => navigator.clipboard.writeText('a) four\nb) *five\nc) six'));
  await page.getByRole('button', { name: 'option', exact: true }).click();
  await press('Control+v');
  expect((await texts()).slice(-3)).toEqual(['four', 'five', 'six']);
  await expect(sheet().locator('.line-row').last().locator('..').getByRole('radio', { checked: true })).toHaveCount(1);
  const grip = await sheet().locator('.line-row .grip').first().boundingBox();
  const last = await sheet().locator('.line-row').last().boundingBox();
  await page.mouse.move((grip?.x ?? 0) + 5, (grip?.y ?? 0) + 5);
  await page.mouse.down();
  await page.mouse.move((grip?.x ?? 0) + 5, (last?.y ?? 0) + 12, { steps: 8 });
  // It is let go where it is seen to go: the last one has made room.
  await expect(sheet().locator('.line-row').last()).toHaveAttribute('style', /translateY\(-/);
  await page.mouse.up();
  await expect.poll(async () => (await texts()).at(-1)).toBe('two');
});

test('a place of a formula is made by the key "?", and Tab reaches the drawn field of a student', async () => {
  await newQuestion();
  await type('Nine. ');
  await add('Formula with places');
  await type('a+b');
  await press('Shift+ArrowLeft');
  await type('?');
  await expect(page.getByText('A formula with 1 place; each counts by itself.')).toBeVisible();
  await newQuestion();
  await type('Ten. ');
  await add('Mathematics');
  await type('x+1');
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.locator('math-field').waitFor();
  for (let i = 0; i < 8; i++) {
    await press('Tab');
    if (await dialog.locator('math-field').evaluate((f) => f === document.activeElement)) break;
  }
  await type('x+1');
  await expect(dialog.locator('math-field')).toHaveJSProperty('value', 'x+1');
  await press('Escape');
});

test('a slot that cannot be typed is tried as a student answers it, with one hand and by keys', async () => {
  await newQuestion();
  await type('How sure are you that the blade is sound? /scale');
  await expect(page.getByRole('option', { name: 'Scale' })).toBeVisible();
  await press('Enter');
  await page.getByLabel('Slot A: what stands at the high end').fill('quite sure');
  await page.getByLabel('Slot A: right from').fill('4');
  await page.getByLabel('Slot A: right to').fill('5');
  const drawer = page.getByRole('region', { name: 'Trial answers' });
  await expect(drawer.getByRole('button', { name: 'Add' })).toBeDisabled();
  const fresh = drawer.getByRole('slider', { name: 'A new trial answer' });
  await expect(fresh).toHaveAttribute('aria-valuetext', 'not answered yet');
  await fresh.press('End');
  await drawer.getByRole('button', { name: 'Add' }).click();
  await expect(drawer.getByText('5 is among the right values')).toBeVisible();
  await drawer.getByRole('slider', { name: 'Trial answer', exact: true }).press('ArrowLeft');
  await drawer.getByRole('slider', { name: 'Trial answer', exact: true }).press('ArrowLeft');
  await expect(drawer.getByText('3 is not among the right values')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(drawer.getByRole('slider', { name: 'Trial answer', exact: true })).toHaveValue('3');

  await page.getByRole('button', { name: 'Try the sheet' }).click();
  const dialog = page.getByRole('dialog');
  const slider = dialog.getByRole('slider', { name: 'Question 1' });
  // A click where it rests chooses that value.
  await slider.click();
  await expect(slider).toHaveAttribute('aria-valuetext', '3');
  await dialog.getByRole('button', { name: 'Take the answer back' }).click();
  await expect(slider).toHaveAttribute('aria-valuetext', 'not answered yet');
  await slider.press('Home');
  await slider.press('End');
  await dialog.getByRole('button', { name: 'Hand in' }).click();
  await expect(dialog.getByText('1 of 1').first()).toBeVisible();
  await press('Escape');
});

import { type Locator, type Page, test } from '@playwright/test';
import { barriers } from '../drivers/barriers';
import { beginQuestion, sheetOf } from '../drivers/bench';
import { begin, goTo, LAPTOP, PHONE, saved } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** Whatever is placed, sorted or put in order: set on the bench, and answered by pointer, by touch and by keys alone. */
const stage = onStage('placing');
let page: Page;

test.beforeAll(async () => {
  page = (await stage.signIn('odalys')).page;
});

const sheet = () => sheetOf(page);
const trying = () => page.getByRole('dialog');

/** What stands on the places of a slot, in their order. */
const standing = (within: Locator): Promise<string[]> =>
  within
    .locator('.place')
    .evaluateAll((places) => places.map((p) => p.getAttribute('aria-label')?.split(': ')[1] ?? ''));

async function drag(from: Locator, to: Locator): Promise<void> {
  const [a, b] = [await from.boundingBox(), await to.boundingBox()];
  if (!a || !b) throw new Error('Both are to be seen');
  await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2);
  await page.mouse.down();
  await page.mouse.move(a.x + a.width / 2 + 10, a.y + a.height / 2 - 10, { steps: 3 });
  await page.mouse.move(b.x + b.width / 2, b.y + b.height / 2, { steps: 6 });
  // It is let go where it is seen to go.
  await expect(to).toHaveClass(/\bover\b/);
  await page.mouse.up();
}

async function openToTry(words: string): Promise<void> {
  await goTo(page, '/bank');
  await page.getByRole('searchbox').first().fill(words);
  const link = page.getByRole('link', { name: new RegExp(words) }).first();
  await goTo(page, (await link.getAttribute('href')) ?? '');
  await page.getByRole('button', { name: 'Try the sheet' }).click();
}

test('a picture is labelled with a click for each name, beside the one that chooses it', async () => {
  await beginQuestion(page);
  await page.keyboard.type('Name the parts. ');
  let clicks = 0;
  const click = async (target: Locator, at?: { x: number; y: number }): Promise<void> => {
    clicks += 1;
    await target.click(at ? { position: at } : {});
  };
  await click(page.getByRole('button', { name: '+ Label a picture' }));
  // The names are written first, without another click.
  await expect(page.getByLabel('Slot A: names, one a line')).toBeFocused();
  await page.keyboard.insertText('1. gearbox\n2. brake\n3. generator\n4. ladder');
  await click(sheet().getByRole('button', { name: 'Choose the picture' }));
  const tray = page.getByRole('dialog');
  clicks += 1;
  await tray
    .getByRole('button', { name: /nacelle, opened|nacelle from the side/i })
    .first()
    .dblclick();
  const board = sheet().locator('.board');
  const box = await board.boundingBox();
  const at = (x: number, y: number) => ({ x: (box?.width ?? 0) * x, y: (box?.height ?? 0) * y });
  await board.hover({ position: at(0.4, 0.4) });
  await expect(sheet().locator('.next-name')).toHaveText('gearbox');
  await click(board, at(0.42, 0.4));
  await expect(sheet().locator('.next-name')).toHaveText('brake');
  await click(board, at(0.5, 0.55));
  await click(board, at(0.62, 0.5));
  await expect(sheet()).toContainText(
    'Click where “ladder” belongs. 1 name without a place: it is a distractor if left so.',
  );
  // Four names, three of them placed: one click each, the picture, and what begins it.
  console.log(`a picture with 3 places: ${clicks} clicks`);
  expect(clicks).toBeLessThanOrEqual(4 + 3);
  await expect(page.getByRole('region', { name: 'Slot A' })).toContainText(
    'Each name on its place earns 1/3 of the marks; a wrong one costs nothing. 1 name belongs nowhere.',
  );
  await expect(sheet().getByRole('slider', { name: /^Place \d: (gearbox|brake|generator)$/ })).toHaveCount(3);

  // By keys: a place is moved and taken out; by undo it comes back.
  const first = sheet().getByRole('slider', { name: /^Place \d: gearbox/ });
  const before = await first.getAttribute('aria-valuetext');
  await first.focus();
  await page.keyboard.press('Shift+ArrowUp');
  await expect(first).not.toHaveAttribute('aria-valuetext', before ?? '');
  await page.keyboard.press('Delete');
  await expect(sheet().getByRole('slider', { name: /^Place \d: / })).toHaveCount(2);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(sheet().getByRole('slider', { name: /^Place \d: / })).toHaveCount(3);
  await saved(page);
  await page.reload();
  await expect(sheet().getByRole('slider', { name: /^Place \d: / })).toHaveCount(3);
  expect(await barriers(page)).toEqual([]);
});

test('a question that was only looked at is as it was', async () => {
  await goTo(page, '/bank');
  await page.getByRole('searchbox').first().fill('Match each alarm');
  await page
    .getByRole('link', { name: /Match each alarm/ })
    .first()
    .click();
  await expect(page.getByLabel('Pair 1, left', { exact: true })).toHaveValue('Generator bearing hot');
  await page.getByRole('button', { name: 'Done' }).click();
  await page
    .getByRole('link', { name: /Match each alarm/ })
    .first()
    .click();
  await expect(page.getByText('revision 1', { exact: true })).toBeVisible();
});

test('names are dragged, clicked, changed about and given back', async () => {
  await openToTry('Parts of the nacelle');
  const name = (words: string): Locator => trying().getByRole('button', { name: words, exact: true });
  const place = (n: number): Locator =>
    trying()
      .locator('.place')
      .nth(n - 1);
  await name('gearbox').click();
  await place(1).click();
  await drag(name('rotor blade'), place(2));
  await expect.poll(async () => (await standing(trying())).slice(0, 3)).toEqual(['gearbox', 'rotor blade', 'empty']);
  // Each was on the other's place.
  await drag(place(1), place(2));
  await expect.poll(async () => (await standing(trying())).slice(0, 3)).toEqual(['rotor blade', 'gearbox', 'empty']);
  await expect(trying().getByRole('status').filter({ hasText: 'gearbox' })).toHaveText(
    'gearbox is on place 2. rotor blade is on place 1.',
  );
  await drag(name('tower'), place(2));
  await expect.poll(async () => (await standing(trying())).slice(0, 3)).toEqual(['rotor blade', 'tower', 'empty']);
  await expect(name('gearbox')).toBeEnabled();
  await place(2).click();
  await trying().getByRole('button', { name: 'Put it back here' }).click();
  await expect.poll(async () => (await standing(trying())).slice(0, 3)).toEqual(['rotor blade', 'empty', 'empty']);
  // A drag that ends nowhere changes nothing.
  const box = await place(1).boundingBox();
  await page.mouse.move((box?.x ?? 0) + 20, (box?.y ?? 0) + 10);
  await page.mouse.down();
  await page.mouse.move(5, 5, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => (await standing(trying()))[0]).toBe('rotor blade');
  expect(await barriers(page)).toEqual([]);
  await trying().getByRole('button', { name: 'Hand in' }).click();
  await expect(trying()).toContainText('1 of 10 right');
  await expect(trying().locator('.name-line').first()).toContainText('rotor blade');
});

test('by keys alone a picture is labelled, pairs are matched, items sorted, and steps put in order', async () => {
  const tile = async (words: string): Promise<void> => {
    await trying().getByRole('button', { name: words, exact: true }).focus();
    await page.keyboard.press('Enter');
  };
  await openToTry('Parts of the nacelle');
  await tile('nacelle cover');
  await expect(trying().locator('.place').first()).toBeFocused();
  await page.keyboard.type('10');
  await page.keyboard.press('Space');
  await tile('tower');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Escape');
  await expect(trying().getByRole('button', { name: 'tower', exact: true })).toBeFocused();
  const labels = await standing(trying());
  expect([labels[9], labels.filter((one) => one !== 'empty')]).toEqual(['nacelle cover', ['nacelle cover']]);
  await trying().getByRole('button', { name: 'Close' }).first().click();

  await openToTry('Match each quantity');
  for (const [at, words] of ['W', 'N m', 'kW h', 'm/s'].entries()) {
    await tile(words);
    await page.keyboard.press(String(at + 1));
    await page.keyboard.press('Enter');
  }
  await expect.poll(() => standing(trying())).toEqual(['W', 'N m', 'kW h', 'm/s']);
  await trying().getByRole('button', { name: 'Hand in' }).click();
  await expect(trying()).toContainText('4 of 4 right');
  await trying().getByRole('button', { name: 'Close' }).first().click();

  await openToTry('Sort these loads');
  await tile('price of electricity');
  await page.keyboard.press('2');
  await page.keyboard.press('Enter');
  await tile('gusts');
  await page.keyboard.press('3');
  await page.keyboard.press('Enter');
  await expect(trying().getByRole('button', { name: 'gusts, in comes by chance' })).toBeVisible();
  await trying().getByRole('button', { name: 'Hand in' }).click();
  await expect(trying()).toContainText('1 of 7 right, 1 wrong');
  await trying().getByRole('button', { name: 'Close' }).first().click();

  await openToTry('From the slowest');
  const lines = trying().locator('[data-item]');
  const words = (): Promise<string[]> => lines.allInnerTexts();
  const wanted = ['the yaw ring', 'the rotor', 'the fast shaft', 'the motor of a hand drill'];
  for (const [to, line] of wanted.entries()) {
    const from = (await words()).indexOf(line);
    await lines.nth(from).focus();
    await page.keyboard.press('Space');
    for (let step = from; step > to; step--) await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Space');
  }
  expect(await words()).toEqual(wanted);
  await lines.first().focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Escape');
  expect(await words()).toEqual(wanted);
  await trying().getByRole('button', { name: 'Hand in' }).click();
  await expect(trying()).toContainText('3 of 3 follow one another as they should');
});

test('sentences of a text are selected, and points set on a picture, by the pointer and by keys', async () => {
  await openToTry('Three sentences of this report');
  const sentence = (words: RegExp): Locator => trying().getByRole('option', { name: words });
  await sentence(/helmet/).click();
  await page.keyboard.press('End');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Space');
  await expect(sentence(/tested for voltage/)).toHaveAttribute('aria-selected', 'true');
  await sentence(/stopped and locked/).click();
  await expect(trying().getByRole('status').filter({ hasText: 'selected' })).toHaveText('3 selected');
  expect(await barriers(page)).toEqual([]);
  await trying().getByRole('button', { name: 'Hand in' }).click();
  await expect(trying()).toContainText('2 right of 3, 1 wrong');
  await expect(trying()).toContainText('That is just how it should be.');
  await trying().getByRole('button', { name: 'Close' }).first().click();

  await openToTry('Rated wind speed');
  await trying().getByRole('button', { name: 'Set a point in the middle' }).click();
  const point = trying().getByRole('slider', { name: 'Point 1' });
  await expect(point).toBeFocused();
  for (let i = 0; i < 6; i++) await page.keyboard.press('Shift+ArrowUp');
  await expect(point).toHaveAttribute('aria-valuetext', '50 % from the left, 20 % from above');
  await page.keyboard.press('Delete');
  await expect(point).toHaveCount(0);
  const picture = trying().locator('.spots-picture');
  const box = await picture.boundingBox();
  await picture.click({ position: { x: (box?.width ?? 0) * 0.9, y: (box?.height ?? 0) * 0.5 } });
  // With one point to set, another click moves it.
  await picture.click({ position: { x: (box?.width ?? 0) * 0.485, y: (box?.height ?? 0) * 0.22 } });
  await expect(point).toHaveCount(1);
  expect(await barriers(page)).toEqual([]);
  await trying().getByRole('button', { name: 'Hand in' }).click();
  await expect(trying()).toContainText('1 of 1 right');
});

test('an area is drawn from corner to corner, and words of a text are joined to a phrase', async () => {
  await beginQuestion(page);
  await page.keyboard.type('Show the rotor. ');
  await page.getByRole('button', { name: '+ Point on a picture' }).click();
  await sheet().getByRole('button', { name: 'Choose the picture' }).click();
  // A wide one: all of it is to be seen while it is drawn on.
  const tray = page.getByRole('dialog').getByRole('list', { name: 'Pictures' });
  await tray
    .getByRole('button', { name: /A nacelle from the side, opened/ })
    .first()
    .dblclick();
  const picture = sheet().locator('.spots-picture');
  const box = await picture.boundingBox();
  if (!box) throw new Error('The picture is to be seen');
  await page.mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.4, box.y + box.height * 0.6, { steps: 6 });
  await page.mouse.up();
  await expect(sheet().getByRole('slider', { name: 'Area 1, right' })).toHaveAttribute(
    'aria-valuetext',
    '30 % from the left, 40 % from above',
  );
  await expect(page.getByRole('region', { name: 'Slot A' })).toContainText('A point in the right area earns the marks');

  // Along a line of one's own; a corner of it is moved by keys.
  await page.getByLabel('Draw areas').selectOption('along a line of your own');
  await page.mouse.move(box.x + box.width * 0.6, box.y + box.height * 0.5);
  await page.mouse.down();
  for (const [x, y] of [
    [0.9, 0.5],
    [0.9, 0.8],
    [0.8, 0.8],
    [0.8, 0.6],
    [0.6, 0.6],
  ])
    await page.mouse.move(box.x + box.width * (x ?? 0), box.y + box.height * (y ?? 0), { steps: 8 });
  await page.mouse.up();
  const corners = sheet().getByRole('slider', { name: /^Corner \d+ of area 2$/ });
  await expect(corners).toHaveCount(6);
  await corners.first().focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(corners.first()).toHaveAttribute('aria-valuetext', /^55 %/);

  // A drag that leaves the window ends at the picture's edge.
  await page.getByLabel('Draw areas').selectOption('with four corners');
  await expect(corners.first()).toBeVisible();
  const now = (await picture.boundingBox()) ?? box;
  await page.mouse.move(now.x + now.width * 0.5, now.y + now.height * 0.9);
  await page.mouse.down();
  await page.mouse.move(LAPTOP.width + 200, LAPTOP.height + 200, { steps: 4 });
  await page.mouse.up();
  await expect(sheet().getByRole('slider', { name: 'Area 3, right' })).toHaveAttribute(
    'aria-valuetext',
    '75 % from the left, 95 % from above',
  );
  await page.keyboard.press('Escape');
  await saved(page);

  // So much for each: the marks follow when there are more.
  const rules = page.getByRole('region', { name: 'Slot A' });
  await rules.getByText('so much for each').click();
  await rules.getByLabel('Marks of each part of slot A').fill('1/2');
  await expect(rules).toContainText('× 3 parts: 1½ marks');
  await rules.getByText('Area 1, right').click();
  await rules.getByLabel('How many times area 1 counts').fill('2');
  await expect(rules).toContainText('× 4 parts: 2 marks');
  await expect(rules.getByLabel('Marks of slot A', { exact: true })).toHaveValue('2');
  await saved(page);

  await beginQuestion(page);
  await page.keyboard.type('Find the moving part. ');
  await page.getByRole('button', { name: '+ Select words' }).click();
  await expect(page.getByLabel('Slot A: the text')).toBeFocused();
  await page.keyboard.type('The rotor blade turns.');
  const unit = (words: string): Locator => sheet().getByRole('option', { name: words, exact: true });
  await unit('blade').click();
  await sheet().getByRole('button', { name: 'Join with the one before' }).click();
  await expect(unit('rotor blade')).toHaveAttribute('aria-selected', 'true');
  await sheet().getByLabel('Slot A: the text').press('End');
  await page.keyboard.type(' Always.');
  await expect(unit('Always')).toBeVisible();
  await expect(page.getByText('✓ Ready')).toBeVisible();
  await saved(page);
});

test('on a phone a name is tapped and then its place; it is there after a reload, and handed in', async () => {
  const { page: phone } = await stage.signIn('una.s', PHONE);
  await begin(phone.getByRole('link', { name: 'Begin…' }).first());
  // The room answers once its scripts are there.
  const goToLabels = (): Promise<void> =>
    expect(async () => {
      await phone.getByRole('button', { name: 'Contents' }).tap({ timeout: 2000 });
      await phone.getByRole('button', { name: /Name what keeps/ }).tap({ timeout: 2000 });
    }).toPass();
  await goToLabels();
  const name = (words: string): Locator => phone.getByRole('button', { name: words, exact: true });
  const place = (n: number): Locator => phone.locator('.place').nth(n - 1);
  await name('helmet').tap();
  await place(1).tap();
  await name('harness').tap();
  // The spot on the picture is the same place.
  await phone.locator('.mark').nth(1).tap();
  await expect
    .poll(async () => (await standing(phone.locator('main'))).slice(0, 3))
    .toEqual(['helmet', 'harness', 'empty']);
  for (const target of [name('rail'), place(1), phone.locator('.mark').first()]) {
    const box = await target.boundingBox();
    expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(44);
  }
  await expect(phone.getByText('All answers saved ✓')).toBeVisible();
  await phone.reload();
  await goToLabels();
  await expect(phone.locator('.place').first()).toHaveAttribute('aria-label', /helmet/);
  const [scroll, width] = await phone.evaluate(() => [document.documentElement.scrollWidth, innerWidth]);
  expect(scroll).toBeLessThanOrEqual(width ?? 0);
  expect(await barriers(phone)).toEqual([]);
  await phone.getByRole('button', { name: 'Hand in' }).first().tap();
  await phone.getByRole('dialog').getByRole('button', { name: 'Hand in' }).tap();
  await expect(phone.getByRole('heading', { name: 'Handed in' })).toBeVisible();
});

import { type Locator, type Page, test } from '@playwright/test';
import { barriers } from '../drivers/barriers';
import { goTo, LAPTOP, PHONE } from '../drivers/browser';
import { sheetOf } from '../drivers/bench';
import { expect } from '../drivers/expect';
import { photographed } from '../drivers/photographed';
import { onStage } from '../drivers/stage';

/** Every way to ask, answered in every way there is to answer, handed in, marked and read again. */
const stage = onStage('gallery');

type Hand = 'pointer' | 'touch' | 'keys';
const HANDS: [Hand, typeof LAPTOP][] = [
  ['pointer', LAPTOP],
  ['touch', PHONE],
  ['keys', LAPTOP],
];

/** What a hand does to a button, a box or a tile. */
async function press(target: Locator, hand: Hand): Promise<void> {
  if (hand === 'pointer') return target.click();
  if (hand === 'touch') return target.tap();
  await target.focus();
  await target.press('Space');
}

/** Something is taken out of the list and put on a place. */
async function place(card: Locator, hand: Hand, thing: string, where: string | RegExp): Promise<void> {
  await press(card.locator('.item-list').getByRole('button', { name: thing, exact: true }), hand);
  const target = card.getByRole('button', { name: where }).first();
  if (hand !== 'keys') return press(target, hand);
  // Taken by keys, the arrows go from place to place, and Enter puts.
  const focused = card.locator('[data-place]:focus');
  for (let i = 0; i < 8 && !(await target.evaluate((node) => node === document.activeElement)); i++)
    await focused.press('ArrowDown');
  await focused.press('Enter');
}

async function typePlainly(card: Locator, hand: Hand, typed: string): Promise<void> {
  // A phone offers the plain line by itself.
  const plainly = card.getByRole('button', { name: /plainly/ });
  if (await plainly.isVisible()) await press(plainly, hand);
  await card.getByRole('textbox').first().fill(typed);
}

/** Things are put in their order by the buttons at their sides. */
async function arrange(card: Locator, hand: Hand, order: readonly string[]): Promise<void> {
  const now = (): Promise<string[]> => card.locator('.order-item').allInnerTexts();
  for (const [to, thing] of order.entries()) {
    for (let at = (await now()).indexOf(thing); at > to; at--)
      await press(card.getByRole('button', { name: `${thing}: earlier` }), hand);
    await expect.poll(async () => (await now()).indexOf(thing)).toBe(to);
  }
  if (!(await card.getByRole('button', { name: 'Begin anew' }).isVisible()))
    await press(card.getByRole('button', { name: 'It is right as it stands' }), hand);
}

/** Something goes below the line of what is left out. */
async function leaveOut(card: Locator, hand: Hand, thing: string): Promise<void> {
  const later = card.getByRole('button', { name: `${thing}: later` });
  while (await later.isEnabled()) await press(later, hand);
  await expect(card.getByRole('button', { name: `left out: ${thing}` })).toBeVisible();
}

async function select(card: Locator, hand: Hand, words: string): Promise<void> {
  const unit = card.getByRole('option', { name: words, exact: true });
  if (hand !== 'keys') return press(unit, hand);
  await card.locator('[role="option"][tabindex="0"]').press('Home');
  for (let i = 0; i < 12 && !(await unit.evaluate((node) => node === document.activeElement)); i++)
    await card.locator('[role="option"]:focus').press('ArrowRight');
  await unit.press('Space');
}

async function point(page: Page, card: Locator, hand: Hand): Promise<void> {
  const picture = card.locator('.spots-picture');
  if (hand === 'keys') {
    await press(card.getByRole('button', { name: 'Set a point in the middle' }), hand);
    for (let i = 0; i < 14; i++) await page.keyboard.press('ArrowLeft');
    for (let i = 0; i < 26; i++) await page.keyboard.press('ArrowUp');
    return;
  }
  const { width = 0, height = 0 } = (await picture.boundingBox()) ?? {};
  const position = { x: 0.36 * width, y: 0.24 * height };
  await (hand === 'touch' ? picture.tap({ position }) : picture.click({ position }));
}

/** A dot is drawn; by keys a line is put in. */
async function drawDot(card: Locator, hand: Hand): Promise<void> {
  if (hand === 'keys') {
    await press(card.getByText('Draw by keys and numbers'), hand);
    return press(card.getByRole('button', { name: 'Put in: line' }), hand);
  }
  await press(card.getByRole('img', { name: /: drawing$/ }), hand);
  await expect(card.locator('[data-shape]')).toHaveCount(1);
}

/** A voice or a film of about a second. */
async function recordShortly(card: Locator, hand: Hand): Promise<void> {
  await press(card.getByRole('button', { name: /: record$/ }), hand);
  await expect(card.getByText(/recording 0:0[1-9]/)).toBeVisible();
  await press(card.getByRole('button', { name: 'Stop' }), hand);
  await expect(card.getByLabel(/: listen$/)).toBeVisible();
}

/** How each example is answered rightly. */
const ANSWERS: Record<string, (card: Locator, hand: Hand, page: Page) => Promise<void>> = {
  Choice: (card, hand) => press(card.getByRole('radio', { name: 'a wooden spoon' }), hand),
  'Several of several': async (card, hand) => {
    for (const name of ['2', '7']) await press(card.getByRole('checkbox', { name, exact: true }), hand);
  },
  'Two-way': (card, hand) => press(card.getByRole('radio', { name: 'True' }), hand),
  'Drop-down in a line': async (card, hand) => {
    const menu = card.getByRole('combobox');
    if (hand === 'keys') await menu.pressSequentially('must');
    else await menu.selectOption('must be larger');
  },
  'Short text': (card) => card.getByRole('textbox').fill('temperature'),
  'Fill in a word': (card) => card.getByRole('textbox').fill('equilateral'),
  'A few lines': (card) => card.getByRole('textbox').fill('to pedal with less force uphill'),
  'Number, unit': (card) => card.getByRole('textbox').fill('40 min'),
  Mathematics: (card, hand) => typePlainly(card, hand, '(x+3)(x+3)'),
  Formula: (card, hand) => typePlainly(card, hand, 't = s/v'),
  'Formula with places': (card, hand) => typePlainly(card, hand, '2ba'),
  'Long answer': (card) => card.getByRole('textbox').fill('The pads press on the rim.'),
  'Pages to hand in': async (card, hand) => {
    await card
      .locator('input[type=file]')
      .last()
      .setInputFiles([await photographed('page.png', 600, 800)]);
    await press(card.getByRole('button', { name: 'Turn page 1' }), hand);
  },
  'Files to hand in': (card) =>
    card.locator('input[type=file]').setInputFiles({
      name: 'report.odt',
      mimeType: 'application/vnd.oasis.opendocument.text',
      buffer: Buffer.from('PK'),
    }),
  Drawing: drawDot,
  'Curve on axes': drawDot,
  'Drawing on a picture': drawDot,
  Voice: recordShortly,
  'Reading aloud': recordShortly,
  'Short film': recordShortly,
  // The microphone beeps, and no number is heard in that.
  'Say it': async (card, hand) => {
    await press(card.getByRole('button', { name: /: say it$/ }), hand);
    await expect(card.getByText(/recording 0:0[1-9]/)).toBeVisible();
    await press(card.getByRole('button', { name: 'Stop' }), hand);
    await expect(card.getByText('A person will listen.')).toBeVisible();
  },
  'Own judgement': async (card, hand) => {
    for (const at of [3, 6]) await press(card.getByRole('radio').nth(at), hand);
  },
  // It stands in the middle from the beginning; that is no answer before it is touched.
  Scale: async (card, hand) => {
    const slider = card.getByRole('slider');
    if (hand !== 'keys') return press(slider, hand);
    await slider.press('ArrowRight');
    await slider.press('ArrowLeft');
  },
  'Label a picture': async (card, hand) => {
    for (const [i, name] of ['saddle', 'wheel', 'handlebar', 'pedal'].entries())
      await place(card, hand, name, new RegExp(`^place ${i + 1}\\b`));
  },
  'Write on a picture': async (card) => {
    for (const [i, name] of ['saddle', 'wheel', 'Handlebar', 'pedall'].entries())
      await card.getByRole('textbox', { name: `place ${i + 1}` }).fill(name);
  },
  'Match pairs': async (card, hand) => {
    for (const [left, right] of [
      ['length', 'metre'],
      ['time', 'second'],
      ['force', 'newton'],
    ])
      await place(card, hand, right ?? '', new RegExp(`^${left}:`));
  },
  'Gaps with tiles': async (card, hand) => {
    await place(card, hand, 'boils', /^gap 1\b/);
    await place(card, hand, 'freezes', /^gap 2\b/);
  },
  'Sort into groups': async (card, hand) => {
    for (const [group, items] of Object.entries({ solid: 'steel glass', liquid: 'milk oil', gas: 'air helium' }))
      for (const item of items.split(' ')) await place(card, hand, item, `Put it in ${group}`);
  },
  'Put in order': (card, hand) => arrange(card, hand, ['a second', 'a minute', 'an hour', 'a day']),
  'Words to a sentence': (card, hand) => arrange(card, hand, ['Please', 'close', 'the', 'window', 'behind you']),
  'Letters to a word': async (card, hand) => {
    for (const letter of ['t', 'o']) await leaveOut(card, hand, letter);
    await arrange(card, hand, ['b', 'r', 'a', 'k', 'e']);
  },
  'Select words': async (card, hand) => {
    for (const words of ['turns', 'steers']) await select(card, hand, words);
  },
  'Select sentences': (card, hand) => select(card, hand, 'It is the finest in the county.'),
  'Point on a picture': (card, hand, page) => point(page, card, hand),
};

const BY_A_PERSON = new Set([
  'Long answer',
  'Pages to hand in',
  'Files to hand in',
  'Drawing',
  'Curve on axes',
  'Drawing on a picture',
  'Voice',
  'Reading aloud',
  'Short film',
  'Say it',
  'Own judgement',
]);

for (const [hand, size] of HANDS) {
  test(`every way to ask is answered by ${hand}, marked and read again`, async () => {
    const { page, context } = await stage.signIn('odalys', size);
    await goTo(page, '/department/gallery');
    const names = await page.locator('.way h2').allInnerTexts();
    expect(names).toEqual(Object.keys(ANSWERS));
    for (const [nth, name] of names.entries()) {
      const card = page.locator('.way').nth(nth);
      await expect(card).toHaveRole('region');
      await expect(card).toHaveAccessibleName(name);
      await card.scrollIntoViewIfNeeded();
      await ANSWERS[name]?.(card, hand, page);
      await press(card.getByRole('button', { name: 'Hand in' }), hand);
      await expect(card.getByRole('status').last(), name).toContainText(
        BY_A_PERSON.has(name) ? 'waits for a person' : '2 of 2',
      );
      await expect(card.getByRole('textbox'), name).toHaveCount(0);
    }
    if (hand === 'pointer') expect(await barriers(page)).toEqual([]);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(wide).toBeLessThanOrEqual(0);
    await context.close();
  });
}

test('a question is begun like an example, and is ready as it is', async () => {
  const { page, context } = await stage.signIn('odalys');
  await goTo(page, '/department/gallery');
  const card = page.getByRole('region', { name: 'Gaps with tiles' });
  await card.getByRole('button', { name: 'Start a question like this' }).dblclick();
  await page.waitForURL(/\/bank\/(?!new)/);
  await expect(sheetOf(page)).toContainText('Complete the sentence.');
  await expect(page.getByText('✓ Ready')).toBeVisible();

  // Gaps move along with the text; several words are taken out by selecting them.
  const taken = page
    .getByRole('listbox', { name: 'Slot A: what is taken out' })
    .getByRole('option', { selected: true });
  const text = page.getByLabel('Slot A: the text');
  await text.fill('Pure water boils at 100 °C, and it freezes below 0 °C.');
  await expect(taken).toHaveText(['boils', 'freezes']);
  await text.press('Control+Home');
  for (let i = 0; i < 'Pure water'.length; i++) await text.press('Shift+ArrowRight');
  await page.getByRole('button', { name: 'Take “Pure water” out' }).click();
  await expect(taken).toHaveText(['Pure water', 'boils', 'freezes']);
  await page.keyboard.press('Control+z');
  await expect(taken).toHaveText(['boils', 'freezes']);
  expect(await barriers(page)).toEqual([]);
  await context.close();
});

test('a marker tries everything, and begins nothing', async () => {
  const { page, context } = await stage.signIn('mirela');
  await goTo(page, '/department/gallery');
  await expect(page.getByRole('heading', { name: 'What can be asked' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start a question like this' })).toHaveCount(0);
  await context.close();
});

test('an option is a picture from the tray, described, and words again when it is taken off', async () => {
  const { page, context } = await stage.signIn('odalys');
  await goTo(page, '/department/gallery');
  const card = page.getByRole('region', { name: 'Choice', exact: true });
  await card.getByRole('button', { name: 'Start a question like this' }).click();
  await page.waitForURL(/\/bank\/(?!new)/);
  const words = page.getByLabel('Option 1', { exact: true });
  await words.fill('');
  await page.getByRole('button', { name: 'Option 1: a picture or a sound' }).click();
  const tray = page.getByRole('dialog');
  await tray.getByLabel('Find it by what it shows').fill('nacelle');
  await tray
    .getByRole('list', { name: 'Pictures' })
    .getByRole('button', { name: /nacelle/i })
    .first()
    .click();
  await tray.getByRole('button', { name: /^Put it/ }).click();
  await expect(words).toHaveValue(/nacelle/i);
  await words.fill('');
  await expect(page.getByText(/^A picture or a sound has no words/).first()).toBeVisible();
  await words.fill('an open nacelle');
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('radio', { name: 'an open nacelle' })).toBeVisible();
  await expect(sheet.getByAltText('an open nacelle')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Option 1: words alone again' }).click();
  await expect(page.getByRole('button', { name: 'Option 1: a picture or a sound' })).toBeVisible();
  await expect(words).toHaveValue('an open nacelle');
  await context.close();
});

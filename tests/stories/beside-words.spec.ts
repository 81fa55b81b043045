import { readFileSync } from 'node:fs';
import { type Page, test } from '@playwright/test';
import { chooseFrom } from '../drivers/act-menu';
import { barriers } from '../drivers/barriers';
import { beginQuestion, sheetOf } from '../drivers/bench';
import { goTo, saved } from '../drivers/browser';
import { wav } from '../drivers/documents';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** What stands beside the words of a sheet: pictures, sounds, passages, simulations. */
const stage = onStage('beside-words');
let page: Page;

test.beforeAll(async () => {
  page = (await stage.signIn('odalys')).page;
});

const sheet = () => sheetOf(page);
const newQuestion = () => beginQuestion(page);

test('the tray: a free picture with its licence, nothing from inside, and the picture is asked to be described', async () => {
  await newQuestion();
  await page.keyboard.type('Which part is this? ');
  await page.getByRole('button', { name: 'Picture or file' }).click();
  const tray = page.getByRole('dialog');
  await tray.getByRole('button', { name: 'Free pictures' }).click();
  await tray.getByLabel('Find a free picture').fill('windsock');
  await expect(tray.getByRole('button', { name: 'Take it' })).toHaveCount(1);
  await tray.getByRole('button', { name: 'Take it' }).click();
  await expect(tray.getByRole('textbox', { name: 'Licence' })).toHaveValue('CC0 1.0');
  for (const address of ['http://127.0.0.1/x.png', 'http://[::1]/x.png', 'file:///etc/passwd', 'nonsense']) {
    await tray.getByLabel('Web address of a picture').fill(address);
    await tray.getByRole('button', { name: 'Fetch' }).click();
    await expect(tray.getByRole('alert')).toContainText(/inside the network|no web address/);
  }
  expect(await barriers(page)).toEqual([]);
  await tray.getByRole('button', { name: 'Put it on the sheet' }).click();
  await expect(sheet().getByAltText('Windsock in a fresh breeze')).toBeVisible();
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  await page.getByRole('button', { name: 'Enlarge the picture' }).click();
  await expect(page.getByRole('dialog', { name: 'Windsock in a fresh breeze' })).toBeVisible();
});

test('a picture is put in the place of another; sounds lie in the tray too', async () => {
  await newQuestion();
  await page.keyboard.type('Which part is this? ');
  const tray = page.getByRole('dialog');
  const take = async (words: string): Promise<void> => {
    await page.getByRole('button', { name: 'Picture or file' }).click();
    await tray.getByLabel('Find it by what it shows').fill(words);
    // At once, while it is still being looked for: what is seen can be chosen, and stays so.
    await tray
      .getByRole('list', { name: 'Pictures' })
      .getByRole('button', { name: new RegExp(words, 'i') })
      .first()
      .click();
  };
  await take('Windsock');
  await expect(tray.getByRole('button', { name: 'In the place of the chosen one' })).toHaveCount(0);
  await tray.getByRole('button', { name: 'Put it on the sheet' }).click();
  await sheet().getByAltText('Windsock in a fresh breeze').click();
  await page.getByLabel('Caption of the picture').fill('At the mast');
  await take('nacelle');
  await tray.getByRole('button', { name: 'In the place of the chosen one' }).click();
  await expect(sheet().locator('figure.picture')).toHaveCount(1);
  await expect(sheet().getByAltText(/nacelle/i)).toBeVisible();
  await expect(page.getByLabel('Caption of the picture')).toHaveValue('At the mast');
  await page.keyboard.press('Control+z');
  await expect(sheet().getByAltText('Windsock in a fresh breeze')).toBeVisible();

  await page.getByRole('button', { name: 'Picture or file' }).click();
  const licences = tray.getByLabel('Under which licence');
  await licences.selectOption('CC0 1.0');
  await expect(tray.getByText('Windsock in a fresh breeze').first()).toBeVisible();
  await tray.getByLabel('What is looked for').selectOption('Sounds');
  await expect(tray.getByText('Windsock in a fresh breeze')).toHaveCount(0);
  await tray
    .getByLabel('Choose a file')
    .setInputFiles({ name: 'beep.wav', mimeType: 'audio/wav', buffer: Buffer.from(wav()) });
  await tray.getByLabel('What it is').fill('A warning tone');
  await tray.getByRole('button', { name: 'Put it on the sheet' }).click();
  await expect(page.getByLabel('What the recording is')).toBeVisible();
  expect(await barriers(page)).toEqual([]);
});

test('a file is dropped on the sheet, and students take it along under its name', async () => {
  await newQuestion();
  await page.keyboard.type('Read the power at 9 m/s from the table. ');
  const carried = await page.evaluateHandle(() => {
    const data = new DataTransfer();
    data.items.add(new File(['wind;power\n9;900\n'], 'power curve.csv', { type: 'text/csv' }));
    data.items.add(new File([new Uint8Array([0, 255])], 'tool.exe', { type: 'application/x-msdownload' }));
    return data;
  });
  const box = await sheet().locator('p').first().boundingBox();
  const [clientX, clientY] = [(box?.x ?? 0) + 5, (box?.y ?? 0) + 5];
  await sheet().locator('p').first().dispatchEvent('drop', { dataTransfer: carried, clientX, clientY });
  await expect(sheet().getByRole('link', { name: 'power curve.csv' })).toBeVisible();
  await expect(page.getByText('This file cannot stand on a sheet.')).toBeVisible();
  await page.keyboard.type('Round to tens.');
  await saved(page);
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  const taking = page.waitForEvent('download');
  await page.getByRole('dialog').getByRole('link', { name: 'power curve.csv' }).click();
  const taken = await taking;
  expect(taken.suggestedFilename()).toBe('power curve.csv');
  expect(readFileSync(await taken.path(), 'utf8')).toContain('9;900');
  await page.keyboard.press('Escape');
  await expect(sheet()).toContainText('Round to tens.');
});

test('an instruction is spoken, kept, captioned, and heard on the sheet', async () => {
  await newQuestion();
  await page.keyboard.type('Listen first. ');
  await page.getByRole('button', { name: 'Sound or film' }).click();
  const dialog = page.getByRole('dialog');
  await dialog
    .getByLabel(/^From a file/)
    .setInputFiles({ name: 'song.mp3', mimeType: 'audio/mpeg', buffer: Buffer.from('no sound') });
  await expect(dialog.getByRole('alert')).toContainText('no sound or film');
  await dialog.getByRole('button', { name: 'Record', exact: true }).click();
  // What is said takes a moment.
  await page.waitForTimeout(1200);
  await dialog.getByRole('button', { name: 'Stop' }).click();
  await expect(dialog.getByLabel('What you recorded')).toBeVisible();
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText('A recording does not say what it is.')).toBeVisible();
  await page.getByLabel('What the recording is').fill('The instruction, spoken');
  const captions = page.getByLabel('Captions (WebVTT)');
  await captions.setInputFiles({
    name: 'c.vtt',
    mimeType: 'text/vtt',
    buffer: Buffer.from('WEBVTT\n\n00:02.000 --> 00:01.000\nx'),
  });
  await expect(page.locator('.trouble')).toContainText('line 3');
  await captions.setInputFiles({
    name: 'c.vtt',
    mimeType: 'text/vtt',
    buffer: Buffer.from('WEBVTT\n\n00:00.000 --> 00:01.000\nListen'),
  });
  await expect(page.getByText('✓ captions')).toBeVisible();
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  const sound = page.getByRole('dialog').getByLabel('The instruction, spoken');
  await expect.poll(() => sound.evaluate((audio: HTMLAudioElement) => audio.readyState)).toBeGreaterThan(0);
  const [part, far] = await page.evaluate(async () => {
    const { src } = document.querySelector('[role=dialog] audio') as HTMLAudioElement;
    const asked = async (range: string): Promise<string> => {
      const response = await fetch(src, { headers: { Range: range } });
      return `${response.status} ${(await response.arrayBuffer()).byteLength}`;
    };
    return Promise.all([asked('bytes=10-19'), asked('bytes=999999999-')]);
  });
  expect([part, far]).toEqual(['206 10', '416 0']);
});

test('a passage stands beside every question that refers to it, and is edited with any of them', async () => {
  await newQuestion();
  await page.keyboard.type('What was the strongest gust? /short');
  await page.keyboard.press('Enter');
  await page.getByLabel('Slot A: the right answer').fill('38 m/s');
  await page.getByRole('button', { name: '+ passage' }).click();
  await chooseFrom(page, 'Put beside it…', 'a new passage');
  const passage = page.getByRole('textbox', { name: 'The passage' });
  await passage.click();
  await page.keyboard.type('The storm of March reached 38 m/s at hub height.');
  await saved(page);
  const first = page.url();

  await newQuestion();
  await page.keyboard.type('In which month was it? /short');
  await page.keyboard.press('Enter');
  await page.getByLabel('Slot A: the right answer').fill('March');
  await page.getByRole('button', { name: '+ passage' }).click();
  await chooseFrom(page, 'Put beside it…', 'The storm of March reached 38 m/s at hub height. (1)');
  await expect(passage).toContainText('The storm of March');
  await passage.press('Control+End');
  await page.keyboard.type(' It ended at noon.');
  await saved(page);
  await goTo(page, first);
  await expect(passage).toContainText('It ended at noon.');
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  await expect(page.getByRole('dialog').getByRole('region', { name: 'Passage' })).toContainText('The storm of March');
  expect(await barriers(page)).toEqual([]);
  await page.keyboard.press('Escape');
  // Its lines are numbered as they were typed, whatever the screen.
  await passage.press('Control+End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Nobody was up there.');
  await page.getByLabel('What is numbered in the passage').selectOption('lines numbered');
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  const shown = page.getByRole('dialog').getByLabel('Passage', { exact: true });
  const numbers = await shown
    .locator(':scope > .para')
    .evaluateAll((all) => all.map((line) => getComputedStyle(line, '::before').content));
  expect(numbers).toHaveLength(2);
  expect(numbers.every((content) => content.includes('counter(passage)'))).toBe(true);
  await page.keyboard.press('Escape');
});

test('a simulation stands in a sheet and works there; a page from anywhere does not', async () => {
  await newQuestion();
  await page.keyboard.type('Find the pitch at which the power falls below 1 MW. ');
  await page.getByRole('button', { name: 'Page or simulation' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(/^Or by its address/).fill('https://anywhere.example/');
  await dialog.getByRole('button', { name: 'Put it there' }).click();
  await expect(dialog.getByRole('alert')).toContainText('does not allow pages from there');
  await dialog.getByRole('button', { name: 'Blade pitch and power' }).click();
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  const frame = page.getByRole('dialog').frameLocator('iframe');
  const power = frame.getByRole('status');
  const before = await power.textContent();
  await frame.getByLabel(/^Pitch/).fill('12');
  await expect(power).not.toHaveText(before ?? '');
  await expect(frame.getByText('12 °')).toBeVisible();
});

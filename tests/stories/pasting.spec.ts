import { type Page, test } from '@playwright/test';
import { clickBefore, saved } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { handOnSheet } from '../drivers/hand-on-sheet';
import { onStage } from '../drivers/stage';

/** What is pasted into a sheet, from elsewhere and from another question. */
const stage = onStage('pasting');
let page: Page;

test.beforeAll(async () => {
  page = (await stage.signIn('odalys')).page;
});

const { sheet, letters, type, press, add, newQuestion } = handOnSheet(() => page);

test('products stay as they are typed and pasted; whole words between stars become form', async () => {
  await newQuestion();
  await type('2 * 3 * 4 and v_1 * v_2 * 3, then *really* and **very much** so');
  await expect(sheet()).toContainText('2 * 3 * 4 and v_1 * v_2 * 3');
  await expect(sheet().locator('em')).toHaveText('really');
  await expect(sheet().locator('strong')).toHaveText('very much');
  for (const text of ['2 * 3 * 4', '2*3*4 = 24', 'a*b*c', 'costs $5-$6']) {
    await newQuestion();
    await page.evaluate((t) => navigator.clipboard.writeText(t), text);
    await press('Control+v');
    await expect(sheet()).toHaveText(text);
  }
});

/** Puts HTML on the clipboard and pastes it. */
async function pasteHtml(html: string): Promise<void> {
  await page.evaluate(async (h) => {
    const item = new ClipboardItem({
      'text/html': new Blob([h], { type: 'text/html' }),
      'text/plain': new Blob(['plain'], { type: 'text/plain' }),
    });
    await navigator.clipboard.write([item]);
  }, html);
  await press('Control+v');
}

/** As a paste of another program, whose HTML the browser's clipboard would clean. */
async function pasteRaw(html: string): Promise<void> {
  await sheet().evaluate((element, h) => {
    const data = new DataTransfer();
    data.setData('text/html', h);
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, html);
}

test('pasted pictures come along or are named; formulas, headings and nested lists keep their form', async () => {
  await newQuestion();
  const png =
    'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
  await pasteRaw(`<p>Before <img src="${png}" alt="a dot"> after <img src="file:///c/x.png"></p>`);
  await expect(sheet().locator('figure.picture')).toHaveCount(1);
  await expect(page.locator('.trouble')).toContainText('1 picture could not come along');
  await expect(sheet()).toContainText('Before');
  await newQuestion();
  await pasteRaw(
    '<p>It is <span class="katex"><span class="katex-mathml"><math><semantics><mrow><mi>E</mi></mrow><annotation encoding="application/x-tex">E=mc^2</annotation></semantics></math></span><span class="katex-html" aria-hidden="true">E=mc2</span></span> and <math><msup><mi>x</mi><mn>3</mn></msup></math>.</p>',
  );
  await expect(sheet().getByRole('button', { name: 'Formula E=mc^2, edit' })).toBeVisible();
  await expect(sheet().getByRole('button', { name: /^Formula x\s?\^\{?3/ })).toBeVisible();
  await newQuestion();
  await pasteRaw(
    '<h1>Rotor</h1><h2>Blades</h2><p class="MsoListParagraph" style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">·  </span>outer</p><p class="MsoListParagraph" style="mso-list:l0 level2 lfo1"><span style="mso-list:Ignore">o  </span>inner</p><p class="MsoListParagraph" style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">·  </span>outer two</p>',
  );
  await expect(sheet().locator('h2')).toHaveText('Rotor');
  await expect(sheet().locator('h3')).toHaveText('Blades');
  await expect(sheet().locator('ul > li > ul > li')).toHaveText('inner');
  await expect(sheet().locator(':scope > ul > li')).toHaveCount(2);
});

test('a paste that is too large is refused in words, and nothing waits for ever', async () => {
  await newQuestion();
  await type('Six.');
  await pasteRaw(`<p>${'wind '.repeat(250_000)}</p>`);
  await expect(page.locator('.trouble')).toContainText('too much for one paste');
  await expect(sheet()).toHaveText('Six.');
  await saved(page);
});

test('a slot copied from one question stands in another as a slot of its own', async () => {
  await newQuestion();
  await type('Seven. ');
  await add('Short text');
  await type('rotor');
  await clickBefore(sheet().getByText('Seven.'));
  await press('Control+a', 'Control+c');
  await newQuestion();
  await type('Eight. ');
  await add('Short text');
  await type('tower');
  await clickBefore(sheet().getByText('Eight.'));
  await press('End', 'Control+v');
  await expect(letters()).toHaveCount(2);
  const keys = sheet().getByLabel(/the right answer$/);
  await expect(keys.nth(0)).toHaveValue('tower');
  await expect(keys.nth(1)).toHaveValue('rotor');
  await keys.nth(1).fill('blade');
  await expect(keys.nth(0)).toHaveValue('tower');
  await pasteHtml('<p>more <strong>words</strong></p>');
  await expect(letters()).toHaveCount(2);
});

test('a paste lands where the cursor is seen, though the editor has not been told of it yet', async () => {
  await newQuestion();
  await type('Blades turn.');
  await clickBefore(sheet().getByText('Blades'));
  await sheet().evaluate((element) => {
    const words = document.createTreeWalker(element, NodeFilter.SHOW_TEXT).nextNode();
    window.getSelection()?.collapse(words, words?.textContent?.length);
    const data = new DataTransfer();
    data.setData('text/plain', ' Slowly.');
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(sheet()).toHaveText('Blades turn. Slowly.');
});

import { type Page, test } from '@playwright/test';
import { chooseFrom } from '../drivers/act-menu';
import { barriers } from '../drivers/barriers';
import { beginQuestion, sheetOf } from '../drivers/bench';
import { goTo } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** Writing and finding: the bench and the bank in full. */
const stage = onStage('writing');
let page: Page;

test.beforeAll(async () => {
  page = (await stage.signIn('odalys')).page;
});

const sheet = () => sheetOf(page);
const newQuestion = () => beginQuestion(page);
const paste = (data: Record<string, string>): Promise<void> =>
  page.evaluate((types) => {
    const clipboard = new DataTransfer();
    for (const [type, text] of Object.entries(types)) clipboard.setData(type, text);
    document
      .querySelector('.ProseMirror')
      ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: clipboard, bubbles: true, cancelable: true }));
  }, data);

test('a slash, chosen words and a copy each make a slot; Markdown and word-processor text become the sheet', async () => {
  await newQuestion();
  await page.keyboard.type('The shaft turns at 1500 rpm. ');
  await page.keyboard.type('/two');
  await expect(page.getByRole('option', { name: 'Two-way' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Slot A' })).toBeVisible();
  await sheet().press('Control+End');
  await page.keyboard.press('Enter');
  await paste({
    'text/plain': '- $P = \\tfrac12 \\rho A v^3$\n- **dense** air\n\n| part | n |\n|---|---|\n| blade | 3 |',
  });
  await expect(sheet().locator('li')).toHaveCount(2);
  await expect(sheet().locator('th').first()).toHaveText('part');
  await sheet().press('Control+End');
  await page.keyboard.press('Enter');
  await paste({
    'text/html':
      '<p>From a document <script>document.title="gone"</script><img src="https://tracker.example/x.png"> with <math><mfrac><mi>a</mi><mi>b</mi></mfrac></math></p>',
    'text/plain': 'x',
  });
  await expect(sheet().getByLabel('Formula \\frac{a}{b}, edit')).toBeVisible();
  expect(await sheet().locator('img:not(.ProseMirror-separator)').count()).toBe(0);

  await sheet().getByText('The shaft turns at 1500 rpm.').selectText();
  await page.evaluate(() => {
    const node = document.querySelector('.ProseMirror p')?.firstChild;
    const at = node?.textContent?.indexOf('1500 rpm') ?? -1;
    if (node && at >= 0) getSelection()?.setBaseAndExtent(node, at, node, at + 8);
  });
  await page.keyboard.press('Control+m');
  await expect(page.getByLabel('Slot A: the right number with its unit')).toHaveValue('1500 rpm');
  await page.getByRole('button', { name: 'Copy this slot' }).click();
  await expect(page.getByLabel('Slot B: the right number with its unit')).toHaveValue('1500 rpm');
  await page.getByLabel('Slot B: the right number with its unit').fill('25 1/s');
  await expect(page.getByLabel('Slot A: the right number with its unit')).toHaveValue('1500 rpm');

  // Chosen words also become the key of whatever is typed and stands in a line.
  await page.evaluate(() => {
    const node = document.querySelector('.ProseMirror p')?.firstChild;
    if (node) getSelection()?.setBaseAndExtent(node, 4, node, 9);
  });
  await page.getByRole('button', { name: '+ Drop-down in a line' }).click();
  await expect(page.getByLabel('Slot A: the right word')).toHaveValue('shaft');
  await page.getByLabel(/^Slot A: the other words/).pressSequentially('wheel; brake');
  await expect(page.getByRole('region', { name: 'Slot A' })).toContainText('“shaft” earns the marks');
  await expect(sheet().locator('p').first()).toContainText(/^The\s+.*turns at/);
  await expect(page.getByText(/^Saved \d/)).toBeVisible();
  await page.reload();
  await expect(page.getByLabel(/^Slot A: the other words/)).toHaveValue('wheel; brake');
  await expect(page.getByLabel('Slot C: the right number with its unit')).toHaveValue(/25/);
  await expect(sheet().locator('th').first()).toHaveText('part');
});

test('a formula is typed as it looks; a picture gets words and lines; a total is shared out', async () => {
  await newQuestion();
  await page.keyboard.type('It gives ');
  await page.getByRole('button', { name: 'Formula', exact: true }).click();
  await expect(page.locator('math-field')).toBeFocused();
  await page.keyboard.type('P=1/2');
  await page.keyboard.press('ArrowRight');
  await page.getByRole('button', { name: 'Square root' }).click();
  await page.keyboard.type('x');
  await page.keyboard.press('Enter');
  await page.keyboard.type(' and no more. ');
  await expect(sheet().getByLabel('Formula P=\\frac12\\sqrt{x}, edit')).toBeVisible();
  await expect(sheet()).toContainText('and no more.');

  await page.evaluate(async () => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [400, 200];
    canvas.getContext('2d')?.fillRect(100, 50, 200, 100);
    const png = await new Promise<Blob>((done) => canvas.toBlob((blob) => blob && done(blob)));
    await navigator.clipboard.write([new ClipboardItem({ 'image/png': png })]);
  });
  await page.keyboard.press('Control+v');
  const picture = sheet().locator('figure.picture img');
  await picture.click();
  await page.getByRole('button', { name: '+ Label over the picture' }).click();
  await page.getByLabel('Label 1 over the picture').fill('Gearbox');
  const end = page.getByRole('slider', { name: 'What “Gearbox” points at' });
  await end.press('Shift+ArrowRight');
  await expect(end).toHaveAttribute('aria-valuetext', '55 % from the left, 50 % from above');
  const [from, frame] = [await end.boundingBox(), await picture.boundingBox()];
  if (!from || !frame) throw new Error('The handle and the picture are on the screen');
  await page.mouse.move(from.x + 7, from.y + 7);
  await page.mouse.down();
  await page.mouse.move(frame.x + frame.width * 0.25, frame.y + frame.height * 0.75, { steps: 4 });
  await page.mouse.up();
  await expect(end).toHaveAttribute('aria-valuetext', /^2[45]\S* % from the left, 7[45]\S* % from above$/);

  await sheet().press('Control+End');
  await page.getByRole('button', { name: '+ Short text' }).click();
  await sheet().press('Control+End');
  await page.getByRole('button', { name: '+ Fill in a word' }).click();
  await page.getByLabel('Marks of the whole question').fill('3');
  await expect(page.getByLabel('Marks of slot B')).toHaveValue('1½');
  await sheet().press('Control+End');
  await page.getByRole('button', { name: '+ Short text' }).click();
  await expect(page.getByLabel('Marks of slot A')).toHaveValue('1');
  await expect(page.getByTitle('3 marks')).toBeVisible();
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  await expect(page.getByRole('dialog').locator('.picture-label').first()).toHaveText('Gearbox');
  await page.keyboard.press('Escape');
});

test('a single key is changed, and the caps say so', async () => {
  await goTo(page, '/bank');
  await page.keyboard.press('?');
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: /Change the key for “New question”/ }).click();
  await page.keyboard.press('j');
  await expect(dialog.getByRole('alert')).toContainText('does something else here');
  await page.keyboard.press('w');
  await dialog.getByRole('button', { name: 'Close' }).click();
  const act = page.getByRole('link', { name: /^New question/ });
  await expect(act).toContainText('W');
  await page.keyboard.press('n');
  // What does nothing has no end that could be waited for.
  await page.waitForTimeout(300);
  await expect(page).toHaveURL(/\/bank(\?|$)/);
  await page.keyboard.press('w');
  await expect(page).toHaveURL(/\/bank\/./);
  await page.evaluate(() => localStorage.removeItem('zondaKeys'));
});

test('trial answers are suggested, agreed to, pasted as a column, and stop a review when they turn', async () => {
  await newQuestion();
  await page.keyboard.type('How much power does the turbine give in this wind? /number');
  await page.keyboard.press('Enter');
  await page.getByLabel('Slot A: the right number with its unit').fill('2 MW');
  const drawer = page.getByRole('region', { name: 'Trial answers' });
  await drawer.getByRole('button', { name: /^Suggest/ }).click();
  await expect(drawer.getByLabel('Trial answer')).not.toHaveCount(0);
  await drawer.getByRole('button', { name: 'All right as they are' }).click();
  await expect(drawer).toContainText(/(\d+) of \1 as expected/);
  await drawer.getByLabel('A new trial answer').focus();
  await page.evaluate(() => {
    const clipboard = new DataTransfer();
    clipboard.setData('text/plain', '2 MW\t1\n3 MW\t0\n2000 kW\t1');
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: clipboard, bubbles: true, cancelable: true }),
    );
  });
  await expect(drawer).toContainText(/(\d+) of \1 as expected/);
  await page.getByLabel('Slot A: the right number with its unit').fill('3 MW');
  await expect(drawer).toContainText('not as expected');
  await page.getByRole('button', { name: 'Ask for review' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'not marked as expected' })).toBeVisible();
  await page.getByLabel('Slot A: the right number with its unit').fill('2 MW');
  await expect(drawer).toContainText(/(\d+) of \1 as expected/);
  await page.getByRole('button', { name: '+ hint' }).click();
  await page.getByLabel('Hint 1', { exact: true }).fill('Think of the Betz limit.');
  await page.getByRole('button', { name: 'Try the sheet' }).click();
  await page.getByRole('button', { name: 'A hint, costs ½ mark' }).click();
  await expect(page.getByRole('dialog')).toContainText('Think of the Betz limit.');
  await page.keyboard.press('Escape');
});

test('a colleague returns it with a remark and agrees later; revisions are held side by side', async () => {
  await page.getByRole('button', { name: 'Ask for review' }).click();
  const note = page.getByRole('region', { name: 'Review' });
  await expect(note).toContainText('waits for review');
  await note.getByRole('button', { name: 'Agree' }).click();
  await expect(note.getByRole('alert')).toContainText('A colleague has to agree');

  const other = (await stage.signIn('imre')).page;
  await goTo(other, page.url());
  const theirs = other.getByRole('region', { name: 'Review' });
  await theirs.getByRole('button', { name: 'Return with the remark' }).click();
  await expect(theirs.getByRole('alert')).toContainText('Say what should be changed');
  await theirs.getByLabel('Remark').fill('Which wind speed?');
  await theirs.getByRole('button', { name: 'Return with the remark' }).click();
  await expect(theirs).toContainText('returned');

  await goTo(page, page.url());
  await expect(note).toContainText('Which wind speed?');
  await sheet().press('Control+Home');
  await page.keyboard.type('At 12 m/s: ');
  await note.getByRole('button', { name: 'Ask for review' }).click();
  await expect(note).toContainText('waits for review');
  await goTo(other, other.url());
  await theirs.getByRole('button', { name: 'Agree' }).click();
  await expect(theirs).toContainText('agreed');

  await goTo(page, page.url());
  await page.getByRole('button', { name: 'Revisions' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Revision').selectOption('1');
  await expect(dialog.locator('ins').first()).toContainText('At 12 m/s');
  expect(await barriers(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Go back to revision 1' }).click();
  await expect(sheet()).not.toContainText('At 12 m/s');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Control+z');
  await expect(sheet()).toContainText('At 12 m/s');
});

test('many questions are chosen by keys, tagged, and taken back; searches are kept', async () => {
  await goTo(page, '/bank');
  await page.getByRole('heading', { level: 1 }).click();
  for (const key of ['j', 'x', 'j', 'x']) await page.keyboard.press(key);
  const bar = page.getByRole('region', { name: 'Chosen questions' });
  await expect(bar).toContainText('2 questions chosen');
  // Looking through a list does nothing yet: not by arrows, not by letters, not by leaving it.
  await bar.getByRole('button', { name: 'Move to…' }).focus();
  for (const key of ['ArrowDown', 'ArrowDown', 'w', 'Escape']) await page.keyboard.press(key);
  await expect(bar.getByRole('button', { name: 'Move to…' })).toBeFocused();
  await expect(bar).toContainText('2 questions chosen');
  await bar.getByLabel('Tag to add').fill('spring');
  await page.keyboard.press('Enter');
  await expect(bar).toContainText('Tagged 2 questions.');
  await chooseFrom(page, 'narrow by …', 'tag');
  await page.getByLabel('tag', { exact: true }).selectOption('spring');
  await expect(page.getByText(/^2 questions/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep this search' }).click();
  await page.getByLabel('Name of the search').fill('For spring');
  await page.keyboard.press('Enter');
  const kept = page.getByRole('link', { name: 'For spring' });
  await expect(kept).toBeVisible();
  await goTo(page, '/bank');
  await kept.click();
  await expect(page.getByText(/^2 questions/)).toBeVisible();
  expect(await barriers(page)).toEqual([]);
  await page
    .getByRole('checkbox', { name: /^Choose / })
    .first()
    .check();
  await bar.getByRole('button', { name: 'Delete' }).click();
  await expect(bar.or(page.getByRole('alert')).first()).toContainText(/Deleted 1 question|stands in an exam/);
  if (await bar.getByText('Deleted').isVisible()) {
    await bar.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText(/^2 questions/)).toBeVisible();
  }
});

test('the list comes back as it was left, but not over the hand of whoever is in the field before', async () => {
  const { page: hasty, context } = await stage.signIn('imre');
  await goTo(hasty, '/bank');
  const words = hasty.getByLabel('Search all text');
  await words.fill('gearbox');
  await expect(hasty.getByText(/questions? about gearbox/)).toBeVisible();
  await goTo(hasty, '/bank');
  await expect(words).toHaveValue('gearbox');
  // The cursor is in the field before the page is awake.
  await hasty.addInitScript(() => {
    const early = new MutationObserver(() => {
      const field = document.querySelector<HTMLInputElement>('input[aria-label="Search all text"]');
      if (!field) return;
      early.disconnect();
      field.focus();
    });
    early.observe(document, { childList: true, subtree: true });
  });
  await goTo(hasty, '/bank');
  await expect(words).toBeFocused();
  await expect(words).toHaveValue('');
  await hasty.keyboard.type('rotor');
  await expect(hasty.getByText(/questions? about rotor/)).toBeVisible();
  await context.close();
});

test('topics are arranged by keys, and a bank of one’s own is made', async () => {
  await goTo(page, '/bank');
  await page.getByRole('button', { name: 'arrange' }).click();
  await page.getByLabel('New topic').fill('Winter');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Winter, below the topic before' }).click();
  await expect(page.getByRole('button', { name: 'Winter, one step out' })).toBeEnabled();
  // What whoever did badly in it reads is kept when the field is left.
  await page.getByRole('button', { name: 'Winter, what to look at again' }).click();
  await page.getByLabel('Whoever did badly in it reads').fill('Week 11, https://kestrel-ridge.example/ice');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'Winter, what to look at again' })).toHaveText('¶');
  await page.getByRole('button', { name: 'Done arranging' }).click();
  await expect(page.getByRole('link', { name: /^Winter/ })).toBeVisible();
  await page.getByRole('button', { name: 'new', exact: true }).click();
  await page.getByLabel('Name', { exact: true }).fill('Turbine systems');
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(page.locator('.trouble')).toContainText('already a bank');
  await page.getByLabel('Name', { exact: true }).fill('Drawer');
  await page.getByLabel('Who sees it and writes in it').selectOption('private');
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Drawer');
  const other = (await stage.signIn('imre')).page;
  await goTo(other, '/bank');
  await expect(other.getByRole('link', { name: /^Drawer/ })).toHaveCount(0);
});

test('a pasted test falls into sheets, is mended and brought in, taken back, and taken out', async () => {
  await goTo(page, '/bank/bring-in');
  await page
    .getByLabel('Or paste the questions')
    .fill(
      'Test\n1. What do you check first? [2]\na) light\nb) fall arrester *\n2. Who may climb alone?\na) nobody\nb) a guest',
    );
  await page.getByRole('button', { name: 'Find the questions' }).click();
  await expect(page.getByText('2 questions found')).toBeVisible();
  await expect(page.getByText('No option is marked as right.', { exact: true }).first()).toBeVisible();
  expect(await barriers(page)).toEqual([]);
  await page.getByLabel('Key of question 2').fill('* nobody\na guest');
  await expect(page.getByText('“nobody” earns the marks, anything else nothing.')).toBeVisible();
  await page.getByRole('button', { name: 'Bring in 2' }).click();
  await expect(page.getByText('2 questions are in the bank as drafts.')).toBeVisible();
  await page.getByRole('link', { name: 'Look at them' }).click();
  await expect(page.getByRole('link', { name: 'Who may climb alone?' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Choose Who may climb alone?' }).check();
  const [taken] = await Promise.all([
    page.waitForEvent('download'),
    chooseFrom(page, 'Save as a file…', 'as an archive with pictures'),
  ]);
  const archive = await taken.path();

  await goTo(page, '/bank/bring-in');
  await page
    .getByLabel(/^A file/)
    .setInputFiles({ name: 'broken.docx', mimeType: 'x', buffer: Buffer.from('PK\u0003\u0004 nonsense') });
  await expect(page.locator('.trouble')).toContainText(/cannot be read|holds no questions/);
  await page.getByLabel(/^A file/).setInputFiles(archive);
  await expect(page.getByText('1 question found')).toBeVisible();
  await page.getByRole('button', { name: 'Bring in 1' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Bring in 1' })).toBeVisible();
});

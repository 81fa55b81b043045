import { truncateSync, writeFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { type BrowserContext, type Page, test } from '@playwright/test';
import { WT110 } from '../../src/demo/people';
import { begin, goTo, LAPTOP, PHONE, reloaded, saved } from '../drivers/browser';
import { expect } from '../drivers/expect';
import { onStage } from '../drivers/stage';

/** What goes wrong on ordinary days: networks, clocks, batteries, wrong files, two people on one thing. */
const stage = onStage('weather');
let teacher: Page;

test.beforeAll(async () => {
  teacher = (await stage.signIn('odalys')).page;
});

/** A sitting of the mid-term for WT-201 that is open now; returns its page. */
async function schedule(minutes: number): Promise<string> {
  await goTo(teacher, '/exams');
  await teacher.getByRole('link', { name: 'Mid-term' }).click();
  await teacher.getByRole('button', { name: 'Schedule…' }).click();
  const now = new Date(Date.now() - new Date().getTimezoneOffset() * 60_000);
  await teacher.getByLabel('They may start from').fill(now.toISOString().slice(0, 16));
  await teacher.getByLabel('Minutes for each').fill(String(minutes));
  await teacher.getByRole('button', { name: 'Schedule it' }).click();
  await teacher.waitForURL('**/sittings/*');
  return teacher.url();
}

/** A photo of so many megabytes on the disk: a browser takes it from there at once, though not out of the test's memory. */
function photo(megabytes: number): string {
  const file = path.resolve(`.test/IMG_${megabytes}.jpg`);
  writeFileSync(file, '');
  truncateSync(file, megabytes * 1024 * 1024);
  return file;
}

/** Makes a device's clock wrong by so many hours. */
async function wrongClock(context: BrowserContext, hours: number): Promise<void> {
  await context.addInitScript((shift) => {
    const Right = Date;
    window.Date = class extends Right {
      constructor(...parts: [] | [number]) {
        super(parts.length === 0 ? Right.now() + shift : parts[0]);
      }
      static override now(): number {
        return Right.now() + shift;
      }
    } as DateConstructor;
  }, hours * 3_600_000);
}

async function beginOf(page: Page, minutes: number): Promise<void> {
  await goTo(page, '/my');
  const link = page.getByRole('link', { name: 'Begin…' });
  await begin(
    page
      .locator('section div', { hasText: `${minutes} minutes` })
      .filter({ has: link })
      .last()
      .getByRole('link', { name: 'Begin…' }),
  );
  await page.waitForURL('**/room/*');
  await expect(page.getByText('All answers saved ✓')).toBeVisible();
}

test('two minutes without a network, clocks that are wrong, and a time that runs out by itself', async () => {
  test.setTimeout(300_000);
  const long = await schedule(47);
  const short = await schedule(1);

  // His clock is an hour ahead, and he never closes his browser.
  const watching = await stage.signIn('bram.o', PHONE);
  await wrongClock(watching.context, 1);
  await beginOf(watching.page, 1);
  await watching.page.getByRole('textbox').first().fill('typed with a minute to go');

  // Hers is an hour behind; her battery dies.
  const gone = await stage.signIn('aino.v', PHONE);
  await wrongClock(gone.context, -1);
  await beginOf(gone.page, 1);
  await gone.page.getByRole('textbox').first().fill('the last before the battery died');
  await expect(gone.page.getByText('All answers saved ✓')).toBeVisible();
  await gone.context.close();

  // Two minutes in a lift.
  const away = await stage.signIn('chiara.m', LAPTOP);
  await beginOf(away.page, 47);
  await away.context.setOffline(true);
  const from = Date.now();
  const places = away.page.getByRole('textbox');
  for (let i = 0; i < 3; i++) {
    await places.first().fill(`written without a network, take ${i}`);
    await expect(away.page.getByText(/Offline: kept on this device/)).toBeVisible();
    await away.page.waitForTimeout(20_000);
  }

  await expect(watching.page.getByRole('heading', { name: /Handed in/ })).toBeVisible({ timeout: 90_000 });
  await expect(async () => {
    await goTo(teacher, short);
    for (const name of [/Bram Oosterveld/, /Aino Virtala/]) {
      await expect(teacher.getByRole('row', { name })).toContainText('by the clock', { timeout: 1000 });
    }
  }).toPass({ timeout: 60_000 });

  await away.page.waitForTimeout(Math.max(0, 120_000 - (Date.now() - from)));
  await away.context.setOffline(false);
  await expect(away.page.getByText('All answers saved ✓')).toBeVisible({ timeout: 30_000 });
  const second = await away.context.newPage();
  await goTo(second, away.page.url());
  await expect(second.getByRole('textbox').first()).toHaveValue('written without a network, take 2');
  await goTo(teacher, long);
  await expect(teacher.getByRole('row', { name: /Chiara/ })).toContainText('min left');
});

test('a change that the server refuses holds up nothing else, and the student is told which', async () => {
  const { page } = await stage.signIn(WT110[8]?.userName ?? '', PHONE);
  await page.getByRole('link', { name: 'Go on' }).click();
  await expect(page.getByText('All answers saved ✓')).toBeVisible();
  await page.route('**/api/room/*', async (route) => {
    if (!route.request().postData()?.includes('"chosen"')) return route.fallback();
    await route.fulfill({ status: 422, json: { ok: false, refusal: { code: 'bad-input' } } });
  });
  const options = page.getByRole('radio').or(page.getByRole('checkbox'));
  const before = await options.evaluateAll((all) => all.map((o) => (o as HTMLInputElement).checked));
  const other = before.indexOf(false);
  await options.nth(other).check();
  const notTaken = page.getByText('Not taken: the last change of question 1');
  await expect(notTaken).toBeVisible();
  // It stays told while something else of the question is taken.
  const later = page.getByRole('button', { name: /^Come back to this later|^later/ });
  const taken = page.waitForResponse((response) => /api\/room\/\w/.test(response.url()) && response.ok());
  await later.click();
  await taken;
  await expect(notTaken).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'could not be taken' })).toHaveCount(1);
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  const pressed = await later.getAttribute('aria-pressed');
  // What was refused is gone, what went with it has arrived.
  await page.reload();
  await expect(later).toHaveAttribute('aria-pressed', pressed ?? '');
  expect(await options.evaluateAll((all) => all.map((o) => (o as HTMLInputElement).checked))).toEqual(before);
  await options.nth(other).check();
  await expect(page.getByText('All answers saved ✓')).toBeVisible();
  await page.reload();
  await expect(options.nth(other)).toBeChecked();
});

test('files beside an answer are kept without a network, go on in pieces, and hold up nothing else', async () => {
  await schedule(46);
  const { page, context } = await stage.signIn('grzegorz.w', LAPTOP);
  await beginOf(page, 46);
  const report = page.getByLabel(/, a file beside it$/);
  const turnToReport = async (): Promise<void> => {
    await page.waitForLoadState('networkidle');
    for (let turned = 0; (await report.count()) === 0; turned++) {
      expect(turned).toBeLessThan(40);
      await page
        .getByRole('main')
        .getByRole('button', { name: /^\d+ ›$/ })
        .click();
    }
  };
  await turnToReport();
  const list = page.locator('.files-beside li');
  await context.setOffline(true);
  await report.setInputFiles([
    { name: 'cooler.jpg', mimeType: 'image/jpeg', buffer: Buffer.alloc(1_500_000, 'cooler') },
    { name: 'none.txt', mimeType: 'text/plain', buffer: Buffer.alloc(0) },
  ]);
  await expect(list).toContainText(['kept on this device']);
  await expect(page.getByRole('main').getByRole('alert')).toContainText('none.txt: This file is empty.');
  await report.setInputFiles(photo(40));
  await expect(page.getByRole('main').getByRole('alert')).toContainText('40 MB; 20 MB is the most');
  await expect(list).toHaveCount(1);
  await expect(page.getByText(/^Offline: kept on this device/)).toBeVisible();

  // Back on a network that takes no file yet: words arrive, and what names the file waits for it.
  const pieces: string[] = [];
  let open = false;
  await page.route('**/files/**', async (route) => {
    pieces.push(new URL(route.request().url()).searchParams.get('from') ?? '');
    await (open ? route.fallback() : route.abort());
  });
  await context.setOffline(false);
  await expect.poll(() => pieces.length).toBeGreaterThan(0);
  await page.getByRole('button', { name: /^Come back to this later/ }).click();
  const told = page.waitForResponse(
    (r) => r.request().method() === 'POST' && /"later":true/.test(r.request().postData() ?? ''),
  );
  expect((await told).request().postData()).not.toContain('cooler.jpg');
  await page.reload();
  await turnToReport();
  await expect(list).toContainText(['cooler.jpg']);
  await page.getByRole('button', { name: 'Hand in' }).first().click();
  await page.getByRole('dialog').getByRole('button', { name: 'Hand in' }).click();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('not everything that you wrote has arrived');
  await page.keyboard.press('Escape');

  open = true;
  await expect(page.getByText('All answers saved ✓')).toBeVisible();
  expect(pieces.slice(-6)).toEqual([0, 1, 2, 3, 4, 5].map((n) => `${n * 262_144}`));
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    list.getByRole('link', { name: 'cooler.jpg' }).click(),
  ]);
  expect((await readFile(await download.path())).equals(Buffer.alloc(1_500_000, 'cooler'))).toBe(true);
  await page.unrouteAll({ behavior: 'ignoreErrors' });
});

test('a browser that keeps nothing beyond the page sends all the same, and says what it cannot', async () => {
  await schedule(45);
  const { page, context } = await stage.signIn('farid.q', PHONE);
  await context.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('The user denied permission', 'SecurityError');
    };
  });
  await beginOf(page, 45);
  const place = page.getByRole('textbox').first();
  await place.fill('from a private window');
  await expect(page.getByText('Saving…')).toBeVisible();
  await expect(page.getByText('All answers saved ✓')).toBeVisible();
  await context.setOffline(true);
  await place.fill('from a private window, without a network');
  await expect(page.getByText('Offline: keep this page open, sending when the network is back')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('All answers saved ✓')).toBeVisible({ timeout: 30_000 });
  await page.reload();
  await expect(place).toHaveValue('from a private window, without a network');
});

test('on a network that is slow nothing can be typed before the page listens, and then everything counts', async () => {
  await schedule(44);
  const { page } = await stage.signIn('hana.d', PHONE);
  await beginOf(page, 44);
  let open = (): void => undefined;
  const slow = new Promise<void>((done) => {
    open = done;
  });
  await page.route('**/_next/static/**/*.js', async (route) => {
    await slow;
    await route.fallback();
  });
  await page.reload({ waitUntil: 'commit' });
  const place = page.getByRole('textbox').first();
  await expect(place).toBeVisible();
  await expect(place).toBeDisabled();
  open();
  await place.fill('typed as soon as it could be');
  await expect(page.getByText('All answers saved ✓')).toBeVisible();
  await page.reload();
  await expect(place).toHaveValue('typed as soon as it could be');
  await page.unrouteAll({ behavior: 'ignoreErrors' });
});

test('Back and Forward show the answers as they are', async () => {
  await schedule(42);
  const { page } = await stage.signIn('ingrid.s', PHONE);
  await beginOf(page, 42);
  const place = page.getByRole('textbox').first();
  await place.fill('written before Back');
  await expect(page.getByText('All answers saved ✓')).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('link', { name: 'Go on' })).toBeVisible();
  await page.goForward();
  await expect(place).toHaveValue('written before Back');
  await page.goBack();
  await page.getByRole('link', { name: 'Go on' }).click();
  await expect(place).toHaveValue('written before Back');
});

test('a page that waits stays what it is while the network is away, and asks again when it is back', async () => {
  const { page, context } = await stage.signIn('aino.v', PHONE);
  await reloaded(page);
  const isSeenAgain = (): Promise<boolean> =>
    page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
  await context.setOffline(true);
  const tried = page.waitForEvent('requestfailed', (request) => request.url().endsWith('/api/reached'));
  await isSeenAgain();
  await tried;
  await expect(page.getByRole('heading', { name: 'Results' })).toBeVisible();
  await context.setOffline(false);
  const fresh = page.waitForResponse((response) => response.url().includes('/my?_rsc='));
  await isSeenAgain();
  expect((await fresh).ok()).toBe(true);
  await context.close();
});

test('a 60 MB photo and a file that is no picture are refused beside the sheet, and nothing is lost', async () => {
  await goTo(teacher, '/bank');
  await teacher.keyboard.press('n');
  const sheet = teacher.getByRole('textbox', { name: 'The sheet' });
  await sheet.click();
  await teacher.keyboard.type('What does the photo show?');
  await teacher.getByRole('button', { name: 'Picture or file' }).click();
  const tray = teacher.getByRole('dialog');
  const chooser = tray.getByLabel('Choose a file');
  await chooser.setInputFiles(photo(60));
  await expect(tray.getByRole('alert')).toContainText('60 MB; 50 MB is the most');
  await chooser.setInputFiles({
    name: 'notes.png',
    mimeType: 'image/png',
    buffer: Buffer.from('not a picture at all'),
  });
  await expect(tray.getByRole('alert')).toContainText('not a picture that can be shown');
  await tray.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(sheet).toContainText('What does the photo show?');
});

test('two teachers on one question see each other, and nobody’s work is lost', async () => {
  await saved(teacher);
  const other = (await stage.signIn('imre')).page;
  await goTo(other, teacher.url());
  await expect(other.getByText('Odalys Ferreira is at this question too.')).toBeVisible();
  const [mine, theirs] = [teacher, other].map((page) => page.getByLabel('Notes to colleagues'));
  if (!mine || !theirs) throw new Error('Both have notes');

  // Different parts are brought together without asking.
  await other.getByLabel('Working title').fill('The photo');
  await saved(other);
  await mine.fill('from the first teacher');
  await expect(teacher.getByText('Brought together with what Imre Vasko saved.')).toBeVisible();
  await expect(teacher.getByLabel('Working title')).toHaveValue('The photo');
  await expect(mine).toHaveValue('from the first teacher');
  await saved(teacher);

  // The same part: both versions side by side.
  await theirs.fill('from the second teacher');
  const dialog = other.getByRole('dialog');
  await expect(dialog).toContainText('Odalys Ferreira has saved this question meanwhile');
  // Two that stand beside each other: what only one has is underlined in both, and nothing of one's own struck out.
  await expect(dialog.locator('del')).toHaveCount(0);
  await expect(dialog.locator('ins').first()).toContainText('second');
  await expect(dialog.locator('ins').last()).toContainText('first');
  await dialog.getByLabel('take this').last().check();
  await dialog.getByRole('button', { name: 'Go on with this' }).click();
  await expect(theirs).toHaveValue('from the first teacher');
  await other.keyboard.press('Control+z');
  await expect(theirs).toHaveValue('from the second teacher');
  await saved(other);
  await teacher.reload();
  await expect(mine).toHaveValue('from the second teacher');
});

test('a save that arrives while the page is read again is nobody else’s', async () => {
  await saved(teacher);
  const notes = teacher.getByLabel('Notes to colleagues');
  const address = new URL(teacher.url()).pathname;
  let arrive = async (): Promise<void> => undefined;
  await teacher.route(`**${address}`, async (route) => {
    const request = route.request();
    if (request.method() === 'POST' && request.postData()?.includes('on its way')) {
      // It is on its way until the new page has been read.
      const [headers, data] = [await request.allHeaders(), request.postDataBuffer()];
      arrive = async () => {
        const plain = Object.fromEntries(Object.entries(headers).filter(([name]) => !name.startsWith(':')));
        expect((await teacher.request.post(address, { headers: plain, data: data ?? '' })).ok()).toBe(true);
      };
      return;
    }
    if (request.resourceType() !== 'document') return route.fallback();
    const read = await route.fetch();
    await arrive();
    await route.fulfill({ response: read });
  });
  await notes.fill('on its way');
  await expect(teacher.getByText('Saving…')).toBeVisible();
  await expect.poll(() => String(arrive).includes('plain')).toBe(true);
  await notes.fill('on its way, and then some');
  await teacher.reload();
  await teacher.unrouteAll({ behavior: 'ignoreErrors' });
  await expect(notes).toHaveValue('on its way, and then some');
  await saved(teacher);
  await expect(teacher.getByRole('dialog')).toHaveCount(0);
  await teacher.reload();
  await expect(notes).toHaveValue('on its way, and then some');
});

test('nonsense is searched for, typed and pasted without harm', async () => {
  await goTo(teacher, '/bank');
  for (const words of ["'; DROP TABLE questions; --", 'x'.repeat(5000)]) {
    await teacher.getByLabel('Search all text').fill(words);
    await expect(teacher.getByText('No question fits.')).toBeVisible();
  }
  for (const signs of ['"*(', '😀'.repeat(60)]) {
    await teacher.getByLabel('Search all text').fill(signs);
    await expect(teacher.locator('a.title').first()).toBeVisible();
  }
  await teacher.getByLabel('Search all text').fill('');
  await expect(teacher.locator('a.title').first()).toBeVisible();
});

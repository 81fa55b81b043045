import { mkdirSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { WT110, WT201 } from '../src/demo/people';
import { begin, goTo, LAPTOP, launch, linkTo, PHONE, signIn } from '../tests/drivers/browser';

/** Takes one picture of every main view of a running demo: `screenshots.ts ADDRESS FOLDER [NAME …]`. */
const [address = '', folder = 'docs/screenshots', ...only] = process.argv.slice(2);
mkdirSync(folder, { recursive: true });
const browser = await launch();
const wanted = (name: string): boolean => only.length === 0 || only.includes(name);

async function shoot(page: Page, name: string): Promise<void> {
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(400);
  await page.screenshot({ path: `${folder}/${name}.png` });
  console.log(name);
}

type View = [name: string, go: (page: Page) => Promise<unknown>];

async function views(who: string, size: typeof LAPTOP, list: View[]): Promise<void> {
  if (!list.some(([name]) => wanted(name))) return;
  const { page, context } = await signIn(browser, address, who, size);
  page.on('console', (m) => m.type() === 'error' && console.log(`console error: ${m.text()}`));
  page.on('pageerror', (e) => console.log(`page error: ${e.message}`));
  for (const [name, go] of list) {
    if (!wanted(name)) continue;
    await go(page);
    await shoot(page, name);
  }
  await context.close();
}

/** Points at a part of something on the page, or draws from part to part of it. */
async function point(page: Page, what: string, ...parts: (readonly [number, number])[]): Promise<void> {
  const box = await page.locator(what).last().boundingBox();
  if (!box) throw new Error(`There is no ${what}`);
  const at = ([x, y]: readonly [number, number]): [number, number] => [box.x + x * box.width, box.y + y * box.height];
  const [first, ...others] = parts;
  await page.mouse.move(...at(first ?? [0, 0]));
  await page.mouse.down();
  for (const part of others) await page.mouse.move(...at(part), { steps: 6 });
  await page.mouse.up();
  await page.waitForTimeout(300);
}

const open = (page: Page, area: string, title: string): Promise<unknown> =>
  page.goto(area).then(() => page.getByRole('link', { name: title }).first().click());

/** A page of the sitting that is marked and released. */
async function firstCheck(page: Page, part: string): Promise<void> {
  await open(page, '/sittings', 'Energy in the wind');
  await page.waitForURL(/\/sittings\/[^/]+$/);
  await goTo(page, `${page.url()}/${part}`);
}

await views('odalys', LAPTOP, [
  [
    'bank',
    async (p) => {
      await goTo(p, '/bank');
      await p.getByLabel('Search all text').fill('gearbox');
      await p.waitForTimeout(700);
    },
  ],
  [
    'gallery',
    async (p) => {
      await p.goto('/department/gallery');
      const card = p.getByRole('region', { name: 'Label a picture' });
      await card.scrollIntoViewIfNeeded();
      await card.evaluate((node) => node.scrollIntoView());
      for (const [name, place] of [
        ['saddle', 1],
        ['bell', 3],
        ['pedal', 4],
      ] as const) {
        await card.locator('.item-list').getByRole('button', { name, exact: true }).click();
        await card.getByRole('button', { name: `place ${place}:` }).click();
      }
      await card.getByRole('button', { name: 'Hand in' }).click();
    },
  ],
  [
    'bench',
    async (p) => {
      await goTo(p, '/bank');
      await p.getByLabel('Search all text').fill('90 m rotor');
      await p.getByRole('link', { name: 'Power in the wind, 90 m rotor' }).click();
      await p.getByRole('button', { name: 'Answer slot B' }).click();
      await p.waitForTimeout(400);
    },
  ],
  [
    'exam',
    async (p) => {
      await open(p, '/exams', 'Drive train, final');
      await p.getByLabel('Blueprint').scrollIntoViewIfNeeded();
      await p.getByRole('button', { name: 'Want what there is' }).click();
      await p.getByLabel('Marks wanted of Electrical, use').fill('10');
      await p.getByRole('heading', { name: 'Blueprint' }).click();
    },
  ],
  [
    'print',
    async (p) => {
      await open(p, '/exams', 'Mid-term');
      await p.getByRole('link', { name: 'Print…' }).click();
      await p.getByLabel('How many versions').selectOption('3');
      await p.getByRole('button', { name: 'Version B' }).click();
      await p.getByText('version B').first().waitFor();
    },
  ],
  ['sitting', (p) => open(p, '/sittings', 'Certificate')],
  [
    'marking',
    async (p) => {
      await open(p, '/marking', 'Work out on paper');
      await p.waitForLoadState('networkidle');
      await point(p, '.page-pins', [0.08, 0.19], [0.4, 0.235]);
      await p.keyboard.type('The area is right; say which formula it comes from.');
      await p.keyboard.press('Enter');
      await p.getByRole('button', { name: 'Take the red pen' }).click();
      await point(p, '.drawing-frame', [0.6, 0.13]);
      await p.getByRole('button', { name: 'Half', exact: true }).click();
      await point(p, '.drawing-frame', [0.6, 0.2]);
      await p.getByLabel('Marks out of 4').fill('2½');
      await p.getByText('Mark saved').waitFor();
    },
  ],
  [
    'mending',
    async (p) => {
      await open(p, '/sittings', 'Mid-term');
      await p.getByRole('link', { name: 'Results' }).click();
      await p.getByRole('link', { name: 'Answers', exact: true }).click();
      await p.getByRole('link', { name: /Turbine 14 stands/ }).click();
      const unread = p.getByRole('region', { name: /^Not read/ });
      await unread
        .getByRole('button', { name: /in the wake/ })
        .first()
        .click();
      await unread.evaluate((shown) => shown.scrollIntoView({ block: 'end' }));
    },
  ],
  [
    'scheme',
    async (p) => {
      await goTo(p, '/bank');
      await p.getByLabel('Search all text').fill('rotor diameters behind');
      await p.waitForTimeout(700);
      await p
        .getByRole('link', { name: /Turbine 14 stands/ })
        .first()
        .click();
      await p.getByRole('button', { name: 'short text', exact: true }).click();
      await p.getByRole('button', { name: 'points from a text…' }).click();
      await p
        .getByLabel('The marking scheme')
        .fill(
          'P1 In the wake / shadow of turbine 9 (1)\n   Accept: lee, downwind of it\n   Do not accept: upwind\nP2 The wind is SLOWER / turbulent (1)\n   Accept: less wind, loses energy\nIgnore: age of the turbine',
        );
    },
  ],
  [
    'results',
    async (p) => {
      await open(p, '/sittings', 'Energy in the wind');
      await p.getByRole('link', { name: 'Results' }).click();
      await p.getByText('Boundaries').waitFor();
    },
  ],
  [
    'judges',
    async (p) => {
      await p.goto('/');
      await p.getByRole('link', { name: /Where the pass mark of/ }).click();
      await p.getByLabel('How question 1 is', { exact: true }).selectOption('essential, medium');
      await p.getByLabel('How question 2 is', { exact: true }).selectOption('important, hard');
      await p.getByLabel('Percent of what is essential, medium').fill('70');
    },
  ],
  ['analysis', (p) => firstCheck(p, 'analysis')],
  [
    'question-analysis',
    async (p) => {
      await firstCheck(p, 'analysis');
      await p.getByRole('link', { name: /drops to half/ }).click();
    },
  ],
  ['gradebook', (p) => open(p, '/gradebook', 'WT-201')],
]);
const writing = WT110[8]?.userName ?? '';
await views(writing, LAPTOP, [
  [
    'room',
    async (p) => {
      await p.goto('/my');
      await p.getByRole('link', { name: 'Go on' }).click();
      await p.getByRole('button', { name: '2 ›' }).click();
    },
  ],
]);
await views(writing, PHONE, [
  [
    'room-phone',
    async (p) => {
      await p.goto('/my');
      await p.getByRole('link', { name: 'Go on' }).click();
    },
  ],
]);
await views(WT201[5]?.userName ?? '', LAPTOP, [['result', (p) => open(p, '/my', 'Energy in the wind')]]);
await views(WT110[30]?.userName ?? '', LAPTOP, [
  [
    'room-young',
    async (p) => {
      await begin(linkTo(p, 'Tower week'));
      await p.locator('.item-list').getByRole('button', { name: 'helmet', exact: true }).click();
      await p.getByRole('button', { name: 'Put it in up' }).click();
    },
  ],
]);
await views('odalys', PHONE, [
  [
    'drawing-phone',
    async (p) => {
      await goTo(p, '/bank');
      await p.getByLabel('Search all text').fill('power curve sketch standstill');
      await p.waitForTimeout(700);
      await p.getByRole('link', { name: 'Sketch a power curve' }).first().click();
      await p.getByRole('button', { name: 'Try the sheet' }).click();
      const paper = '[role="dialog"] .drawing-frame';
      await p.locator(paper).last().scrollIntoViewIfNeeded();
      await point(p, paper, [0.18, 0.84], [0.3, 0.6], [0.42, 0.3], [0.46, 0.26], [0.8, 0.26]);
      await p.getByRole('dialog').getByRole('button', { name: 'Colour blue' }).click();
      await p.getByRole('dialog').getByRole('button', { name: 'Arrow', exact: true }).click();
      await point(p, paper, [0.62, 0.55], [0.5, 0.3]);
    },
  ],
]);
await browser.close();

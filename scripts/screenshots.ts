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

/** A file of students as a school would send it, with a row that cannot be. */
const ROSTER = Buffer.from(
  [
    'Kestrel Ridge Institute;;;;',
    'First name;Last name;E-mail;Class;First password',
    'Ines;Almarsdóttir;ines.a@students.kestrel-ridge.example;Height A;kite-mast-41',
    'Tobiasz;Wrona;tobiasz.w@students.kestrel-ridge.example;Height A;2007-03-14',
    'Sefa;Tuilagi;sefa at home;Height A;',
    'Noor;van Aalst;;Height B;',
    'Kofi;Darkwah;kofi.d@students.kestrel-ridge.example;Height A;',
  ].join('\n'),
);

const open = (page: Page, area: string, title: string): Promise<unknown> =>
  page.goto(area).then(() => page.getByRole('link', { name: title }).first().click());

await views('odalys', LAPTOP, [
  ['today', (p) => p.goto('/')],
  [
    'bank',
    async (p) => {
      await goTo(p, '/bank');
      await p.getByLabel('Search all text').fill('gearbox');
      await p.waitForTimeout(700);
    },
  ],
  [
    'mathematics',
    async (p) => {
      await goTo(p, '/bank');
      await p.getByLabel('Search all text').fill('tip speed ratio formula');
      await p.getByRole('link', { name: 'Tip speed ratio as a formula' }).click();
      await p.getByRole('button', { name: 'Answer slot A' }).click();
      await p.locator('math-field').first().waitFor();
      await p.waitForTimeout(600);
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
    'roster',
    async (p) => {
      await p.goto('/department');
      await p.getByRole('link', { name: 'Students and groups' }).first().click();
      await p.getByRole('link', { name: 'Bring in…' }).click();
      await p.waitForLoadState('networkidle');
      await p.locator('#roster-file').setInputFiles({ name: 'roster.csv', mimeType: 'text/csv', buffer: ROSTER });
      await p.getByLabel('Which rows are meant').selectOption({ label: 'only rows by Class' });
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
      await p.goto('/marking');
      await p.getByRole('link', { name: /On turbine 9/ }).click();
      await p.getByRole('heading', { name: 'Maintenance report' }).waitFor();
      await p.waitForLoadState('networkidle');
      await p.keyboard.press('3');
      await p.keyboard.press('2');
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
  ['gradebook', (p) => open(p, '/gradebook', 'WT-201')],
  ['department', (p) => p.goto('/department')],
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
await browser.close();

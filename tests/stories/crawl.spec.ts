import { expect, type Page, test } from '@playwright/test';
import { WT110 } from '../../src/demo/people';
import { crawl, routeOf, routes, type Visit } from '../drivers/crawl';
import { onStage } from '../drivers/stage';

/** Every page that links reach, as everybody who may be there; every window that a button opens. */
const stage = onStage('crawl');
const pages = routes('page.tsx');
const handlers = routes('route.ts');
const known = [...pages, ...handlers];
/** Some questions and every exam; of results and answers, which differ by the student only, as many as show every look. */
const ALL = { opened: 1, asked: 10 };
const ALIKE = [
  '/results/[attempt]',
  '/sittings/[id]/answers',
  '/sittings/[id]/analysis/[item]',
  '/marking/[sitting]/script/[attempt]',
];
const SOME = { opened: 1, asked: 3 };
/** The bench of another question has other slots, a course without a platform has no list of ids. */
const DIFFERING = ['/bank/[id]', '/gradebook/[course]/outside'];
const visited = new Set<string>();
const windows = new Set<string>();

test.describe.configure({ mode: 'serial' });

const faultsOf = (visits: readonly Visit[]): string[] =>
  visits.flatMap((v) => v.faults.map((fault) => `${v.path}: ${fault}`));

/** Opens every window that a button of the page names, once where rows have the same, and leaves it by Esc. */
async function openWindows(page: Page, route: string): Promise<string[]> {
  const faults: string[] = [];
  await page.waitForLoadState('networkidle');
  if (route === '/bank/[id]') {
    // The note of a slot opens when the slot is taken, on a sheet that is awake.
    await page.locator('.ProseMirror').first().waitFor();
    const slot = page.getByRole('button', { name: 'Answer slot A', exact: true });
    if ((await slot.count()) > 0) {
      await slot.first().click();
      await page.getByRole('button', { name: 'Copy this slot' }).waitFor();
    }
  }
  const openers = page.locator('button[aria-haspopup="dialog"]:visible:enabled');
  const here = new Set<string>();
  /** Windows of the rows of a table are alike. */
  let ofRows = 0;
  for (let i = 0; i < (await openers.count()); i++) {
    const opener = openers.nth(i);
    const name = (await opener.getAttribute('aria-label')) ?? (await opener.innerText());
    if (here.has(name)) continue;
    here.add(name);
    const ofRow = await opener.evaluate((button) => button.closest('tbody') !== null);
    if (ofRow && ++ofRows > 3) continue;
    await opener.click();
    const window = page.getByRole('dialog').last();
    const open = await window
      .waitFor({ timeout: 5000 })
      .then(() => true)
      .catch(() => false);
    if (!open) {
      faults.push(`“${name}” opens no window`);
      continue;
    }
    windows.add(name);
    await page.waitForLoadState('networkidle');
    await page.keyboard.press('Escape');
    const closed = await window
      .waitFor({ state: 'hidden', timeout: 5000 })
      .then(() => true)
      .catch(() => false);
    if (!closed) faults.push(`“${name}” does not close by Esc`);
  }
  return faults;
}

/** The windows of staff screens are opened as the lead, who has them all. */
async function crawlAs(who: string, start: string, most: typeof ALL, look?: typeof openWindows): Promise<Visit[]> {
  const { page, context } = await stage.signIn(who);
  page.context().on('request', (r) => {
    const route = routeOf(new URL(r.url()).pathname, known);
    if (route) visited.add(route);
  });
  await page.close();
  const visits = await crawl({
    context,
    start,
    known,
    most,
    alike: { routes: ALIKE, asked: 4 },
    differing: DIFFERING,
    ...(look ? { look } : {}),
  });
  for (const { route } of visits) visited.add(route);
  await context.close();
  console.log(`${who}: ${visits.length} addresses`);
  return visits;
}

test('the lead reaches every page of the department, and nothing is broken there', async () => {
  const visits = await crawlAs('odalys', '/', ALL, openWindows);
  expect(faultsOf(visits)).toEqual([]);
});

test('teacher and marker reach theirs', async () => {
  expect(faultsOf(await crawlAs('imre', '/', SOME))).toEqual([]);
  expect(faultsOf(await crawlAs('mirela', '/', SOME))).toEqual([]);
});

test('students reach their results and their room', async () => {
  for (const who of ['aino.v', 'goran.p', WT110[12]?.userName ?? '', WT110[30]?.userName ?? '']) {
    expect(faultsOf(await crawlAs(who, '/my', ALL))).toEqual([]);
  }
});

test('the signed-out reach nothing but the door', async () => {
  const context = await stage.browser.newContext({ baseURL: stage.base });
  for (const route of pages) {
    const answer = await context.request.get(route.replace(/\[[^\]]*\]/g, 'nothing'));
    expect([200, 404], route).toContain(answer.status());
    // Where nobody is yet it is told in stories of its own.
    if (route === '/set-up') visited.add(route);
    // The door is all that they reach; so may the simulation that stands in sheets of people without an account, and the check of certificates.
    if (['/simulations/blade-pitch', '/sign-in', '/check'].includes(route)) visited.add(route);
    // Of a sitting that is not open to it, its link tells nothing.
    else if (route === '/open/[sitting]') expect([answer.status(), visited.add(route).size > 0]).toEqual([404, true]);
    else expect(new URL(answer.url()).pathname, route).toBe('/sign-in');
  }
  for (const route of handlers) {
    const address = route.replace(/\[[^\]]*\]/g, 'nothing');
    for (const method of ['GET', 'POST'] as const) {
      // Public keys are for everybody.
      if (route === '/.well-known/jwks.json' && method === 'GET') continue;
      const answer = await context.request.fetch(address, { method, data: method === 'POST' ? 'nonsense' : undefined });
      expect([401, 403, 404, 405], `${method} ${address}`).toContain(answer.status());
    }
    visited.add(route);
  }
});

test('no page of the application was left out, and its windows were opened', () => {
  expect(known.filter((route) => !visited.has(route))).toEqual([]);
  for (const name of [
    'Try the sheet',
    'Revisions',
    'Picture or file',
    'Sound or film',
    'Page or simulation',
    'Mark by a rubric…',
    'Try the paper',
    'Schedule…',
    'Release…',
    'Times…',
    'Write…',
    'Write one…',
    'Keep…',
    'Certificate…',
    'Sign off…',
    'Bring in…',
    'Ask judges…',
    'Set it…',
    'Register a platform…',
    'From a list…',
  ])
    expect([...windows], name).toContain(name);
});

import { readdirSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import type { BrowserContext, Page } from '@playwright/test';

const APP = path.resolve(import.meta.dirname, '../../src/app');

/** Every address of the application as the files say it: `/bank/[id]`, `/api/media`. */
export function routes(file: 'page.tsx' | 'route.ts'): string[] {
  return readdirSync(APP, { recursive: true, encoding: 'utf8' })
    .map((f) => f.split(path.sep).join('/'))
    .filter((f) => f === file || f.endsWith(`/${file}`))
    .map((f) => `/${f.slice(0, -file.length).replace(/\([^)]*\)\//g, '')}`.replace(/(.)\/$/, '$1'))
    .sort();
}

/** The route that serves a path: the one with the fewest variable parts that fits. */
export function routeOf(pathname: string, known: readonly string[]): string | undefined {
  const parts = pathname.split('/');
  const fits = (route: string): boolean => {
    const wanted = route.split('/');
    return wanted.length === parts.length && wanted.every((w, i) => w.startsWith('[') || w === parts[i]);
  };
  const variable = (route: string): number => route.split('[').length;
  return known.filter(fits).sort((a, b) => variable(a) - variable(b))[0];
}

export interface Visit {
  route: string;
  path: string;
  /** What was wrong there. */
  faults: string[];
}

interface Options {
  context: BrowserContext;
  start: string;
  known: readonly string[];
  /** How many pages of one route are opened in a tab, and how many more are only asked for. */
  most: { opened: number; asked: number };
  /** Routes whose pages are much alike, and how many of each are asked for. */
  alike: { routes: readonly string[]; asked: number };
  /** What else is looked at on a page that was opened. */
  look?: (page: Page, route: string) => Promise<string[]>;
  /** Routes whose pages have windows of their own each: three of each are looked at. */
  differing: readonly string[];
}

/**
 * Goes to the addresses that links reach from the start. Of each route so many are opened in tabs and so many more are
 * asked for; in a tab nothing may be said in the console, nothing may throw, and a link must lead back.
 */
export async function crawl({ context, start, known, most, alike, look, differing }: Options): Promise<Visit[]> {
  const pages = routes('page.tsx');
  const waiting = [start];
  const seen = new Set(waiting);
  const opened = new Map<string, number>();
  const visits: Visit[] = [];

  const found = (links: readonly string[]): void => {
    for (const link of links) {
      if (seen.has(link)) continue;
      seen.add(link);
      waiting.push(link);
    }
  };
  const visit = async (page: Page, link: string, faults: string[], again = false): Promise<void> => {
    const route = routeOf(new URL(link, 'http://x').pathname, known);
    if (route === undefined) {
      visits.push({ route: '', path: link, faults: ['no route of the application'] });
      return;
    }
    const times = opened.get(route) ?? 0;
    // A file that is printed takes the server seconds; one of a route tells as much as many.
    const printed = route.endsWith('/pdf') ? 1 : most.asked;
    const asked = alike.routes.includes(route) ? Math.min(alike.asked, most.asked) : printed;
    if (times >= (pages.includes(route) ? most.opened : 0) + asked) return;
    opened.set(route, times + 1);
    faults.length = 0;
    const tabs = look && differing.includes(route) ? Math.max(3, most.opened) : most.opened;
    if (pages.includes(route) && times < tabs) {
      const answer = await page.goto(link, { waitUntil: 'load' });
      if ((answer?.status() ?? 500) >= 400) faults.push(`status ${answer?.status()}`);
      // What the page does once it is awake is heard, too.
      await sleep(150);
      if (route !== '/sign-in' && (await page.locator('a[href^="/"]').count()) === 0) faults.push('no way back');
      if (look && (times < 1 || tabs > most.opened)) faults.push(...(await look(page, route)));
      found(await linksOf(page));
    } else {
      const got = await context.request.get(link, { maxRetries: 2 });
      if (got.status() >= 400) faults.push(`status ${got.status()}`);
      if (got.headers()['content-type']?.includes('text/html')) found(linksIn(await got.text()));
    }
    if (!again && faults.some((fault) => fault.includes('429'))) {
      // Faster than anybody's share allows: the door asks to come again.
      await sleep(3000);
      opened.set(route, times);
      return visit(page, link, faults, true);
    }
    visits.push({ route, path: link, faults: [...faults] });
  };

  let busy = 0;
  const tab = async (): Promise<void> => {
    const page = await context.newPage();
    const faults: string[] = [];
    page.on('console', (m) => m.type() === 'error' && faults.push(`console: ${m.text()}`));
    page.on('pageerror', (e) => faults.push(`page: ${e.message}`));
    // A tab that has nothing to do waits for what the others find.
    while (busy > 0 || waiting.length > 0) {
      const link = waiting.shift();
      if (link === undefined) {
        await sleep(50);
      } else {
        busy += 1;
        await visit(page, link, faults);
        busy -= 1;
      }
    }
    await page.close();
  };
  await Promise.all([tab(), tab(), tab()]);
  return visits;
}

async function linksOf(page: Page): Promise<string[]> {
  const links = await page.locator('a[href]').evaluateAll((all) => all.map((a) => a.getAttribute('href') ?? ''));
  return own(links);
}

function linksIn(html: string): string[] {
  return own([...html.matchAll(/<a\b[^>]*?\bhref="([^"]*)"/g)].map((m) => (m[1] ?? '').replace(/&amp;/g, '&')));
}

const own = (links: readonly string[]): string[] =>
  links.filter((l) => l.startsWith('/') && !l.startsWith('//')).map((l) => l.split('#')[0] ?? '');

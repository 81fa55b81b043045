import { cpSync, rmSync } from 'node:fs';
import { type Browser, type BrowserContext, expect, type Page, test } from '@playwright/test';
import { sessionCookie } from '../../src/server/auth/cookie';
import { atBrowser, LAPTOP, launch, type Motion } from './browser';
import { PREPARED, Server, tokenOf } from './server';

/** What a file of stories plays on: the built application with a demo department of its own, or none yet, and a browser. */
export class Stage {
  readonly server: Server;
  /** What the consoles of all who are signed in complained of; a cut network is no complaint. */
  readonly complaints: string[] = [];
  private opened: Browser | null = null;

  constructor(
    name: string,
    private readonly motion: Motion,
    private readonly department: 'demo' | 'none',
  ) {
    this.server = new Server(3301 + Number(process.env.TEST_PARALLEL_INDEX ?? 0), name);
  }

  get base(): string {
    return this.server.base;
  }

  get browser(): Browser {
    if (!this.opened) throw new Error('The stage is not open');
    return this.opened;
  }

  /** Somebody at a browser, signed in since the department was prepared, on their own page. */
  async signIn(userName: string, viewport = LAPTOP): Promise<{ page: Page; context: BrowserContext }> {
    const context = await atBrowser(this.browser, this.base, viewport, this.motion);
    await context.addCookies([
      { name: sessionCookie(false), value: tokenOf(userName), url: this.base, httpOnly: true },
    ]);
    const page = await context.newPage();
    this.hear(page);
    await page.goto('/');
    return { page, context };
  }

  /** Notes what the console of a page complains of. */
  hear(page: Page): void {
    const complain = (what: string): void => {
      const cut = /Failed to fetch|^network error$|ERR_|Failed to load resource/.test(what);
      if (!cut) this.complaints.push(`${page.url()} ${what}`);
    };
    page.on('pageerror', (e) => complain(e.message));
    page.on('console', (m) => m.type() === 'error' && complain(m.text()));
  }

  async open(): Promise<void> {
    rmSync(this.server.data, { recursive: true, force: true });
    if (this.department === 'demo') cpSync(PREPARED, this.server.data, { recursive: true });
    await this.server.start();
    this.opened = await launch();
  }

  async close(): Promise<void> {
    await this.opened?.close();
    await this.server.kill();
  }
}

/**
 * The stage of this file of stories, open before the first of them and closed after the last; nobody may have complained.
 * Who came before the first story stays; who comes in a story leaves at its end.
 */
export function onStage(
  name: string,
  { motion = 'reduce', department = 'demo' }: { motion?: Motion; department?: 'demo' | 'none' } = {},
): Stage {
  const stage = new Stage(name, motion, department);
  let staying: readonly BrowserContext[] = [];
  test.beforeAll(() => stage.open());
  test.beforeEach(() => {
    staying = stage.browser.contexts();
  });
  test.afterEach(async () => {
    const leaving = stage.browser.contexts().filter((context) => !staying.includes(context));
    await Promise.all(leaving.map((context) => context.close()));
  });
  test.afterAll(async () => {
    await stage.close();
    expect(stage.complaints).toEqual([]);
  });
  return stage;
}

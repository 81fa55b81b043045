import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Readable, Writable } from 'node:stream';
import { ok, type Result, refuse } from '@/core/base/result';
import { Gate } from '../door/gate';

/** Where Debian has its Chromium; another one can be named. */
const CHROMIUM = process.env.ZONDA_CHROMIUM ?? '/usr/bin/chromium';
const PATIENCE = 60_000;
/** One page is printed at a time, and so many wait. */
const MOST_WAITING = 4;

/** On the global object: the server that serves and the pages that it serves are built apart. */
const KEY = Symbol.for('zonda.printer');
const holder = globalThis as { [KEY]?: { address: string | null; gate: Gate } };
const printer = (holder[KEY] ??= { address: null, gate: new Gate(1, MOST_WAITING) });

/** Says at which address this process serves, from which its pages are printed. */
export function servedAt(address: string): void {
  printer.address = address;
}

/** Whether pages can be printed to files on this machine. */
export function canPrint(): boolean {
  return printer.address !== null && existsSync(/* turbopackIgnore: true */ CHROMIUM);
}

export interface PrintedPage {
  /** A path of ours, with its search. */
  path: string;
  cookie: { name: string; value: string };
}

/** One of our pages as a PDF file, as its reader would print it. */
export async function printPage(page: PrintedPage): Promise<Result<Buffer>> {
  const { address } = printer;
  if (address === null || !canPrint()) return refuse('no-printer');
  const leave = await printer.gate.enter();
  if (!leave) return refuse('too-much-at-once');
  try {
    return ok(await printNow(new URL(page.path, address), page.cookie));
  } finally {
    leave();
  }
}

async function printNow(url: URL, cookie: PrintedPage['cookie']): Promise<Buffer> {
  const profile = await mkdtemp(path.join(tmpdir(), 'zonda-print-'));
  const browser = spawn(
    CHROMIUM,
    [
      '--headless',
      '--remote-debugging-pipe',
      '--disable-gpu',
      '--no-first-run',
      // Pages of others that stand in sheets are not fetched.
      `--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE ${url.hostname}`,
      // As root Chromium has no sandbox.
      ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
      `--user-data-dir=${profile}`,
      'about:blank',
    ],
    { stdio: ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'] },
  );
  const late = setTimeout(() => browser.kill('SIGKILL'), PATIENCE);
  try {
    const ask = askingOver(browser);
    const { targetId } = await ask('Target.createTarget', { url: 'about:blank' });
    const { sessionId } = await ask('Target.attachToTarget', { targetId, flatten: true });
    const inPage = (method: string, params: object) => ask(method, params, String(sessionId));
    await inPage('Network.setCookie', { ...cookie, url: url.origin });
    await inPage('Page.enable', {});
    await inPage('Page.navigate', { url: url.href });
    await inPage('Runtime.evaluate', { expression: ALL_THERE, awaitPromise: true });
    const { data } = await inPage('Page.printToPDF', { preferCSSPageSize: true, printBackground: true });
    return Buffer.from(String(data), 'base64');
  } finally {
    clearTimeout(late);
    browser.kill('SIGKILL');
    await rm(profile, { recursive: true, force: true, maxRetries: 3 });
  }
}

/** Waits until the page is loaded, with its fonts and pictures. */
const ALL_THERE = `new Promise((done) => {
  const ready = () => Promise.all([document.fonts.ready, ...[...document.images].map((i) => i.decode().catch(() => 0))]).then(() => done());
  if (document.readyState === 'complete' && location.href !== 'about:blank') ready();
  else addEventListener('load', ready);
})`;

type Answer = Record<string, unknown>;

/** Asks a browser over its pipe: messages of JSON, each ended by a zero byte. */
function askingOver(browser: ChildProcess): (method: string, params: object, sessionId?: string) => Promise<Answer> {
  const [, , , to, from] = browser.stdio as unknown as [null, null, null, Writable, Readable];
  const waiting = new Map<number, { resolve: (answer: Answer) => void; reject: (why: Error) => void }>();
  let count = 0;
  let rest = '';
  const end = (): void => {
    for (const { reject } of waiting.values()) reject(new Error('Chromium ended before the page was printed'));
    waiting.clear();
  };
  browser.once('exit', end);
  browser.once('error', end);
  to.on('error', end);
  from.setEncoding('utf8').on('data', (chunk: string) => {
    const messages = (rest + chunk).split('\0');
    rest = messages.pop() ?? '';
    for (const message of messages) {
      const { id, result, error } = JSON.parse(message) as {
        id?: number;
        result?: Answer;
        error?: { message: string };
      };
      const asked = id === undefined ? undefined : waiting.get(id);
      if (!asked || id === undefined) continue;
      waiting.delete(id);
      if (error) asked.reject(new Error(error.message));
      else asked.resolve(result ?? {});
    }
  });
  return (method, params, sessionId) =>
    new Promise((resolve, reject) => {
      const id = ++count;
      waiting.set(id, { resolve, reject });
      to.write(`${JSON.stringify({ id, method, params, ...(sessionId ? { sessionId } : {}) })}\0`);
    });
}

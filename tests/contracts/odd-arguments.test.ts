import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import type { Context } from '@/server/context';
import { TestDepartment } from '../drivers/department';

let dept: TestDepartment;
let who = 'lead';
const context = (): Context => dept.as(who);

/** Leaves a page, as the framework does. */
class Left extends Error {}
vi.mock('next/cache', () => ({ revalidatePath: () => undefined }));
vi.mock('next/navigation', () => ({
  redirect: () => {
    throw new Left();
  },
}));
vi.mock('@/server/auth/request', () => ({
  maybeContext: async () => context(),
  staffContext: async () => context(),
  studentContext: async () => context(),
  writerContext: async () => context(),
  sessionToken: async () => 'none',
  requestSource: async () => '10.0.0.1',
  keepSession: async () => undefined,
  dropSession: async () => undefined,
}));
vi.mock('@/server/outside', () => ({ outside: async () => dept.out }));

beforeAll(async () => {
  dept = await TestDepartment.open();
});
afterAll(() => dept.close());

const ACTIONS = import.meta.glob<Record<string, (...args: unknown[]) => Promise<unknown>>>([
  '../../src/actions/*.ts',
  '!../../src/actions/sent.ts',
]);

/** What no page of ours sends. */
const ODD: unknown[] = [
  undefined,
  null,
  7,
  Number.NaN,
  true,
  '',
  'x'.repeat(100_000),
  '\u0000',
  '%_"\'; DROP TABLE members; --',
  [],
  [null],
  {},
  { id: { $gt: '' } },
  { constructor: 1, toString: 2 },
  Object.create(null),
  new Date(Number.NaN),
];

it.each(Object.keys(ACTIONS))('%s: every action refuses what no page sends, and throws nothing', async (file) => {
  const actions = (await ACTIONS[file]?.()) ?? {};
  expect(Object.keys(actions).length).toBeGreaterThan(0);
  const threw: string[] = [];
  for (who of ['lead', 'marker', 'ada'])
    for (const [name, action] of Object.entries(actions)) {
      if (typeof action !== 'function') continue;
      for (const [i, odd] of ODD.entries()) {
        for (const args of [[odd], [odd, odd], ['known', odd], [odd, 'known', odd]]) {
          // Forms come as what the browser makes of them.
          const form = action.length > 0 && /FormData|form\b/.test(action.toString()) ? new FormData() : null;
          const given = form ? (action.length > 1 ? [odd, form] : [form]) : args;
          await action(...given).catch((error: unknown) => {
            if (!(error instanceof Left))
              threw.push(`${who} ${name} ${i} (${args.length}): ${String(error).slice(0, 160)}`);
          });
        }
      }
    }
  expect([...new Set(threw.map((line) => line.replace(/^\w+ (\w+) \d+ \(\d\)/, '$1')))]).toEqual([]);
});

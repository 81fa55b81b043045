import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ok, refuse } from '../../src/core/base/result';
import type { RoomStage } from '../../src/server/sittings/room';
import type { RoomReply } from '../../src/ui/room/room-request';
import { useHearing } from '../../src/ui/room/use-hearing';
import { useHints } from '../../src/ui/room/use-hints';
import { usePractice } from '../../src/ui/room/use-practice';
import { useRestLeft, useTimeLeft } from '../../src/ui/room/use-server-time';
import { useShared } from '../../src/ui/room/use-shared';
import { useStage } from '../../src/ui/room/use-stage';

/** What the room asks of the server, answered when the test says so. */
const server = vi.hoisted(() => ({
  asked: [] as { address: string; body: unknown; answer: (reply: unknown) => void }[],
  refreshed: 0,
  /** Whether a page that asks for itself finds the server. */
  reached: true,
}));
vi.mock('../../src/ui/room/room-request', () => ({
  askRoom: (address: string, { body }: RequestInit) =>
    new Promise((answer) =>
      server.asked.push({ address, body: typeof body === 'string' ? JSON.parse(body) : null, answer }),
    ),
}));
vi.mock('next/navigation', () => {
  const router = {
    refresh: () => {
      server.refreshed += 1;
    },
  };
  return { useRouter: () => router };
});

beforeEach(() => {
  vi.useFakeTimers();
  // A page is never read at the very beginning of its time.
  vi.advanceTimersByTime(1000);
  server.asked.length = 0;
  server.refreshed = 0;
  server.reached = true;
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(null, { status: server.reached ? 204 : 502 })));
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const pass = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));
const answered = <T>(value: T): RoomReply<T> => ({ state: 'answered', result: ok(value) });
const OFFLINE = { state: 'offline' } as const;
async function answer(reply: unknown, at = server.asked.length - 1): Promise<void> {
  server.asked[at]?.answer(reply);
  await pass(0);
}

describe('what others of a group write', () => {
  const shared = (words: string, holds: object[] = []) =>
    answered({ answers: { q1: { a: words, '': { later: true } }, q2: { a: 'theirs' } }, holds });
  function open(unsent: { item: string; slot: string | null }[] = []) {
    const put = vi.fn();
    const page = renderHook(() => useShared({ attempt: 't', put, unsent: () => Promise.resolve(unsent) }));
    const words = (): unknown[] => put.mock.calls.map(([{ value }]) => value as unknown);
    return { page, put, words, bringIn: () => void page.result.current.bringIn() };
  }

  it('comes onto the sheet, but not over what is on its way from here', async () => {
    const { put, bringIn } = open([{ item: 'q2', slot: 'a' }]);
    bringIn();
    await pass(0);
    await answer(shared('new'));
    expect(put.mock.calls.map(([one]) => one as unknown)).toEqual([
      { item: 'q1', slot: 'a', value: 'new' },
      { item: 'q1', slot: null, value: { later: true } },
    ]);
  });

  it('is asked for one at a time: an older reply never comes after a newer', async () => {
    const { words, bringIn } = open();
    bringIn();
    await pass(0);
    // Three more events while the first reply is on its way are one more question.
    for (let i = 0; i < 3; i++) bringIn();
    await pass(0);
    expect(server.asked).toHaveLength(1);
    await answer(shared('old'));
    expect(server.asked).toHaveLength(2);
    await answer(shared('new'));
    expect(server.asked).toHaveLength(2);
    expect(words().filter((one) => one === 'old' || one === 'new')).toEqual(['old', 'new']);
  });

  it('says who writes where, and looks again when the first of them lets go without a word', async () => {
    const { page, bringIn } = open();
    bringIn();
    await pass(0);
    await answer(
      shared('x', [
        { item: 'q1', slot: 'a', name: 'Ben', left: 9000 },
        { item: 'q2', slot: 'a', name: 'Ada', left: 4000 },
      ]),
    );
    expect([...page.result.current.held]).toEqual([
      ['q1 a', 'Ben'],
      ['q2 a', 'Ada'],
    ]);
    await pass(4000);
    expect(server.asked).toHaveLength(1);
    await pass(300);
    expect(server.asked).toHaveLength(2);
    await answer(shared('x'));
    expect(page.result.current.held.size).toBe(0);
    await pass(60_000);
    expect(server.asked).toHaveLength(2);
  });

  it('stays as it is without a connection', async () => {
    const { put, bringIn } = open();
    bringIn();
    await pass(0);
    await answer(OFFLINE);
    bringIn();
    await pass(0);
    await answer({ state: 'answered', result: refuse('forbidden') });
    expect(put).not.toHaveBeenCalled();
  });
});

describe('the time that is left', () => {
  const clock = (more: object = {}) => ({ now: 1000, deadline: 61_000, pausedAt: null, readAt: 0, ...more });

  it('passes by the server’s clock, whatever the device’s own says', async () => {
    const page = renderHook(({ told }) => useTimeLeft(told), { initialProps: { told: clock() } });
    expect(page.result.current).toBe(60_000);
    page.rerender({ told: clock({ readAt: performance.now() }) });
    vi.setSystemTime(Date.now() + 3_600_000);
    await pass(5000);
    expect(page.result.current).toBe(55_000);
    // Minutes were given: what the server says last counts.
    page.rerender({ told: clock({ now: 6000, deadline: 366_000, readAt: performance.now() }) });
    await pass(1000);
    expect(page.result.current).toBe(359_000);
  });

  it('stands still while a teacher has stopped it', async () => {
    const told = clock({ pausedAt: 1000, readAt: performance.now() });
    const page = renderHook(() => useTimeLeft(told));
    await pass(30_000);
    expect(page.result.current).toBe(60_000);
  });

  it('of a break ends it by itself, once', async () => {
    const ended = vi.fn();
    const told = { ...clock({ readAt: performance.now() }), rest: { until: 4000 } };
    const page = renderHook(() => useRestLeft(told, ended));
    await pass(2000);
    expect([page.result.current, ended.mock.calls.length]).toEqual([1000, 0]);
    await pass(5000);
    expect([page.result.current, ended.mock.calls.length]).toEqual([0, 1]);
    const without = renderHook(() => useRestLeft({ ...told, rest: null }, ended));
    expect(without.result.current).toBeNull();
  });
});

describe('going on to the next part', () => {
  const stage = (number: number): RoomStage => ({ id: `s${number}`, number, of: 3 }) as RoomStage;
  function open(first: { over?: boolean; shown?: RoomStage; present?: RoomStage; sent?: () => Promise<boolean> } = {}) {
    const sendAll = vi.fn(first.sent ?? (() => Promise.resolve(true)));
    const page = renderHook(
      ({ over = false, shown = stage(1), present = stage(1) }: typeof first) =>
        useStage({ attempt: 't', shown, present, over, sendAll }),
      { initialProps: first },
    );
    return { page, sendAll, goOn: () => void page.result.current.goOn() };
  }

  it('sends everything first, and goes on once for a hasty hand', async () => {
    const { sendAll, goOn } = open();
    goOn();
    goOn();
    await pass(0);
    expect(sendAll).toHaveBeenCalledTimes(1);
    expect(server.asked.map(({ address, body }) => [address, body])).toEqual([['t/stage', { from: 's1' }]]);
    await answer(answered({ stage: 's2' }));
    expect(server.refreshed).toBe(1);
  });

  it('leaves nothing while something that was written has not arrived', async () => {
    const { page, goOn } = open({ sent: () => Promise.resolve(false) });
    goOn();
    await pass(0);
    expect(server.asked).toHaveLength(0);
    expect(page.result.current.trouble).toMatch(/not everything that you wrote has arrived/);
  });

  it('says that there is no connection, and can be tried again', async () => {
    const { page, goOn } = open();
    goOn();
    await pass(0);
    await answer(OFFLINE);
    expect(page.result.current.trouble).toMatch(/no connection/);
    goOn();
    await pass(0);
    await answer(answered({ stage: 's2' }));
    expect(server.refreshed).toBe(1);
  });

  it('happens by itself when the time of a part is over, also with something unsent, until it has', async () => {
    open({ over: true, sent: () => Promise.resolve(false) });
    await pass(10);
    expect(server.asked).toHaveLength(1);
    await answer(OFFLINE);
    await pass(4000);
    expect(server.asked).toHaveLength(2);
    await answer(answered({ stage: 's2' }));
    expect(server.refreshed).toBe(1);
  });

  it('never leaves the last part by itself', async () => {
    const { page } = open({ over: true, shown: stage(3), present: stage(3) });
    await pass(20_000);
    expect([page.result.current.isLast, server.asked.length]).toEqual([true, 0]);
  });

  it('follows another device that went on, and asks again where the network goes in that moment', async () => {
    const { page } = open();
    expect(server.refreshed).toBe(0);
    server.reached = false;
    page.rerender({ present: stage(2) });
    await pass(0);
    expect(server.refreshed).toBe(0);
    server.reached = true;
    await pass(4000);
    expect(server.refreshed).toBe(1);
    page.rerender({ shown: stage(2), present: stage(2) });
    await pass(20_000);
    expect(server.refreshed).toBe(1);
  });
});

describe('what a student asks for while writing', () => {
  it('a hint: says which were seen, and why there is none', async () => {
    const first = { seen: ['one'], left: 1 };
    const page = renderHook(() => useHints('t', { q1: first as never }));
    act(() => void page.result.current.take('q1'));
    expect(page.result.current.busy).toBe('q1');
    expect(server.asked[0]).toMatchObject({ address: 't/hint', body: { item: 'q1', seen: 1 } });
    await answer(OFFLINE);
    expect(page.result.current).toMatchObject({ busy: null, refused: { item: 'q1', refusal: { code: 'no-network' } } });
    act(() => void page.result.current.take('q1'));
    expect(page.result.current.refused).toBeNull();
    await answer(answered({ seen: ['one', 'two'], left: 0 }));
    expect(page.result.current.hints.q1).toEqual({ seen: ['one', 'two'], left: 0 });
  });

  it('a check: of what the server has, and only of that', async () => {
    let sent = false;
    const fetched = vi.fn(() => Promise.resolve(Response.json({ ok: true, value: { marks: '1' } })));
    vi.stubGlobal('fetch', fetched);
    const options = { answersOf: () => ({ a: 'x' }), sendAll: () => Promise.resolve(sent) };
    const page = renderHook(() => usePractice('t', {}, options));
    await act(() => page.result.current.check('q1', false));
    expect(fetched).not.toHaveBeenCalled();
    expect(page.result.current.refused).toEqual({ item: 'q1', refusal: { code: 'no-network' } });
    sent = true;
    await act(() => page.result.current.check('q1', false));
    expect(page.result.current).toMatchObject({ busy: null, refused: null });
    expect(page.result.current.told.q1).toMatchObject({ marks: '1', answers: '{"a":"x"}' });
    // A page of somebody else's on the way is no answer.
    fetched.mockImplementation(() => Promise.resolve(new Response('<h1>Sign in</h1>')));
    await act(() => page.result.current.check('q1', false));
    expect(page.result.current.refused?.refusal.code).toBe('no-network');
    expect(page.result.current.told.q1).toMatchObject({ marks: '1' });
  });

  it('to be heard: nothing without a connection', async () => {
    let sent = false;
    const page = renderHook(() => useHearing('t', () => Promise.resolve(sent)));
    const recording = { hash: 'h', name: 'n', size: 1, attempt: 't' };
    expect(await page.result.current(recording)).toBeNull();
    expect(server.asked).toHaveLength(0);
    sent = true;
    const heard = page.result.current(recording);
    await pass(0);
    await answer(answered({ is: 'understood' }));
    expect(await heard).toEqual(ok({ is: 'understood' }));
  });
});

import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Result } from '../../src/core/base/result';
import { ok, refuse } from '../../src/core/base/result';
import { useAutosave } from '../../src/ui/parts/use-autosave';

type Reply = Result<{ version: number; savedAt: number }>;

/** A server that answers a save when the test says so. */
class SlowServer {
  readonly heard: { value: string; base: number; answer: (reply: Reply | Error) => void }[] = [];

  save = (value: string, base: number): Promise<Reply> =>
    new Promise((done, fail) => {
      this.heard.push({
        value,
        base,
        answer: (reply) => (reply instanceof Error ? fail(reply) : done(reply)),
      });
    });

  /** Answers the last save that came, and lets the page hear it. */
  async answer(reply: Reply | Error): Promise<void> {
    await act(async () => {
      this.heard.at(-1)?.answer(reply);
      await vi.advanceTimersByTimeAsync(0);
    });
  }
}

const KEY = 'question 1';
let server: SlowServer;
let broughtBack: string[];
beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  server = new SlowServer();
  broughtBack = [];
});
afterEach(() => vi.useRealTimers());

const open = (value: string, version = 1) =>
  renderHook(
    ({ words }: { words: string }) =>
      useAutosave({
        key: KEY,
        value: words,
        version,
        savedAt: 100,
        save: server.save,
        bringBack: (left) => broughtBack.push(left),
      }),
    { initialProps: { words: value } },
  );
const pass = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));
const saved = (version: number): Reply => ok({ version, savedAt: 100 + version });

describe('what saves by itself', () => {
  it('waits for the hand to rest, and sends the newest alone', async () => {
    const page = open('');
    for (const words of ['r', 'ro', 'rotor']) {
      page.rerender({ words });
      await pass(300);
    }
    expect(server.heard).toHaveLength(0);
    expect(page.result.current.state.name).toBe('saving');
    await pass(500);
    expect(server.heard.map(({ value, base }) => [value, base])).toEqual([['rotor', 1]]);
    await server.answer(saved(2));
    expect(page.result.current.state).toEqual({ name: 'saved', at: 102 });
    expect(localStorage).toHaveLength(0);
  });

  it('never has two saves on their way; the second begins from what the first made', async () => {
    const page = open('');
    page.rerender({ words: 'one' });
    await pass(500);
    page.rerender({ words: 'two' });
    await pass(2000);
    expect(server.heard).toHaveLength(1);
    await server.answer(saved(2));
    expect(page.result.current.state.name).toBe('saving');
    expect(server.heard.map(({ value, base }) => [value, base])).toEqual([
      ['one', 1],
      ['two', 2],
    ]);
    await server.answer(saved(3));
    expect(page.result.current.state).toEqual({ name: 'saved', at: 103 });
  });

  it('tries again by itself without a connection, and keeps a copy on the device until it arrives', async () => {
    const page = open('');
    page.rerender({ words: 'rotor' });
    await pass(500);
    await server.answer(new Error('Failed to fetch'));
    expect(page.result.current.state.name).toBe('offline');
    expect(JSON.parse(localStorage.getItem(KEY) ?? '')).toMatchObject({ base: 1, from: '', value: 'rotor' });
    await pass(4000);
    expect(server.heard).toHaveLength(2);
    await server.answer(saved(2));
    expect(page.result.current.state.name).toBe('saved');
    expect(localStorage.getItem(KEY)).toBeNull();
  });

  it('says what is refused, and goes on with the next change', async () => {
    const page = open('');
    page.rerender({ words: 'x'.repeat(10) });
    await pass(500);
    await server.answer(refuse('bad-input'));
    expect(page.result.current.state).toEqual({ name: 'refused', refusal: { code: 'bad-input' } });
    page.rerender({ words: 'shorter' });
    await pass(500);
    await server.answer(saved(2));
    expect(page.result.current.state.name).toBe('saved');
  });

  it('stops where somebody else saved meanwhile, until both were brought together', async () => {
    const page = open('old');
    page.rerender({ words: 'mine' });
    await pass(500);
    await server.answer(refuse('changed-elsewhere'));
    await pass(20_000);
    expect(server.heard).toHaveLength(1);
    // What this began from is what the server had before.
    expect(page.result.current.basis('theirs')).toBe('old');
    act(() => page.result.current.startFrom(7, 'theirs'));
    page.rerender({ words: 'mine and theirs' });
    await pass(500);
    expect(server.heard.at(-1)).toMatchObject({ value: 'mine and theirs', base: 7 });
    await server.answer(saved(8));
    expect(page.result.current.state.name).toBe('saved');
  });

  it('knows its own words again that arrived without anybody hearing of it', async () => {
    const page = open('old');
    page.rerender({ words: 'mine' });
    await pass(500);
    await server.answer(new Error('network error'));
    await pass(4000);
    // The server has the first: to it the second begins from something old.
    await server.answer(refuse('changed-elsewhere'));
    expect(page.result.current.basis('mine')).toBe('mine');
    expect(page.result.current.basis('theirs')).toBe('old');
  });

  it('sends at once what waits as the page is hidden, and as the part is left', async () => {
    const page = open('');
    page.rerender({ words: 'one' });
    vi.spyOn(document, 'visibilityState', 'get').mockReturnValue('hidden');
    document.dispatchEvent(new Event('visibilitychange'));
    await pass(0);
    expect(server.heard.map(({ value }) => value)).toEqual(['one']);
    vi.restoreAllMocks();
    await server.answer(saved(2));
    page.rerender({ words: 'two' });
    page.unmount();
    await pass(0);
    expect(server.heard.map(({ value }) => value)).toEqual(['one', 'two']);
  });
});

describe('what an earlier tab left on the device', () => {
  const left = (of: object): void => localStorage.setItem(KEY, JSON.stringify(of));

  it('is taken up, and saved from where it began', async () => {
    left({ base: 1, from: 'old', sent: null, value: 'unsaved' });
    const page = open('old');
    expect(broughtBack).toEqual(['unsaved']);
    page.rerender({ words: 'unsaved' });
    await pass(500);
    expect(server.heard.map(({ value, base }) => [value, base])).toEqual([['unsaved', 1]]);
  });

  it('is saved from the old place where the server has gone on, so that both are brought together', async () => {
    left({ base: 1, from: 'old', sent: null, value: 'unsaved' });
    const page = open('theirs', 4);
    expect(broughtBack).toEqual(['unsaved']);
    page.rerender({ words: 'unsaved' });
    await pass(500);
    expect(server.heard.map(({ value, base }) => [value, base])).toEqual([['unsaved', 1]]);
  });

  it('goes on from the server’s where that is what was sent and never answered', async () => {
    left({ base: 1, from: 'old', sent: 'sent', value: 'sent and more' });
    const page = open('sent', 2);
    expect(page.result.current.basis('sent')).toBe('sent');
    page.rerender({ words: 'sent and more' });
    await pass(500);
    expect(server.heard.map(({ value, base }) => [value, base])).toEqual([['sent and more', 2]]);
  });

  it('is thrown away where the server has it already, and where it cannot be read', async () => {
    left({ base: 1, from: 'old', sent: null, value: 'there' });
    open('there', 2).unmount();
    localStorage.setItem(KEY, '{"base":');
    open('there', 2);
    await pass(5000);
    expect(broughtBack).toEqual([]);
    expect(server.heard).toEqual([]);
  });

  it('is not missed on a device that keeps nothing', async () => {
    const full = vi.fn(() => {
      throw new DOMException('The quota has been exceeded', 'QuotaExceededError');
    });
    vi.stubGlobal('localStorage', { getItem: () => null, setItem: full, removeItem: () => undefined });
    const page = open('');
    page.rerender({ words: 'rotor' });
    await pass(500);
    await server.answer(saved(2));
    expect(page.result.current.state.name).toBe('saved');
    expect(full).toHaveBeenCalled();
    vi.unstubAllGlobals();
  });
});

import { setTimeout as sleep } from 'node:timers/promises';
import { act, cleanup, renderHook } from '@testing-library/react';
import { startTransition, useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { useEvents } from '../../src/ui/parts/use-events';
import { useFreshPage } from '../../src/ui/parts/use-fresh-page';

/** A router whose answers come when the test says so; as in the framework, the page waits for an answer in a transition. */
const router = vi.hoisted(() => ({ refresh: (): void => undefined }));
vi.mock('next/navigation', () => ({ useRouter: () => router }));

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});
/** Does something, and waits as long as its consequences may take that wait for nothing else. */
const settle = (first?: () => void) =>
  act(async () => {
    first?.();
    await sleep(30);
  });

describe('a page that asks for itself', () => {
  /** A page and what it shows: so many answers have come. */
  function open(reached: () => Promise<Response>) {
    vi.stubGlobal('fetch', vi.fn(reached));
    const answers: (() => void)[] = [];
    const { result } = renderHook(() => {
      const [shown, setShown] = useState(0);
      router.refresh = () =>
        startTransition(async () => {
          await new Promise<void>((done) => answers.push(done));
          startTransition(() => setShown((times) => times + 1));
        });
      return { look: useFreshPage(), shown };
    });
    return { result, answers };
  }
  const there = (): Promise<Response> => Promise.resolve(new Response(null, { status: 204 }));

  it('asks once at a time, and once more after it for all who asked meanwhile: each answer is shown', async () => {
    const { result, answers } = open(there);
    act(() => result.current.look());
    await settle();
    for (let i = 0; i < 5; i++) {
      act(() => result.current.look());
      await settle();
    }
    expect(answers).toHaveLength(1);
    await settle(answers[0]);
    expect(result.current.shown).toBe(1);
    await settle();
    expect(answers).toHaveLength(2);
    await settle(answers[1]);
    expect(result.current.shown).toBe(2);
    await settle();
    expect(answers).toHaveLength(2);
  });

  it.each([
    ['nothing answers', () => Promise.reject(new TypeError('Failed to fetch'))],
    ['something else answers', () => Promise.resolve(new Response('<h1>Bad gateway</h1>', { status: 502 }))],
  ])('stays as it is while %s, and asks again when it is told to', async (_, away) => {
    let reached: () => Promise<Response> = away;
    const { result, answers } = open(() => reached());
    act(() => result.current.look());
    await settle();
    expect(answers).toHaveLength(0);
    reached = there;
    act(() => result.current.look());
    await settle();
    await settle(answers[0]);
    expect(result.current.shown).toBe(1);
  });
});

describe('a page that hears of changes', () => {
  class Stream extends EventTarget {
    static readonly all: Stream[] = [];
    closed = false;
    constructor(readonly address: string) {
      super();
      Stream.all.push(this);
    }
    close(): void {
      this.closed = true;
    }
    say(version: number): void {
      this.dispatchEvent(Object.assign(new Event('changed'), { lastEventId: String(version) }));
    }
  }
  const seen = (state: DocumentVisibilityState): void => {
    vi.spyOn(document, 'visibilityState', 'get').mockReturnValue(state);
    document.dispatchEvent(new Event('visibilitychange'));
  };
  function open() {
    Stream.all.length = 0;
    vi.stubGlobal('EventSource', Stream);
    const changed = vi.fn();
    const page = renderHook(({ version }) => useEvents({ room: 'a b' }, version, changed), {
      initialProps: { version: 7 },
    });
    return { changed, page };
  }
  const last = (): Stream | undefined => Stream.all.at(-1);

  it('says of which version it is, and hears each change', () => {
    const { changed, page } = open();
    expect(last()?.address).toBe('/api/events?room=a+b&heard=7');
    last()?.say(8);
    last()?.say(9);
    expect(changed).toHaveBeenCalledTimes(2);
    page.unmount();
    expect(last()?.closed).toBe(true);
  });

  it('holds no connection while nobody sees it, and goes on from what it heard last', () => {
    const { changed, page } = open();
    last()?.say(12);
    seen('hidden');
    expect(last()?.closed).toBe(true);
    // A page that was made anew meanwhile goes on from there; an older one takes nothing back.
    seen('visible');
    expect(last()?.address).toBe('/api/events?room=a+b&heard=12');
    expect(changed).toHaveBeenCalledTimes(2);
    page.rerender({ version: 20 });
    page.rerender({ version: 15 });
    seen('hidden');
    seen('visible');
    expect(last()?.address).toBe('/api/events?room=a+b&heard=20');
    expect(Stream.all.filter(({ closed }) => !closed)).toHaveLength(1);
  });
});

'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Answers } from '@/server/sittings/attempts';
import type { RoomClock } from '@/server/sittings/room';
import { AnswerQueue } from './answer-queue';

export type Saving = 'saved' | 'saving' | 'offline' | 'signed-out' | 'late';

/** The name under which what concerns a whole question stands among its answers. */
const WHOLE = '';
const QUIET = 700;
const LONGEST = 2000;
const ASK_CLOCK = 15_000;

interface Written {
  item: string;
  slot: string | null;
  value: unknown;
}

/**
 * The answers of an attempt: at once on the device, within seconds on the
 * server, the same in every tab. `clock` is the server's latest word about time.
 */
export function useAnswers(attempt: string, first: Answers, firstClock: RoomClock) {
  const [answers, setAnswers] = useState(first);
  const [saving, setSaving] = useState<Saving>('saved');
  const [clock, setClock] = useState({ ...firstClock, readAt: 0 });
  /** Questions whose last change the server could not take. */
  const [refused, setRefused] = useState<ReadonlySet<string>>(new Set());
  const queue = useRef<AnswerQueue | null>(null);
  const timers = useRef<{ quiet?: ReturnType<typeof setTimeout>; since: number }>({ since: 0 });
  const sending = useRef<Promise<void> | null>(null);
  const channel = useRef<BroadcastChannel | null>(null);

  const put = useCallback(({ item, slot, value }: Written) => {
    setAnswers((all) => ({ ...all, [item]: { ...all[item], [slot ?? WHOLE]: value } }));
  }, []);

  const send = useCallback(async (keepalive = false): Promise<void> => {
    if (!queue.current) return;
    if (sending.current && !keepalive) await sending.current;
    const work = (async () => {
      timers.current.since = 0;
      const mine = queue.current as AnswerQueue;
      const { state, clock: told, refused: no } = await mine.send(keepalive);
      if (told) setClock({ ...told, readAt: performance.now() });
      const unfit = no.filter(({ why }) => why === 'unfit').map(({ item }) => item);
      if (unfit.length > 0) setRefused((all) => new Set([...all, ...unfit]));
      if (state !== 'sent') setSaving(state);
      else if (no.some(({ why }) => why === 'late')) setSaving('late');
      else setSaving((await mine.waiting()).length > 0 ? 'saving' : 'saved');
    })();
    sending.current = work;
    await work;
    if (sending.current === work) sending.current = null;
  }, []);

  const answer = useCallback(
    (item: string, slot: string | null, value: unknown): void => {
      put({ item, slot, value });
      channel.current?.postMessage({ item, slot, value } satisfies Written);
      setSaving((s) => (s === 'saved' ? 'saving' : s));
      setRefused((all) => (all.has(item) ? new Set([...all].filter((other) => other !== item)) : all));
      void queue.current?.add(item, slot, value).then(() => {
        const now = Date.now();
        if (timers.current.since === 0) timers.current.since = now;
        clearTimeout(timers.current.quiet);
        const wait = Math.max(0, Math.min(QUIET, timers.current.since + LONGEST - now));
        timers.current.quiet = setTimeout(() => void send(), wait);
      });
    },
    [put, send],
  );

  useEffect(() => {
    const mine = new AnswerQueue(attempt);
    queue.current = mine;
    const tabs = new BroadcastChannel(`zonda-room-${attempt}`);
    channel.current = tabs;
    tabs.onmessage = (event: MessageEvent<Written>) => put(event.data);
    void mine.waiting().then((left) => {
      left.forEach(put);
      void send();
    });
    const again = setInterval(async () => {
      const left = await mine.waiting();
      if (left.length > 0 && left[0] && Date.now() - left[0].at > LONGEST) void send();
    }, 2500);
    const ask = setInterval(() => void send(), ASK_CLOCK);
    const back = (): void => void send();
    const leaving = (): void => {
      if (document.visibilityState === 'hidden') void send(true);
    };
    window.addEventListener('online', back);
    document.addEventListener('visibilitychange', leaving);
    return () => {
      tabs.close();
      clearInterval(again);
      clearInterval(ask);
      window.removeEventListener('online', back);
      document.removeEventListener('visibilitychange', leaving);
    };
  }, [attempt, put, send]);

  return { answers, answer, saving, refused, clock, setClock, send };
}

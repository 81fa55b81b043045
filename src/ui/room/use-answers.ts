'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { type Result, refuse } from '@/core/base/result';
import type { HandedFile } from '@/core/content/handed-file';
import { placeOf, type Unsent } from '@/core/sittings/unsent';
import type { Room } from '@/server/sittings/room';
import { useLatest } from '../parts/use-latest';
import type { FileProgress } from '../sheet/FileKeeper';
import { AnswerQueue } from './answer-queue';
import { DeviceStore } from './device-store';
import { FileQueue } from './file-queue';
import { useRoomEvents } from './use-room-events';
import { useShared } from './use-shared';

/** Where the answers are; `offline-here`: without a connection, on a device that keeps nothing beyond the page. */
export type Saving = 'saved' | 'saving' | 'offline' | 'offline-here' | 'signed-out' | 'late';

/** The name under which what concerns a whole question stands among its answers. */
const WHOLE = '';
const QUIET = 700;
const LONGEST = 2000;
/** How often the server hears of a room in which nothing is written, and how often near the end of its time, in milliseconds. */
const ASK_CLOCK = 15_000;
const ASK_NEAR_END = 4_000;
const NEAR_END = 90_000;
/** A group of a few has no need to spread what it asks. */
const SOON = 100;

type Place = Pick<Unsent, 'item' | 'slot'>;

/** A place whose last change was not taken. */
interface NotTaken extends Place {
  why: 'unfit' | 'held';
}

interface Written extends Place {
  value: unknown;
}

/**
 * The answers of an attempt and the files beside them: at once on the device, within seconds on the server, the same in
 * every tab. `clock` is the server's latest word about time.
 */
export function useAnswers(
  attempt: string,
  {
    answers: first,
    clock: firstClock,
    shared,
    version,
  }: Pick<Room, 'answers' | 'clock' | 'shared'> & { version: number },
) {
  const [answers, setAnswers] = useState(first);
  const [saving, setSaving] = useState<Saving>('saved');
  const [clock, setClock] = useState({ ...firstClock, readAt: 0 });
  /** Places whose last change the server could not take. */
  const [refused, setRefused] = useState<readonly NotTaken[]>([]);
  const [files, setFiles] = useState<ReadonlyMap<string, FileProgress>>(new Map());
  const lastClock = useLatest(clock);
  const queues = useRef<Queues | null>(null);
  const timers = useRef<{ quiet?: ReturnType<typeof setTimeout>; since: number }>({ since: 0 });
  const sending = useRef<Promise<void> | null>(null);
  const sendingFiles = useRef<Promise<void> | null>(null);
  const channel = useRef<BroadcastChannel | null>(null);

  const put = useCallback(({ item, slot, value }: Written) => {
    setAnswers((all) => ({ ...all, [item]: { ...all[item], [slot ?? WHOLE]: value } }));
  }, []);

  const send = useCallback(async (keepalive = false): Promise<void> => {
    const mine = queues.current;
    if (!mine) return;
    if (sending.current && !keepalive) await sending.current;
    const work = (async () => {
      timers.current.since = 0;
      const { state, clock: told, refused: no } = await mine.answers.send(await mine.files.waiting(), keepalive);
      if (told) setClock({ ...told, readAt: performance.now() });
      const notTaken = no.flatMap(({ why, ...one }) => (why === 'late' ? [] : [{ ...one, why }]));
      if (notTaken.length > 0) setRefused((all) => [...all, ...notTaken]);
      if (state === 'offline' && !mine.store.lasting) setSaving('offline-here');
      else if (state !== 'sent') setSaving(state);
      else if (no.some(({ why }) => why === 'late')) setSaving('late');
      else setSaving((await mine.store.empty()) ? 'saved' : 'saving');
    })();
    sending.current = work;
    await work;
    if (sending.current === work) sending.current = null;
  }, []);

  /** Answers that name a file follow it; all others never wait for one. */
  const sendFiles = useCallback(async (): Promise<void> => {
    const mine = queues.current;
    if (!mine) return;
    sendingFiles.current ??= (async () => {
      const state = await mine.files.send();
      sendingFiles.current = null;
      if (state === 'sent') await send();
      else setSaving(state === 'offline' && !mine.store.lasting ? 'offline-here' : state);
    })();
    await sendingFiles.current;
  }, [send]);

  /** Sends everything, files first; true when nothing waits any more. */
  const sendAll = useCallback(async (): Promise<boolean> => {
    if (((await queues.current?.files.waiting()) ?? []).length > 0) await sendFiles();
    await send();
    return (await queues.current?.store.empty()) ?? false;
  }, [send, sendFiles]);

  const answer = useCallback(
    (item: string, slot: string | null, value: unknown): void => {
      put({ item, slot, value });
      channel.current?.postMessage({ item, slot, value } satisfies Written);
      setSaving((s) => (s === 'saved' ? 'saving' : s));
      setRefused((all) => all.filter((one) => placeOf(one) !== placeOf({ item, slot })));
      void queues.current?.answers.add(item, slot, value).then(() => {
        const now = Date.now();
        if (timers.current.since === 0) timers.current.since = now;
        clearTimeout(timers.current.quiet);
        const wait = Math.max(0, Math.min(QUIET, timers.current.since + LONGEST - now));
        timers.current.quiet = setTimeout(() => void send(), wait);
      });
    },
    [put, send],
  );

  const keepFile = useCallback(
    async (file: File): Promise<Result<HandedFile>> => {
      if (!queues.current) return refuse('offline');
      const kept = await queues.current.files.keep(file);
      if (kept.ok) void sendFiles();
      return kept;
    },
    [sendFiles],
  );

  useEffect(() => {
    const mine = queuesOf(attempt, (hash, progress) => {
      if (progress && 'share' in progress && progress.share > 0) setSaving('saving');
      setFiles((all) => {
        const next = new Map(all);
        if (progress) next.set(hash, progress);
        else next.delete(hash);
        return next;
      });
    });
    queues.current = mine;
    const tabs = new BroadcastChannel(`zonda-room-${attempt}`);
    channel.current = tabs;
    tabs.onmessage = (event: MessageEvent<Written>) => put(event.data);
    void mine.store.answers().then((left) => {
      left.forEach(put);
      void sendAll();
    });
    const again = setInterval(async () => {
      const onTheirWay = await mine.files.waiting();
      if (onTheirWay.length > 0) void sendFiles();
      const [oldest] = await mine.answers.ready(onTheirWay);
      if (oldest && Date.now() - oldest.at > LONGEST) void send();
    }, 2500);
    let heard = performance.now();
    const ask = setInterval(() => {
      const { now, deadline, readAt } = lastClock.current;
      const passed = performance.now();
      if (deadline - now - (passed - readAt) > NEAR_END && passed - heard < ASK_CLOCK) return;
      heard = passed;
      void send();
    }, ASK_NEAR_END);
    const back = (): void => void sendAll();
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
  }, [attempt, lastClock, put, send, sendAll, sendFiles]);

  const unsent = useCallback(async () => (await queues.current?.store.answers()) ?? [], []);
  const { held, bringIn } = useShared({ attempt, put, unsent });
  const ask = useCallback(() => {
    void send();
    if (shared) void bringIn();
  }, [send, bringIn, shared]);
  useRoomEvents({ attempt, version, ask, within: shared ? SOON : undefined });

  return { answers, answer, held, saving, refused, clock, setClock, sendAll, files, keepFile };
}

interface Queues {
  store: DeviceStore;
  answers: AnswerQueue;
  files: FileQueue;
}

function queuesOf(attempt: string, tell: ConstructorParameters<typeof FileQueue>[2]): Queues {
  const store = new DeviceStore(attempt);
  return { store, answers: new AnswerQueue(attempt, store), files: new FileQueue(attempt, store, tell) };
}

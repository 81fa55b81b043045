import { useCallback, useEffect, useState } from 'react';
import { placeOf } from '@/core/sittings/unsent';
import type { Shared } from '@/server/sittings/shared';
import { newestAtATime } from '../parts/one-at-a-time';
import { askRoom } from './room-request';

/** A little after somebody's hold has ended. */
const AFTER = 200;

interface Options {
  attempt: string;
  /** Puts an answer onto the sheet. */
  put: (written: { item: string; slot: string | null; value: unknown }) => void;
  /** The places where something of one's own is on its way. */
  unsent: () => Promise<readonly { item: string; slot: string | null }[]>;
}

interface Held {
  /** Who writes, by question and slot. */
  by: ReadonlyMap<string, string>;
  /** When the first of them lets go without a word, in milliseconds from now; null while nobody writes. */
  next: number | null;
}

/** What the others of a group write, and where they are at it. Nothing of one's own that is on its way is written over. */
export function useShared({ attempt, put, unsent }: Options) {
  const [held, setHeld] = useState<Held>({ by: new Map(), next: null });
  const [line] = useState(newestAtATime);
  const readAll = useCallback(async (): Promise<void> => {
    const reply = await askRoom<Shared>(`${attempt}/shared`, {}, 10_000);
    if (reply.state !== 'answered' || !reply.result.ok) return;
    const { answers, holds } = reply.result.value;
    const mine = new Set((await unsent()).map(placeOf));
    for (const [item, slots] of Object.entries(answers))
      for (const [key, value] of Object.entries(slots)) {
        const slot = key === '' ? null : key;
        if (!mine.has(placeOf({ item, slot }))) put({ item, slot, value });
      }
    setHeld({
      by: new Map(holds.map(({ item, slot, name }) => [`${item} ${slot}`, name])),
      next: holds.length === 0 ? null : Math.min(...holds.map(({ left }) => left)),
    });
  }, [attempt, put, unsent]);
  /** An older reply never comes after a newer; whoever asks while one is on its way is content with the next. */
  const bringIn = useCallback(() => line(readAll), [line, readAll]);
  useEffect(() => {
    if (held.next === null) return;
    const again = setTimeout(() => void bringIn(), held.next + AFTER);
    return () => clearTimeout(again);
  }, [held, bringIn]);
  return { held: held.by, bringIn };
}

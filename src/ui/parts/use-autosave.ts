'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Refusal, Result } from '@/core/base/result';
import { sameValue } from '@/core/base/same-value';
import { oneAtATime } from './one-at-a-time';
import { plainCopy } from './plain-copy';
import { useLatest } from './use-latest';

export type SaveState =
  | { name: 'saved'; at: number }
  | { name: 'saving' }
  | { name: 'offline' }
  | { name: 'refused'; refusal: Refusal };

interface Options<T> {
  /** Names the copy that is kept on the device until the server has it. */
  key: string;
  value: T;
  version: number;
  savedAt: number;
  save: (value: T, base: number) => Promise<Result<{ version: number; savedAt: number }>>;
  /** Takes up again what an earlier tab left unsaved on this device. */
  bringBack: (value: T) => void;
}

/** The copy on the device of what the server does not have yet. */
interface Left<T> {
  /** The version that it began from, and its value. */
  base: number;
  from: T;
  /** What was on its way to the server when this was kept; nobody may have heard the answer. */
  sent: T | null;
  value: T;
}

const WAIT = 500;
const RETRY = 4000;

/**
 * Saves a value as it changes: at once on the device, soon after on the
 * server, one save at a time. What the server does not have yet survives a closed tab.
 */
export function useAutosave<T>({ key, value, version, savedAt, save, bringBack }: Options<T>): {
  state: SaveState;
  flush: () => Promise<void>;
  /** What this work began from, when the server has `there`: that itself if it was sent from here, else what was saved last. */
  basis: (there: T) => T;
  /** Goes on from a newer version on the server, after what differs was brought together. */
  startFrom: (version: number, there: T) => void;
} {
  const [state, setState] = useState<SaveState>({ name: 'saved', at: savedAt });
  const at = useRef(savedAt);
  const base = useRef(version);
  const latest = useRef(value);
  const saved = useRef(value);
  const sending = useRef<T | null>(null);
  /** What was sent and never answered: it may have arrived all the same. */
  const unheard = useRef<T[]>([]);
  const stopped = useRef(false);

  const [line] = useState(oneAtATime);
  const flush = useCallback(
    () =>
      line(async () => {
        if (stopped.current) return;
        const settle = (): void => {
          if (latest.current !== saved.current) return;
          localStorage.removeItem(key);
          setState({ name: 'saved', at: at.current });
        };
        if (latest.current === saved.current) return settle();
        const sent = latest.current;
        sending.current = sent;
        setState({ name: 'saving' });
        try {
          const result = await save(plainCopy(sent), base.current);
          sending.current = null;
          if (result.ok) {
            base.current = result.value.version;
            at.current = result.value.savedAt;
            saved.current = sent;
            settle();
          } else {
            stopped.current = result.refusal.code === 'changed-elsewhere';
            setState({ name: 'refused', refusal: result.refusal });
          }
        } catch {
          unheard.current.push(sent);
          setState({ name: 'offline' });
        }
      }),
    [key, save, line],
  );

  useEffect(() => {
    if (latest.current === value) return;
    latest.current = value;
    keepOnDevice(key, { base: base.current, from: saved.current, sent: sending.current, value });
    // Nothing is called saved that is not.
    setState((now) => (now.name === 'saved' ? { name: 'saving' } : now));
    const timer = setTimeout(flush, WAIT);
    return () => clearTimeout(timer);
  }, [value, key, flush]);

  useEffect(() => {
    const again = setInterval(() => {
      if (latest.current !== saved.current) void flush();
    }, RETRY);
    const hidden = (): void => {
      if (document.visibilityState === 'hidden') void flush();
    };
    document.addEventListener('visibilitychange', hidden);
    window.addEventListener('online', flush);
    return () => {
      clearInterval(again);
      document.removeEventListener('visibilitychange', hidden);
      window.removeEventListener('online', flush);
      void flush();
    };
  }, [flush]);

  const basis = useCallback(
    (there: T) => (unheard.current.some((sent) => sameValue(sent, there)) ? there : saved.current),
    [],
  );
  const startFrom = useCallback((from: number, there: T): void => {
    base.current = from;
    saved.current = there;
    unheard.current = [];
    stopped.current = false;
    setState({ name: 'saving' });
  }, []);

  const takeUp = useLatest(bringBack);
  useEffect(() => {
    const left = leftOnDevice<T>(key);
    if (!left) return;
    if (sameValue(left.value, saved.current)) return localStorage.removeItem(key);
    const arrived = left.base === base.current || (left.sent !== null && sameValue(left.sent, saved.current));
    // What the server has now is not what this began from: the next save is refused, and both are brought together.
    if (!arrived) startFrom(left.base, left.from);
    if (left.sent !== null) unheard.current.push(left.sent);
    takeUp.current(left.value);
  }, [key, startFrom, takeUp]);
  return { state, flush, basis, startFrom };
}

function keepOnDevice<T>(key: string, left: Left<T>): void {
  try {
    localStorage.setItem(key, JSON.stringify(left));
  } catch {
    // A full or forbidden store only loses the second copy; the server still gets the first.
  }
}

function leftOnDevice<T>(key: string): Left<T> | null {
  try {
    const kept = localStorage.getItem(key);
    return kept ? (JSON.parse(kept) as Left<T>) : null;
  } catch {
    // Unreadable: there is nothing to bring back.
    return null;
  }
}

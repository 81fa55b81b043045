'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { type Refusal, type Result } from '@/core/base/result';
import { plainCopy } from './plain-copy';

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
}

const WAIT = 500;
const RETRY = 4000;

/**
 * Saves a value as it changes: at once on the device, soon after on the
 * server, one save at a time. What the server does not have yet survives a closed tab.
 */
export function useAutosave<T>({ key, value, version, savedAt, save }: Options<T>): {
  state: SaveState;
  flush: () => Promise<void>;
  /** The value that the server is known to have. */
  lastSaved: () => T;
  /** Goes on from a newer version on the server, after what differs was brought together. */
  startFrom: (version: number, there: T) => void;
} {
  const [state, setState] = useState<SaveState>({ name: 'saved', at: savedAt });
  const base = useRef(version);
  const latest = useRef(value);
  const saved = useRef(value);
  const running = useRef<Promise<void> | null>(null);
  const stopped = useRef(false);

  const flush = useCallback(async (): Promise<void> => {
    if (running.current) await running.current;
    if (latest.current === saved.current || stopped.current) return;
    const sent = latest.current;
    running.current = (async () => {
      setState({ name: 'saving' });
      try {
        const result = await save(plainCopy(sent), base.current);
        if (result.ok) {
          base.current = result.value.version;
          saved.current = sent;
          if (latest.current === sent) localStorage.removeItem(key);
          setState({ name: 'saved', at: result.value.savedAt });
        } else {
          stopped.current = result.refusal.code === 'changed-elsewhere';
          setState({ name: 'refused', refusal: result.refusal });
        }
      } catch {
        setState({ name: 'offline' });
      }
    })();
    await running.current;
    running.current = null;
  }, [key, save]);

  useEffect(() => {
    if (latest.current === value) return;
    latest.current = value;
    try {
      localStorage.setItem(key, JSON.stringify({ base: base.current, value }));
    } catch {
      // A full or forbidden store only loses the second copy; the server still gets the first.
    }
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

  const lastSaved = useCallback(() => saved.current, []);
  const startFrom = useCallback((from: number, there: T): void => {
    base.current = from;
    saved.current = there;
    stopped.current = false;
    setState({ name: 'saving' });
  }, []);
  return { state, flush, lastSaved, startFrom };
}

/** What an earlier tab left unsaved on this device, when it still fits the version on the server. */
export function leftOnDevice<T>(key: string, version: number): T | null {
  try {
    const kept = localStorage.getItem(key);
    if (!kept) return null;
    const { base, value } = JSON.parse(kept) as { base: number; value: T };
    if (base === version) return value;
    localStorage.removeItem(key);
  } catch {
    // Unreadable: there is nothing to bring back.
  }
  return null;
}

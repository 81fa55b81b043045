'use client';
import { useCallback, useEffect, useState } from 'react';
import { sameValue } from '@/core/base/same-value';
import { useKeys } from '../frame/keys';
import { changed, type History, redone, startHistory, undone } from './history';

/** So much of a history outlives a reload. */
const MOST_KEPT = 2_000_000;

/**
 * A state whose every change can be undone with Ctrl Z, wherever the cursor
 * is. With a `key` the history outlives a reload of the tab, as long as what
 * it ends with is what is loaded again.
 */
export function useHistory<T>(initial: T, key?: string) {
  const [history, setHistory] = useState(() => startHistory(initial));
  useEffect(() => {
    const kept = key && readKept<T>(key);
    if (!kept || !sameValue(kept.present, initial)) return;
    const timer = setTimeout(
      () => setHistory((h) => (h.past.length + h.future.length === 0 ? { ...kept, present: h.present } : h)),
      0,
    );
    return () => clearTimeout(timer);
    // Only what was loaded first is compared.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- see above
  }, [key]);
  useEffect(() => {
    if (!key || history.past.length + history.future.length === 0) return;
    const timer = setTimeout(() => keep(key, history), 300);
    return () => clearTimeout(timer);
  }, [key, history]);
  const change = useCallback((next: T | ((present: T) => T), tag = '') => {
    setHistory((h) => {
      const present = typeof next === 'function' ? (next as (present: T) => T)(h.present) : next;
      return present === h.present ? h : changed(h, present, tag, Date.now());
    });
  }, []);
  const undo = useCallback(() => setHistory(undone), []);
  const redo = useCallback(() => setHistory(redone), []);
  useKeys([
    { keys: 'Ctrl+z', what: 'Undo', run: undo },
    { keys: 'Ctrl+y', what: 'Redo', run: redo },
    { keys: 'Ctrl+Shift+z', what: 'Redo', run: redo },
  ]);
  return {
    present: history.present,
    change,
    undo,
    redo,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
  };
}

function keep<T>(key: string, history: History<T>): void {
  for (let past = history.past; ; past = past.slice(Math.ceil(past.length / 2))) {
    const text = JSON.stringify({ ...history, past, future: history.future.slice(0, past.length + 20) });
    if (text.length > MOST_KEPT && past.length > 1) continue;
    try {
      sessionStorage.setItem(key, text);
    } catch {
      // Without room the history ends at a reload; the work itself is kept elsewhere.
    }
    return;
  }
}

function readKept<T>(key: string): History<T> | null {
  try {
    const text = sessionStorage.getItem(key);
    return text ? (JSON.parse(text) as History<T>) : null;
  } catch {
    return null;
  }
}

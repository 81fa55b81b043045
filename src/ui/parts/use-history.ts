'use client';
import { useCallback, useState } from 'react';
import { useKeys } from '../frame/keys';
import { changed, redone, startHistory, undone } from './history';

/** A state whose every change can be undone with Ctrl Z, wherever the cursor is. */
export function useHistory<T>(initial: T) {
  const [history, setHistory] = useState(() => startHistory(initial));
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
  ]);
  return { present: history.present, change, undo, redo, canUndo: history.past.length > 0 };
}

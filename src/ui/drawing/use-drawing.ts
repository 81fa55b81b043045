'use client';
import { useState } from 'react';
import type { Shape } from '@/core/drawing/shapes';
import { changed, redone, startHistory, undone } from '../parts/history';

/** The shapes of a drawing with what they were, so that every step can be undone as long as the page stands. */
export function useDrawing(shapes: readonly Shape[], onChange: (shapes: Shape[]) => void) {
  const [history, setHistory] = useState(() => startHistory(shapes));
  // A drawing that came from elsewhere (another tab, a reload) begins a history of its own.
  const present = history.present === shapes ? history : startHistory(shapes);
  const take = (next: typeof history): void => {
    if (next === present) return;
    setHistory(next);
    onChange(next.present as Shape[]);
  };
  return {
    change: (next: Shape[], tag = '') => take(changed(present, next, tag, Date.now())),
    undo: () => take(undone(present)),
    redo: () => take(redone(present)),
    canUndo: present.past.length > 0,
    canRedo: present.future.length > 0,
  };
}

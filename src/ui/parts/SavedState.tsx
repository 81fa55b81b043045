'use client';
import { useEffect, useState } from 'react';
import { refusalText } from '../words/refusals';
import type { SaveState } from './use-autosave';

/** "Saved 2 s ago", "Saving…", or what stands in the way. */
export function SavedState({ state }: { state: SaveState }) {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const tick = (): void => setNow(Date.now());
    const first = setTimeout(tick, 0);
    const timer = setInterval(tick, 5000);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [state]);
  if (state.name === 'saving') return <span className="state">Saving…</span>;
  if (state.name === 'offline') return <span className="state hand">Offline: kept on this device</span>;
  if (state.name === 'refused') return <span className="state wrong">Not saved: {refusalText(state.refusal)}</span>;
  const seconds = now === null ? null : Math.max(0, Math.round((now - state.at) / 1000));
  const ago =
    seconds === null || seconds >= 3600
      ? ''
      : seconds < 60
        ? ` ${seconds} s ago`
        : ` ${Math.round(seconds / 60)} min ago`;
  return <span className="state">Saved{ago}</span>;
}

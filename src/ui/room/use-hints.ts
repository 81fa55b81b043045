import { useCallback, useState } from 'react';
import type { Refusal } from '@/core/base/result';
import type { DrawnHints } from '../sheet/draw-hints';
import { askRoom } from './room-request';

export interface HintsState {
  /** By question; nothing for those without. */
  hints: Readonly<Record<string, DrawnHints>>;
  /** The question whose next hint is on its way. */
  busy: string | null;
  refused: { item: string; refusal: Refusal } | null;
  take: (item: string) => Promise<void>;
}

/** Asks for hints of the questions of an attempt; those that were asked for before stand there again. */
export function useHints(attempt: string, before: Readonly<Record<string, DrawnHints>>): HintsState {
  const [hints, setHints] = useState(before);
  const [busy, setBusy] = useState<string | null>(null);
  const [refused, setRefused] = useState<HintsState['refused']>(null);
  const take = useCallback(
    async (item: string): Promise<void> => {
      setBusy(item);
      setRefused(null);
      const body = JSON.stringify({ item, seen: hints[item]?.seen.length ?? 0 });
      const headers = { 'Content-Type': 'application/json' };
      const reply = await askRoom<DrawnHints>(`${attempt}/hint`, { method: 'POST', headers, body }, 10_000);
      const result = reply.state === 'answered' ? reply.result : null;
      if (result?.ok) setHints((all) => ({ ...all, [item]: result.value }));
      else setRefused({ item, refusal: result?.refusal ?? { code: 'no-network' } });
      setBusy(null);
    },
    [attempt, hints],
  );
  return { hints, busy, refused, take };
}

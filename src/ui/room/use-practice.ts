import { useCallback, useState } from 'react';
import type { Refusal, Result } from '@/core/base/result';
import type { DrawnChecked } from '../sheet/draw-checked';

/** A question that was checked, as it stood then. */
export interface Told extends DrawnChecked {
  /** The answers that were checked, to see whether they are others now; null for those of before this page. */
  answers: string | null;
}

export interface PracticeState {
  told: Readonly<Record<string, Told>>;
  /** The question that is being checked. */
  busy: string | null;
  refused: { item: string; refusal: Refusal } | null;
  check: (item: string, key: boolean) => Promise<void>;
}

const NO_NETWORK: Refusal = { code: 'no-network' };

/** Has questions of an attempt checked while they are written; what was told before stands there again. */
export function usePractice(
  attempt: string,
  before: Readonly<Record<string, DrawnChecked>>,
  { answersOf, sendAll }: { answersOf: (item: string) => unknown; sendAll: () => Promise<boolean> },
): PracticeState {
  const [told, setTold] = useState<Record<string, Told>>(() =>
    Object.fromEntries(Object.entries(before).map(([item, checked]) => [item, { ...checked, answers: null }])),
  );
  const [busy, setBusy] = useState<string | null>(null);
  const [refused, setRefused] = useState<PracticeState['refused']>(null);
  const check = useCallback(
    async (item: string, key: boolean): Promise<void> => {
      setBusy(item);
      setRefused(null);
      const answers = JSON.stringify(answersOf(item));
      try {
        // What is checked is what the server has.
        if (!(await sendAll())) throw new Error('not sent');
        const response = await fetch(`/api/room/${attempt}/check`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ item, key }),
        });
        const result = (await response.json()) as Result<DrawnChecked>;
        if (result.ok) setTold((all) => ({ ...all, [item]: { ...result.value, answers } }));
        else setRefused({ item, refusal: result.refusal });
      } catch {
        setRefused({ item, refusal: NO_NETWORK });
      }
      setBusy(null);
    },
    [attempt, answersOf, sendAll],
  );
  return { told, busy, refused, check };
}

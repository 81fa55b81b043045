'use client';
import { useRef, useState } from 'react';
import { undoManyAction } from '@/actions/bank';
import { type Refusal, type Result, refuse } from '@/core/base/result';
import type { ActOnMany } from '@/server/bank/bulk';
import type { BroughtItem } from '@/server/exchange/bring-in';
import { notReached, replyTo } from '../parts/reply-to';

/** So many questions travel at once. */
const BATCH = 100;
/** A server that was not reached is asked again so much later, in milliseconds. */
const AGAIN = 3000;

export type Keeping =
  | { name: 'idle' }
  | { name: 'keeping'; done: number; of: number }
  | { name: 'kept'; count: number }
  | { name: 'refused'; refusal: Refusal };

/** Keeps questions batch by batch, with progress; cancelled or refused, what was kept is taken back. */
export function useKeeping() {
  const [state, setState] = useState<Keeping>({ name: 'idle' });
  const cancelled = useRef(false);
  const undo = useRef<string[]>([]);

  /** However long the server is away. */
  const takeBack = async (): Promise<void> => {
    for (const id of undo.current.splice(0)) {
      while (notReached(await replyTo(undoManyAction(id)))) await new Promise((again) => setTimeout(again, AGAIN));
    }
  };
  const keep = async (to: { bank: string; topic: string | null }, items: readonly BroughtItem[]): Promise<void> => {
    cancelled.current = false;
    undo.current = [];
    for (let from = 0; from < items.length; from += BATCH) {
      setState({ name: 'keeping', done: from, of: items.length });
      const batch = items
        .slice(from, from + BATCH)
        .map(({ body, facts, topic, goals }) => ({ body, facts, topic, goals }));
      const last = from + BATCH >= items.length;
      const result = await post({ ...to, items: batch, goesOn: undo.current[0] ?? null, last });
      if (result.ok) undo.current = [result.value.undo];
      if (!result.ok || cancelled.current) {
        await takeBack();
        return setState(result.ok ? { name: 'idle' } : { name: 'refused', refusal: result.refusal });
      }
    }
    setState({ name: 'kept', count: items.length });
  };
  return {
    state,
    keep,
    cancel: () => {
      cancelled.current = true;
    },
    undo: async () => {
      await takeBack();
      setState({ name: 'idle' });
    },
  };
}

async function post(body: unknown): Promise<Result<ActOnMany>> {
  try {
    const response = await fetch('/api/bring-in/keep', { method: 'POST', body: JSON.stringify(body) });
    return (await response.json()) as Result<ActOnMany>;
  } catch {
    return refuse('not-reached');
  }
}

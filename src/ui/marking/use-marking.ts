'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { giveMarkAction, giveSecondMarkAction } from '@/actions/marking';
import { ok, type Refusal } from '@/core/base/result';
import type { Judgement } from '@/core/rules/rubric/rubric';
import type { DeskAnswer } from '@/server/marking/desk';

export type Saving = { name: 'idle' } | { name: 'saving' } | { name: 'saved' } | { name: 'refused'; refusal: Refusal };

const WAIT = 450;

interface Props {
  item: string;
  /** It is marked a second time. */
  second: boolean;
  onGiven: (answer: DeskAnswer, given: { id: number | null; marks: string }, judgement: Judgement | null) => void;
  /** Somebody else has marked it since it was looked at. */
  onMeanwhile: (answer: DeskAnswer) => void;
}

/** A second mark takes no place in the history of the marks that count. */
async function givenSecond(place: { attempt: string; item: string; slot: string; marks: string; reason: string }) {
  const given = await giveSecondMarkAction(place);
  return given.ok ? ok({ id: null, marks: given.value.marks }) : given;
}

/** Marks are saved as they are typed, a moment later; leaving the answer saves at once. */
export function useMarking({ item, second, onGiven, onMeanwhile }: Props) {
  const router = useRouter();
  const [saving, setSaving] = useState<Saving>({ name: 'idle' });
  const pending = useRef<{ timer: ReturnType<typeof setTimeout>; run: () => Promise<void> } | null>(null);

  const flush = useCallback((): Promise<void> => {
    if (!pending.current) return Promise.resolve();
    clearTimeout(pending.current.timer);
    const { run } = pending.current;
    pending.current = null;
    return run();
  }, []);
  useEffect(
    () => () => {
      void flush();
    },
    [flush],
  );

  const save = (
    answer: DeskAnswer,
    marks: string,
    { judgement = null, why = answer.why }: { judgement?: Judgement | null; why?: string } = {},
  ): void => {
    if (marks.trim() === '' && judgement === null) return;
    const run = async (): Promise<void> => {
      try {
        const { attempt, slot, mark } = answer;
        const place = { attempt, item, slot, marks };
        const result = second
          ? await givenSecond({ ...place, reason: why })
          : await giveMarkAction({ ...place, judgement, over: mark });
        if (!result.ok) {
          setSaving({ name: 'refused', refusal: result.refusal });
          if (result.refusal.code === 'marked-meanwhile') onMeanwhile(answer);
          return;
        }
        onGiven(answer, result.value, judgement);
        // Another mark may have been typed meanwhile.
        if (!pending.current) setSaving({ name: 'saved' });
        router.refresh();
      } catch {
        setSaving({ name: 'refused', refusal: { code: 'offline' } });
      }
    };
    setSaving({ name: 'saving' });
    if (pending.current) clearTimeout(pending.current.timer);
    pending.current = { run, timer: setTimeout(() => void flush(), WAIT) };
  };
  return { saving, setSaving, save, flush };
}

'use client';
import { useEffect, useState } from 'react';
import { giveMarkAction, giveSecondMarkAction } from '@/actions/marking';
import { ok, type Refusal, type Result } from '@/core/base/result';
import type { Judgement } from '@/core/rules/rubric/rubric';
import type { DeskAnswer } from '@/server/marking/desk';
import { notReached, replyTo } from '../parts/reply-to';
import { useAskedBeforeLeaving } from '../parts/use-asked-before-leaving';
import { useFreshPage } from '../parts/use-fresh-page';
import { useLatest } from '../parts/use-latest';
import { MarkQueue } from './mark-queue';
import { keyOf } from './use-desk';

/** What is to be given to an answer. */
interface Giving {
  answer: DeskAnswer;
  marks: string;
  judgement: Judgement | null;
  /** Of a second mark: why it is not the first. */
  why: string;
}

/** A mark that was not taken, as it was typed. */
export interface RefusedMark {
  refusal: Refusal;
  marks: string;
}

interface Props {
  item: string;
  /** It is marked a second time. */
  second: boolean;
  onGiven: (answer: DeskAnswer, given: Given, judgement: Judgement | null) => void;
  /** Somebody else has marked it since it was looked at. */
  onMeanwhile: (answer: DeskAnswer) => void;
}

interface Given {
  /** Its place in the history of the marks that count; a second mark takes none. */
  id: number | null;
  marks: string;
}

export interface Marking {
  saving: 'idle' | 'saving' | 'saved';
  /** How many marks wait on this page because the server was not reached. */
  waiting: number;
  /** What was not taken, by its answer. */
  refused: ReadonlyMap<string, RefusedMark>;
  save: (answer: DeskAnswer, marks: string, more?: { judgement?: Judgement | null; why?: string }) => void;
  /** Sends at once what was typed; nothing is said any more of what was saved. */
  leave: () => void;
}

/**
 * Marks are saved as they are typed, a moment later; leaving the answer saves at once. They stay on the page until the
 * server has said something to them.
 */
export function useMarking({ item, second, ...props }: Props): Marking {
  const tell = useLatest(props);
  const look = useFreshPage();
  const [saving, setSaving] = useState<Marking['saving']>('idle');
  const [waiting, setWaiting] = useState(0);
  const [refused, setRefused] = useState<ReadonlyMap<string, RefusedMark>>(new Map());
  useAskedBeforeLeaving(waiting > 0);
  const [queue] = useState(
    () =>
      new MarkQueue<Giving>(
        async (giving, newest) => {
          const result = await given(item, second, giving);
          if (notReached(result)) return false;
          const { answer, marks, judgement } = giving;
          if (result.ok) tell.current.onGiven(answer, result.value, judgement);
          else if (newest()) {
            setRefused((all) => new Map(all).set(keyOf(answer), { refusal: result.refusal, marks }));
            if (result.refusal.code === 'marked-meanwhile') tell.current.onMeanwhile(answer);
          }
          if (newest()) setSaving(result.ok ? 'saved' : 'idle');
          return true;
        },
        (left) => {
          setWaiting(left);
          if (left === 0) look();
        },
      ),
  );
  useEffect(() => () => queue.flush(), [queue]);
  return {
    saving,
    waiting,
    refused,
    save(answer, marks, { judgement = null, why = answer.why } = {}) {
      if (marks.trim() === '' && judgement === null) return;
      const key = keyOf(answer);
      setRefused((all) => new Map([...all].filter(([one]) => one !== key)));
      setSaving('saving');
      queue.put(key, { answer, marks, judgement, why });
    },
    leave() {
      queue.flush();
      setSaving('idle');
    },
  };
}

async function given(item: string, second: boolean, { answer, marks, judgement, why }: Giving): Promise<Result<Given>> {
  const { attempt, slot, mark } = answer;
  const place = { attempt, item, slot, marks };
  if (!second) return replyTo(giveMarkAction({ ...place, judgement, over: mark }));
  const result = await replyTo(giveSecondMarkAction({ ...place, reason: why }));
  return result.ok ? ok({ id: null, marks: result.value.marks }) : result;
}

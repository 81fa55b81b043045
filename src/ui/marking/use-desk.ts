'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { readAnswersAction } from '@/actions/marking';
import type { Desk, DeskAnswer } from '@/server/marking/desk';
import type { DeskLine } from '@/server/marking/desk-lines';
import { fetchAhead } from '../kinds/SlotView';
import type { DrawnFormulas } from '../sheet/formulas';
import { replyTo } from '../parts/reply-to';

export const keyOf = ({ attempt, slot }: Pick<DeskLine, 'attempt' | 'slot'>): string => `${attempt} ${slot}`;

/** So many after it have what they show fetched, too. */
const SHOWN_AHEAD = 2;
/** So many answers after the one that is looked at are there already. */
const AHEAD = 6;
/** So many are read at once when they are not. */
const AT_ONCE = 20;

/** The answers of a desk in an order: those near the one that is looked at are read before they are wanted. */
export function useDesk(desk: Desk, all: boolean, drawnFirst: DrawnFormulas, lines: readonly DeskLine[], at: number) {
  const [answers, setAnswers] = useState(() => new Map(desk.answers.map((a) => [keyOf(a), a])));
  const [drawn, setDrawn] = useState(drawnFirst);
  const [lost, setLost] = useState(false);
  const asked = useRef(new Set<string>());

  const read = useCallback(
    async (of: readonly DeskLine[]): Promise<void> => {
      for (const line of of) asked.current.add(keyOf(line));
      const found = await replyTo(
        readAnswersAction({
          sitting: desk.sitting,
          item: desk.item,
          second: desk.second,
          all,
          of: of.map(({ attempt, slot }) => ({ attempt, slot })),
        }),
      );
      for (const line of of) asked.current.delete(keyOf(line));
      setLost(!found.ok);
      if (!found.ok) return;
      const { answers: more, drawn: also } = found.value;
      setDrawn((all) => ({ ...all, ...also }));
      setAnswers((all) => new Map([...all, ...more.map((a) => [keyOf(a), a] as const)]));
    },
    [desk.sitting, desk.item, desk.second, all],
  );
  useEffect(() => {
    const near = [...lines.slice(at, at + AHEAD + 1), ...lines.slice(Math.max(0, at - 1), at)];
    if (near.every((line) => answers.has(keyOf(line)))) return;
    const missing = lines
      .slice(Math.max(0, at - 1), at + AT_ONCE - 1)
      .filter((line) => !answers.has(keyOf(line)) && !asked.current.has(keyOf(line)));
    // What is asked for comes when the server has it; nothing of the screen is worked out before.
    const timer = setTimeout(() => missing.length > 0 && void read(missing), 0);
    return () => clearTimeout(timer);
  }, [lines, at, answers, read]);

  const change = useCallback((key: string, by: (answer: DeskAnswer) => DeskAnswer): void => {
    setAnswers((all) => {
      const one = all.get(key);
      return one ? new Map(all).set(key, by(one)) : all;
    });
  }, []);
  const changeAll = useCallback((by: (answer: DeskAnswer) => DeskAnswer): void => {
    setAnswers((all) => new Map([...all].map(([key, one]) => [key, by(one)])));
  }, []);
  useEffect(() => {
    for (const next of lines.slice(at + 1, at + 1 + SHOWN_AHEAD)) {
      const kind = desk.sheet.slots[next.slot]?.kind;
      if (kind) fetchAhead(kind, answers.get(keyOf(next))?.responses[next.slot]);
    }
  }, [lines, at, answers, desk.sheet]);
  const line = lines[at];
  return { now: line && (answers.get(keyOf(line)) ?? null), drawn, lost, change, changeAll, read };
}

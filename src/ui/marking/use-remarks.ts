'use client';
import { useState } from 'react';
import { addRemarkAction, changeRemarkAction, dropKeptRemarkAction, takeBackRemarkAction } from '@/actions/marking';
import type { Refusal, Result } from '@/core/base/result';
import type { Anchor } from '@/core/content/anchors';
import type { DeskAnswer } from '@/server/marking/desk';
import type { KeptRemark, Remark } from '@/server/marking/remarks';
import { keyOf } from './use-desk';

interface Props {
  item: string;
  kept: readonly KeptRemark[];
  change: (key: string, by: (answer: DeskAnswer) => DeskAnswer) => void;
  /** Marks that go with something that was said. */
  onMarks: (answer: DeskAnswer, change: string) => void;
  onTrouble: (refusal: Refusal | null) => void;
}

const NOTHING_TYPED = { words: '', marks: '' };

/** Whether a sign takes the place of another: a drawing on the same page, a sign at the same word, the last word. */
function takesPlaceOf(sign: Anchor, other: Anchor): boolean {
  if (sign.at === 'drawn') return other.at === 'drawn' && other.page === sign.page;
  if (sign.at !== 'read' || other.at !== 'read') return false;
  return sign.as === 'last' ? other.as === 'last' : other.word === sign.word;
}

/** What is said of the answers at a desk. */
export function useRemarks({ item, kept: keptFirst, change, onMarks, onTrouble }: Props) {
  const [kept, setKept] = useState(keptFirst);
  const [anchor, setAnchor] = useState<Anchor>({ at: 'whole' });
  const [typed, setTyped] = useState(NOTHING_TYPED);

  const tried = async <T>(act: () => Promise<Result<T>>): Promise<T | null> => {
    const result = await act().catch(() => null);
    onTrouble(result === null ? { code: 'offline' } : result.ok ? null : result.refusal);
    return result?.ok ? result.value : null;
  };
  const setRemarks = (answer: DeskAnswer, by: (remarks: Remark[]) => Remark[]): void =>
    change(keyOf(answer), (one) => ({ ...one, remarks: by(one.remarks) }));

  const say = async (answer: DeskAnswer, words: string, marks: string, at: Anchor = anchor): Promise<boolean> => {
    const { attempt, slot } = answer;
    const said = await tried(() => addRemarkAction({ attempt, item, slot, words, marks, anchor: at }));
    if (!said) return false;
    const replaced = (one: Remark): boolean => one.own && takesPlaceOf(at, one.anchor);
    setRemarks(answer, (all) => [...all.filter((one) => !replaced(one)), ...(said.remark ? [said.remark] : [])]);
    setKept(said.kept);
    if (at.at === 'drawn' || at.at === 'read') return true;
    setTyped(NOTHING_TYPED);
    setAnchor({ at: 'whole' });
    if (marks.trim() !== '') onMarks(answer, marks);
    return true;
  };
  return {
    kept,
    anchor,
    setAnchor,
    typed,
    setTyped,
    say,
    /** Whether something was typed and not said yet. */
    open: typed.words.trim() !== '',
    /** Says it of the answer that it was typed at; whether that could be done. */
    sayOpen: (answer: DeskAnswer): Promise<boolean> => say(answer, typed.words, typed.marks),
    clear(): void {
      setTyped(NOTHING_TYPED);
      setAnchor({ at: 'whole' });
    },
    async otherwise(answer: DeskAnswer, remark: Remark, words: string, everywhere: boolean): Promise<void> {
      if (!(await tried(() => changeRemarkAction({ id: remark.id, words, everywhere })))) return;
      setRemarks(answer, (all) =>
        all.map((one) => (one.id === remark.id ? { ...one, words, kept: everywhere ? one.kept : null } : one)),
      );
      if (everywhere) setKept((all) => all.map((one) => (one.id === remark.kept ? { ...one, words } : one)));
    },
    async takeBack(answer: DeskAnswer, remark: Remark): Promise<void> {
      const result = await takeBackRemarkAction({ id: remark.id }).catch(() => null);
      onTrouble(result === null ? { code: 'offline' } : result.ok ? null : result.refusal);
      if (result?.ok) setRemarks(answer, (all) => all.filter((one) => one.id !== remark.id));
    },
    async dropKept(answer: DeskAnswer, { id }: KeptRemark): Promise<void> {
      const result = await dropKeptRemarkAction({ attempt: answer.attempt, kept: id }).catch(() => null);
      if (result?.ok) setKept((all) => all.filter((one) => one.id !== id));
    },
  };
}

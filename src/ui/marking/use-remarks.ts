'use client';
import { useRef, useState } from 'react';
import { addRemarkAction, changeRemarkAction, dropKeptRemarkAction, takeBackRemarkAction } from '@/actions/marking';
import type { Refusal, Result } from '@/core/base/result';
import type { Anchor } from '@/core/content/anchors';
import type { DeskAnswer } from '@/server/marking/desk';
import type { KeptRemark, Remark } from '@/server/marking/remarks';
import { keyOf } from './use-desk';
import { replyTo } from '../parts/reply-to';

interface Props {
  item: string;
  kept: readonly KeptRemark[];
  change: (key: string, by: (answer: DeskAnswer) => DeskAnswer) => void;
  changeAll: (by: (answer: DeskAnswer) => DeskAnswer) => void;
  /** A sign could not be kept: the answer is looked at as the server has it. */
  onLost: (answer: DeskAnswer) => void;
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

/** A page without a drawing, and a word that was read rightly, have no sign. */
const isRubbedOut = (sign: Anchor): boolean =>
  sign.at === 'drawn' ? sign.shapes.length === 0 : sign.at === 'read' && sign.as === 'right';

/** What is said of the answers at a desk. */
export function useRemarks({ item, kept: keptFirst, change, changeAll, onMarks, onTrouble, onLost }: Props) {
  const [kept, setKept] = useState(keptFirst);
  const [anchor, setAnchor] = useState<Anchor>({ at: 'whole' });
  const [typed, setTyped] = useState(NOTHING_TYPED);
  const signs = useRef(0);
  const sent = useRef(Promise.resolve());
  const underWay = useRef(false);

  const tried = async <T>(act: () => Promise<Result<T>>): Promise<T | null> => {
    const result = await replyTo(act());
    onTrouble(result.ok ? null : result.refusal);
    return result.ok ? result.value : null;
  };
  const setRemarks = (answer: DeskAnswer, by: (remarks: Remark[]) => Remark[]): void =>
    change(keyOf(answer), (one) => ({ ...one, remarks: by(one.remarks) }));

  /** A drawing, or how a word was read: it stands at once, and reaches the server in the order in which it was made. */
  const sign = (answer: DeskAnswer, at: Anchor): void => {
    const { attempt, slot } = answer;
    const place = { attempt, item, slot, words: '', anchor: at };
    const local: Remark = { ...place, id: `sign ${++signs.current}`, kept: null, own: true };
    setRemarks(answer, (all) => [
      ...all.filter((one) => !(one.own && takesPlaceOf(at, one.anchor))),
      ...(isRubbedOut(at) ? [] : [local]),
    ]);
    sent.current = sent.current.then(async () => {
      const said = await tried(() => addRemarkAction({ ...place, marks: '' }));
      if (!said) return onLost(answer);
      const { remark } = said;
      if (remark)
        setRemarks(answer, (all) => all.map((one) => (one.id === local.id ? { ...one, id: remark.id } : one)));
    });
  };
  /** Says something in words; whether that could be done. What is under way is not said twice by a hasty hand. */
  const say = async (answer: DeskAnswer, words: string, marks: string): Promise<boolean> => {
    if (underWay.current) return false;
    underWay.current = true;
    const { attempt, slot } = answer;
    const said = await tried(() => addRemarkAction({ attempt, item, slot, words, marks, anchor }));
    underWay.current = false;
    if (!said) return false;
    const { remark } = said;
    if (remark) setRemarks(answer, (all) => [...all, remark]);
    setKept(said.kept);
    // What was typed since belongs to the next remark.
    setTyped((since) => (since === typed ? NOTHING_TYPED : since));
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
    sign,
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
      if (!everywhere) {
        setRemarks(answer, (all) => all.map((one) => (one.id === remark.id ? { ...one, words, kept: null } : one)));
        return;
      }
      const { kept: same } = remark;
      changeAll((one) => ({
        ...one,
        remarks: one.remarks.map((said) => (said.kept === same && same !== null ? { ...said, words } : said)),
      }));
      setKept((all) => all.map((one) => (one.id === same ? { ...one, words } : one)));
    },
    async takeBack(answer: DeskAnswer, remark: Remark): Promise<void> {
      const result = await replyTo(takeBackRemarkAction({ id: remark.id }));
      onTrouble(result.ok ? null : result.refusal);
      if (result.ok) setRemarks(answer, (all) => all.filter((one) => one.id !== remark.id));
    },
    async dropKept(answer: DeskAnswer, { id }: KeptRemark): Promise<void> {
      const result = await replyTo(dropKeptRemarkAction({ attempt: answer.attempt, kept: id }));
      onTrouble(result.ok ? null : result.refusal);
      if (result.ok) setKept((all) => all.filter((one) => one.id !== id));
    },
  };
}

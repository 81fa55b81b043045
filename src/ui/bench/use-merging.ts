'use client';
import { useCallback, useEffect, useState } from 'react';
import { theirsAction } from '@/actions/bank';
import { mergeWritten, type Written } from '@/core/bank/merge';
import type { OpenQuestion } from '@/server/bank/open-question';
import { useLatest } from '../parts/use-latest';
import { replyTo } from '../parts/reply-to';

interface Options {
  question: string;
  present: Written;
  /** Whether the last save was refused because somebody else had saved. */
  conflict: boolean;
  change: (merged: Written) => void;
  /** What this work began from, when the server has `there`. */
  basis: (there: Written) => Written;
  startFrom: (version: number, there: Written) => void;
}

/** What both changed, with the version that both began from. */
export interface Dispute {
  there: OpenQuestion;
  base: Written;
}

/** Brings what somebody else saved together with what stands here; what both changed is left to be chosen. */
export function useMerging({ question, present, conflict, change, basis, startFrom }: Options) {
  const [dispute, setDispute] = useState<Dispute | null>(null);
  const [partner, setPartner] = useState<string | null>(null);
  const latest = useLatest(present);
  const goOnWith = useCallback(
    (merged: Written, there: OpenQuestion): void => {
      startFrom(there.version, { body: there.body, facts: there.facts });
      change(merged);
      setDispute(null);
      setPartner(there.savedBy);
    },
    [change, startFrom],
  );
  useEffect(() => {
    if (!conflict) return;
    let stale = false;
    replyTo(theirsAction(question)).then((opened) => {
      if (stale || !opened.ok) return;
      const { body, facts } = opened.value;
      const base = basis({ body, facts });
      const { merged, disputed } = mergeWritten(base, latest.current, opened.value);
      if (disputed.length === 0) goOnWith(merged, opened.value);
      else setDispute({ there: opened.value, base });
    });
    return () => {
      stale = true;
    };
  }, [conflict, question, basis, goOnWith, latest]);
  /** `mergedWith`: whose work was brought together with this, last. */
  return { dispute, goOnWith, mergedWith: partner };
}

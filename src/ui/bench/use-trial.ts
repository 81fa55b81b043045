'use client';
import { useMemo, useState } from 'react';
import { markQuestion, type SlotMarking } from '@/core/bank/mark';
import type { QuestionBody } from '@/core/bank/question';
import { questionSheet, type QuestionSheet } from '@/core/bank/sheet';
import { variantOf } from '@/core/bank/variant';
import { drawSheetFormulas, type DrawnFormulas } from '../sheet/formulas';
import { drawResponseFormulas } from '../sheet/response-formulas';

/** A question that is tried: as a student answers it, then as it is marked. Nothing of it is kept. */
export interface TrialOfQuestion {
  variant: QuestionBody;
  handedIn: boolean;
  /** Empty until it is handed in. */
  marked: ReadonlyMap<string, SlotMarking>;
  /** For `QuestionView`. */
  view: {
    sheet: QuestionSheet;
    drawn: DrawnFormulas;
    responses: Record<string, unknown>;
    onAnswer?: (slot: string, response: unknown) => void;
  };
  handIn: () => void;
  /** Anew, with another mixing and other values. */
  again: () => void;
}

export function useTrial(question: QuestionBody, firstSeed = 1): TrialOfQuestion {
  const [seed, setSeed] = useState(firstSeed);
  const [responses, setResponses] = useState<Record<string, unknown>>({});
  const [handedIn, setHandedIn] = useState(false);
  const variant = useMemo(() => variantOf(question, seed), [question, seed]);
  const sheet = useMemo(() => questionSheet(variant, seed), [variant, seed]);
  const drawn = useMemo(() => drawSheetFormulas(sheet), [sheet]);
  const marked = useMemo(
    () => (handedIn ? markQuestion(variant, responses) : new Map<string, SlotMarking>()),
    [variant, handedIn, responses],
  );
  return {
    variant,
    handedIn,
    marked,
    view: {
      sheet,
      drawn: handedIn ? { ...drawn, ...drawResponseFormulas(sheet, responses) } : drawn,
      responses,
      ...(handedIn ? {} : { onAnswer: (slot, response) => setResponses((all) => ({ ...all, [slot]: response })) }),
    },
    handIn: () => setHandedIn(true),
    again() {
      setResponses({});
      setHandedIn(false);
      setSeed(seed + 1);
    },
  };
}

'use client';
import Button from 'react-bootstrap/Button';
import type { ReactNode } from 'react';
import { withoutAlso } from '@/core/bank/also';
import type { Slot } from '@/core/bank/question';
import { exact, stored } from '@/core/base/exact';
import { kindOf } from '@/core/kinds/registry';
import { responseWords } from '@/core/kinds/response';
import { TextWithFormulas } from '../sheet/Formula';
import { drawTextFormulas } from '../sheet/formulas';
import { outOf } from '../words/traces';

interface Props {
  slot: Slot;
  onChange: (slot: Slot) => void;
}

/** Answers of a slot beside its key: those that are right as a whole too, and those that were decided one by one. Each can be taken out. */
export function SettledAnswers({ slot, onChange }: Props) {
  const { also = [], settled = [] } = slot;
  if (also.length + settled.length === 0) return null;
  const words = (response: unknown): string => responseWords(kindOf(slot.kind), slot.setup, response) ?? '';
  return (
    <ul>
      {also.map((response) => (
        <Answer
          key={JSON.stringify(response)}
          words={words(response)}
          away="is no longer right too"
          onAway={() => onChange(withoutAlso(slot, response))}
        >
          is right too; the nearest counts.
        </Answer>
      ))}
      {settled.map((one) => (
        <Answer
          key={JSON.stringify(one.response)}
          words={words(one.response)}
          away="is left to the rules"
          onAway={() => {
            const { settled: _, ...without } = slot;
            const left = settled.filter((other) => other !== one);
            onChange(left.length > 0 ? { ...without, settled: left } : without);
          }}
        >
          earns {outOf(stored(exact(one.share).mul(exact(slot.marks))), slot.marks)}.
        </Answer>
      ))}
    </ul>
  );
}

interface AnswerProps {
  words: string;
  /** What taking it out means. */
  away: string;
  onAway: () => void;
  children: ReactNode;
}

function Answer({ words, away, onAway, children }: AnswerProps) {
  return (
    <li className="d-flex gap-2 align-items-baseline">
      <span>
        “<TextWithFormulas text={words} drawn={drawTextFormulas(words)} />” {children}
      </span>
      <Button variant="quiet" className="small-act ms-auto" aria-label={`“${words}” ${away}`} onClick={onAway}>
        ×
      </Button>
    </li>
  );
}

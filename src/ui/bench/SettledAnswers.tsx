'use client';
import Button from 'react-bootstrap/Button';
import type { Slot } from '@/core/bank/question';
import { exact, stored } from '@/core/base/exact';
import { kindOf } from '@/core/kinds/registry';
import { responseWords } from '@/core/kinds/response';
import { TextWithFormulas } from '../sheet/Formula';
import { drawTextFormulas } from '../sheet/formulas';
import { outOf } from '../words/traces';

/** The answers of a slot that were decided one by one, each with a way to leave it to the rules again. */
export function SettledAnswers({ slot, onChange }: { slot: Slot; onChange: (slot: Slot) => void }) {
  const { settled = [], ...without } = slot;
  if (settled.length === 0) return null;
  const text = (response: unknown): string => responseWords(kindOf(slot.kind), slot.setup, response) ?? '';
  return (
    <ul>
      {settled.map((one, i) => (
        <li key={JSON.stringify(one.response)} className="d-flex gap-2 align-items-baseline">
          <span>
            “<TextWithFormulas text={text(one.response)} drawn={drawTextFormulas(text(one.response))} />” earns{' '}
            {outOf(stored(exact(one.share).mul(exact(slot.marks))), slot.marks)}.
          </span>
          <Button
            variant="quiet"
            className="small-act ms-auto"
            aria-label={`Leave “${text(one.response)}” to the rules`}
            onClick={() => {
              const left = settled.filter((_, at) => at !== i);
              onChange(left.length > 0 ? { ...without, settled: left } : without);
            }}
          >
            ×
          </Button>
        </li>
      ))}
    </ul>
  );
}

'use client';
import { exact, stored } from '@/core/base/exact';
import type { Slot } from '@/core/bank/question';
import { partsOf } from '@/core/bank/share-out';
import { CheckLine } from '../parts/CheckLine';
import { MarksInput } from '../parts/MarksInput';
import { marksWords, plural } from '../words/marks';

interface Props {
  slot: Slot;
  letter: string;
  onChange: (slot: Slot) => void;
}

/** So many marks for each part, where a slot has parts: the marks of the slot follow when parts are added. */
export function EachPart({ slot, letter, onChange }: Props) {
  const { each, ...rest } = slot;
  const parts = partsOf(slot);
  if (parts < 2 && each === undefined) return null;
  return (
    <div className="rule-edit">
      <CheckLine
        checked={each !== undefined}
        onChange={(on) => onChange(on ? { ...slot, each: stored(exact(slot.marks).div(parts)) } : rest)}
      >
        so much for each
      </CheckLine>
      {each !== undefined && (
        <label className="line">
          <span>
            <MarksInput
              marks={each}
              label={`Marks of each part of slot ${letter}`}
              onChange={(marks) => onChange({ ...slot, each: marks })}
            />
          </span>
          × {plural(parts, 'part')}: {marksWords(slot.marks)}
        </label>
      )}
    </div>
  );
}

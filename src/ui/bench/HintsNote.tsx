'use client';
import Button from 'react-bootstrap/Button';
import type { Hint } from '@/core/bank/question';
import { MarksInput } from '../parts/MarksInput';

interface Props {
  hints: Hint[];
  onChange: (hints: Hint[], tag: string) => void;
}

/** Hints in the order in which they are given, each with what it costs. */
export function HintsNote({ hints, onChange }: Props) {
  const set = (i: number, part: Partial<Hint>): void =>
    onChange(
      hints.map((hint, at) => (at === i ? { ...hint, ...part } : hint)),
      `hint ${i}`,
    );
  return (
    <section className="note" aria-label="Hints">
      <h3>
        Hints <span className="end">when asked for; each costs marks</span>
      </h3>
      {hints.map((hint, i) => (
        // Hints have no names of their own; their order is what they are.
        <div className="d-flex gap-2 mb-1" key={i}>
          <textarea
            className="form-control form-control-sm"
            rows={1}
            aria-label={`Hint ${i + 1}`}
            placeholder="$…$ is a formula"
            maxLength={2000}
            value={hint.text}
            onChange={(e) => set(i, { text: e.target.value })}
          />
          <MarksInput
            marks={hint.cost}
            label={`Cost of hint ${i + 1} in marks`}
            onChange={(cost) => set(i, { cost })}
          />
          <Button
            variant="quiet"
            aria-label={`Take out hint ${i + 1}`}
            onClick={() =>
              onChange(
                hints.filter((_, at) => at !== i),
                '',
              )
            }
          >
            ×
          </Button>
        </div>
      ))}
      {hints.length < 10 && (
        <Button
          variant="quiet"
          onClick={({ detail }) => detail < 2 && onChange([...hints, { text: '', cost: '1/2' }], '')}
        >
          + hint
        </Button>
      )}
    </section>
  );
}

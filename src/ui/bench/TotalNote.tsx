'use client';
import type { QuestionBody } from '@/core/bank/question';
import { totalMarks } from '@/core/bank/summary';
import { stored } from '@/core/base/exact';
import { MarksInput } from '../parts/MarksInput';
import { CheckLine } from '../parts/CheckLine';

interface Props {
  body: QuestionBody;
  changeBody: (part: (body: QuestionBody) => QuestionBody, tag: string) => void;
}

/** The marks of the whole question: the sum of its slots, or a fixed total that they share. */
export function TotalNote({ body, changeBody }: Props) {
  const sum = stored(totalMarks(body));
  return (
    <section className="note" aria-label="Total">
      <h3>
        Total
        <MarksInput
          marks={body.total ?? sum}
          label="Marks of the whole question"
          // Typing a total fixes it.
          onChange={(total) => changeBody((b) => ({ ...b, total }), 'total')}
        />
      </h3>
      <CheckLine
        checked={body.total !== null}
        onChange={(on) => changeBody((b) => ({ ...b, total: on ? sum : null }), '')}
      >
        fixed, shared out equally among the slots
      </CheckLine>
    </section>
  );
}

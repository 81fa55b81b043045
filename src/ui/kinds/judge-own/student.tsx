'use client';
import { useId } from 'react';
import type { JudgeOwnResponse, JudgeOwnSheet } from '@/core/kinds/judge-own/judge-own';
import type { ReviewProps, StudentProps } from '../contract';
import { Levels } from './Levels';

const NOTHING: JudgeOwnResponse = { judgement: {}, words: '' };

export function Student({
  id,
  label,
  sheet,
  response = NOTHING,
  onChange,
}: StudentProps<JudgeOwnSheet, JudgeOwnResponse>) {
  const { judgement } = response;
  if (sheet.afterwards)
    return <p className="slot-box soft">You judge your own work after you have handed it in, on your page.</p>;
  return (
    <div role="group" aria-label={label}>
      {sheet.title && <p className="soft mb-0">{sheet.title}: how do you judge your own work?</p>}
      <Levels
        id={id}
        sheet={sheet}
        response={response}
        onChoose={(criterion, level) =>
          onChange({ ...response, judgement: { ...judgement, [criterion]: { level, marks: null, remark: '' } } })
        }
      />
      {sheet.words && (
        <label className="d-block">
          What would you say to it?
          <textarea
            className="form-control"
            rows={2}
            maxLength={5000}
            value={response.words}
            onChange={(e) => onChange({ ...response, words: e.target.value })}
          />
        </label>
      )}
    </div>
  );
}

/** What the student found of their own work. */
export function Review({ sheet, response }: ReviewProps<JudgeOwnSheet, JudgeOwnResponse>) {
  const id = useId();
  if (!response) return <div className="slot-box soft">no answer</div>;
  return (
    <div>
      <Levels id={id} sheet={sheet} response={response} />
      {response.words.trim() !== '' && <p dir="auto">{response.words}</p>}
    </div>
  );
}

'use client';
import type { KeyboardEvent, RefObject } from 'react';
import type { Refusal } from '@/core/base/result';
import type { Judgement, Rubric } from '@/core/rules/rubric/rubric';
import { KeyCap } from '../frame/KeyCap';
import { Trouble } from '../parts/Trouble';
import { marksText } from '../words/marks';
import { refusalText } from '../words/refusals';
import { RubricMarking } from './RubricMarking';

interface Props {
  field: RefObject<HTMLInputElement | null>;
  marks: string;
  of: string;
  rubric: Rubric | undefined;
  judgement: Judgement;
  criterion: number;
  /** Why the mark was not taken. */
  refusal: Refusal | null;
  onMarks: (typed: string) => void;
  onKey: (event: KeyboardEvent) => void;
  onCriterion: (at: number) => void;
  onJudge: (judgement: Judgement) => void;
}

/** The mark of the answer that is looked at: typed, or found by its rubric. */
export function MarkNote(props: Props) {
  const { field, marks, of, rubric, judgement, criterion, refusal, onMarks, onKey, onCriterion, onJudge } = props;
  return (
    <div className="note on red">
      <h3>{rubric ? rubric.title || 'Rubric' : 'Mark'}</h3>
      {rubric ? (
        <RubricMarking
          rubric={rubric}
          judgement={judgement}
          of={of}
          at={criterion}
          onAt={onCriterion}
          onJudge={onJudge}
        />
      ) : (
        <div className="d-flex align-items-baseline gap-2">
          <input
            ref={field}
            className="form-control mark-input"
            inputMode="decimal"
            aria-label={`Marks out of ${marksText(of)}`}
            aria-invalid={refusal !== null}
            value={marks}
            onChange={(e) => onMarks(e.target.value)}
            onKeyDown={onKey}
          />
          <span>of {marksText(of)}</span>
        </div>
      )}
      {refusal && <Trouble>{refusalText(refusal)}</Trouble>}
      <p className="soft mt-2 mb-0">
        <kbd>{rubric ? 1 : 0}</kbd>–<kbd>9</kbd> {rubric ? 'level' : 'marks'}{' '}
        {!rubric && (
          <>
            <KeyCap of="h" /> half{' '}
          </>
        )}
        <KeyCap of="r" /> remark <KeyCap of="u" /> unsure <KeyCap of="j" /> next
      </p>
    </div>
  );
}

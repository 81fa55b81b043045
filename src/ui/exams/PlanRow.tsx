'use client';
import { useSortable } from '@dnd-kit/sortable';
import { Link } from '../parts/Link';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { stored } from '@/core/base/exact';
import type { ExamPlan, Placement } from '@/core/exams/plan';
import { wholeNumber } from '@/core/rules/number/read';
import type { PlacedQuestion } from '@/server/exams/exam-view';
import { kindsText } from '../kinds/registry';
import { marksText } from '../words/marks';
import { changedItem, withoutItems } from './plan-moves';

interface Props {
  item: Placement;
  number: string;
  question: PlacedQuestion | undefined;
  chosen: boolean;
  /** Some row is chosen. */
  choosing: boolean;
  onChoose: (on: boolean) => void;
  change: (next: (plan: ExamPlan) => ExamPlan, tag?: string) => void;
}

/** One question in the plan: dragged by its number, marks typed in place. */
export function PlanRow({ item, number, question, chosen, choosing, onChoose, change }: Props) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: item.id });
  const style = {
    transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
    transition,
    zIndex: isDragging ? 3 : undefined,
    position: 'relative' as const,
  };
  const [typed, setTyped] = useState<string | null>(null);
  const marks = question?.marks ?? '0';
  /** An emptied field goes back to the question's own marks. */
  const keep = (): void => {
    if (typed === null) return;
    const value = wholeNumber(typed);
    if (typed.trim() === '') change((p) => changedItem(p, item.id, { marks: null }));
    else if (value && value.compare(0) >= 0 && value.compare(1000) <= 0 && stored(value) !== marks) {
      change((p) => changedItem(p, item.id, { marks: stored(value) }));
    }
    setTyped(null);
  };
  return (
    <div className={`plan-row ${chosen ? 'chosen' : ''}`} ref={setNodeRef} style={style}>
      <span className={`plan-place ${item.part ? 'part' : ''}`}>
        <input
          type="checkbox"
          className={`form-check-input ${choosing ? 'seen' : ''}`}
          aria-label={`Choose question ${number}`}
          checked={chosen}
          onChange={(e) => onChoose(e.target.checked)}
        />
        <button type="button" className="grip" {...attributes} {...listeners} aria-label={`Question ${number}, move`}>
          ⠿ {number}
        </button>
      </span>
      <span>
        {question?.open ? <Link href={`/bank/${item.question}`}>{question.title}</Link> : (question?.title ?? '…')}{' '}
        <small>{kindsText(question?.kinds ?? '')}</small>{' '}
        <button
          type="button"
          className={`btn-link-plain bonus ${item.bonus ? 'on' : ''}`}
          aria-pressed={item.bonus}
          aria-label={`Question ${number} is a bonus, outside the total`}
          onClick={() => change((p) => changedItem(p, item.id, { bonus: !item.bonus }))}
        >
          {item.bonus ? 'bonus, outside the total' : 'as a bonus'}
        </button>{' '}
        {question?.newer && (
          <button
            type="button"
            className="btn-link-plain hand"
            onClick={() => change((p) => changedItem(p, item.id, { revision: question.newer ?? item.revision }))}
          >
            take revision {question.newer}
          </button>
        )}
      </span>
      <span className="bracketed">
        {item.bonus ? '(+' : '['}
        <input
          aria-label={`Marks of question ${number}`}
          className={item.marks === null ? '' : 'wrong'}
          value={typed ?? marksText(marks)}
          onFocus={(e) => e.currentTarget.select()}
          onChange={(e) => setTyped(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
          onBlur={keep}
        />
        {item.bonus ? ')' : ']'}
      </span>
      <span className="soft" title={question?.measured ? 'as long as earlier students took' : 'by rule of thumb'}>
        {question?.minutes ?? 0} min{' '}
        {question &&
          (question.ready ? (
            <span className="good">✓</span>
          ) : (
            <span className="hand" title="not ready">
              !
            </span>
          ))}
      </span>
      <Button
        variant="quiet"
        aria-label={`Take question ${number} out`}
        onClick={() => change((p) => withoutItems(p, new Set([item.id])))}
      >
        ×
      </Button>
    </div>
  );
}

'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { reviewAction } from '@/actions/bank';
import type { PlacedSlot } from '@/core/bank/question';
import type { OpenQuestion } from '@/server/bank/open-question';
import { refusalText } from '../words/refusals';
import { REVIEW_WORDS } from '../words/review';
import { dayAndTime } from '../words/time';
import { Trouble } from '../parts/Trouble';
import { replyTo } from '../parts/reply-to';

interface Props {
  question: OpenQuestion;
  placed: PlacedSlot[];
  selected: string | null;
  /** Saves what is on the bench first. */
  flush: () => Promise<void>;
  onDone: () => void;
}

/** Review in the margin: ask for it; or, for a colleague, agree or return with a remark. */
export function ReviewNote({ question, placed, selected, flush, onDone }: Props) {
  const [remark, setRemark] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const letter = placed.find((p) => p.id === selected)?.letter;
  const letterOf = (slot: string | null): string => placed.find((p) => p.id === slot)?.letter ?? '';
  const act = async (what: 'asked' | 'agreed' | 'returned'): Promise<void> => {
    await flush();
    const slot = what === 'returned' && letter ? selected : null;
    const result = await replyTo(reviewAction({ question: question.id, act: what, slot, remark }));
    setTrouble(result.ok ? null : refusalText(result.refusal));
    if (!result.ok) return;
    setRemark('');
    onDone();
  };
  const asked = question.review === 'asked';
  return (
    <section className={`note ${asked ? 'warn' : question.review === 'agreed' ? 'tick' : ''}`} aria-label="Review">
      <h3>
        Review <span className="end">{REVIEW_WORDS[question.review]}</span>
      </h3>
      {question.story.slice(-4).map((step) => (
        <p key={`${step.at} ${step.act}`}>
          {step.slot && <span className="letter me-1">{letterOf(step.slot)}</span>}
          {step.remark && <span className={step.act === 'returned' ? 'wrong' : ''}>{step.remark} </span>}
          <span className="soft">
            {step.by} {step.act === 'asked' ? 'asked for review' : step.act}, {dayAndTime(step.at)}
          </span>
        </p>
      ))}
      <Trouble>{trouble}</Trouble>
      {asked ? (
        <>
          <textarea
            className="form-control form-control-sm mb-1"
            rows={2}
            aria-label="Remark"
            placeholder={letter ? `What should be changed at slot ${letter}?` : 'What should be changed?'}
            maxLength={2000}
            value={remark}
            onChange={(e) => setRemark(e.target.value)}
          />
          <div className="d-flex gap-2">
            <Button variant="outline-primary" onClick={() => act('agreed')}>
              Agree
            </Button>
            <Button variant="quiet" onClick={() => act('returned')}>
              Return with the remark
            </Button>
          </div>
        </>
      ) : (
        question.review !== 'agreed' && (
          <Button variant="outline-primary" onClick={() => act('asked')}>
            Ask for review
          </Button>
        )
      )}
    </section>
  );
}

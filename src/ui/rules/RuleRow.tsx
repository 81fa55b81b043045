'use client';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { ShareInput } from '../parts/ShareInput';

interface Props {
  /** From 0: the order in which rules are tried. */
  index: number;
  /** What has to hold, on the first line. */
  when: ReactNode;
  /** The rule's part of the marks; left out where its parts have their own. */
  share?: { of: string; value: string; onChange: (share: string) => void };
  feedback: string;
  onFeedback: (feedback: string) => void;
  /** Left out where the rule has to stay. */
  onTakeOut?: () => void;
  /** What is finer, between the first line and the feedback. */
  children?: ReactNode;
}

/** One rule in the margin: if, what it earns, what the student reads. */
export function RuleRow({ index, when, share, feedback, onFeedback, onTakeOut, children }: Props) {
  const number = index + 1;
  return (
    <div className="d-grid gap-1">
      <div className="line">
        <strong>{index === 0 ? 'if' : 'else if'}</strong>
        {when}
        {share && (
          <ShareInput
            share={share.value}
            marks={share.of}
            label={`Marks of rule ${number}`}
            onChange={share.onChange}
          />
        )}
        {onTakeOut && (
          <Button variant="quiet" aria-label={`Take rule ${number} out`} onClick={onTakeOut}>
            <X size={14} />
          </Button>
        )}
      </div>
      {children}
      <input
        className="form-control"
        aria-label={`Feedback of rule ${number}`}
        placeholder="What they read"
        value={feedback}
        maxLength={1000}
        onChange={(e) => onFeedback(e.target.value)}
      />
    </div>
  );
}

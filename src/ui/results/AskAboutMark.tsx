'use client';
import { useState } from 'react';
import type { Result } from '@/core/base/result';
import type { MarkQuestion } from '@/server/results/mark-questions';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { dayAndTime } from '../words/time';

interface Props {
  questions: readonly MarkQuestion[];
  /** The number of the question on the paper. */
  number: string;
  /** Given to whoever may ask, where nothing of theirs waits. */
  ask?: (words: string) => Promise<Result<null>>;
  /** Given to whoever may answer. */
  answer?: (question: string, words: string) => Promise<Result<null>>;
}

/** What was asked about the marks of one question, and a place to ask or to answer. */
export function AskAboutMark({ questions, number, ask, answer }: Props) {
  const waits = questions.some((one) => one.answer === null);
  return (
    <>
      {questions.map((one) => (
        <div key={one.id} className="note">
          <p className="mb-1" dir="auto">
            <strong>{one.askedBy}</strong> asks: {one.words}
          </p>
          {one.answer ? (
            <p className="mb-0" dir="auto">
              <strong>{one.answer.by}</strong>, {dayAndTime(one.answer.at)}: {one.answer.words}
            </p>
          ) : answer ? (
            <Words
              label={`Answer to the question about ${number}`}
              send="Answer"
              onSend={(words) => answer(one.id, words)}
            />
          ) : (
            <p className="soft mb-0">The answer comes here.</p>
          )}
        </div>
      ))}
      {ask && !waits && <Asking number={number} ask={ask} />}
    </>
  );
}

function Asking({ number, ask }: { number: string; ask: (words: string) => Promise<Result<null>> }) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <p className="no-print">
        <button
          type="button"
          className="btn-link-plain soft"
          aria-label={`Ask about the marks of question ${number}`}
          onClick={() => setOpen(true)}
        >
          Ask about these marks
        </button>
      </p>
    );
  return (
    <div className="note">
      <Words
        label={`What you want to know about the marks of question ${number}`}
        send="Ask"
        onSend={ask}
        onCancel={() => setOpen(false)}
      />
    </div>
  );
}

interface WordsProps {
  label: string;
  send: string;
  onSend: (words: string) => Promise<Result<null>>;
  onCancel?: () => void;
}

function Words({ label, send, onSend, onCancel }: WordsProps) {
  const [words, setWords] = useState('');
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const act = async (): Promise<void> => {
    if (busy || words.trim() === '') return;
    setBusy(true);
    try {
      const result = await onSend(words.trim());
      setTrouble(result.ok ? null : refusalText(result.refusal));
      if (result.ok) {
        setWords('');
        onCancel?.();
      }
    } catch {
      setTrouble('This could not be sent. Look at the connection and try again; your words are still here.');
    }
    setBusy(false);
  };
  return (
    <>
      <textarea
        className="form-control form-control-sm"
        aria-label={label}
        rows={3}
        maxLength={2000}
        value={words}
        onChange={(e) => setWords(e.target.value)}
      />
      <p className="d-flex gap-2 mt-1 mb-0">
        <button type="button" className="btn btn-sm btn-outline-primary" disabled={busy} onClick={() => void act()}>
          {send}
        </button>
        {onCancel && (
          <button type="button" className="btn btn-sm btn-quiet" onClick={onCancel}>
            Leave it
          </button>
        )}
      </p>
      <Trouble>{trouble}</Trouble>
    </>
  );
}

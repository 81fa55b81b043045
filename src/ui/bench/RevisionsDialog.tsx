'use client';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { revisionAction } from '@/actions/bank';
import type { QuestionBody } from '@/core/bank/question';
import type { OpenQuestion } from '@/server/bank/open-question';
import { Dialog } from '../parts/Dialog';
import { dayAndTime } from '../words/time';
import type { BenchState } from './bench-state';
import { SideBySide } from './SideBySide';
import { compareVersions } from './versions';
import { replyTo } from '../parts/reply-to';

interface Props {
  question: OpenQuestion;
  present: BenchState;
  onGoBack: (body: QuestionBody) => void;
  onClose: () => void;
}

/** Stands for what is on the bench, among the numbers of revisions. */
const NOW = 0;

/** The bodies of the revisions that are asked for, as they arrive. */
function useRevisions(question: string, numbers: readonly number[]): ReadonlyMap<number, QuestionBody> {
  const [loaded, setLoaded] = useState<ReadonlyMap<number, QuestionBody>>(new Map());
  const missing = numbers.find((number) => number !== NOW && !loaded.has(number));
  useEffect(() => {
    if (missing === undefined) return;
    let stale = false;
    void replyTo(revisionAction(question, missing)).then((result) => {
      if (!stale && result.ok) setLoaded((known) => new Map(known).set(missing, result.value));
    });
    return () => {
      stale = true;
    };
  }, [question, missing]);
  return loaded;
}

/** Two revisions side by side, or one beside what stands on the bench; to go back to one is one change that can be undone. */
export function RevisionsDialog({ question, present, onGoBack, onClose }: Props) {
  const [number, setNumber] = useState(question.history[0]?.number ?? NOW);
  const [other, setOther] = useState(NOW);
  const loaded = useRevisions(question.id, [number, other]);
  const body = loaded.get(number);
  const against = other === NOW ? present.body : loaded.get(other);
  const nameOf = (which: number): string => {
    const row = question.history.find((h) => h.number === which);
    return which === NOW ? 'On the bench now' : `Revision ${which}${row ? `, ${row.by}` : ''}`;
  };
  const choices = question.history.map((h) => (
    <option key={h.number} value={h.number}>
      Revision {h.number}, {h.by}, {dayAndTime(h.at)}
    </option>
  ));
  return (
    <Dialog title="Revisions" onClose={onClose} size="xl">
      <div className="d-flex gap-3 align-items-center mb-3">
        <select
          className="form-select w-auto"
          aria-label="Revision"
          value={number}
          onChange={(e) => setNumber(Number(e.target.value))}
        >
          {choices}
        </select>
        against
        <select
          className="form-select w-auto"
          aria-label="Compare it with"
          value={other}
          onChange={(e) => setOther(Number(e.target.value))}
        >
          <option value={NOW}>what is on the bench now</option>
          {choices}
        </select>
        <Button variant="outline-primary" className="ms-auto" disabled={!body} onClick={() => body && onGoBack(body)}>
          Go back to revision {number}
        </Button>
      </div>
      {body && against && (
        <SideBySide
          left={nameOf(number)}
          right={nameOf(other)}
          parts={compareVersions({ body, facts: present.facts }, { body: against, facts: present.facts })}
        />
      )}
    </Dialog>
  );
}

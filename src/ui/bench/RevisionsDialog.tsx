'use client';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';
import { revisionAction } from '@/app/(staff)/bank/actions';
import type { QuestionBody } from '@/core/bank/question';
import type { OpenQuestion } from '@/server/bank/open-question';
import { dayAndTime } from '../words/time';
import type { BenchState } from './bench-state';
import { SideBySide } from './SideBySide';
import { compareVersions } from './versions';

interface Props {
  question: OpenQuestion;
  present: BenchState;
  onGoBack: (body: QuestionBody) => void;
  onClose: () => void;
}

/** An earlier revision beside what stands on the bench; to go back to it is one change that can be undone. */
export function RevisionsDialog({ question, present, onGoBack, onClose }: Props) {
  const [number, setNumber] = useState(question.history[0]?.number ?? 0);
  const [loaded, setLoaded] = useState<{ number: number; body: QuestionBody } | null>(null);
  const body = loaded?.number === number ? loaded.body : null;
  useEffect(() => {
    let stale = false;
    revisionAction(question.id, number).then((result) => {
      if (!stale && result.ok) setLoaded({ number, body: result.value });
    });
    return () => {
      stale = true;
    };
  }, [question.id, number]);
  const row = question.history.find((h) => h.number === number);
  return (
    <Modal show onHide={onClose} size="xl" animation={false} aria-labelledby="revisions">
      <Modal.Header closeButton>
        <Modal.Title as="h2" className="fs-6 fw-bold" id="revisions">
          Revisions
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <div className="d-flex gap-3 align-items-center mb-3">
          <select
            className="form-select w-auto"
            aria-label="Revision"
            value={number}
            onChange={(e) => setNumber(Number(e.target.value))}
          >
            {question.history.map((h) => (
              <option key={h.number} value={h.number}>
                Revision {h.number}, {h.by}, {dayAndTime(h.at)}
              </option>
            ))}
          </select>
          <Button variant="outline-primary" className="ms-auto" disabled={!body} onClick={() => body && onGoBack(body)}>
            Go back to revision {number}
          </Button>
        </div>
        {body && (
          <SideBySide
            left={`Revision ${number}${row ? `, ${row.by}` : ''}`}
            right="On the bench now"
            parts={compareVersions({ body, facts: present.facts }, present)}
          />
        )}
      </Modal.Body>
    </Modal>
  );
}

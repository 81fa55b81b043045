'use client';
import { Link } from '../parts/Link';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { takeBackMendingAction, takeIntoBankAction } from '@/actions/mending';
import type { AnswersView } from '@/server/marking/answers-view';
import { plural } from '../words/marks';
import { changeText } from '../words/mending';
import { refusalText } from '../words/refusals';
import { dayAndTime } from '../words/time';
import { Trouble } from '../parts/Trouble';
import { replyTo } from '../parts/reply-to';

const STATES = { running: 'runs', applied: '', cancelled: 'cancelled', 'taken back': 'taken back' } as const;

/** What was mended in this sitting, the newest first, and the way back. */
export function MendingHistory({ view }: { view: AnswersView }) {
  const [trouble, setTrouble] = useState<string | null>(null);
  if (view.history.length === 0) return null;
  return (
    <section className="note" aria-label="History">
      <h3>History</h3>
      <Trouble>{trouble}</Trouble>
      <ul>
        {view.history.map((one) => (
          <li key={one.id} className={`mb-2 ${one.state === 'applied' ? '' : 'soft'}`}>
            <span className="soft">
              {dayAndTime(one.at)}, {one.by}, question {one.number}
            </span>
            {one.changes.map((change) => (
              <span key={JSON.stringify(change)} className="d-block">
                {changeText(change, one.item === view.item ? view.slots : [])}
              </span>
            ))}
            {one.reason && <span className="d-block">“{one.reason}”</span>}
            <span className="soft">{STATES[one.state] || changedText(one)}</span>
            {one.state === 'applied' && one.changes.some(({ what }) => what === 'answer' || what === 'wording') && (
              <IntoBank mending={one.id} onTrouble={setTrouble} />
            )}
            {one.newest && (
              <Button
                variant="quiet"
                className="small-act"
                onClick={async () => {
                  const result = await replyTo(takeBackMendingAction(one.id));
                  setTrouble(result.ok ? null : refusalText(result.refusal));
                }}
              >
                Take back
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function changedText({ marksChanged, scripts }: AnswersView['history'][number]): string {
  return marksChanged === 0
    ? 'no mark changed'
    : `${plural(marksChanged, 'mark')} changed in ${plural(scripts, 'script')}`;
}

/** Puts the rules of a mending into the question of the bank, and leads there. */
function IntoBank({ mending, onTrouble }: { mending: string; onTrouble: (trouble: string | null) => void }) {
  const [question, setQuestion] = useState<string | null>(null);
  if (question !== null) {
    return (
      <Link className="ms-2" href={`/bank/${question}`}>
        in the bank now
      </Link>
    );
  }
  return (
    <Button
      variant="quiet"
      className="small-act"
      title="The question in the bank takes these rules, for the next exam"
      onClick={async () => {
        const result = await replyTo(takeIntoBankAction(mending));
        if (result.ok) setQuestion(result.value.question);
        onTrouble(result.ok ? null : refusalText(result.refusal));
      }}
    >
      Into the bank
    </Button>
  );
}

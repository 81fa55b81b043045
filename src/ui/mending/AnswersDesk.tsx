'use client';
import { Link } from '../parts/Link';
import { Fragment, useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Change } from '@/core/exams/amendments';
import type { AnswersView } from '@/server/marking/answers-view';
import { Strip } from '../frame/Strip';
import type { DrawnFormulas } from '../sheet/formulas';
import { QuestionView } from '../sheet/QuestionView';
import { plural } from '../words/marks';
import { AnswerTable } from './AnswerTable';
import { MendingHistory } from './MendingHistory';
import { MendingNotes } from './MendingNotes';
import { MendingPreviewDialog } from './MendingPreviewDialog';
import { UnreadPhrases } from './UnreadPhrases';

/** What is meant to change, and why. */
interface Pending {
  changes: Change[];
  reason: string;
  overPersons: boolean;
}

const NOTHING: Pending = { changes: [], reason: '', overPersons: false };

function readPending(key: string): Pending {
  try {
    return { ...NOTHING, ...(JSON.parse(sessionStorage.getItem(key) ?? '{}') as Partial<Pending>) };
  } catch {
    return NOTHING;
  }
}

/** What is meant to change, kept for the session so that looking at another question loses nothing. */
function usePending(key: string): [Pending, (part: Partial<Pending>) => void] {
  const [pending, setPending] = useState(NOTHING);
  useEffect(() => {
    const timer = setTimeout(() => setPending(readPending(key)), 0);
    return () => clearTimeout(timer);
  }, [key]);
  const keep = (part: Partial<Pending>): void => {
    const next = { ...pending, ...part };
    setPending(next);
    sessionStorage.setItem(key, JSON.stringify(next));
  };
  return [pending, keep];
}

/** The answers of a sitting, question by question: what was answered how often and what it earned, and how to mend that. */
export function AnswersDesk({ view, drawn }: { view: AnswersView; drawn: DrawnFormulas }) {
  const [{ changes, reason, overPersons }, keep] = usePending(`zonda-mending-${view.sitting}-${view.item}`);
  const setChanges = (next: Change[]): void => keep({ changes: next });
  const [previewing, setPreviewing] = useState(false);
  return (
    <>
      <Strip
        where={{ href: `/sittings/${view.sitting}/results`, name: `${view.course} ${view.title}` }}
        title={`Answers to question ${view.number}`}
        chip={plural(view.scripts, 'script')}
        state={view.dropped ? 'does not count' : view.everyone ? 'everybody has the marks' : ''}
      >
        <Button disabled={changes.length === 0} onClick={() => setPreviewing(true)}>
          Preview who moves…
        </Button>
      </Strip>
      <div className="split with-index">
        <nav className="index" aria-label="Questions">
          <h2>Questions</h2>
          <ul>
            {view.questions.map((q) => (
              <li key={q.item}>
                <Link
                  href={`/sittings/${view.sitting}/answers?item=${q.item}`}
                  aria-current={q.item === view.item}
                  title={q.label}
                >
                  <span className="num">{q.number}</span>
                  <span className="text-truncate">{q.label}</span>
                  <small className="text-nowrap">
                    {q.dropped ? 'dropped' : q.waiting > 0 && <span className="hand">{q.waiting} wait</span>}
                  </small>
                </Link>
              </li>
            ))}
          </ul>
        </nav>
        <div>
          <div className="sheet">
            <QuestionView number={view.number} marks={view.marks} sheet={view.sheet} drawn={drawn} responses={{}} />
          </div>
          {view.slots.map((slot) => (
            <Fragment key={slot.id}>
              <AnswerTable
                slot={slot}
                single={view.slots.length === 1}
                changes={changes}
                drawn={drawn}
                onChange={view.varies ? null : setChanges}
              />
              <UnreadPhrases slot={slot} changes={changes} onChange={setChanges} />
            </Fragment>
          ))}
        </div>
        <aside className="margin" aria-label="Mending">
          <MendingNotes
            view={view}
            changes={changes}
            drawn={drawn}
            reason={reason}
            overPersons={overPersons}
            onChanges={setChanges}
            onReason={(text) => keep({ reason: text })}
            onOverPersons={(on) => keep({ overPersons: on })}
            onPreview={() => setPreviewing(true)}
          />
          <MendingHistory view={view} />
        </aside>
      </div>
      {previewing && (
        <MendingPreviewDialog
          order={{ sitting: view.sitting, item: view.item, changes, reason, overPersons }}
          released={view.released}
          onClose={() => setPreviewing(false)}
          onApplied={() => {
            keep(NOTHING);
            setPreviewing(false);
          }}
        />
      )}
    </>
  );
}

import { useEffect, useRef, useState } from 'react';
import type { Practice } from '@/core/exams/plan';
import { Trouble } from '../parts/Trouble';
import { ContentView } from '../sheet/ContentView';
import { TextWithFormulas } from '../sheet/Formula';
import { plural } from '../words/marks';
import { OUTCOMES } from '../words/outcomes';
import { refusalText } from '../words/refusals';
import { outOf, traceText } from '../words/traces';
import type { Fullness } from './Contents';
import type { PracticeState, Told } from './use-practice';

/** An answer that has not changed for so long is checked, where that is done by itself, in milliseconds. */
const SETTLED = 1500;

interface Props {
  /** Its number, for those who hear it. */
  number: string;
  item: string;
  practice: Practice;
  state: PracticeState;
  /** The answers as they are now. */
  answers: string;
  answered: Fullness;
  /** Puts answers back as they are for another try. */
  onAgain: (responses: Record<string, unknown>) => void;
}

/** Below a question: has it checked, says what came of it, and lets it be tried again. */
export function PracticeBox({ number, item, practice, state, answers, answered, onAgain }: Props) {
  const [asking, setAsking] = useState(false);
  const told = state.told[item];
  const busy = state.busy === item;
  const changed = told !== undefined && told.answers !== null && told.answers !== answers;
  const closed = told?.closed === true;
  const right = told?.slots.every(({ outcome }) => outcome === 'right') ?? false;
  const back = told && !changed && !right && Object.keys(told.again).length > 0;
  const { check } = state;
  const tried = useRef<string | null>(null);
  const byItself = practice.check === 'itself' && answered === 'full' && !closed && (told === undefined || changed);
  useEffect(() => {
    // The same answers are not tried again and again while there is no network.
    if (!byItself || tried.current === answers) return;
    const timer = setTimeout(() => {
      tried.current = answers;
      void check(item, false);
    }, SETTLED);
    return () => clearTimeout(timer);
  }, [byItself, answers, check, item]);
  const keySeen = told?.slots.some(({ key }) => key !== null) ?? false;
  return (
    <div className="practice" role="group" aria-label={`Check question ${number}`}>
      <div role="status">
        {told && !changed && <Told told={told} />}
        {changed && !closed && <p className="soft mb-2">Changed since it was checked.</p>}
        {closed && <p className="soft mb-2">Your answer stays as it is.</p>}
      </div>
      {state.refused?.item === item && <Trouble className="mb-2">{refusalText(state.refused.refusal)}</Trouble>}
      <div className="d-flex flex-wrap gap-2 align-items-center">
        {!closed && practice.check === 'wish' && (
          <button
            type="button"
            className="btn btn-outline-primary"
            disabled={busy || answered === 'empty' || (told !== undefined && !changed && told.answers !== null)}
            onClick={() => void state.check(item, false)}
          >
            {busy ? 'Checking…' : 'Check'}
          </button>
        )}
        {back && (
          <button type="button" className="btn btn-outline-primary" onClick={() => onAgain(told.again)}>
            Keep what is right, try the rest again
          </button>
        )}
        {practice.key && !keySeen && !asking && (
          <button type="button" className="btn btn-quiet" disabled={busy} onClick={() => setAsking(true)}>
            See the key…
          </button>
        )}
        {asking && !keySeen && (
          <>
            <span className="hand">Then your answer stays as it is.</span>
            <button
              type="button"
              className="btn btn-outline-primary"
              disabled={busy}
              onClick={() => {
                setAsking(false);
                void state.check(item, true);
              }}
            >
              See the key
            </button>
            <button type="button" className="btn btn-quiet" onClick={() => setAsking(false)}>
              Cancel
            </button>
          </>
        )}
        {told && !closed && told.left !== null && (
          <span className="soft">{told.left === 1 ? 'one more check' : `${plural(told.left, 'check')} more`}</span>
        )}
        {!told && practice.tries !== null && <span className="soft">{plural(practice.tries, 'check')} in all</span>}
      </div>
    </div>
  );
}

function Told({ told }: { told: Told }) {
  const { slots, explanation, drawn } = told;
  return (
    <>
      {slots.map((slot) => {
        const reason = traceText(slot.trace);
        return (
          <div key={slot.id} className={`note ${slot.outcome === 'right' ? 'tick' : slot.outcome ? 'red' : ''}`}>
            <p>
              {slots.length > 1 && <strong>{slot.letter} </strong>}
              {slot.outcome && (
                <strong className={slot.outcome === 'right' ? 'good' : slot.outcome === 'waits' ? 'soft' : 'wrong'}>
                  {slot.marks === null ? OUTCOMES[slot.outcome] : outOf(slot.marks, slot.of)}
                </strong>
              )}{' '}
              {reason && <TextWithFormulas text={reason} drawn={drawn} />}
            </p>
            {slot.feedback && <p>{slot.feedback}</p>}
            {slot.key !== null && slot.outcome !== 'right' && (
              <p>
                Key: <TextWithFormulas text={slot.key} drawn={drawn} />
              </p>
            )}
          </div>
        );
      })}
      {slots.every(({ outcome, key, feedback }) => !outcome && key === null && !feedback) && (
        <p className="soft mb-2">It was checked. You see more later.</p>
      )}
      {explanation && <ContentView content={explanation} drawn={drawn} slot={() => null} />}
    </>
  );
}

import { useEffect, useRef, useState } from 'react';
import type { Practice } from '@/core/exams/plan';
import type { Worded } from '@/core/exams/student-words';
import { Trouble } from '../parts/Trouble';
import { ContentView } from '../sheet/ContentView';
import { TextWithFormulas } from '../sheet/Formula';
import { plural } from '../words/marks';
import { outcomeText } from '../words/student-words';
import { refusalText } from '../words/refusals';
import { outOf, traceText } from '../words/traces';
import type { Fullness } from './Contents';
import type { PracticeState, Told } from './use-practice';

/** An answer that has not changed for so long is checked, where that is done by itself, in milliseconds. */
const SETTLED = 1500;

/** What can be done about a question, and be asked again before. */
type Asking = 'check' | 'again' | 'key';

const BEFORE: Record<Asking, string> = {
  check: 'Is this your answer?',
  again: 'What is not right in it is taken away.',
  key: 'Then your answer stays as it is.',
};

interface Props {
  /** Its number, for those who hear it. */
  number: string;
  item: string;
  practice: Practice;
  state: PracticeState;
  /** The answers as they are now. */
  answers: string;
  answered: Fullness;
  words: Record<Worded, string>;
  /** Puts answers back as they are for another try. */
  onAgain: (responses: Record<string, unknown>) => void;
}

/** Below a question: has it checked, says what came of it, and lets it be tried again. */
export function PracticeBox({ number, item, practice, state, answers, answered, words, onAgain }: Props) {
  const [asking, setAsking] = useState<Asking | null>(null);
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
  const possible: Asking[] = [
    ...(!closed && practice.check === 'wish' ? (['check'] as const) : []),
    ...(back ? (['again'] as const) : []),
    ...(practice.key && !keySeen ? (['key'] as const) : []),
  ];
  const asked = asking !== null && possible.includes(asking) ? asking : null;
  const nothingNew = answered === 'empty' || (told !== undefined && !changed && told.answers !== null);
  const acts: Record<Asking, () => void> = {
    check: () => void check(item, false),
    again: () => told && onAgain(told.again),
    key: () => void check(item, true),
  };
  const asks = { check: practice.confirmCheck === true, again: practice.confirmAgain === true, key: true };
  return (
    <div className="practice" role="group" aria-label={`Check question ${number}`}>
      <div role="status">
        {told && !changed && <Told told={told} words={words} />}
        {changed && !closed && <p className="soft mb-2">Changed since it was checked.</p>}
        {closed && <p className="soft mb-2">Your answer stays as it is.</p>}
      </div>
      {state.refused?.item === item && <Trouble className="mb-2">{refusalText(state.refused.refusal)}</Trouble>}
      <div className="d-flex flex-wrap gap-2 align-items-center">
        {asked ? (
          <>
            <span className="hand">{BEFORE[asked]}</span>
            <button
              type="button"
              className="btn btn-outline-primary"
              disabled={busy}
              onClick={() => {
                setAsking(null);
                acts[asked]();
              }}
            >
              {words[asked]}
            </button>
            <button type="button" className="btn btn-quiet" onClick={() => setAsking(null)}>
              Cancel
            </button>
          </>
        ) : (
          possible.map((act) => (
            <button
              key={act}
              type="button"
              className={act === 'key' ? 'btn btn-quiet' : 'btn btn-outline-primary'}
              disabled={busy || (act === 'check' && nothingNew)}
              onClick={() => (asks[act] ? setAsking(act) : acts[act]())}
            >
              {busy && act === 'check' ? 'Checking…' : `${words[act]}${asks[act] ? '…' : ''}`}
            </button>
          ))
        )}
        {told && !closed && told.left !== null && (
          <span className="soft">{told.left === 1 ? 'one more check' : `${plural(told.left, 'check')} more`}</span>
        )}
        {!told && practice.tries !== null && <span className="soft">{plural(practice.tries, 'check')} in all</span>}
      </div>
    </div>
  );
}

function Told({ told, words }: { told: Told; words: Record<Worded, string> }) {
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
                  {slot.marks === null ? outcomeText(slot.outcome, words) : outOf(slot.marks, slot.of)}
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

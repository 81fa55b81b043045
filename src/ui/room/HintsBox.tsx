import { useState } from 'react';
import { Trouble } from '../parts/Trouble';
import { TextWithFormulas } from '../sheet/Formula';
import { marksWords } from '../words/marks';
import { refusalText } from '../words/refusals';
import type { HintsState } from './use-hints';

interface Props {
  /** Its number, for those who hear it. */
  number: string;
  item: string;
  state: HintsState;
  /** The word on the button. */
  word: string;
}

/** Below a question: the hints that were asked for, and the next one, at the price that is said before. */
export function HintsBox({ number, item, state, word }: Props) {
  const [asking, setAsking] = useState(false);
  const hints = state.hints[item];
  if (!hints) return null;
  const { seen, next, drawn } = hints;
  const cost = next === null || next === '0' ? null : marksWords(next);
  const take = (): void => {
    setAsking(false);
    void state.take(item);
  };
  return (
    <div className="practice" role="group" aria-label={`Hints of question ${number}`}>
      <div role="status">
        {seen.map((text, i) => (
          <div key={i} className="note">
            <p>
              <strong>
                {word} {seen.length > 1 || next !== null ? i + 1 : ''}
              </strong>{' '}
              <TextWithFormulas text={text} drawn={drawn} />
            </p>
          </div>
        ))}
      </div>
      {state.refused?.item === item && <Trouble className="mb-2">{refusalText(state.refused.refusal)}</Trouble>}
      {next !== null && (
        <div className="d-flex flex-wrap gap-2 align-items-center">
          {asking && <span className="hand">This takes off {cost}.</span>}
          <button
            type="button"
            className="btn btn-outline-primary"
            disabled={state.busy === item}
            onClick={() => (cost && !asking ? setAsking(true) : take())}
          >
            {state.busy === item ? 'One moment…' : `${word}${cost && !asking ? '…' : ''}`}
          </button>
          {asking ? (
            <button type="button" className="btn btn-quiet" onClick={() => setAsking(false)}>
              Cancel
            </button>
          ) : (
            <span className="soft">{cost ? `takes off ${cost}` : 'takes nothing off'}</span>
          )}
        </div>
      )}
    </div>
  );
}

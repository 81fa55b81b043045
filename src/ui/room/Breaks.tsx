import { useState } from 'react';
import { Trouble } from '../parts/Trouble';
import { plural } from '../words/marks';
import { timeLeft } from '../words/time';
import { refusalText } from '../words/refusals';
import { askRoom } from './room-request';

/** Asks the server to begin or end a break; what comes of it is heard like every change of the clock. */
function useBreak(attempt: string) {
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const ask = async (take: boolean): Promise<void> => {
    setBusy(true);
    const init = {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ take }),
    };
    const reply = await askRoom(`${attempt}/break`, init, 10_000);
    const refusal = reply.state === 'answered' ? (reply.result.ok ? null : reply.result.refusal) : { code: 'offline' };
    setTrouble(refusal && refusalText(refusal));
    setBusy(false);
  };
  return { busy, trouble, ask };
}

interface Props {
  attempt: string;
  /** Milliseconds of breaks that are left. */
  left: number;
  disabled: boolean;
}

/** Begins a break, at a second click: the sheet is covered until one goes on. */
export function TakeBreak({ attempt, left, disabled }: Props) {
  const { busy, trouble, ask } = useBreak(attempt);
  const [asking, setAsking] = useState(false);
  if (left <= 0) return null;
  const minutes = plural(Math.ceil(left / 60_000), 'minute');
  return (
    <span className="d-flex flex-wrap gap-2 align-items-center">
      {asking ? (
        <>
          <button
            type="button"
            className="btn btn-outline-primary"
            disabled={busy || disabled}
            onClick={() => {
              setAsking(false);
              void ask(true);
            }}
          >
            Rest now, {minutes} at most
          </button>
          <button type="button" className="btn btn-quiet" onClick={() => setAsking(false)}>
            Cancel
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-quiet" disabled={busy || disabled} onClick={() => setAsking(true)}>
          Take a break…
        </button>
      )}
      <Trouble>{trouble}</Trouble>
    </span>
  );
}

interface OnBreakProps {
  attempt: string;
  /** Milliseconds of working time that are left. */
  left: number;
  /** Milliseconds until the break ends by itself. */
  rest: number;
}

/** Over the sheet while one rests. */
export function OnBreak({ attempt, left, rest }: OnBreakProps) {
  const { busy, trouble, ask } = useBreak(attempt);
  return (
    <div className="sheet plain clock-stopped" role="alert">
      <h2 className="fs-5 fw-bold">You are resting</h2>
      <p>
        What you wrote is kept, and your time stands still: you still have {timeLeft(left)}. The break ends by itself in{' '}
        {timeLeft(rest)}.
      </p>
      <button type="button" className="btn btn-primary" disabled={busy} onClick={() => void ask(false)}>
        Go on now
      </button>
      <Trouble className="mt-2">{trouble}</Trouble>
    </div>
  );
}

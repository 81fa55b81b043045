'use client';
import { clock } from '@/core/content/recordings';
import type { Recorder } from './recorder';

interface Props {
  recorder: Recorder;
  label: string;
  /** How long it can be, in seconds. */
  seconds: number;
  /** What the first button says; and once there is something, again. */
  verbs: readonly [first: string, again: string];
  again: boolean;
  /** How often still; null for as often as one likes. */
  left: number | null;
  /** What is short needs no pause. */
  pauses?: boolean;
  /** Nothing can be recorded at present. */
  idle?: boolean;
}

/** Begins, pauses and ends a recording, and shows that it is heard. */
export function RecorderActs({
  recorder,
  label,
  seconds,
  verbs: [first, more],
  again,
  left,
  pauses = true,
  idle = false,
}: Props) {
  const { state } = recorder;
  const paused = state.name === 'paused';
  if (state.name === 'recording' || paused) {
    return (
      <div className="acts">
        <button type="button" className="btn btn-primary" onClick={recorder.stop}>
          Stop
        </button>
        {pauses && (
          <button type="button" className="btn btn-outline-primary" onClick={paused ? recorder.goOn : recorder.pause}>
            {paused ? 'Go on' : 'Pause'}
          </button>
        )}
        <span className="level" aria-hidden="true">
          <i style={{ width: `${Math.round(100 * recorder.level)}%` }} />
        </span>
        <span className={paused ? 'soft' : 'wrong'}>
          {paused ? 'paused' : '● recording'} {clock(recorder.length)} of {clock(seconds)}
        </span>
      </div>
    );
  }
  const verb = again ? more : first;
  return (
    <div className="acts">
      <button
        type="button"
        className="btn btn-outline-primary"
        aria-label={`${label}: ${verb.toLowerCase()}`}
        disabled={idle || state.name === 'asking' || (left !== null && left <= 0)}
        onClick={() => void recorder.start()}
      >
        {state.name === 'asking' ? 'Opening…' : verb}
      </button>
      {left !== null && <span className="soft">{Math.max(0, left)} left</span>}
    </div>
  );
}

'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { releaseAction } from '@/actions/sittings';
import { type Aspect, ASPECTS, seenAt } from '@/core/exams/sees';
import type { Refusal } from '@/core/base/result';
import type { Results, Shows } from '@/server/results/results';
import { plural } from '../words/marks';
import { dayAndTime } from '../words/time';
import { refusalText } from '../words/refusals';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { CheckLine } from '../parts/CheckLine';

const WORDS: Record<Aspect, string> = {
  marks: 'marks per question, with the reason for each',
  right: 'whether each answer was right',
  key: 'the key, where an answer was not right',
  explanation: 'explanations',
  remarks: 'remarks of markers and rules',
};

/** Says what releasing does and to how many, then does it. */
export function Release({ results, passed, onClose }: { results: Results; passed: number; onClose: () => void }) {
  const [shows, setShows] = useState<Shows>({ ...seenAt(results.sees, 'released'), atOnce: false });
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [busy, setBusy] = useState(false);
  const release = async (): Promise<void> => {
    setBusy(true);
    const result = await releaseAction({ sitting: results.sitting, shows });
    setBusy(false);
    if (result.ok) location.reload();
    else setRefusal(result.refusal);
  };
  return (
    <Dialog
      title="Release the results"
      onClose={onClose}
      acts={
        <Button disabled={busy} onClick={release}>
          Release to {plural(results.rows.length, 'student')}
        </Button>
      }
    >
      <p>
        {plural(results.rows.length, 'student')} will see the score and what their range reads; {passed} have passed.
        You can take it back.
      </p>
      {ASPECTS.map((name) => (
        <CheckLine
          key={name}
          className="mb-1"
          checked={shows[name]}
          onChange={(on) => setShows({ ...shows, [name]: on })}
        >
          {WORDS[name]}
        </CheckLine>
      ))}
      {results.stillOpen && (
        <div className="advice mt-3">
          <p className="mb-1">
            <strong>
              {results.stillOpen.students === 0
                ? 'The sitting is still open'
                : `${plural(results.stillOpen.students, 'student has', 'students have')} not begun and can still get in`}
            </strong>
            , until {dayAndTime(results.stillOpen.until)}. Until then those who have finished read only their score and
            what their range says.
          </p>
          <CheckLine checked={shows.atOnce} onChange={(on) => setShows({ ...shows, atOnce: on })}>
            show marks, key and explanations at once all the same
          </CheckLine>
        </div>
      )}
      {refusal && <Trouble>{refusalText(refusal)}</Trouble>}
    </Dialog>
  );
}

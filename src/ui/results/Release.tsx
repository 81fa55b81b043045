'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { releaseAction } from '@/actions/sittings';
import { type Aspect, ASPECTS, seenAt } from '@/core/exams/sees';
import type { Refusal } from '@/core/base/result';
import type { Results, Shows } from '@/server/results/results';
import { plural } from '../words/marks';
import { dayAndTime, fromField } from '../words/time';
import { refusalText } from '../words/refusals';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { CheckLine } from '../parts/CheckLine';
import { replyTo } from '../parts/reply-to';

const WORDS: Record<Aspect, string> = {
  marks: 'marks per question, with the reason for each',
  right: 'whether each answer was right',
  key: 'the key, where an answer was not right',
  explanation: 'explanations',
  remarks: 'remarks of markers and rules',
};

const MESSAGE = {
  subject: 'Your result of [exam]',
  text: 'Dear [name],\n\nthe results of [exam] ([course]) are there. You read yours on your page: [address]',
};

type When = 'now' | 'at' | 'marked';
const WHENS: Record<When, string> = {
  now: 'now',
  at: 'at a time',
  marked: 'as soon as nobody writes any more and all is marked',
};

interface Props {
  results: Results;
  passed: number;
  zone: string;
  onClose: () => void;
}

/** Says what releasing does, to whom and when, then does it or plans it. */
export function Release({ results, passed, zone, onClose }: Props) {
  const missing = results.rows.filter(({ out }) => !out);
  const [shows, setShows] = useState<Shows>(results.shows ?? { ...seenAt(results.sees, 'released'), atOnce: false });
  const [some, setSome] = useState<string[] | null>(null);
  const [when, setWhen] = useState<When>('now');
  const [at, setAt] = useState('');
  const [tell, setTell] = useState(false);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [busy, setBusy] = useState(false);
  const count = some?.length ?? missing.length;
  const release = async (): Promise<void> => {
    if (when === 'at' && at === '') return setRefusal({ code: 'release-in-the-past' });
    setBusy(true);
    const result = await replyTo(
      releaseAction({
        sitting: results.sitting,
        shows,
        to: some,
        when: when === 'at' ? { is: 'at', at: fromField(at, zone) } : { is: when },
        tell: tell ? { ...MESSAGE, address: `${location.origin}/my` } : null,
      }),
    );
    setBusy(false);
    if (result.ok) location.reload();
    else setRefusal(result.refusal);
  };
  return (
    <Dialog
      title="Release the results"
      onClose={onClose}
      acts={
        <Button disabled={busy || count === 0} onClick={release}>
          {when === 'now' ? `Release to ${plural(count, 'student')}` : `Plan it for ${plural(count, 'student')}`}
        </Button>
      }
    >
      <p>
        {plural(count, 'student')} will see the score and what their range reads; of all {results.rows.length}, {passed}{' '}
        have passed. You can take it back.
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
      <fieldset className="mt-3">
        <legend className="fs-6 fw-bold mb-1">When</legend>
        {(Object.keys(WHENS) as When[]).map((one) => (
          <label key={one} className="d-flex gap-2 mb-1 align-items-center">
            <input
              type="radio"
              className="form-check-input"
              name="when"
              checked={when === one}
              onChange={() => setWhen(one)}
            />
            {WHENS[one]}
            {one === 'at' && when === 'at' && (
              <input
                type="datetime-local"
                className="form-control w-auto"
                aria-label="At"
                value={at}
                onChange={(e) => setAt(e.target.value)}
              />
            )}
          </label>
        ))}
        {when === 'at' && <p className="soft mb-0">Then only once all is marked; until then it waits.</p>}
      </fieldset>
      <details className="mt-3" onToggle={(e) => e.currentTarget.open || setSome(null)}>
        <summary>Only to some…</summary>
        {missing.map(({ participant, name }) => (
          <CheckLine
            key={participant}
            checked={some?.includes(participant) ?? false}
            onChange={(on) =>
              setSome((now) => (on ? [...(now ?? []), participant] : (now ?? []).filter((one) => one !== participant)))
            }
          >
            {name}
          </CheckLine>
        ))}
      </details>
      <CheckLine className="mt-3" checked={tell} onChange={setTell}>
        write to those who have an address
      </CheckLine>
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

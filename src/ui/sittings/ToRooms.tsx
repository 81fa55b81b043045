'use client';
import { type FormEvent, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { goOnAction, moreTimeAction, pauseAction, sendNoticeAction } from '@/actions/sittings';
import type { Result } from '@/core/base/result';
import type { WatchedPerson } from '@/server/sittings/watch';
import { CountInput } from '../parts/CountInput';
import { Trouble } from '../parts/Trouble';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { replyTo } from '../parts/reply-to';

interface Props {
  sitting: string;
  writing: readonly WatchedPerson[];
  /** Those who write of the ones that are shown; null when all are. */
  shown: readonly WatchedPerson[] | null;
}

/** What a teacher does for one, for some or for all who write: say something, give minutes, let the time stand still. */
export function ToRooms({ sitting, writing, shown }: Props) {
  const [to, setTo] = useState('');
  const [text, setText] = useState('');
  const [minutes, setMinutes] = useState(5);
  const [told, setTold] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const some = shown && shown.length > 0 ? shown : null;
  // Who has handed in meanwhile is nobody to be told any more.
  const one = writing.find(({ id }) => id === to);
  const people = one ? [one.id] : to === 'shown' && some ? some.map(({ id }) => id) : null;
  const meant = people === null ? writing : writing.filter(({ id }) => people.includes(id));
  const still = meant.length > 0 && meant.every(({ attempt }) => attempt?.pausedAt !== null);
  const act = async <T,>(work: () => Promise<Result<T>>, done: (value: T) => string): Promise<boolean> => {
    if (busy) return false;
    setBusy(true);
    const result = await replyTo(work());
    setBusy(false);
    setTrouble(result.ok ? null : refusalText(result.refusal));
    setTold(result.ok ? done(result.value) : '');
    return result.ok;
  };
  const say = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    const said = await act(
      () => sendNoticeAction({ sitting, people, text }),
      ({ told: n }) => `Said to ${plural(n, 'student')}.`,
    );
    if (said) setText('');
  };
  return (
    <form className="to-rooms" onSubmit={(event) => void say(event)}>
      <label>
        To{' '}
        <select
          className="form-select form-select-sm d-inline-block w-auto"
          aria-label="To whom"
          value={one || people ? to : ''}
          onChange={(e) => setTo(e.target.value)}
        >
          <option value="">all who write ({writing.length})</option>
          {some && <option value="shown">those shown below ({some.length})</option>}
          {writing.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <input
        className="form-control form-control-sm"
        aria-label="What is said"
        placeholder="say something: it stands in the room until it is read"
        maxLength={500}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setTold('');
        }}
      />
      <Button type="submit" variant="outline-primary" size="sm" disabled={busy}>
        Say it
      </Button>
      <span className="act">
        <CountInput
          label="Minutes to give"
          count={minutes}
          least={1}
          most={600}
          onChange={(count) => count !== null && setMinutes(count)}
        />
        <Button
          variant="outline-primary"
          size="sm"
          disabled={busy}
          onClick={() =>
            void act(
              () => moreTimeAction({ sitting, people, minutes, reason: '' }),
              ({ given }) => `${plural(minutes, 'more minute')} for ${plural(given, 'student')}.`,
            )
          }
        >
          Give minutes
        </Button>
      </span>
      <Button
        variant={still ? 'primary' : 'outline-primary'}
        size="sm"
        disabled={busy}
        onClick={() =>
          void act(
            () => (still ? goOnAction : pauseAction)({ sitting, people }),
            () => (still ? 'The time runs again.' : 'The time stands still.'),
          )
        }
      >
        {still ? 'Go on' : 'Stop the clock'}
      </Button>
      <span role="status" className="good">
        {told}
      </span>
      <Trouble>{trouble}</Trouble>
    </form>
  );
}

'use client';
import { type FormEvent, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { sendNoticeAction } from '@/actions/sittings';
import type { WatchedPerson } from '@/server/sittings/list-sittings';
import { Trouble } from '../parts/Trouble';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';

/** Says something to those who write: it stands in their room until they have read it. */
export function SayToRooms({ sitting, writing }: { sitting: string; writing: readonly WatchedPerson[] }) {
  const [person, setPerson] = useState('');
  const [text, setText] = useState('');
  const [said, setSaid] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  // Who has handed in meanwhile is nobody to be told any more.
  const to = writing.some(({ id }) => id === person) ? person : '';
  const send = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    if (busy) return;
    setBusy(true);
    const sent = await sendNoticeAction({ sitting, person: to === '' ? null : to, text });
    setBusy(false);
    setTrouble(sent.ok ? null : refusalText(sent.refusal));
    if (!sent.ok) return;
    setSaid(`Said to ${plural(sent.value.told, 'student')}.`);
    setText('');
  };
  return (
    <form className="say-to-rooms" onSubmit={(event) => void send(event)}>
      <label>
        Say to{' '}
        <select
          className="form-select form-select-sm d-inline-block w-auto"
          aria-label="To whom"
          value={to}
          onChange={(e) => setPerson(e.target.value)}
        >
          <option value="">all who write ({writing.length})</option>
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
        placeholder="It stands in their room until they have read it"
        maxLength={500}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setSaid('');
        }}
      />
      <Button type="submit" variant="outline-primary" disabled={busy}>
        Say it
      </Button>
      <span role="status" className="good">
        {said}
      </span>
      <Trouble>{trouble}</Trouble>
    </form>
  );
}

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Link } from '../parts/Link';
import { writeToStudentsAction } from '@/actions/department';
import { type Refusal } from '@/core/base/result';
import { filledMessage, MESSAGE_NAMES } from '@/core/people/message';
import { withExtraTime } from '@/core/people/provision';
import type { WatchedSitting } from '@/server/sittings/watch';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { dayAndTime } from '../words/time';
import { replyTo } from '../parts/reply-to';

type To = 'all' | 'not begun';

const TEXTS: Record<To, { subject: string; text: string }> = {
  all: {
    subject: '[exam]: [opens]',
    text: 'Dear [name],\n\n[exam] ([course]) opens [opens] and ends [closes]. You have [minutes] minutes from the moment you begin.\n\nYou find it on your page: [address]',
  },
  'not begun': {
    subject: '[exam] ends [closes]',
    text: 'Dear [name],\n\nyou have not begun [exam] ([course]) yet. It ends [closes], and you need [minutes] minutes.\n\nYou find it on your page: [address]',
  },
};

/** Writes to the students of a sitting: an invitation, or a reminder to who has not begun. */
export function WriteToStudents({
  sitting,
  zone,
  onClose,
}: {
  sitting: WatchedSitting;
  zone: string;
  onClose: () => void;
}) {
  const [to, setTo] = useState<To>('all');
  const [message, setMessage] = useState(TEXTS.all);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [written, setWritten] = useState<{ messages: number; unreached: string[] } | null>(null);
  const [busy, setBusy] = useState(false);
  const people = sitting.people.filter(({ attempt }) => to === 'all' || attempt === null);
  const [first] = people;
  const times = {
    opens: dayAndTime(sitting.opensAt, zone),
    closes: dayAndTime(sitting.closesAt, zone),
    address: `${typeof location === 'undefined' ? '' : location.origin}/my`,
  };
  const example = first && {
    ...times,
    name: first.name,
    exam: sitting.title,
    course: sitting.courseTitle,
    minutes: String(withExtraTime(sitting.minutes, first.extra)),
  };
  const send = async (): Promise<void> => {
    setBusy(true);
    const result = await replyTo(writeToStudentsAction({ sitting: sitting.id, to, ...message, ...times }));
    setBusy(false);
    setRefusal(result.ok ? null : result.refusal);
    if (result.ok) setWritten(result.value);
  };
  if (written)
    return (
      <Dialog title="Written" onClose={onClose}>
        <p role="status">
          {plural(written.messages, 'message')} written. <Link href="/department/outbox">The outbox</Link> says what
          became of them.
        </p>
        {written.unreached.length > 0 && (
          <p className="hand mb-0">Without an address, and not told: {written.unreached.join(', ')}.</p>
        )}
      </Dialog>
    );
  return (
    <Dialog
      title="Write to the students"
      onClose={onClose}
      acts={
        <Button disabled={busy || people.length === 0} onClick={() => void send()}>
          Send to {plural(people.length, 'student')}
        </Button>
      }
    >
      <select
        className="form-select mb-3"
        aria-label="To whom it is written"
        value={to}
        onChange={(e) => {
          const next = e.target.value as To;
          // What was changed by hand is kept.
          if (message === TEXTS[to]) setMessage(TEXTS[next]);
          setTo(next);
        }}
      >
        <option value="all">all who are to sit it</option>
        <option value="not begun">those who have not begun</option>
      </select>
      <input
        className="form-control mb-2"
        aria-label="Subject"
        maxLength={200}
        value={message.subject}
        onChange={(e) => setMessage({ ...message, subject: e.target.value })}
      />
      <textarea
        className="form-control"
        aria-label="Text"
        rows={7}
        maxLength={5000}
        value={message.text}
        onChange={(e) => setMessage({ ...message, text: e.target.value })}
      />
      <p className="soft mt-2 mb-2">Filled in for each: {MESSAGE_NAMES.map((name) => `[${name}]`).join(' ')}</p>
      {example && (
        <blockquote className="mail-example" aria-label={`As ${first.name} reads it`}>
          <strong>{filledMessage(message.subject, example)}</strong>
          <p className="mb-0">{filledMessage(message.text, example)}</p>
        </blockquote>
      )}
      {refusal && <Trouble>{refusalText(refusal)}</Trouble>}
    </Dialog>
  );
}

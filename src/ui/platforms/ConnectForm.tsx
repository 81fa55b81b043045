'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { connectOutsideAction, disconnectOutsideAction } from '@/actions/outside-gradebook';
import type { OutsideBook } from '@/server/platforms/outside-book';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { replyTo } from '../parts/reply-to';

/** Says on which platform the course stands, and where its line items are. */
export function ConnectForm({ book: { course, platforms, connected, columns } }: { book: OutsideBook }) {
  const [platform, setPlatform] = useState(connected?.platform ?? platforms[0]?.id ?? '');
  const [lineItems, setLineItems] = useState(connected?.lineItems ?? '');
  const [asking, setAsking] = useState(false);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const same = platform === connected?.platform && lineItems.trim() === connected.lineItems;
  const act = async (work: () => ReturnType<typeof disconnectOutsideAction>): Promise<void> => {
    setBusy(true);
    const result = await replyTo(work());
    setBusy(false);
    setAsking(false);
    setTrouble(result.ok ? null : refusalText(result.refusal));
  };
  const told = columns.filter((one) => one.told).map(({ id }) => id);
  return (
    <form
      className="sheet plain mb-3"
      aria-label="Where the course stands"
      onSubmit={(e) => {
        e.preventDefault();
        void act(() => connectOutsideAction({ course: course.id, platform, lineItems, columns: told }));
      }}
    >
      <label className="fact-line mb-2">
        {course.code} stands in the gradebook of
        <select className="form-select" value={platform} onChange={(e) => setPlatform(e.target.value)}>
          {platforms.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="d-block mb-2">
        Address of its line items, as the platform tells it for this course
        <input
          type="url"
          className="form-control mt-1 mono"
          value={lineItems}
          placeholder={`${platforms.find(({ id }) => id === platform)?.under ?? ''}…`}
          onChange={(e) => setLineItems(e.target.value)}
        />
      </label>
      <Trouble>{trouble}</Trouble>
      {connected && !same && <p className="hand">What the gradebook before was told stays there.</p>}
      <div className="d-flex gap-2 flex-wrap align-items-baseline">
        <Button type="submit" variant="outline-primary" disabled={busy || same || lineItems.trim() === ''}>
          {connected ? 'Keep it' : 'Connect'}
        </Button>
        {connected && same && !asking && (
          <Button variant="quiet" onClick={() => setAsking(true)}>
            Disconnect…
          </Button>
        )}
        {asking && (
          <>
            <span className="hand">What was sent stays there.</span>
            <Button
              variant="outline-primary"
              disabled={busy}
              onClick={() => void act(() => disconnectOutsideAction(course.id))}
            >
              Disconnect
            </Button>
            <Button variant="quiet" onClick={() => setAsking(false)}>
              Cancel
            </Button>
          </>
        )}
      </div>
    </form>
  );
}

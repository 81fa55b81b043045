'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { memberMarksAction } from '@/actions/sittings';
import { parseExact, stored } from '@/core/base/exact';
import type { OfGroup } from '@/server/results/member-marks';
import { Trouble } from '../parts/Trouble';
import { marksText } from '../words/marks';
import { refusalText } from '../words/refusals';
import { replyTo } from '../parts/reply-to';

/** Of a paper that a group wrote: who has marks more or less than the others, and why. */
export function MemberMarks({ attempt, people }: { attempt: string; people: OfGroup[] }) {
  return (
    <div className="page pb-0" style={{ maxWidth: 1180, margin: '0 auto' }}>
      <details className="sheet plain">
        <summary>Marks of one of them alone</summary>
        {people.map((one) => (
          <OneOfThem key={one.id} attempt={attempt} one={one} />
        ))}
      </details>
    </div>
  );
}

function OneOfThem({ attempt, one }: { attempt: string; one: OfGroup }) {
  const [change, setChange] = useState(one.change === '0' ? '' : marksText(one.change));
  const [reason, setReason] = useState(one.reason);
  const [busy, setBusy] = useState(false);
  const [kept, setKept] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const keep = async (): Promise<void> => {
    const value = parseExact(change.trim().replace('−', '-').replace('½', '1/2') || '0');
    if (!value) return setTrouble('This is not a number.');
    setKept(false);
    setBusy(true);
    const result = await replyTo(memberMarksAction({ attempt, member: one.id, change: stored(value), reason }));
    setBusy(false);
    setKept(result.ok);
    setTrouble(result.ok ? null : refusalText(result.refusal));
  };
  return (
    <form
      className="fact-line py-1"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <span style={{ minWidth: 180 }} dir="auto">
        {one.name}
      </span>
      <input
        className="form-control narrow"
        aria-label={`Marks more or less for ${one.name}`}
        placeholder="as all"
        maxLength={20}
        value={change}
        onChange={(e) => setChange(e.target.value)}
      />
      marks more or less, because
      <input
        className="form-control"
        aria-label={`Why, for ${one.name}`}
        maxLength={500}
        value={reason}
        onChange={(e) => setReason(e.target.value)}
      />
      <Button type="submit" variant="outline-primary" disabled={busy}>
        Keep it
      </Button>
      <span role="status" className="good">
        {kept && 'Kept ✓'}
      </span>
      <Trouble>{trouble}</Trouble>
    </form>
  );
}

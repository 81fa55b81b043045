'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { compareOutsideAction } from '@/actions/outside-gradebook';
import type { Comparison, OutsideDifference } from '@/server/platforms/compare';
import type { OutsideColumn } from '@/server/platforms/outside-book';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { replyTo } from '../parts/reply-to';

/** So many differences are named. */
const NAMED = 20;

/** A student in a column. */
export type PlaceOutside = Pick<OutsideDifference, 'column' | 'member'>;

interface Props {
  course: string;
  columns: readonly OutsideColumn[];
  /** Sends what is to stand in these places. */
  onSend: (places: PlaceOutside[]) => Promise<void>;
}

/** Asks the platform what stands there now, names what is otherwise here, and sends that again. */
export function Compare({ course, columns, onSend }: Props) {
  const [found, setFound] = useState<Comparison | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const look = async (): Promise<void> => {
    setBusy(true);
    const result = await replyTo(compareOutsideAction(course));
    setBusy(false);
    setFound(result.ok ? result.value : null);
    setTrouble(result.ok ? null : refusalText(result.refusal));
  };
  const send = async (): Promise<void> => {
    await onSend((found?.differences ?? []).map(({ column, member }) => ({ column, member })));
    setFound(null);
  };
  const titleOf = (id: string): string => columns.find((one) => one.id === id)?.title ?? '';
  return (
    <div className="note">
      <h3>What stands there</h3>
      <div role="status">
        {found && (
          <>
            <p className={found.differences.length === 0 ? 'good' : ''}>
              {found.same} {found.same === 1 ? 'place is' : 'places are'} the same here and there
              {found.differences.length === 0 ? '.' : `, ${found.differences.length} not:`}
            </p>
            <ul className="ps-3">
              {found.differences.slice(0, NAMED).map((one) => (
                <li key={`${one.column} ${one.member}`}>
                  <span dir="auto">{one.name}</span>, {titleOf(one.column)}: {marks(one.here)} here, {marks(one.there)}{' '}
                  there
                </li>
              ))}
              {found.differences.length > NAMED && <li>and {found.differences.length - NAMED} more</li>}
            </ul>
          </>
        )}
      </div>
      <Trouble>{trouble}</Trouble>
      <div className="d-flex gap-2 flex-wrap">
        <Button size="sm" variant="outline-primary" disabled={busy} onClick={() => void look()}>
          {busy ? 'Asking…' : 'Ask the platform'}
        </Button>
        {found && found.differences.length > 0 && (
          <Button size="sm" variant="outline-primary" disabled={busy} onClick={() => void send()}>
            Send what is here
          </Button>
        )}
      </div>
    </div>
  );
}

const marks = (one: OutsideDifference['here']): string =>
  one === null ? 'nothing' : `${Number(one.given.toFixed(2))} of ${Number(one.of.toFixed(2))}`;

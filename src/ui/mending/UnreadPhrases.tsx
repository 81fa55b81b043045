'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Change } from '@/core/exams/amendments';
import { kindOf } from '@/core/kinds/registry';
import type { UnreadPhrase } from '@/core/rules/text/unread';
import type { AnsweredSlot } from '@/server/marking/answers-view';
import { plural } from '../words/marks';
import { withWording } from './pending';

interface Props {
  slot: AnsweredSlot;
  changes: Change[];
  onChange: (changes: Change[]) => void;
}

/** So many are shown before more are asked for. */
const FIRST = 6;

/** What answers below full marks say that no rule has read: how often, which point they have not; one click gives it to that point. */
export function UnreadPhrases({ slot, changes, onChange }: Props) {
  const [all, setAll] = useState(false);
  if (slot.unread.length === 0) return null;
  const marked = slot.unread.some(({ given, refused }) => given + refused > 0);
  const shown = all ? slot.unread : slot.unread.slice(0, FIRST);
  return (
    <section className="sheet plain" aria-label={`Not read in slot ${slot.letter}`}>
      <p className="over-title">
        Not read <span className="soft">by any rule, in answers that the rules gave less than everything</span>
      </p>
      <div className="scroll-x">
        <table className="rows answers">
          <thead>
            <tr>
              <th scope="col">Words</th>
              <th scope="col" className="num">
                Answers
              </th>
              {marked && <th scope="col">By a person</th>}
              <th scope="col">Counts for</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((one) => (
              <PhraseRow key={one.phrase} slot={slot} one={one} marked={marked} changes={changes} onChange={onChange} />
            ))}
          </tbody>
        </table>
      </div>
      {slot.unread.length > FIRST && (
        <Button variant="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `${slot.unread.length - FIRST} more`}
        </Button>
      )}
    </section>
  );
}

function PhraseRow({ slot, one, marked, changes, onChange }: Props & { one: UnreadPhrase; marked: boolean }) {
  const { phrase, answers, missing, given, refused } = one;
  const points = kindOf(slot.kind).worded?.points(slot.setup) ?? [];
  const counts = new Map(missing.map(({ point, answers: count }) => [point.id, count]));
  const chosen = changes.flatMap((c) =>
    c.what === 'wording' && c.slot === slot.id && c.wording === phrase ? [c.point] : [],
  );
  const hints = points
    .filter(({ id }) => counts.has(id))
    .sort((a, b) => (counts.get(b.id) ?? 0) - (counts.get(a.id) ?? 0));
  return (
    <tr className={chosen.length > 0 ? 'changed' : ''}>
      <td dir="auto" className="answer">
        {phrase}
      </td>
      <td className="num">{answers}</td>
      {marked && <td className="soft">{given + refused > 0 && `${given} given, ${refused} refused`}</td>}
      <td>
        <div className="d-flex flex-wrap gap-1">
          {hints.map(({ id, label }) => (
            <Button
              key={id}
              variant="quiet"
              className="small-act"
              aria-pressed={chosen.includes(id)}
              title={`${plural(counts.get(id) ?? 0, 'of these answers has', 'of these answers have')} not this point`}
              onClick={() => onChange(withWording(changes, slot.id, id, phrase))}
            >
              {chosen.includes(id) ? '✓ ' : ''}
              {label} <span className="soft">{counts.get(id)}</span>
            </Button>
          ))}
        </div>
      </td>
    </tr>
  );
}

'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { exact, stored } from '@/core/base/exact';
import type { Change } from '@/core/exams/amendments';
import type { AnswerGroup } from '@/core/results/answer-groups';
import { wholeNumber } from '@/core/rules/number/read';
import { likeness } from '@/core/text/likeness';
import type { AnsweredSlot } from '@/server/marking/answers-view';
import { TextWithFormulas } from '../sheet/Formula';
import type { DrawnFormulas } from '../sheet/formulas';
import { marksText, plural } from '../words/marks';
import { traceText } from '../words/traces';
import { shareFor, withShare } from './pending';

interface Props {
  slot: AnsweredSlot;
  /** Whether the question has no other slot. */
  single: boolean;
  changes: Change[];
  drawn: DrawnFormulas;
  /** Null where single answers cannot be decided, because everybody has numbers of their own. */
  onChange: ((changes: Change[]) => void) | null;
}

/** From here on two answers are alike enough to be chosen together. */
const ALIKE = 0.5;

/** What was answered in a slot, each answer once: how often, what it earns now, and what it shall earn. */
export function AnswerTable({ slot, single, changes, drawn, onChange }: Props) {
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [together, setTogether] = useState('');
  const choose = (index: number, on: boolean): void => {
    const next = new Set(chosen);
    if (on) next.add(index);
    else next.delete(index);
    setChosen(next);
  };
  const chooseAlike = (index: number): void => {
    const of = slot.groups[index]?.answer ?? '';
    setChosen(
      new Set(
        slot.groups.flatMap((group, i) =>
          i === index || (group.answer !== '' && likeness(of, group.answer) >= ALIKE) ? [i] : [],
        ),
      ),
    );
  };
  const giveTogether = (): void => {
    const share = readShare(together, slot.of);
    if (share === null) return;
    const groups = slot.groups.filter((group, i) => chosen.has(i) && group.answer !== '');
    onChange?.(groups.reduce((all, { response }) => withShare(all, slot.id, response, share), changes));
    setChosen(new Set());
    setTogether('');
  };
  const answered = slot.groups.filter(({ answer }) => answer !== '').length;
  return (
    <section className="sheet plain" aria-label={`Answers in slot ${slot.letter}`}>
      <p className="over-title d-flex gap-2 align-items-center">
        {!single && <span className="letter">{slot.letter}</span>}
        {plural(answered, 'answer')}
        {slot.key && (
          <span className="soft">
            key: <TextWithFormulas text={slot.key} drawn={drawn} />
          </span>
        )}
        {chosen.size > 0 && (
          <span className="ms-auto d-flex gap-2 align-items-center">
            {plural(chosen.size, 'answer')} chosen, give
            <input
              className="form-control form-control-sm narrow"
              aria-label={`Marks for the chosen answers, out of ${marksText(slot.of)}`}
              placeholder={`of ${marksText(slot.of)}`}
              value={together}
              onChange={(e) => setTogether(e.target.value)}
              onKeyDown={(e) => e.key === 'Enter' && giveTogether()}
            />
            <Button variant="outline-primary" disabled={readShare(together, slot.of) === null} onClick={giveTogether}>
              Give
            </Button>
          </span>
        )}
      </p>
      <div className="scroll-x">
        <table className="rows answers">
          <thead>
            <tr>
              <th scope="col">
                <span className="visually-hidden">Choose</span>
              </th>
              <th scope="col">Answer</th>
              <th scope="col" className="num">
                Scripts
              </th>
              <th scope="col" className="num">
                Earns
              </th>
              <th scope="col" className="num">
                Shall earn
              </th>
              <th scope="col">Why</th>
            </tr>
          </thead>
          <tbody>
            {slot.groups.map((group, i) => (
              <AnswerRow
                key={`${group.answer} ${i}`}
                group={group}
                of={slot.of}
                share={shareFor(changes, slot.id, group)}
                chosen={chosen.has(i)}
                drawn={drawn}
                onChoose={(on) => choose(i, on)}
                onAlike={() => chooseAlike(i)}
                onShare={onChange && ((share) => onChange(withShare(changes, slot.id, group.response, share)))}
              />
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Marks as typed, as a share of the whole; null when they are none, or more than there are. */
function readShare(typed: string, of: string): string | null {
  const value = typed.trim() === '' ? null : wholeNumber(typed);
  const worth = exact(of);
  if (!value || worth.equals(0) || value.compare(0) < 0 || value.compare(worth) > 0) return null;
  return stored(value.div(worth));
}

interface RowProps {
  group: AnswerGroup;
  of: string;
  /** What it shall earn; null when nothing shall change. */
  share: string | null;
  chosen: boolean;
  drawn: DrawnFormulas;
  onChoose: (on: boolean) => void;
  onAlike: () => void;
  /** Null where it cannot be decided. */
  onShare: ((share: string | null) => void) | null;
}

function AnswerRow({ group, of, share, chosen, drawn, onChoose, onAlike, onShare }: RowProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const { answer, writings, marks, byPerson } = group;
  const now = share === null ? '' : marksText(stored(exact(share).mul(exact(of))));
  const wrong = typed !== null && typed.trim() !== '' && readShare(typed, of) === null;
  return (
    <tr className={share === null ? '' : 'changed'}>
      <td>
        {answer !== '' && (
          <input
            type="checkbox"
            className="form-check-input"
            aria-label={`Choose “${answer}”`}
            checked={chosen}
            onChange={(e) => onChoose(e.target.checked)}
          />
        )}
      </td>
      <td dir="auto" className="answer">
        {answer === '' ? <span className="soft">no answer</span> : <TextWithFormulas text={answer} drawn={drawn} />}
        {writings.length > 0 && (
          <small className="d-block soft" title={writings.join('\n')}>
            also: {writings.slice(0, 3).join(' · ')}
            {writings.length > 3 && ` and ${writings.length - 3} more`}
          </small>
        )}
        {answer !== '' && (
          <button type="button" className="btn-link-plain soft alike" onClick={onAlike}>
            choose those alike
          </button>
        )}
      </td>
      <td className="num">{group.count}</td>
      <td className="num">
        {marks.map((m) => (m === null ? 'waits' : marksText(m))).join(', ')}
        {byPerson > 0 && <small className="d-block soft">{byPerson} by a person</small>}
      </td>
      <td className="num">
        {answer !== '' && onShare && (
          <input
            className="form-control form-control-sm narrow text-end"
            aria-label={`What “${answer}” shall earn, out of ${marksText(of)}`}
            aria-invalid={wrong}
            placeholder="–"
            value={typed ?? now}
            onChange={(e) => {
              setTyped(e.target.value);
              const read = readShare(e.target.value, of);
              if (read !== null || e.target.value.trim() === '') onShare(read);
            }}
            onBlur={() => setTyped(null)}
          />
        )}
        {wrong && <small className="wrong">0 to {marksText(of)}</small>}
      </td>
      <td className="soft">{answer !== '' && <TextWithFormulas text={traceText(group.trace)} drawn={drawn} />}</td>
    </tr>
  );
}

'use client';
import { X } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Change } from '@/core/exams/amendments';
import { TYPED_KINDS, typedKind } from '@/core/kinds/registry';
import type { AnswersView } from '@/server/marking/answers-view';
import { editorSide } from '../kinds/editors';
import { TextWithFormulas } from '../sheet/Formula';
import type { DrawnFormulas } from '../sheet/formulas';
import { marksText, marksWords } from '../words/marks';
import { MarksInput } from '../parts/MarksInput';
import { changeText } from '../words/mending';
import { withMarks, withShare, withWhole } from './pending';
import { CheckLine } from '../parts/CheckLine';

interface Props {
  view: AnswersView;
  changes: Change[];
  drawn: DrawnFormulas;
  reason: string;
  overPersons: boolean;
  onChanges: (changes: Change[]) => void;
  onReason: (reason: string) => void;
  onOverPersons: (on: boolean) => void;
  onPreview: () => void;
}

/** What is meant to change, and the ways to change more than single answers. */
export function MendingNotes(props: Props) {
  const { view, changes, drawn, reason, overPersons, onChanges, onReason, onOverPersons, onPreview } = props;
  const on = (what: 'everyone' | 'drop'): boolean => changes.some((c) => c.what === what);
  return (
    <>
      <section className={`note red ${changes.length > 0 ? 'on' : ''}`} aria-label="Changes">
        <h3>Changes</h3>
        {changes.length === 0 && (
          <p>
            {view.varies
              ? 'Everybody had numbers of their own here, so single answers cannot be decided for all. The whole question can.'
              : 'Type in the table what an answer shall earn. It becomes a rule and holds for whoever answered the same.'}{' '}
            Nothing changes before you have seen who moves.
          </p>
        )}
        <ul>
          {changes.map((change, i) => (
            <li key={JSON.stringify(change)} className="d-flex gap-1 align-items-start">
              <span>
                <TextWithFormulas text={changeText(change, view.slots)} drawn={drawn} />
              </span>
              <Button
                variant="quiet"
                className="small-act ms-auto"
                aria-label="Leave this out"
                onClick={() => onChanges(changes.filter((_, at) => at !== i))}
              >
                <X size={13} />
              </Button>
            </li>
          ))}
        </ul>
        {changes.length > 0 && (
          <>
            <label className="form-label mt-2 mb-1" htmlFor="reason">
              Reason, for the history
            </label>
            <textarea
              id="reason"
              className="form-control form-control-sm"
              rows={2}
              maxLength={1000}
              value={reason}
              onChange={(e) => onReason(e.target.value)}
            />
            <CheckLine className="mt-2" checked={overPersons} onChange={onOverPersons}>
              also where a person gave the mark
            </CheckLine>
            <div className="text-end mt-2">
              <Button onClick={onPreview}>Preview who moves…</Button>
            </div>
          </>
        )}
      </section>
      {!view.varies && (
        <section className="note" aria-label="One more right answer">
          <h3>One more right answer</h3>
          {view.slots
            .filter(({ kind }) => TYPED_KINDS.includes(kind))
            .map((slot) => (
              <MoreRight
                key={slot.id}
                letter={view.slots.length > 1 ? slot.letter : ''}
                hint={editorSide(slot.kind).trialHint}
                onAdd={(typed) => {
                  const response = typedKind(slot.kind).typed.response(slot.setup, typed);
                  onChanges(withShare(changes, slot.id, response, '1'));
                }}
              />
            ))}
        </section>
      )}
      <section className="note" aria-label="The whole question">
        <h3>The whole question</h3>
        <div className="d-flex flex-column gap-1 align-items-start">
          <Button
            variant="quiet"
            aria-pressed={on('everyone')}
            disabled={view.everyone}
            onClick={() => onChanges(withWhole(changes, 'everyone'))}
          >
            {on('everyone') ? '✓ ' : ''}Give everybody its marks
          </Button>
          <Button
            variant="quiet"
            aria-pressed={on('drop')}
            disabled={view.dropped}
            onClick={() => onChanges(withWhole(changes, 'drop'))}
          >
            {on('drop') ? '✓ ' : ''}Take it out of the counting
          </Button>
          <span className="fact-line">
            let it count
            <MarksInput
              label={`Marks that it counts instead of ${marksText(view.counts)}`}
              marks={changes.flatMap((c) => (c.what === 'marks' ? [c.marks] : []))[0] ?? ''}
              onChange={(marks) => onChanges(withMarks(changes, marks === view.counts ? null : marks))}
              onEmpty={() => onChanges(withMarks(changes, null))}
            />
            of now {marksWords(view.counts)}
          </span>
        </div>
      </section>
    </>
  );
}

function MoreRight({ letter, hint, onAdd }: { letter: string; hint: string; onAdd: (typed: string) => void }) {
  const [typed, setTyped] = useState('');
  const add = (): void => {
    if (typed.trim() !== '') onAdd(typed);
    setTyped('');
  };
  return (
    <div className="d-flex gap-2 align-items-center mb-1">
      {letter && <span className="letter">{letter}</span>}
      <input
        className="form-control form-control-sm"
        aria-label={`One more right answer${letter && ` in slot ${letter}`}`}
        placeholder={hint}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && add()}
      />
      <Button variant="quiet" disabled={typed.trim() === ''} onClick={add}>
        Add
      </Button>
    </div>
  );
}

'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { exact } from '@/core/base/exact';
import { keyedBy, withAlso } from '@/core/bank/also';
import type { TrialCheck } from '@/core/bank/checks';
import type { PlacedSlot, QuestionBody, Trial } from '@/core/bank/question';
import { kindOf } from '@/core/kinds/registry';
import { editorSide } from '../kinds/editors';
import { type NewTrial, suggestedTrials, trialsFromLines, typedTrial } from './trial-answers';
import { TrialAnswer, TrialRow } from './TrialRow';
import { Trouble } from '../parts/Trouble';

interface Props {
  placed: PlacedSlot[];
  body: QuestionBody;
  checks: TrialCheck[];
  selected: string | null;
  changeBody: (part: (body: QuestionBody) => QuestionBody, tag: string) => void;
}

const MOST_TRIALS = 500;

/** An id for a trial answer that is added now, the i-th of them. */
function freshTrialId(i: number): string {
  return `t${Date.now().toString(36)}${i}`;
}

/** How far the trial answers come out as expected; those without an expectation are said apart. */
function asExpected(agree: number, expected: number, all: number): string {
  if (all === 0) return 'none yet';
  const open = all - expected;
  if (expected === 0) return `${all}, none with an expected mark yet`;
  return `${agree} of ${expected} as expected${open > 0 ? `, ${open} without an expected mark` : ''}`;
}

/** Trial answers of the selected slot: mark, expected mark, reason; run at every change. */
export function TrialDrawer({ placed, body, checks, selected, changeBody }: Props) {
  const [open, setOpen] = useState(true);
  const [leftOut, setLeftOut] = useState(0);
  const slot = placed.find((p) => p.id === selected) ?? placed[0];
  if (!slot) return null;
  const mine = body.trials.filter((t) => t.slot === slot.id);
  const checkOf = (id: string): TrialCheck | undefined => checks.find((c) => c.id === id);
  const expected = mine.filter((t) => t.expected !== '');
  const agree = expected.filter(({ id }) => checkOf(id)?.agrees).length;
  const waiting = mine.filter(({ id }) => checkOf(id)?.marks === null).length;
  const wrongElsewhere = checks.filter((c) => !c.agrees && c.slot !== slot.id).length;
  const setTrial = (id: string, part: Partial<Trial>): void =>
    changeBody((b) => ({ ...b, trials: b.trials.map((t) => (t.id === id ? { ...t, ...part } : t)) }), `trial ${id}`);
  const add = (answers: readonly NewTrial[]): void => {
    const added = answers.map((answer, i): Trial => ({ id: freshTrialId(i), slot: slot.id, ...answer }));
    const room = Math.max(0, MOST_TRIALS - body.trials.length);
    setLeftOut(Math.max(0, added.length - room));
    if (added.length > 0) changeBody((b) => ({ ...b, trials: [...b.trials, ...added].slice(0, MOST_TRIALS) }), '');
  };
  const agreeToAll = (): void => {
    const now = new Map(checks.map((c) => [c.id, c.marks ?? ('waits' as const)]));
    const agreed = (t: Trial): Trial =>
      t.slot === slot.id && t.expected === '' ? { ...t, expected: now.get(t.id) ?? '' } : t;
    changeBody((b) => ({ ...b, trials: b.trials.map(agreed) }), '');
  };
  /** What makes a trial answer right beside the key; nothing where it earns all marks, or cannot be right as a whole. */
  const alsoRight = ({ id, response }: Trial): (() => void) | undefined => {
    const marks = checkOf(id)?.marks;
    const full = marks === undefined || marks === null || exact(marks).compare(exact(slot.slot.marks)) >= 0;
    if (full || withAlso(slot.slot, response) === slot.slot || keyedBy(slot.slot, response) === null) return undefined;
    return () =>
      changeBody((b) => {
        const now = b.slots[slot.id];
        return now ? { ...b, slots: { ...b.slots, [slot.id]: withAlso(now, response) } } : b;
      }, '');
  };
  const suggested = suggestedTrials(slot, mine);
  return (
    <section className="drawer" aria-label="Trial answers">
      <div className="head">
        <strong>Trial answers</strong>
        <span className="soft">
          slot {slot.letter}, {asExpected(agree, expected.length, mine.length)}
          {mine.length > 0 && (
            <>
              {' '}
              · rules decide {mine.length - waiting}, a person {waiting}
            </>
          )}
          {wrongElsewhere > 0 && <span className="wrong"> · {wrongElsewhere} not as expected in other slots</span>}
        </span>
        {open && suggested.length > 0 && (
          <Button variant="quiet" onClick={() => add(suggested)}>
            Suggest {suggested.length}
          </Button>
        )}
        {open && mine.some((t) => t.expected === '') && (
          <Button
            variant="quiet"
            disabled={mine.some(({ id, expected: wanted }) => wanted === '' && !checkOf(id))}
            title="Expect of every answer without an expectation what the rules now give"
            onClick={() => agreeToAll()}
          >
            All right as they are
          </Button>
        )}
        <Button variant="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Hide' : 'Show'}
        </Button>
      </div>
      {leftOut > 0 && (
        <Trouble>
          {leftOut === 1 ? '1 answer was' : `${leftOut} answers were`} left out: a question keeps at most {MOST_TRIALS}{' '}
          trial answers.
        </Trouble>
      )}
      {open && (
        <table className="rows">
          <thead>
            <tr>
              <th scope="col">Answer</th>
              <th scope="col">Mark</th>
              <th scope="col">Expected</th>
              <th scope="col">Why</th>
              <th scope="col">
                <span className="visually-hidden">Take out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {mine.map((trial) => (
              <TrialRow
                key={trial.id}
                placed={slot}
                trial={trial}
                check={checkOf(trial.id)}
                onChange={(part) => setTrial(trial.id, part)}
                onAlso={alsoRight(trial)}
                onRemove={() => changeBody((b) => ({ ...b, trials: b.trials.filter((t) => t.id !== trial.id) }), '')}
              />
            ))}
            <tr className="new-trial">
              <td colSpan={5}>
                <NewAnswer key={slot.id} placed={slot} onAdd={add} />
              </td>
            </tr>
          </tbody>
        </table>
      )}
    </section>
  );
}

/** Where the next trial answer is typed, or answered and then added. */
function NewAnswer({ placed, onAdd }: { placed: PlacedSlot; onAdd: (trials: readonly NewTrial[]) => void }) {
  const [typed, setTyped] = useState('');
  const [response, setResponse] = useState<unknown>(undefined);
  const { typed: typable, spoken } = kindOf(placed.slot.kind);
  if (!typable) {
    // What is said is listened to first.
    const unheard = response !== undefined && spoken?.understood(response) === null;
    const add = (): void => {
      onAdd([{ response, expected: '' }]);
      setResponse(undefined);
    };
    return (
      <div className="d-flex gap-2 align-items-center">
        <TrialAnswer placed={placed} label="A new trial answer" response={response} onChange={setResponse} />
        <Button disabled={response === undefined || unheard} onClick={add}>
          Add
        </Button>
      </div>
    );
  }
  return (
    <input
      className="form-control"
      aria-label="A new trial answer"
      placeholder={`${editorSide(placed.slot.kind).trialHint}, press Enter; or paste a column of answers`}
      value={typed}
      onChange={(e) => setTyped(e.target.value)}
      onKeyDown={(e) => {
        if (e.key !== 'Enter') return;
        const trial = typedTrial(placed, typed);
        if (trial) onAdd([trial]);
        setTyped('');
      }}
      onPaste={(e) => {
        // A column of real answers, with the marks expected in a second column if there is one.
        const lines = e.clipboardData.getData('text/plain').split(/\r?\n/);
        if (lines.length < 2) return;
        e.preventDefault();
        onAdd(trialsFromLines(placed, lines));
      }}
    />
  );
}

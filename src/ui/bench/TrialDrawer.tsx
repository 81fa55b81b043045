'use client';
import { X } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { TrialCheck } from '@/core/bank/checks';
import type { PlacedSlot, QuestionBody, Trial } from '@/core/bank/question';
import { stored } from '@/core/base/exact';
import { kindOf } from '@/core/kinds/registry';
import { wholeNumber } from '@/core/rules/number/read';
import { editorSide } from '../kinds/editors';
import { marksText } from '../words/marks';
import { TextWithFormulas } from '../sheet/Formula';
import { drawTextFormulas } from '../sheet/formulas';
import { traceText } from '../words/traces';

interface Props {
  placed: PlacedSlot[];
  body: QuestionBody;
  checks: TrialCheck[];
  selected: string | null;
  changeBody: (part: (body: QuestionBody) => QuestionBody, tag: string) => void;
}

/** What a teacher types as expected marks: "2", "1½", "waits", or nothing. Null when it is none of these. */
function readExpected(typed: string): Trial['expected'] | null {
  const text = typed.trim().toLowerCase();
  if (text === '') return '';
  if (/^w(a(i(ts?)?)?)?$/.test(text)) return 'waits';
  const value = wholeNumber(text);
  return value && value.compare(0) >= 0 ? stored(value) : null;
}

const MOST_TRIALS = 500;

/** An id for a trial answer that is added now, the i-th of them. */
function freshTrialId(i: number): string {
  return `t${Date.now().toString(36)}${i}`;
}

/** A line of a pasted column: the answer, and behind a tab the marks expected. */
function answerFromLine(line: string): { typed: string; expected: Trial['expected'] } {
  const [typed = '', expected = ''] = line.split('\t');
  return { typed: typed.slice(0, 5000), expected: readExpected(expected) ?? '' };
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
  const [typed, setTyped] = useState('');
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
  const add = (answers: readonly { typed: string; expected: Trial['expected'] }[]): void => {
    const added = answers
      .filter((answer) => answer.typed.trim() !== '')
      .map((answer, i): Trial => ({ id: freshTrialId(i), slot: slot.id, ...answer }));
    const room = Math.max(0, MOST_TRIALS - body.trials.length);
    setLeftOut(Math.max(0, added.length - room));
    if (added.length > 0) changeBody((b) => ({ ...b, trials: [...b.trials, ...added].slice(0, MOST_TRIALS) }), '');
  };
  const addTyped = (): void => {
    add([{ typed, expected: '' }]);
    setTyped('');
  };
  const agreeToAll = (): void => {
    const now = new Map(checks.map((c) => [c.id, c.marks ?? ('waits' as const)]));
    const agreed = (t: Trial): Trial =>
      t.slot === slot.id && t.expected === '' ? { ...t, expected: now.get(t.id) ?? '' } : t;
    changeBody((b) => ({ ...b, trials: b.trials.map(agreed) }), '');
  };
  const kind = kindOf(slot.slot.kind);
  // Answers that were decided one by one are worth keeping an eye on, too.
  const decided = (slot.slot.settled ?? []).map((one) => kind.describeResponse(slot.slot.setup, one.response));
  const suggested = [...new Set([...kind.tryouts(slot.slot.setup), ...decided])].filter(
    (answer) => answer !== '' && !mine.some((t) => t.typed === answer),
  );
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
          <Button variant="quiet" onClick={() => add(suggested.map((answer) => ({ typed: answer, expected: '' })))}>
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
        <p role="alert" className="trouble">
          {leftOut === 1 ? '1 answer was' : `${leftOut} answers were`} left out: a question keeps at most {MOST_TRIALS}{' '}
          trial answers.
        </p>
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
                trial={trial}
                check={checkOf(trial.id)}
                onChange={(part) => setTrial(trial.id, part)}
                onRemove={() => changeBody((b) => ({ ...b, trials: b.trials.filter((t) => t.id !== trial.id) }), '')}
              />
            ))}
            <tr className="new-trial">
              <td colSpan={5}>
                <input
                  className="form-control"
                  aria-label="A new trial answer"
                  placeholder={`${editorSide(slot.slot.kind).trialHint}, press Enter; or paste a column of answers`}
                  value={typed}
                  onChange={(e) => setTyped(e.target.value)}
                  onKeyDown={(e) => e.key === 'Enter' && addTyped()}
                  onPaste={(e) => {
                    // A column of real answers, with the marks expected in a second column if there is one.
                    const lines = e.clipboardData.getData('text/plain').split(/\r?\n/);
                    if (lines.length < 2) return;
                    e.preventDefault();
                    add(lines.map(answerFromLine));
                  }}
                />
              </td>
            </tr>
          </tbody>
        </table>
      )}
    </section>
  );
}

interface RowProps {
  trial: Trial;
  check: TrialCheck | undefined;
  onChange: (part: Partial<Trial>) => void;
  onRemove: () => void;
}

function TrialRow({ trial, check, onChange, onRemove }: RowProps) {
  const look = check?.marks === null ? 'hand' : check?.marks === '0' ? 'wrong' : 'good';
  return (
    <tr>
      <td>
        <input
          className="form-control"
          aria-label="Trial answer"
          value={trial.typed}
          onChange={(e) => onChange({ typed: e.target.value })}
        />
      </td>
      <td className={look}>{check && (check.marks === null ? 'waits' : marksText(check.marks))}</td>
      <td className="narrow">
        <ExpectedInput expected={trial.expected} onChange={(expected) => onChange({ expected })} />
      </td>
      <td>
        {check && !check.agrees && <span className="wrong">not as expected: </span>}
        {check && <TextWithFormulas text={traceText(check.trace)} drawn={drawTextFormulas(traceText(check.trace))} />}
      </td>
      <td>
        <Button variant="quiet" aria-label="Take this trial answer out" onClick={onRemove}>
          <X size={14} />
        </Button>
      </td>
    </tr>
  );
}

function ExpectedInput({
  expected,
  onChange,
}: {
  expected: Trial['expected'];
  onChange: (expected: Trial['expected']) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <input
      className="form-control"
      aria-label="Expected mark"
      placeholder="?"
      value={typed ?? (expected === 'waits' || expected === '' ? expected : marksText(expected))}
      onChange={(e) => {
        setTyped(e.target.value);
        const read = readExpected(e.target.value);
        if (read !== null) onChange(read);
      }}
      onBlur={() => setTyped(null)}
    />
  );
}

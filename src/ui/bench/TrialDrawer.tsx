'use client';
import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { runTrials } from '@/core/bank/mark';
import type { PlacedSlot, QuestionBody, Trial } from '@/core/bank/question';
import { parseExact, stored } from '@/core/base/exact';
import { readNumber } from '@/core/rules/number/read';
import { editorSide } from '../kinds/editors';
import { marksText } from '../words/marks';
import { traceText } from '../words/traces';

interface Props {
  placed: PlacedSlot[];
  body: QuestionBody;
  selected: string | null;
  changeBody: (part: (body: QuestionBody) => QuestionBody, tag: string) => void;
}

/** What a teacher types as expected marks: "2", "1½", "waits", or nothing. Null when it is none of these. */
function readExpected(typed: string): Trial['expected'] | null {
  const text = typed.trim().toLowerCase();
  if (text === '') return '';
  if (/^w(a(i(ts?)?)?)?$/.test(text)) return 'waits';
  const value = readNumber(text)?.value ?? parseExact(text);
  return value && value.compare(0) >= 0 ? stored(value) : null;
}

/** Trial answers of the selected slot: mark, expected mark, reason; run at every change. */
export function TrialDrawer({ placed, body, selected, changeBody }: Props) {
  const [open, setOpen] = useState(true);
  const [typed, setTyped] = useState('');
  const slot = placed.find((p) => p.id === selected) ?? placed[0];
  const outcomes = useMemo(() => runTrials(body), [body]);
  if (!slot) return null;
  const mine = outcomes.filter((o) => o.trial.slot === slot.id);
  const agree = mine.filter((o) => o.agrees).length;
  const wrongElsewhere = outcomes.filter((o) => !o.agrees && o.trial.slot !== slot.id).length;
  const setTrial = (id: string, part: Partial<Trial>): void =>
    changeBody((b) => ({ ...b, trials: b.trials.map((t) => (t.id === id ? { ...t, ...part } : t)) }), `trial ${id}`);
  const add = (): void => {
    if (typed.trim() === '') return;
    const id = `t${Date.now().toString(36)}`;
    changeBody((b) => ({ ...b, trials: [...b.trials, { id, slot: slot.id, typed, expected: '' as const }] }), '');
    setTyped('');
  };
  return (
    <section className="drawer" aria-label="Trial answers">
      <div className="head">
        <strong>Trial answers</strong>
        <span className="soft">
          slot {slot.letter}, {mine.length === 0 ? 'none yet' : `${agree} of ${mine.length} as expected`}
          {wrongElsewhere > 0 && <span className="wrong"> · {wrongElsewhere} not as expected in other slots</span>}
        </span>
        <Button variant="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Put away' : 'Open'}
        </Button>
      </div>
      {open && (
        <table className="rows">
          <thead>
            <tr>
              <th scope="col">Answer</th>
              <th scope="col">Mark</th>
              <th scope="col">Expected</th>
              <th scope="col">Why</th>
              <th scope="col" aria-label="Take out" />
            </tr>
          </thead>
          <tbody>
            {mine.map(({ trial, marks, marking, agrees }) => (
              <tr key={trial.id}>
                <td>
                  <input
                    className="form-control"
                    aria-label="Trial answer"
                    value={trial.typed}
                    onChange={(e) => setTrial(trial.id, { typed: e.target.value })}
                  />
                </td>
                <td className={marks === null ? 'hand' : marks.equals(0) ? 'wrong' : 'good'}>
                  {marks === null ? 'waits' : marksText(stored(marks))}
                </td>
                <td className="narrow">
                  <ExpectedInput expected={trial.expected} onChange={(expected) => setTrial(trial.id, { expected })} />
                </td>
                <td>
                  {!agrees && <span className="wrong">not as expected: </span>}
                  {traceText(marking.trace)}
                </td>
                <td>
                  <Button
                    variant="quiet"
                    aria-label="Take this trial answer out"
                    onClick={() => changeBody((b) => ({ ...b, trials: b.trials.filter((t) => t.id !== trial.id) }), '')}
                  >
                    <X size={14} />
                  </Button>
                </td>
              </tr>
            ))}
            <tr className="new-trial">
              <td colSpan={5}>
                <input
                  className="form-control"
                  aria-label="A new trial answer"
                  placeholder={`${editorSide(slot.slot.kind).trialHint}, press Enter`}
                  value={typed}
                  onChange={(e) => setTyped(e.target.value)}
                  onKeyDown={(e) => e.key === 'Enter' && add()}
                />
              </td>
            </tr>
          </tbody>
        </table>
      )}
    </section>
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

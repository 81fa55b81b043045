'use client';
import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { TrialCheck } from '@/core/bank/checks';
import type { PlacedSlot, Slot, Trial } from '@/core/bank/question';
import { kindOf } from '@/core/kinds/registry';
import { readResponse, responseWords, storedResponse } from '@/core/kinds/response';
import { StudentSlot } from '../kinds/SlotView';
import { TextWithFormulas } from '../sheet/Formula';
import { drawTextFormulas } from '../sheet/formulas';
import { TrialKeeper } from '../speech/TrialKeeper';
import { marksText } from '../words/marks';
import { traceText } from '../words/traces';
import { readExpected } from './trial-answers';

interface RowProps {
  placed: PlacedSlot;
  trial: Trial;
  check: TrialCheck | undefined;
  onChange: (part: Partial<Trial>) => void;
  /** Makes it right as a whole beside the key, where its kind has more than one whole answer. */
  onAlso?: (() => void) | undefined;
  onRemove: () => void;
}

/** A trial answer with its mark, the mark that is expected, and the reason. */
export function TrialRow({ placed, trial, check, onChange, onAlso, onRemove }: RowProps) {
  const look = check?.marks === null ? 'hand' : check?.marks === '0' ? 'wrong' : 'good';
  const { kind: name, setup } = placed.slot;
  const [open, setOpen] = useState(false);
  const answer = (
    <TrialAnswer
      placed={placed}
      label="Trial answer"
      response={trial.response}
      onChange={(response) => onChange({ response })}
    />
  );
  // What is placed or pointed at needs room; it is read as words and opened to be changed.
  const { typed, parts, media } = kindOf(name);
  const folded = !typed && Boolean(parts ?? media);
  return (
    <>
      <tr>
        <td>
          {folded ? (
            <Button variant="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
              {responseWords(kindOf(name), setup, trial.response) || 'no answer'}
            </Button>
          ) : (
            answer
          )}
          <UnreadWords slot={placed.slot} response={trial.response} />
        </td>
        <td className={look}>{check && (check.marks === null ? 'waits' : marksText(check.marks))}</td>
        <td className="narrow">
          <ExpectedInput expected={trial.expected} onChange={(expected) => onChange({ expected })} />
        </td>
        <td>
          {check && !check.agrees && <span className="wrong">not as expected: </span>}
          {check && <TextWithFormulas text={traceText(check.trace)} drawn={drawTextFormulas(traceText(check.trace))} />}
          {onAlso && (
            <Button
              variant="quiet"
              className="small-act"
              title="As good as the key; the nearest of them counts"
              onClick={onAlso}
            >
              Right too
            </Button>
          )}
        </td>
        <td>
          <Button variant="quiet" aria-label="Take this trial answer out" onClick={onRemove}>
            <X size={14} />
          </Button>
        </td>
      </tr>
      {folded && open && (
        <tr>
          <td colSpan={5}>{answer}</td>
        </tr>
      )}
    </>
  );
}

/** The answer once more, where some of its words were read by no rule: these are pale. */
function UnreadWords({ slot, response }: { slot: Slot; response: unknown }) {
  const kind = kindOf(slot.kind);
  const read = readResponse(kind, response);
  if (!kind.worded || !read || kind.worded.points(slot.setup).length === 0) return null;
  const pieces = kind.worded.pieces(slot.setup, read.response);
  if (pieces.every((piece) => piece.read)) return null;
  return (
    <p className="pieces" aria-label="What the rules have read">
      {pieces.map(({ text, read: isRead }, i) => (
        <span key={i} className={isRead ? '' : 'unread'}>
          {text}
        </span>
      ))}
    </p>
  );
}

interface AnswerProps {
  placed: PlacedSlot;
  label: string;
  /** As it is stored; undefined while nothing is answered. */
  response: unknown;
  onChange: (response: unknown) => void;
}

/** An answer on the bench: a line to type where the kind can be typed, else the slot as a student answers it. */
export function TrialAnswer({ placed, label, response, onChange }: AnswerProps) {
  const { id, slot } = placed;
  const kind = kindOf(slot.kind);
  const present = readResponse(kind, response)?.response;
  const change = (next: unknown): void => onChange(storedResponse(kind, next));
  const sheet = useMemo(() => kind.sheet(slot.setup, null), [kind, slot.setup]);
  const slots = useMemo(() => ({ [id]: slot }), [id, slot]);
  const responses = useMemo(() => ({ [id]: response }), [id, response]);
  if (kind.typed) return <TypedAnswer slot={slot} label={label} present={present} onChange={change} />;
  return (
    <TrialKeeper slots={slots} responses={responses}>
      <StudentSlot
        kind={slot.kind}
        id={`trial-${id}-${label}`}
        label={label}
        sheet={sheet}
        response={present}
        onChange={change}
        drawn={drawTextFormulas(kind.describe(slot.setup))}
      />
    </TrialKeeper>
  );
}

interface TypedProps {
  slot: Slot;
  label: string;
  present: unknown;
  onChange: (response: unknown) => void;
}

function TypedAnswer({ slot: { kind: name, setup }, label, present, onChange }: TypedProps) {
  const { typed } = kindOf(name);
  // As it was typed, as long as that is what the response says.
  const [typing, setTyping] = useState<string | null>(null);
  if (!typed) return null;
  const same = typing !== null && JSON.stringify(typed.response(setup, typing)) === JSON.stringify(present);
  const text = present === undefined ? '' : typed.responseText(setup, present);
  return (
    <input
      className="form-control"
      aria-label={label}
      value={same ? typing : text}
      onChange={(e) => {
        setTyping(e.target.value);
        onChange(typed.response(setup, e.target.value));
      }}
      onBlur={() => setTyping(null)}
    />
  );
}

interface ExpectedProps {
  expected: Trial['expected'];
  onChange: (expected: Trial['expected']) => void;
}

function ExpectedInput({ expected, onChange }: ExpectedProps) {
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

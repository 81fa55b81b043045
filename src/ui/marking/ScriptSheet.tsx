'use client';
import { Link } from '../parts/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { giveMarkAction } from '@/actions/marking';
import type { Script, ScriptSlot } from '@/server/marking/script';
import { useKeys } from '../frame/keys';
import { Strip } from '../frame/Strip';
import { replyTo } from '../parts/reply-to';
import { useFreshPage } from '../parts/use-fresh-page';
import { Trouble } from '../parts/Trouble';
import { TextWithFormulas } from '../sheet/Formula';
import type { DrawnFormulas } from '../sheet/formulas';
import { QuestionView } from '../sheet/QuestionView';
import { marksText } from '../words/marks';
import { refusalText } from '../words/refusals';
import { evidenceIn, outOf, traceText } from '../words/traces';

/** A student's exam read through on one sheet, the marks at its right edge; also for the printer. */
export function ScriptSheet({ script, drawn }: { script: Script; drawn: DrawnFormulas }) {
  const router = useRouter();
  const { sitting, attempt, before, after, questions } = script;
  const to = (other: string | null): void => {
    if (other) router.push(`/marking/${sitting}/script/${other}`);
  };
  useKeys([
    { keys: 'j', what: 'Next script', run: () => to(after) },
    { keys: 'k', what: 'Script before', run: () => to(before) },
  ]);
  const number = `Script ${String(script.script).padStart(2, '0')}`;
  return (
    <>
      <Strip
        where={{ href: `/marking/${sitting}`, name: script.title }}
        title={script.name ?? number}
        state={script.name === null ? 'names hidden' : number}
      >
        <Button variant="quiet" onClick={() => window.print()}>
          Print
        </Button>
        {before && (
          <Link className="btn btn-quiet" href={`/marking/${sitting}/script/${before}`}>
            ‹ Back
          </Link>
        )}
        {after && (
          <Link className="btn btn-outline-primary" href={`/marking/${sitting}/script/${after}`}>
            Next ›
          </Link>
        )}
      </Strip>
      <div className="page script-sheet" style={{ maxWidth: 1180, margin: '0 auto' }}>
        {questions.map((question) => (
          <div className="result-row" key={question.id}>
            <div className="sheet">
              <QuestionView
                number={question.number}
                marks={question.of}
                sheet={question.sheet}
                drawn={drawn}
                responses={question.responses}
                evidence={Object.fromEntries(question.slots.map(({ id, trace }) => [id, evidenceIn(trace)]))}
                remarks={Object.fromEntries(question.slots.map(({ id, remarks }) => [id, remarks]))}
              />
            </div>
            <aside className="margin" aria-label={`Marks of question ${question.number}`}>
              {question.slots.map((slot) => (
                <SlotNote
                  key={slot.id}
                  attempt={attempt}
                  sitting={sitting}
                  item={question.id}
                  slot={slot}
                  several={question.slots.length > 1}
                  drawn={drawn}
                />
              ))}
            </aside>
          </div>
        ))}
      </div>
    </>
  );
}

interface SlotProps {
  attempt: string;
  sitting: string;
  item: string;
  slot: ScriptSlot;
  several: boolean;
  drawn: DrawnFormulas;
}

function SlotNote({ attempt, sitting, item, slot, several, drawn }: SlotProps) {
  const look = useFreshPage();
  const [typed, setTyped] = useState<string | null>(null);
  const [over, setOver] = useState(slot.mark);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [kept, setKept] = useState(false);
  const keep = async (): Promise<void> => {
    if (typed === null || typed.trim() === '') return;
    const given = await replyTo(
      giveMarkAction({ attempt, item, slot: slot.id, marks: typed, over: over ?? undefined }),
    );
    setTrouble(given.ok ? null : refusalText(given.refusal));
    setKept(given.ok);
    if (given.ok) setOver(given.value.id);
    look();
  };
  return (
    <div className="note red">
      <p className="slot-mark">
        {several && <span className="letter">{slot.letter}</span>}
        {slot.typed ? (
          <span className="d-inline-flex gap-2 align-items-baseline">
            <input
              className="form-control narrow"
              inputMode="decimal"
              aria-label={`Slot ${slot.letter}: marks out of ${marksText(slot.of)}`}
              value={typed ?? (slot.marks === null ? '' : marksText(slot.marks))}
              onChange={(e) => {
                setKept(false);
                setTyped(e.target.value);
              }}
              onBlur={() => void keep()}
              onKeyDown={(e) => e.key === 'Enter' && void keep()}
            />
            of {marksText(slot.of)} {kept && <span className="good">✓</span>}
          </span>
        ) : slot.marks === null ? (
          <Link className="hand" href={`/marking/${sitting}/${item}`}>
            waits
          </Link>
        ) : (
          outOf(slot.marks, slot.of)
        )}
      </p>
      <Trouble>{trouble}</Trouble>
      {slot.trace.length > 0 && (
        <p className="soft">
          <TextWithFormulas text={traceText(slot.trace)} drawn={drawn} />
        </p>
      )}
      {slot.remarks
        .filter(({ number }) => number > 0)
        .map(({ id, number, words }) => (
          <p key={id} className="wrong fw-normal">
            <strong>{number}</strong> {words || 'drawn on the answer'}
          </p>
        ))}
    </div>
  );
}

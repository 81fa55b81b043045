'use client';
import { Link } from '../parts/Link';
import { useRouter } from 'next/navigation';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { setUnsureAction, takeAnswersAction } from '@/actions/marking';
import type { Refusal } from '@/core/base/result';
import type { Anchor } from '@/core/content/anchors';
import { type Judgement, judge } from '@/core/rules/rubric/rubric';
import type { Desk } from '@/server/marking/desk';
import type { DeskLine } from '@/server/marking/desk-lines';
import { KeyCap } from '../frame/KeyCap';
import { useKeys } from '../frame/keys';
import { Strip } from '../frame/Strip';
import { replyTo } from '../parts/reply-to';
import { Trouble } from '../parts/Trouble';
import { TextWithFormulas } from '../sheet/Formula';
import type { DrawnFormulas } from '../sheet/formulas';
import { marksText, plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { AlikeNote } from './AlikeNote';
import { AnswerIndex } from './AnswerIndex';
import { AnswerSheet } from './AnswerSheet';
import { FiguresNote } from './FiguresNote';
import { MarkNote } from './MarkNote';
import { NotTaken } from './NotTaken';
import { NothingHere, Onward } from './Onward';
import { inOrder, type Order } from './order';
import { OwnJudgements } from './OwnJudgements';
import { RemarksNote } from './RemarksNote';
import { found } from './RubricMarking';
import { withChange, withHalf } from './typed-marks';
import { keyOf, useDesk } from './use-desk';
import { useMarking } from './use-marking';
import { useRemarks } from './use-remarks';

/** Where the desk opens: at the first answer that still waits. */
function firstWaiting(lines: readonly DeskLine[]): number {
  return Math.max(
    0,
    lines.findIndex((line) => line.marks === null),
  );
}

/** The marking desk: one question across all scripts, the next one key away, every mark saved as typed. */
export function MarkingDesk({ desk, all, drawn: drawnFirst }: { desk: Desk; all: boolean; drawn: DrawnFormulas }) {
  const router = useRouter();
  const [lines, setLines] = useState(desk.lines);
  const [order, setOrder] = useState<Order>('script');
  const [at, setAt] = useState(() => firstWaiting(desk.lines));
  const [typed, setTyped] = useState<string | null>(null);
  const [judging, setJudging] = useState<Judgement | null>(null);
  const [criterion, setCriterion] = useState(0);
  const [trouble, setTrouble] = useState<Refusal | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const remarkField = useRef<HTMLInputElement>(null);
  const { now, drawn, lost, change, changeAll, read } = useDesk(desk, all, drawnFirst, lines, at);
  const line = lines[at];

  const setLine = (key: string, part: Partial<DeskLine>): void => {
    setLines((all) => all.map((one) => (keyOf(one) === key ? { ...one, ...part } : one)));
    change(key, (answer) => ({ ...answer, ...part }));
  };
  const { saving, waiting, refused, save, leave } = useMarking({
    item: desk.item,
    second: desk.second,
    onGiven(answer, { id, marks }, judgement) {
      setLine(keyOf(answer), { mark: id ?? answer.mark, marks, byPerson: true });
      change(keyOf(answer), (one) => ({ ...one, judgement }));
    },
    onMeanwhile(answer) {
      setTyped(null);
      setJudging(null);
      void read([answer]);
    },
  });
  const says = useRemarks({
    item: desk.item,
    kept: desk.kept,
    change,
    changeAll,
    onTrouble: setTrouble,
    onLost: (answer) => void read([answer]),
    onMarks(answer, by) {
      if (desk.rubrics[answer.slot]) return;
      const next = withChange(typed ?? (answer.marks ? marksText(answer.marks) : ''), by, answer.of);
      if (next === null) return;
      setTyped(next);
      save(answer, next);
    },
  });
  // A mark that came from the server anew stands in the list, too.
  useEffect(() => {
    if (!now || !line || now.mark === line.mark) return;
    const { mark, marks, byPerson } = now;
    const timer = setTimeout(
      () => setLines((all) => all.map((one) => (keyOf(one) === keyOf(now) ? { ...one, mark, marks, byPerson } : one))),
      0,
    );
    return () => clearTimeout(timer);
  }, [now, line]);

  const move = (index: number): void => {
    leave();
    says.clear();
    setAt(index);
    setTyped(null);
    setJudging(null);
    setCriterion(0);
    setTrouble(null);
  };
  const go = (index: number): void => {
    if (index < 0 || index >= lines.length) return;
    if (!now || !says.open) return move(index);
    // What was typed is said of this answer first; where it cannot be, it stays here.
    void says.sayOpen(now).then((said) => said && move(index));
  };
  const arrange = (by: Order): void => {
    leave();
    const next = inOrder(lines, by);
    setOrder(by);
    setLines(next);
    setAt(
      Math.max(
        0,
        next.findIndex((one) => line && keyOf(one) === keyOf(line)),
      ),
    );
  };
  const there = now !== null && now !== undefined;
  useEffect(() => {
    field.current?.focus();
    field.current?.select();
  }, [at, there]);

  const refusedHere = line && refused.get(keyOf(line));
  const marksNow = typed ?? refusedHere?.marks ?? (now?.marks ? marksText(now.marks) : '');
  const leftAt = lines.findIndex((one, i) => i !== at && refused.has(keyOf(one)));
  const left = lines[leftAt];
  const refusedLeft = left && refused.get(keyOf(left));
  // A second mark is one number, which is held against another.
  const rubric = desk.second ? undefined : line && desk.rubrics[line.slot];
  const keyNow = now && (now.own?.key ?? desk.keys[now.slot]);
  const judgement = judging ?? now?.judgement ?? {};
  const setMark = (value: string): void => {
    if (!now) return;
    setTyped(value);
    save(now, value);
  };
  const setJudgement = (next: Judgement): void => {
    if (!now || !rubric) return;
    setJudging(next);
    if (judge(rubric, next).open.length === 0) save(now, '', { judgement: next });
  };
  /** A digit judges the criterion that is on, and goes on to the next. */
  const judgeByDigit = (digit: string): void => {
    const one = rubric?.criteria[criterion];
    const level = Number(digit) - 1;
    if (!one || !rubric || rubric.look === 'single' || level < 0 || level >= rubric.levels.length) return;
    setJudgement(found(judgement, one.id, { level }));
    setCriterion(Math.min(rubric.criteria.length - 1, criterion + 1));
  };
  const doubt = async (): Promise<void> => {
    if (!line) return;
    const { attempt, slot } = line;
    setLine(keyOf(line), { unsure: !line.unsure });
    const kept = await replyTo(setUnsureAction({ attempt, item: desk.item, slot, is: !line.unsure }));
    if (!kept.ok) setLine(keyOf(line), { unsure: line.unsure });
  };
  const pin = (anchor: Anchor): void => {
    if (!now) return;
    // What is drawn, and how a word was read, needs no words.
    if (anchor.at === 'drawn' || anchor.at === 'read') return says.sign(now, anchor);
    says.setAnchor(anchor);
    remarkField.current?.focus();
  };
  useKeys([
    { keys: 'j', what: 'Next answer', run: () => go(at + 1) },
    { keys: 'k', what: 'Answer before', run: () => go(at - 1) },
    { keys: 'r', what: 'Write a remark', run: () => remarkField.current?.focus() },
    { keys: 'u', what: 'Unsure: look at it once more', run: () => void doubt() },
    { keys: 'h', what: 'Half a mark more, or less', run: () => !rubric && setMark(withHalf(marksNow)) },
    rubric
      ? { keys: '0–9', what: 'Choose this level of the criterion', run: judgeByDigit }
      : { keys: '0–9', what: 'Give these marks', run: (digit) => setMark(digit) },
  ]);

  const take = async (): Promise<void> => {
    const taken = await replyTo(takeAnswersAction({ sitting: desk.sitting, item: desk.item }));
    setTrouble(taken.ok ? null : taken.refusal);
    if (taken.ok && taken.value.taken > 0) router.refresh();
  };
  if (!line) return <NothingHere desk={desk} onTake={() => void take()} />;
  const keysInField = (e: KeyboardEvent): void => {
    const key = e.key.toLowerCase();
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === 'Enter' || e.key === 'ArrowDown' || key === 'j') go(at + 1);
    else if (e.key === 'ArrowUp' || key === 'k') go(at - 1);
    else if (key === 'r') remarkField.current?.focus();
    else if (key === 'u') void doubt();
    else if (key === 'h') setMark(withHalf(marksNow));
    else return;
    e.preventDefault();
  };
  const marked = lines.filter(({ marks }) => marks !== null).length;
  return (
    <>
      <Strip
        where={{ href: `/marking/${desk.sitting}`, name: desk.title }}
        title={`Question ${desk.number}, ${desk.label}`}
        chip={`${marked} of ${lines.length} ${desk.second ? 'marked a second time' : 'marked'}`}
        state={desk.namesHidden ? 'names hidden' : ''}
      >
        {desk.part && desk.mayAll && (
          <Link className="btn btn-quiet" href={`/marking/${desk.sitting}/${desk.item}?all=1`}>
            Show all, not only mine
          </Link>
        )}
        {desk.inTurn && (
          <Button variant="outline-primary" onClick={() => void take()}>
            Take ten more
          </Button>
        )}
        <span className="state" role="status">
          {waiting > 0 ? (
            <span className="hand">The server does not answer: {plural(waiting, 'mark waits', 'marks wait')} here</span>
          ) : (
            saving !== 'idle' && (saving === 'saving' ? 'Saving…' : 'Mark saved ✓')
          )}
        </span>
        <Button variant="quiet" disabled={at === 0} onClick={() => go(at - 1)}>
          ‹ Back <KeyCap of="k" />
        </Button>
        {marked === lines.length ? (
          <Onward desk={desk} />
        ) : (
          <Button disabled={at === lines.length - 1} onClick={() => go(at + 1)}>
            Next <KeyCap of="j" />
          </Button>
        )}
      </Strip>
      {refusedLeft && <NotTaken line={left} refused={refusedLeft} onGo={() => go(leftAt)} />}
      <div className="split with-index">
        <AnswerIndex lines={lines} at={at} order={order} onOrder={arrange} onGo={go} />
        {now ? (
          <AnswerSheet key={keyOf(now)} desk={desk} now={now} drawn={drawn} onPin={pin} />
        ) : (
          <div className="sheet plain" role="status">
            {lost ? 'This answer could not be fetched. ' : 'The answer comes…'}
            {lost && (
              <Button variant="outline-primary" onClick={() => void read([line])}>
                Try again
              </Button>
            )}
          </div>
        )}
        {now && (
          <aside className="margin" aria-label="Mark">
            <MarkNote
              field={field}
              marks={marksNow}
              of={now.of}
              rubric={rubric}
              judgement={judgement}
              criterion={criterion}
              refusal={refusedHere?.refusal ?? null}
              onMarks={setMark}
              onKey={keysInField}
              onCriterion={setCriterion}
              onJudge={setJudgement}
            />
            {trouble && <Trouble>{refusalText(trouble)}</Trouble>}
            {now.beforehand !== null && (
              <div className="note hand">
                <h3>Marked beforehand</h3>
                <p>
                  This script had been marked before, with {marksText(now.beforehand)}. What you gave counts for nothing
                  else.
                </p>
              </div>
            )}
            {now.both && (
              <div className="note hand">
                <h3>Marked twice</h3>
                <p>
                  First {marksText(now.both.first)}, then {marksText(now.both.second)}
                  {now.both.reason && `: “${now.both.reason}”`}
                </p>
              </div>
            )}
            {desk.second ? (
              <WhyNote
                key={keyOf(now)}
                why={now.why}
                onChange={(why) => {
                  change(keyOf(now), (one) => ({ ...one, why }));
                  save(now, marksNow, { why });
                }}
              />
            ) : (
              <RemarksNote
                key={keyOf(now)}
                remarks={now.remarks.filter(({ anchor }) => anchor.at !== 'read')}
                kept={says.kept}
                answer={now.words}
                anchor={says.anchor}
                field={remarkField}
                typed={says.typed}
                onType={says.setTyped}
                onAnchor={pin}
                onSay={(words, marks) => void says.say(now, words, marks)}
                onChange={(remark, words, everywhere) => void says.otherwise(now, remark, words, everywhere)}
                onTakeBack={(remark) => void says.takeBack(now, remark)}
                onDropKept={(kept) => void says.dropKept(now, kept)}
                onLeave={() => (field.current ? field.current.focus() : remarkField.current?.blur())}
              />
            )}
            {desk.comparable && !desk.second && now.byPerson && now.marks !== null && saving !== 'saving' && (
              <AlikeNote
                key={`${keyOf(now)} ${now.marks}`}
                sitting={desk.sitting}
                item={desk.item}
                slot={now.slot}
                attempt={now.attempt}
                marks={now.marks}
                onGiven={(attempts) => {
                  const given = new Set(attempts);
                  const here = lines.filter((one) => one.slot === now.slot && given.has(one.attempt));
                  for (const one of here) setLine(keyOf(one), { marks: now.marks, byPerson: true });
                  void read(here.slice(0, 20));
                }}
              />
            )}
            {desk.figured.includes(now.slot) && !desk.second && (
              <FiguresNote attempt={now.attempt} item={desk.item} slot={now.slot} after={now.remarks.length} />
            )}
            {desk.selfJudged.includes(now.slot) && (
              <OwnJudgements sitting={desk.sitting} item={desk.item} slot={now.slot} after={now.marks} />
            )}
            {desk.mends && (
              <p className="soft">
                <Link href={`/sittings/${desk.sitting}/answers?item=${desk.item}`}>All answers to this question</Link>
              </p>
            )}
            {keyNow && (
              <div className="note">
                <h3>Key</h3>
                <p>
                  <TextWithFormulas text={keyNow} drawn={drawn} />
                </p>
              </div>
            )}
          </aside>
        )}
      </div>
    </>
  );
}

/** What a second marker says to whoever settles it, where the marks are far apart. No student reads it. */
function WhyNote({ why, onChange }: { why: string; onChange: (why: string) => void }) {
  return (
    <label className="note d-block">
      Why, for whoever settles it
      <textarea
        className="form-control mt-1"
        rows={3}
        maxLength={3000}
        value={why}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}

'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { type KeyboardEvent, useCallback, useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { giveMarkAction } from '@/actions/marking';
import type { Refusal } from '@/core/base/result';
import { type Judgement, judge } from '@/core/rules/rubric/rubric';
import type { Desk, DeskAnswer } from '@/server/marking/desk';
import { KeyCap } from '../frame/KeyCap';
import { useKeys } from '../frame/keys';
import { Strip } from '../frame/Strip';
import { TextWithFormulas } from '../sheet/Formula';
import type { DrawnFormulas } from '../sheet/formulas';
import { QuestionView } from '../sheet/QuestionView';
import { marksText } from '../words/marks';
import { Evidence } from '../sheet/Evidence';
import { found, RubricMarking } from './RubricMarking';
import { refusalText } from '../words/refusals';
import { evidenceIn, traceText } from '../words/traces';
import { Trouble } from '../parts/Trouble';

type Saving = { name: 'idle' } | { name: 'saving' } | { name: 'saved' } | { name: 'refused'; refusal: Refusal };

const WAIT = 450;

/** Where the desk opens: at the first answer that still waits. */
function firstWaiting(answers: DeskAnswer[]): number {
  return Math.max(
    0,
    answers.findIndex((a) => a.marks === null),
  );
}

/** Why a person was called, in one line. */
const reasonOf = ({ trace }: DeskAnswer): string => traceText(trace.slice(-1));

type Order = 'script' | 'reason';

/** The answers of each slot by script, or those with one reason together. */
function inOrder(answers: readonly DeskAnswer[], order: Order): DeskAnswer[] {
  const code = ({ trace }: DeskAnswer): string => trace.at(-1)?.code ?? '';
  return [...answers].sort(
    (a, b) =>
      a.letter.localeCompare(b.letter) ||
      (order === 'reason' ? code(a).localeCompare(code(b)) || reasonOf(a).localeCompare(reasonOf(b)) : 0) ||
      a.script - b.script,
  );
}

/** The marking desk: one question across all scripts, the next one key away, every mark saved as typed. */
export function MarkingDesk({ desk, drawn }: { desk: Desk; drawn: DrawnFormulas }) {
  const router = useRouter();
  const [answers, setAnswers] = useState(desk.answers);
  const [order, setOrder] = useState<Order>('script');
  const [at, setAt] = useState(() => firstWaiting(desk.answers));
  const [typed, setTyped] = useState<string | null>(null);
  const [remark, setRemark] = useState<string | null>(null);
  const [judging, setJudging] = useState<Judgement | null>(null);
  const [criterion, setCriterion] = useState(0);
  const [saving, setSaving] = useState<Saving>({ name: 'idle' });
  const field = useRef<HTMLInputElement>(null);
  const remarkField = useRef<HTMLTextAreaElement>(null);
  const pending = useRef<{ timer: ReturnType<typeof setTimeout>; run: () => Promise<void> } | null>(null);

  const now = answers[at];
  const marked = answers.filter((a) => a.marks !== null).length;

  const flush = useCallback((): void => {
    if (!pending.current) return;
    clearTimeout(pending.current.timer);
    const { run } = pending.current;
    pending.current = null;
    void run();
  }, []);
  useEffect(() => flush, [flush]);

  const save = (answer: DeskAnswer, given: { marks: string; words: string; found?: Judgement }): void => {
    const { marks, words, found: judgement = null } = given;
    if (marks.trim() === '' && judgement === null) return;
    const run = async (): Promise<void> => {
      try {
        const result = await giveMarkAction({
          attempt: answer.attempt,
          item: desk.item,
          slot: answer.slot,
          marks,
          remark: words,
          judgement,
        });
        if (!result.ok) return setSaving({ name: 'refused', refusal: result.refusal });
        setAnswers((all) =>
          all.map((a) =>
            a.attempt === answer.attempt && a.slot === answer.slot
              ? { ...a, marks: result.value.marks, byPerson: true, remark: words, judgement }
              : a,
          ),
        );
        // Another mark may have been typed meanwhile.
        if (!pending.current) setSaving({ name: 'saved' });
        router.refresh();
      } catch {
        setSaving({ name: 'refused', refusal: { code: 'offline' } });
      }
    };
    setSaving({ name: 'saving' });
    if (pending.current) clearTimeout(pending.current.timer);
    pending.current = { run, timer: setTimeout(flush, WAIT) };
  };
  const go = (index: number): void => {
    flush();
    if (index < 0 || index >= answers.length) return;
    setAt(index);
    setTyped(null);
    setRemark(null);
    setJudging(null);
    setCriterion(0);
    setSaving({ name: 'idle' });
  };
  const arrange = (by: Order): void => {
    flush();
    const next = inOrder(answers, by);
    setOrder(by);
    setAnswers(next);
    setAt(
      Math.max(
        0,
        next.findIndex((a) => a.attempt === now?.attempt && a.slot === now.slot),
      ),
    );
  };
  useEffect(() => {
    field.current?.focus();
    field.current?.select();
  }, [at]);

  const marksNow = typed ?? (now?.marks ? marksText(now.marks) : '');
  const remarkNow = remark ?? now?.remark ?? '';
  const rubric = now && desk.rubrics[now.slot];
  const keyNow = now && (now.own?.key ?? desk.keys[now.slot]);
  const judgement = judging ?? now?.judgement ?? {};
  const setMark = (value: string): void => {
    if (!now) return;
    setTyped(value);
    save(now, { marks: value, words: remarkNow });
  };
  const setJudgement = (next: Judgement): void => {
    if (!now || !rubric) return;
    setJudging(next);
    if (judge(rubric, next).open.length === 0) save(now, { marks: '', words: remarkNow, found: next });
  };
  /** A digit judges the criterion that is on, and goes on to the next. */
  const judgeByDigit = (digit: string): void => {
    const one = rubric?.criteria[criterion];
    const level = Number(digit) - 1;
    if (!one || !rubric || rubric.look === 'single' || level < 0 || level >= rubric.levels.length) return;
    setJudgement(found(judgement, one.id, { level }));
    setCriterion(Math.min(rubric.criteria.length - 1, criterion + 1));
  };
  useKeys([
    { keys: 'j', what: 'Next answer', run: () => go(at + 1) },
    { keys: 'k', what: 'Answer before', run: () => go(at - 1) },
    { keys: 'r', what: 'Write a remark', run: () => remarkField.current?.focus() },
    rubric
      ? { keys: '0–9', what: 'Choose this level of the criterion', run: judgeByDigit }
      : { keys: '0–9', what: 'Give these marks', run: (digit) => setMark(digit) },
  ]);

  if (!now) {
    return (
      <>
        <Strip where={{ href: '/marking', name: 'Marking' }} title={`Question ${desk.number}`}>
          <Onward desk={desk} />
        </Strip>
        <div className="page">
          <div className="sheet plain">Nothing waits here: the rules have decided every answer to this question.</div>
        </div>
      </>
    );
  }
  const keysInField = (e: KeyboardEvent): void => {
    if (e.key === 'Enter' || e.key === 'ArrowDown' || e.key.toLowerCase() === 'j') go(at + 1);
    else if (e.key === 'ArrowUp' || e.key.toLowerCase() === 'k') go(at - 1);
    else if (e.key.toLowerCase() === 'r') remarkField.current?.focus();
    else return;
    e.preventDefault();
  };
  return (
    <>
      <Strip
        where={{ href: '/marking', name: desk.title }}
        title={`Question ${desk.number}, ${desk.label}`}
        chip={`${marked} of ${answers.length} marked`}
        state={desk.namesHidden ? 'names hidden' : ''}
      >
        <span className="state" role="status">
          {saving.name === 'saving' && 'Saving…'}
          {saving.name === 'saved' && 'Mark saved ✓'}
        </span>
        <Button variant="quiet" disabled={at === 0} onClick={() => go(at - 1)}>
          ‹ Back <KeyCap of="k" />
        </Button>
        {marked === answers.length ? (
          <Onward desk={desk} />
        ) : (
          <Button disabled={at === answers.length - 1} onClick={() => go(at + 1)}>
            Next <KeyCap of="j" />
          </Button>
        )}
      </Strip>
      <div className="split with-index">
        <nav className="index" aria-label="Answers">
          <h2>Answers</h2>
          <select
            className="form-select form-select-sm mb-1"
            aria-label="In which order"
            value={order}
            onChange={(e) => arrange(e.target.value as Order)}
          >
            <option value="script">by script</option>
            <option value="reason">by why they wait</option>
          </select>
          <ul style={{ maxHeight: 'calc(100vh - 150px)', overflow: 'auto' }}>
            {answers.map((a, i) => (
              <li key={a.attempt + a.slot}>
                <button type="button" aria-current={i === at} title={reasonOf(a)} onClick={() => go(i)}>
                  {a.name ?? `Script ${String(a.script).padStart(2, '0')}`}
                  {a.secondLanguage && <span className="soft"> 2nd language</span>}
                  {new Set(answers.map((x) => x.letter)).size > 1 && <span className="letter">{a.letter}</span>}
                  <small>{a.marks === null ? <span className="hand">waits</span> : marksText(a.marks)}</small>
                </button>
              </li>
            ))}
          </ul>
        </nav>
        <div>
          <div className="sheet">
            <QuestionView
              number={desk.number}
              marks={desk.marks}
              sheet={now.own?.sheet ?? desk.sheet}
              drawn={drawn}
              responses={now.responses}
            />
          </div>
          <div className="sheet plain">
            <p className="over-title">The answer{now.letter !== 'A' && ` in slot ${now.letter}`}</p>
            <div className="answer-box now" dir="auto">
              {now.answer ? (
                /\$[^$]+\$/.test(now.answer) ? (
                  <TextWithFormulas text={now.answer} drawn={drawn} />
                ) : (
                  <Evidence text={now.answer} words={evidenceIn(now.trace)} />
                )
              ) : (
                <span className="soft">no answer</span>
              )}
            </div>
            <p className="soft mb-0 mt-2">
              {now.byPerson ? (
                'Marked by a person.'
              ) : (
                <>
                  Why it waits: <TextWithFormulas text={traceText(now.trace)} drawn={drawn} />
                </>
              )}
            </p>
          </div>
        </div>
        <aside className="margin" aria-label="Mark">
          <div className="note on red">
            <h3>{rubric ? rubric.title || 'Rubric' : 'Mark'}</h3>
            {rubric ? (
              <RubricMarking
                rubric={rubric}
                judgement={judgement}
                of={now.of}
                at={criterion}
                onAt={setCriterion}
                onJudge={setJudgement}
              />
            ) : (
              <div className="d-flex align-items-baseline gap-2">
                <input
                  ref={field}
                  className="form-control mark-input"
                  inputMode="decimal"
                  aria-label={`Marks out of ${marksText(now.of)}`}
                  aria-invalid={saving.name === 'refused'}
                  value={marksNow}
                  onChange={(e) => setMark(e.target.value)}
                  onKeyDown={keysInField}
                />
                <span>of {marksText(now.of)}</span>
              </div>
            )}
            {saving.name === 'refused' && <Trouble>{refusalText(saving.refusal)}</Trouble>}
            <label className="form-label mt-3" htmlFor="remark">
              Remark
            </label>
            <textarea
              id="remark"
              ref={remarkField}
              className="form-control"
              rows={3}
              maxLength={3000}
              placeholder="The student reads it with the result"
              value={remarkNow}
              onChange={(e) => {
                setRemark(e.target.value);
                const whole = rubric && judge(rubric, judgement).open.length === 0;
                save(now, {
                  marks: rubric ? '' : marksNow,
                  words: e.target.value,
                  ...(whole ? { found: judgement } : {}),
                });
              }}
              onKeyDown={(e) => {
                if (e.key === 'Escape') field.current?.focus();
              }}
            />
            <p className="soft mt-2 mb-0">
              <kbd>{rubric ? 1 : 0}</kbd>–<kbd>9</kbd> {rubric ? 'level' : 'marks'} <KeyCap of="r" /> remark{' '}
              <KeyCap of="j" /> next
            </p>
          </div>
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
      </div>
    </>
  );
}

/** Where to go when everything here is marked. */
function Onward({ desk }: { desk: Desk }) {
  const [href, words] =
    desk.nextItem !== null
      ? [`/marking/${desk.sitting}/${desk.nextItem}`, 'the next question']
      : desk.seesResults
        ? [`/sittings/${desk.sitting}/results`, 'to the results']
        : ['/marking', 'to the list'];
  return (
    <Link className="btn btn-primary" href={href}>
      All marked: {words}
    </Link>
  );
}

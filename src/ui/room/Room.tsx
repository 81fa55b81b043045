'use client';
import { Fragment, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Result } from '@/core/base/result';
import type { Room as RoomData } from '@/server/sittings/room';
import { KeyCap } from '../frame/KeyCap';
import { useKeys } from '../frame/keys';
import { sideOf } from '../kinds/registry';
import { useLatest } from '../parts/use-latest';
import { useListening } from '../parts/use-listening';
import type { DrawnChecked } from '../sheet/draw-checked';
import type { DrawnHints } from '../sheet/draw-hints';
import type { DrawnQuestion, DrawnSection } from '../sheet/draw-sections';
import { FileKeeper } from '../sheet/FileKeeper';
import { QuestionView } from '../sheet/QuestionView';
import { Contents, type Fullness } from './Contents';
import { NoticeBox } from './NoticeBox';
import { ClockStopped, HandedIn, LetBackIn } from './InsteadOfSheet';
import { HintsBox } from './HintsBox';
import { LeavingDialog } from './LeavingDialog';
import { PracticeBox } from './PracticeBox';
import { ReadAloud } from './ReadAloud';
import type { DrawnFormulaSheet } from './RoomAids';
import { YoungTop } from './YoungTop';
import { RoomTop } from './RoomTop';
import { useHearing } from './use-hearing';
import { useHints } from './use-hints';
import { type Saving, useAnswers } from './use-answers';
import { usePractice } from './use-practice';
import { useStage } from './use-stage';
import { OnBreak } from './Breaks';
import { useRestLeft, useTimeLeft } from './use-server-time';
import { Trouble } from '../parts/Trouble';
import { wordsWith } from '../words/student-words';

export interface DrawnRoom extends Omit<RoomData, 'sections' | 'checked' | 'hints' | 'formulas'> {
  formulas: DrawnFormulaSheet | null;
  sections: DrawnSection[];
  checked: Record<string, DrawnChecked>;
  hints: Record<string, DrawnHints>;
  /** What changed after this version is not in it yet. */
  version: number;
}

const SAVING: Record<Saving, string> = {
  saved: 'All answers saved ✓',
  saving: 'Saving…',
  offline: 'Offline: kept on this device, sending when the network is back',
  'offline-here': 'Offline: keep this page open, sending when the network is back',
  'signed-out': 'Signed out: kept on this device. Sign in again in another tab.',
  late: 'The last change came after the end',
};

const NOT_TAKEN = {
  unfit:
    'Your last change here could not be taken. What was saved before it still counts; write it anew, or make it shorter.',
  held: 'Another of your group was writing there: what stands there is theirs. Agree who writes, then change it.',
};

function savingText(saving: Saving, notTaken: readonly DrawnQuestion[]): string {
  if (saving !== 'saved' || notTaken.length === 0) return SAVING[saving];
  return `Not taken: the last change of question ${notTaken.map((i) => i.number).join(', ')}`;
}

function fullness(item: DrawnQuestion, responses: Record<string, unknown>): Fullness {
  const slots = Object.entries(item.sheet.slots);
  const done = slots.filter(([id, slot]) => sideOf(slot.kind).answered(responses[id])).length;
  return done === 0 ? 'empty' : done === slots.length ? 'full' : 'half';
}

/** The questions of each page. */
function pagesOf({ pages, sections }: DrawnRoom): DrawnQuestion[][] {
  if (pages === 'section') return sections.map(({ items }) => items);
  const all = sections.flatMap(({ items }) => items);
  return pages === 'whole' ? [all] : all.map((item) => [item]);
}

/** What stands over the first question of a section. */
function SectionStart({ sections, item, titled }: { sections: DrawnSection[]; item: string; titled: boolean }) {
  const begins = sections.find(({ items }) => items[0]?.id === item);
  if (!begins) return null;
  return (
    <>
      {titled && sections.length > 1 && (
        <h2 className="fs-6 fw-bold mt-3">
          Section {begins.letter}, {begins.title}
        </h2>
      )}
      {begins.instructions && <p>{begins.instructions}</p>}
    </>
  );
}

/** The answers to a question, without what is said of the whole of it. */
function onlySlots(responses: Readonly<Record<string, unknown>> = {}): Record<string, unknown> {
  return Object.fromEntries(Object.entries(responses).filter(([slot]) => slot !== ''));
}

/** The student's room: contents, the sheet, time left, and the certainty that nothing is lost. */
export function Room({ room }: { room: DrawnRoom }) {
  const { answers, answer, held, saving, refused, clock, setClock, sendAll, files, keepFile } = useAnswers(
    room.attempt,
    room,
  );
  const now = useLatest(answers);
  const answersOf = useCallback((item: string) => onlySlots(now.current[item]), [now]);
  const practising = usePractice(room.attempt, room.checked, { answersOf, sendAll });
  const hinting = useHints(room.attempt, room.hints);
  const words = wordsWith(room.words);
  const left = useTimeLeft(clock);
  const restLeft = useRestLeft(clock, sendAll);
  // A part with a time of its own ends before the whole.
  const { stage } = room.clock;
  const own = clock.stage?.id === stage?.id ? (clock.stage?.own ?? null) : null;
  const after = own ? clock.deadline - own.to : 0;
  const partLeft = left - after;
  const wholeOver = left <= 0;
  const over = partLeft <= 0;
  const staged = useStage({
    attempt: room.attempt,
    shown: stage,
    present: clock.stage,
    over: over && !wholeOver && clock.handedInAt === null,
    sendAll,
  });
  const pages = pagesOf(room);
  const hear = useHearing(room.attempt, sendAll);
  const keeper = useMemo(() => ({ keep: keepFile, onTheirWay: files, hear }), [keepFile, files, hear]);
  const [page, setPage] = useState(0);
  const listening = useListening();
  // A button that nobody hears yet would be dead under a hasty hand.
  const deaf = !listening || clock.pausedAt !== null;
  const [contents, setContents] = useState(false);
  const [asking, setAsking] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const top = useRef<HTMLDivElement>(null);
  const shown = pages[page] ?? [];
  const section = room.sections.find((s) => s.items.some((i) => i.id === shown[0]?.id));
  const current = shown[0];
  const items = room.sections.flatMap((s) => s.items);

  const go = useCallback((to: number): void => {
    setPage(to);
    setContents(false);
    window.scrollTo({ top: 0 });
    top.current?.focus({ preventScroll: true });
  }, []);
  const isLater = (item: string): boolean => (answers[item]?.[''] as { later?: boolean } | undefined)?.later === true;
  const toggleLater = (): void => {
    if (current && !deaf) answer(current.id, null, { later: !isLater(current.id) });
  };

  const handIn = useCallback(async (): Promise<void> => {
    setTrouble(null);
    if (!(await sendAll()) && !wholeOver) {
      setTrouble(
        'It could not be handed in yet: not everything that you wrote has arrived. It is kept on this device and goes on sending; try again in a moment.',
      );
      return;
    }
    try {
      const response = await fetch(`/api/room/${room.attempt}/hand-in`, { method: 'POST' });
      const result = (await response.json()) as Result<{ handedInAt: number }>;
      if (result.ok) {
        setAsking(false);
        setClock((c) => ({ ...c, handedInAt: result.value.handedInAt }));
        return;
      }
    } catch {
      // Said below, like any other failure.
    }
    setTrouble(
      'It could not be handed in yet: there is no connection. Your answers are kept; it is handed in by itself when the time ends.',
    );
  }, [room.attempt, sendAll, setClock, wholeOver]);

  const leave = staged.isLast ? handIn : staged.goOn;
  const askToLeave = (): void => {
    if (room.confirmHandIn) setAsking(true);
    else void leave();
  };
  const tried = useRef(false);
  useEffect(() => {
    if (!wholeOver) tried.current = false;
    if (!wholeOver || tried.current || clock.readAt === 0 || clock.handedInAt !== null) return;
    tried.current = true;
    const timer = setTimeout(() => void handIn(), 0);
    return () => clearTimeout(timer);
  }, [wholeOver, clock, handIn]);

  useKeys([
    { keys: 'l', what: 'Come back to this question later', run: toggleLater },
    { keys: 'j', what: 'Next', run: () => page < pages.length - 1 && go(page + 1) },
    { keys: 'k', what: 'Back', run: () => page > 0 && go(page - 1) },
    ...(contents ? [{ keys: 'Escape', what: 'Close the contents', run: () => setContents(false) }] : []),
  ]);

  const whyRefused = ({ id }: DrawnQuestion): 'held' | 'unfit' | undefined =>
    refused.find(({ item }) => item === id)?.why;
  const notTaken = items.filter(whyRefused);
  const arrived = (saving === 'saved' || saving === 'saving') && notTaken.length === 0;
  if (clock.handedInAt !== null)
    return (
      <HandedIn
        title={room.title}
        then={room.then}
        aside={clock.aside}
        arrived={arrived ? null : savingText(saving, notTaken)}
      />
    );
  if (room.sections.length === 0) return <LetBackIn title={room.title} />;

  const states = new Map(items.map((i) => [i.id, fullness(i, answers[i.id] ?? {})]));
  const total = own ? own.to - own.from : clock.deadline - clock.startedAt;
  return (
    <div className={`room ${room.young ? 'young' : ''}`}>
      {room.young ? (
        <YoungTop
          title={room.title}
          beads={items.map(({ id }) => ({ id, state: states.get(id) ?? 'empty', here: id === current?.id }))}
          saved={{ text: savingText(saving, notTaken), fine: arrived }}
          left={room.young.clock || clock.pausedAt !== null ? partLeft : null}
        />
      ) : (
        <RoomTop
          room={room}
          section={room.pages === 'whole' || (room.sections.length === 1 && !stage) ? undefined : section}
          stage={stage}
          saved={{ text: savingText(saving, notTaken), fine: arrived }}
          time={{ left: partLeft, total, stopped: clock.pausedAt !== null }}
          disabled={deaf}
          onContents={() => setContents(true)}
          onHandIn={staged.isLast ? askToLeave : null}
          handIn={words.handIn}
          rest={clock.rest && clock.pausedAt === null ? clock.rest.left : null}
        />
      )}
      <div className={`room-body ${clock.pausedAt === null ? '' : 'covered'}`}>
        {!room.young && (
          <Contents
            sections={room.sections}
            states={states}
            isLater={isLater}
            current={shown.map((i) => i.id)}
            open={contents}
            onClose={() => setContents(false)}
            onGo={(id) => {
              const to = pages.findIndex((p) => p.some((i) => i.id === id));
              go(to);
              // Further down on its page.
              if (pages[to]?.[0]?.id !== id)
                requestAnimationFrame(() => document.getElementById(`question-${id}`)?.scrollIntoView());
            }}
          />
        )}
        <main ref={top} tabIndex={-1} style={{ outline: 'none' }}>
          <NoticeBox attempt={room.attempt} notice={clock.notice} />
          {clock.pausedAt !== null &&
            (restLeft !== null ? (
              <OnBreak attempt={room.attempt} left={partLeft} rest={restLeft} />
            ) : (
              <ClockStopped left={partLeft} />
            ))}
          {page === 0 && (stage?.number ?? 1) === 1 && room.instructions && <p>{room.instructions}</p>}
          {/* Until this page listens, what is typed would be lost: nothing can be typed before. */}
          <fieldset className="as-if-none" disabled={deaf || over}>
            <FileKeeper value={keeper}>
              {shown.map((item, i) => (
                <Fragment key={item.id}>
                  <SectionStart sections={room.sections} item={item.id} titled={room.pages === 'whole'} />
                  <div className="sheet" id={`question-${item.id}`}>
                    {room.readAloud && <ReadAloud item={item.id} number={item.number} />}
                    <QuestionView
                      number={item.number}
                      marks={item.marks}
                      bonus={item.bonus}
                      sheet={item.sheet}
                      drawn={item.drawn}
                      withoutPassage={i > 0 && item.sheet.passage?.id === shown[i - 1]?.sheet.passage?.id}
                      responses={answers[item.id] ?? {}}
                      {...(room.shared ? { heldBy: (slot: string) => held.get(`${item.id} ${slot}`) } : {})}
                      {...(practising.told[item.id]?.closed
                        ? {}
                        : { onAnswer: (slot: string, value: unknown) => !over && answer(item.id, slot, value) })}
                    />
                    <HintsBox number={item.number} item={item.id} state={hinting} word={words.hint} />
                    {room.practice && (
                      <PracticeBox
                        number={item.number}
                        item={item.id}
                        practice={room.practice}
                        state={practising}
                        answers={JSON.stringify(answersOf(item.id))}
                        answered={fullness(item, answers[item.id] ?? {})}
                        words={words}
                        onAgain={(responses) =>
                          Object.entries(responses).forEach(([slot, value]) => answer(item.id, slot, value))
                        }
                      />
                    )}
                    {whyRefused(item) && <Trouble className="mt-3">{NOT_TAKEN[whyRefused(item) ?? 'unfit']}</Trouble>}
                  </div>
                </Fragment>
              ))}
            </FileKeeper>
          </fieldset>
          <Trouble className="mt-3">{trouble ?? staged.trouble}</Trouble>
          <div className="room-foot">
            {pages.length > 1 && (
              <button
                type="button"
                className="btn btn-outline-primary"
                disabled={!listening || page === 0}
                onClick={() => go(page - 1)}
              >
                ‹{' '}
                <span className={room.young ? 'visually-hidden' : ''}>
                  {page > 0 ? `Back to ${pages[page - 1]?.[0]?.number}` : 'Back'}
                </span>
              </button>
            )}
            {room.pages === 'question' && !room.young && current && items.length > 1 && (
              <button type="button" className="btn btn-quiet" aria-pressed={isLater(current.id)} onClick={toggleLater}>
                {isLater(current.id) ? <span className="later-word">later</span> : words.later} <KeyCap of="l" />
              </button>
            )}
            {page < pages.length - 1 ? (
              <button type="button" className="btn btn-primary" disabled={!listening} onClick={() => go(page + 1)}>
                {room.young ? (
                  <span className="visually-hidden">Next</span>
                ) : room.pages === 'question' ? (
                  pages[page + 1]?.[0]?.number
                ) : (
                  'Next section'
                )}{' '}
                ›
              </button>
            ) : (
              <button type="button" className="btn btn-primary" disabled={deaf} onClick={askToLeave}>
                {staged.isLast ? words.handIn : `${words.goOn} ›`}
              </button>
            )}
          </div>
        </main>
      </div>
      {asking && (
        <LeavingDialog
          leaving={staged.isLast ? 'paper' : 'part'}
          act={staged.isLast ? words.handIn : words.goOn}
          empty={items.filter((i) => states.get(i.id) === 'empty')}
          half={items.filter((i) => states.get(i.id) === 'half')}
          later={items.filter((i) => isLater(i.id))}
          trouble={trouble ?? staged.trouble}
          onStay={() => setAsking(false)}
          onGo={(id) => {
            setAsking(false);
            go(pages.findIndex((p) => p.some((i) => i.id === id)));
          }}
          onLeaving={leave}
        />
      )}
    </div>
  );
}

'use client';
import { Link } from '../parts/Link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { forgetSearchAction, keepSearchAction, searchIdsAction } from '@/actions/bank';
import { MOST_COUNTED } from '@/core/bank/searching';
import type { KeptSearch } from '@/server/bank/kept-searches';
import type { SearchResult } from '@/server/bank/search';
import type { BankShelf, Goal } from '@/server/bank/shelves';
import type { ExamRow } from '@/server/exams/exams';
import type { CourseRow } from '@/server/people/courses';
import { KeyCap } from '../frame/KeyCap';
import { useKeys } from '../frame/keys';
import { Strip } from '../frame/Strip';
import { useLatest } from '../parts/use-latest';
import { plural } from '../words/marks';
import { keepBankPlace, lastBankPlace } from './bank-place';
import { BankIndex } from './BankIndex';
import { BulkBar } from './BulkBar';
import { KeepSearch } from './KeepSearch';
import { Peek } from './Peek';
import { QuestionList } from './QuestionList';
import { Sentence } from './Sentence';
import type { Filters } from './sentence';
import { useSearch } from './use-search';
import { replyTo } from '../parts/reply-to';

const SHARE = { department: 'shared with the department', named: 'shared with named people', private: 'only yours' };

interface Props {
  shelves: BankShelf[];
  /** The bank that new questions go into. */
  shelf: BankShelf;
  bank: string | null;
  topic: string | null;
  filters: Filters;
  first: SearchResult;
  courses: CourseRow[];
  tags: string[];
  goals: Goal[];
  colleagues: { id: string; name: string }[];
  kept: KeptSearch[];
  /** Whether a kept search was opened. */
  fromKept: boolean;
  exams: ExamRow[];
}

/** The bank: topics at the left, a search that reads as a sentence, the sheet at the right. */
export function BankDesk(props: Props) {
  const { shelves, shelf, bank, topic, courses, tags, goals, colleagues } = props;
  const router = useRouter();
  const [filters, setFilters] = useState<Filters>(props.filters);
  const [kept, setKept] = useState(props.kept);
  const [at, setAt] = useState(0);
  const [restored, setRestored] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const lastChosen = useRef(0);
  const search = useRef<HTMLInputElement>(null);
  /** Enter was pressed while the list was still sought: the list that comes is meant. */
  const wanted = useRef(false);
  const list = useSearch({ bank, topic }, filters, props.first);
  const current = list.at(at);
  const href = `/bank?bank=${bank ?? 'all'}${topic ? `&topic=${topic}` : ''}`;
  // The list as it was left: words, filters, order and place; and fresh, whatever the browser remembers of it.
  const { again: refresh } = list;
  useEffect(() => {
    const left = lastBankPlace();
    const back = left?.href === href && !props.fromKept;
    const timer = setTimeout(() => {
      // Whoever was faster and is in the field already, or has typed, is not overwritten.
      const typing = document.activeElement === search.current || search.current?.value !== props.filters.words;
      if (typing) return setRestored(true);
      if (back) setFilters({ ...props.filters, ...left.filters });
      if (back) setAt(left.at);
      refresh();
      setRestored(true);
    }, 0);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only when the place is entered, whatever else has changed since
  }, [href]);
  useEffect(() => {
    if (restored) keepBankPlace({ href, filters, at });
  }, [restored, href, filters, at]);

  const change = (next: Filters): void => {
    wanted.current = false;
    const starts = filters.words === '' && next.words !== '';
    setFilters(starts ? { ...next, sort: 'best' } : next);
    setAt(0);
  };
  const choose = (row: number, through: boolean): void => {
    const next = new Set(chosen);
    const [from, to] = through ? [Math.min(row, lastChosen.current), Math.max(row, lastChosen.current)] : [row, row];
    const add = through || !next.has(list.at(row)?.id ?? '');
    for (let i = from; i <= to; i++) {
      const id = list.at(i)?.id;
      if (id) next[add ? 'add' : 'delete'](id);
    }
    lastChosen.current = row;
    setChosen(next);
  };
  const go = (row: number): void => {
    const next = Math.max(0, Math.min(row, list.total - 1));
    void list.need(next);
    setAt(next);
  };
  const open = (): void => {
    wanted.current = list.busy;
    if (!list.busy && current) router.push(`/bank/${current.id}`);
  };
  const openLatest = useLatest(open);
  useEffect(() => {
    if (!list.busy && wanted.current) openLatest.current();
  }, [list.busy, openLatest]);
  const again = (): void => {
    list.again();
    router.refresh();
  };

  const newHref = `/bank/new?bank=${shelf.id}${topic ? `&topic=${topic}` : ''}`;
  useKeys([
    { keys: 'n', what: 'New question', run: () => router.push(newHref) },
    { keys: '/', what: 'Search', run: () => search.current?.focus() },
    { keys: 'j', what: 'Next question', run: () => go(at + 1) },
    { keys: 'k', what: 'Question before', run: () => go(at - 1) },
    { keys: 'x', what: 'Choose the question, to do something to many', run: () => choose(at, false) },
    { keys: 'Escape', what: 'Choose none', run: () => setChosen(new Set()) },
    { keys: 'Enter', what: 'Open the question', run: open },
  ]);

  return (
    <>
      <Strip
        title={bank === null ? 'All banks' : shelf.name}
        state={
          bank === null
            ? plural(shelves.length, 'bank')
            : `${SHARE[shelf.share]}${shelf.reviewRequired ? ' · review required' : ''} · ${plural(shelf.questions, 'question')}`
        }
      >
        <Link className="btn btn-quiet" href="/bank/rubrics">
          Rubrics
        </Link>
        <Link className="btn btn-outline-primary" href={`/bank/bring-in?bank=${shelf.id}`}>
          Bring in…
        </Link>
        <Link className="btn btn-primary" href={newHref}>
          New question <KeyCap of="n" />
        </Link>
      </Strip>
      <div className="split with-index">
        <BankIndex
          shelves={shelves}
          shelf={shelf}
          bank={bank}
          topic={topic}
          kept={kept}
          goals={goals}
          colleagues={colleagues}
          onForget={async (id) => {
            const left = await replyTo(forgetSearchAction(id));
            if (left.ok) setKept(left.value);
          }}
        />
        <div>
          <div className="search">
            <input
              ref={search}
              type="search"
              className="form-control"
              placeholder="Search all text"
              aria-label="Search all text"
              value={filters.words}
              onChange={(e) => change({ ...filters, words: e.target.value })}
              onKeyDown={(e) => {
                if (e.key === 'ArrowDown') go(at + 1);
                else if (e.key === 'ArrowUp') go(at - 1);
                else if (e.key === 'Enter') open();
                else return;
                e.preventDefault();
              }}
            />
          </div>
          <div className="d-flex gap-2 align-items-baseline">
            <div className="flex-grow-1">
              <Sentence
                total={list.total}
                instead={list.instead}
                filters={filters}
                known={{ tags, goals, authors: colleagues }}
                onChange={change}
              />
            </div>
            {list.total > 0 && chosen.size < Math.min(list.total, MOST_COUNTED) && (
              <Button
                variant="quiet"
                className="small-act"
                onClick={async () => {
                  const ids = await replyTo(searchIdsAction({ bank, topic, ...filters }));
                  if (ids.ok) setChosen(new Set(ids.value));
                }}
              >
                Choose all
              </Button>
            )}
            <KeepSearch
              onKeep={async (name) => {
                const now = await replyTo(keepSearchAction(name, { bank, topic, ...filters }));
                if (now.ok) setKept(now.value);
              }}
            />
          </div>
          <BulkBar
            chosen={[...chosen]}
            shelves={shelves}
            exams={props.exams}
            tags={tags}
            away={filters.kept !== 'live'}
            onClear={() => setChosen(new Set())}
            onDone={again}
          />
          <div className="list-sheet" aria-busy={list.busy}>
            {list.total === 0 ? (
              <p className="p-4 mb-0 text-center">
                {shelf.questions === 0 ? 'This bank is empty. ' : 'No question fits. '}
                <Link href={newHref}>Write one</Link>
              </p>
            ) : (
              <QuestionList
                total={list.total}
                question={list.at}
                need={list.need}
                at={at}
                words={filters.words}
                chosen={chosen}
                onGo={go}
                onOpen={(id) => router.push(`/bank/${id}`)}
                onChoose={choose}
              />
            )}
          </div>
        </div>
        {current && <Peek key={current.id} question={current} courses={courses} goals={goals} />}
      </div>
    </>
  );
}

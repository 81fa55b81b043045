'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { searchAction } from '@/app/(staff)/bank/actions';
import { KIND_NAMES, type KindName } from '@/core/kinds/registry';
import type { BankSearch, BankShelf, FoundQuestion } from '@/server/bank/search';
import type { CourseRow } from '@/server/gradebook/gradebook';
import { useKeys } from '../frame/keys';
import { Strip } from '../frame/Strip';
import { KIND_WORDS, kindsText } from '../words/kinds';
import { marksText, plural } from '../words/marks';
import { Highlighted } from './Highlighted';
import { Peek } from './Peek';

const SHARE = { department: 'shared with the department', named: 'shared with named people', private: 'only you' };

interface Props {
  shelves: BankShelf[];
  shelf: BankShelf;
  topic: string | null;
  first: { total: number; found: FoundQuestion[] };
  courses: CourseRow[];
}

type Filters = Pick<BankSearch, 'words' | 'kind' | 'difficulty' | 'sort'>;

/** The bank: topics at the left, a search that reads as a sentence, the sheet at the right. */
export function BankDesk({ shelves, shelf, topic, first, courses }: Props) {
  const router = useRouter();
  const [filters, setFilters] = useState<Filters>({ words: '', kind: null, difficulty: null, sort: 'newest' });
  const [list, setList] = useState(first);
  const [at, setAt] = useState(0);
  const search = useRef<HTMLInputElement>(null);
  const untouched = useRef(true);

  const chosen = list.found[at];
  const change = (part: Partial<Filters>): void => {
    untouched.current = false;
    setFilters({
      ...filters,
      ...part,
      ...(part.words !== undefined && filters.words === '' && part.words !== '' ? { sort: 'best' } : {}),
    });
    setAt(0);
  };

  useEffect(() => {
    if (untouched.current) return;
    let stale = false;
    const timer = setTimeout(async () => {
      const result = await searchAction({ bank: shelf.id, topic, ...filters, from: 0 });
      if (!stale && result.ok) setList(result.value);
    }, 90);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [filters, shelf.id, topic]);

  const more = async (): Promise<void> => {
    const result = await searchAction({ bank: shelf.id, topic, ...filters, from: list.found.length });
    if (result.ok) setList({ total: result.value.total, found: [...list.found, ...result.value.found] });
  };

  const newHref = `/bank/new?bank=${shelf.id}${topic ? `&topic=${topic}` : ''}`;
  useKeys([
    { keys: 'n', what: 'New question', run: () => router.push(newHref) },
    { keys: '/', what: 'Search', run: () => search.current?.focus() },
    { keys: 'j', what: 'Next question', run: () => setAt(Math.min(at + 1, list.found.length - 1)) },
    { keys: 'k', what: 'Question before', run: () => setAt(Math.max(at - 1, 0)) },
    { keys: 'Enter', what: 'Open the question', run: () => chosen && router.push(`/bank/${chosen.id}`) },
  ]);

  return (
    <>
      <Strip title={shelf.name} state={`${SHARE[shelf.share]} · ${plural(shelf.questions, 'question')}`}>
        <Link className="btn btn-primary" href={newHref} prefetch={false}>
          New question <kbd>N</kbd>
        </Link>
      </Strip>
      <div className="split with-index">
        <nav className="index" aria-label="Banks and topics">
          <h2>Topics</h2>
          <ul>
            <li>
              <Link href={`/bank?bank=${shelf.id}`} aria-current={topic === null}>
                All <small>{shelf.questions}</small>
              </Link>
            </li>
            {shelf.topics.map((t) => (
              <li key={t.id} className={t.parent ? 'inner' : ''}>
                <Link href={`/bank?bank=${shelf.id}&topic=${t.id}`} aria-current={topic === t.id}>
                  {t.name} <small>{t.questions}</small>
                </Link>
              </li>
            ))}
          </ul>
          <h2>Banks</h2>
          <ul>
            {shelves.map((s) => (
              <li key={s.id}>
                <Link href={`/bank?bank=${s.id}`} aria-current={s.id === shelf.id}>
                  {s.name} <small>{s.questions}</small>
                </Link>
              </li>
            ))}
          </ul>
        </nav>
        <div>
          <div className="search">
            <input
              ref={search}
              type="search"
              className="form-control"
              placeholder="Search all text"
              aria-label="Search all text"
              value={filters.words}
              onChange={(e) => change({ words: e.target.value })}
            />
          </div>
          <p className="sentence mb-0" aria-live="polite">
            {plural(list.total, 'question')}
            {filters.words.trim() && (
              <>
                {' '}
                about <mark>{filters.words.trim()}</mark>
              </>
            )}
            ,{' '}
            <select
              aria-label="Kind"
              value={filters.kind ?? ''}
              onChange={(e) => change({ kind: e.target.value || null })}
            >
              <option value="">any kind</option>
              {KIND_NAMES.map((k: KindName) => (
                <option key={k} value={k}>
                  {KIND_WORDS[k].name}
                </option>
              ))}
            </select>
            ,{' '}
            <select
              aria-label="Difficulty"
              value={filters.difficulty ?? ''}
              onChange={(e) => change({ difficulty: e.target.value ? Number(e.target.value) : null })}
            >
              <option value="">difficulty 1 to 3</option>
              <option value="1">difficulty 1</option>
              <option value="2">difficulty 2</option>
              <option value="3">difficulty 3</option>
            </select>
            ,{' '}
            <select
              aria-label="Order"
              value={filters.sort}
              onChange={(e) => change({ sort: e.target.value as Filters['sort'] })}
            >
              <option value="best">best match first</option>
              <option value="newest">newest first</option>
              <option value="title">by title</option>
            </select>
          </p>
          <div className="list-sheet">
            {list.found.length === 0 ? (
              <p className="p-4 mb-0 text-center">
                {shelf.questions === 0 ? 'This bank is empty. ' : 'No question fits. '}
                <Link href={newHref} prefetch={false}>
                  Write one
                </Link>
              </p>
            ) : (
              <table className="rows" aria-label="Questions">
                <thead>
                  <tr>
                    <th scope="col" aria-label="Kind" />
                    <th scope="col">Question</th>
                    <th scope="col" className="num">
                      Marks
                    </th>
                    <th scope="col" className="num">
                      Diff.
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {list.found.map((q, i) => (
                    <tr
                      key={q.id}
                      className="go"
                      aria-selected={i === at}
                      onClick={() => setAt(i)}
                      onDoubleClick={() => router.push(`/bank/${q.id}`)}
                    >
                      <td>
                        <span className="kind-sign" aria-hidden="true">
                          {q.kinds.includes(' ') ? '⋯' : (KIND_WORDS[q.kinds as KindName]?.sign ?? '–')}
                        </span>
                      </td>
                      <td>
                        <Link className="title" href={`/bank/${q.id}`} prefetch={false}>
                          <Highlighted text={q.title} words={filters.words} />
                        </Link>
                        <div className="soft">
                          {kindsText(q.kinds)}
                          {q.topic && ` · ${q.topic}`}
                          {q.changed && ' · draft'}
                          {!q.ready && <span className="hand"> · not ready</span>}
                        </div>
                      </td>
                      <td className="num">[{marksText(q.marks)}]</td>
                      <td className="num">{q.difficulty}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
            {list.found.length < list.total && (
              <Button variant="quiet" className="my-2" onClick={more}>
                Show {Math.min(60, list.total - list.found.length)} more
              </Button>
            )}
          </div>
        </div>
        {chosen && <Peek key={chosen.id} question={chosen} courses={courses} />}
      </div>
    </>
  );
}

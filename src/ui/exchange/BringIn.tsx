'use client';
import { Link } from '../parts/Link';
import { type DragEvent, useCallback, useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Result } from '@/core/base/result';
import type { BankShelf } from '@/server/bank/shelves';
import type { BroughtIn, BroughtItem } from '@/server/exchange/bring-in';
import { PlaceOptions } from '../bank/PlaceOptions';
import { placeOf } from '../bank/places';
import { Strip } from '../frame/Strip';
import { findingText } from '../words/findings';
import { sideOf } from '../kinds/registry';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { BroughtQuestion } from './BroughtQuestion';
import { handedText } from './handed-text';
import { useKeeping } from './use-keeping';
import { ROW_PROBLEM_WORDS } from './words';
import { Trouble } from '../parts/Trouble';
import { CheckLine } from '../parts/CheckLine';

const SHOWN = 25;

/** Questions from a file or from pasted text: found, shown as sheets, confirmed or mended, brought in. */
export function BringIn({ shelves, first }: { shelves: BankShelf[]; first: string }) {
  const [read, setRead] = useState<BroughtIn | null>(null);
  const [items, setItems] = useState<BroughtItem[]>([]);
  const [skipped, setSkipped] = useState<ReadonlySet<number>>(new Set());
  const [onlyDoubts, setOnlyDoubts] = useState(false);
  const [shown, setShown] = useState(SHOWN);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [text, setText] = useState('');
  const [place, setPlace] = useState(first);
  const keeping = useKeeping();
  useEffect(() => {
    const timer = setTimeout(() => setText((typed) => typed || handedText()), 0);
    return () => clearTimeout(timer);
  }, []);

  const look = async (content: Blob, name: string): Promise<void> => {
    setBusy(true);
    setTrouble(null);
    try {
      const response = await fetch(`/api/bring-in?name=${encodeURIComponent(name)}`, { method: 'POST', body: content });
      const result = (await response.json()) as Result<BroughtIn>;
      if (!result.ok) setTrouble(refusalText(result.refusal));
      else {
        setRead(result.value);
        setItems(result.value.items);
        setSkipped(new Set());
        setShown(SHOWN);
        setOnlyDoubts(false);
      }
    } catch {
      setTrouble(refusalText({ code: 'not-reached' }));
    }
    setBusy(false);
  };
  const drop = (event: DragEvent): void => {
    const file = event.dataTransfer.files[0];
    if (!file) return;
    event.preventDefault();
    void look(file, file.name);
  };
  const change = useCallback(
    (i: number, item: BroughtItem) => setItems((all) => all.map((old, at) => (at === i ? item : old))),
    [],
  );
  const skip = useCallback(
    (i: number, wanted: boolean) =>
      setSkipped((old) => {
        const next = new Set(old);
        next[wanted ? 'delete' : 'add'](i);
        return next;
      }),
    [],
  );

  const wanted = items.filter((_, i) => !skipped.has(i));
  const doubtful = items.filter(({ doubts }) => doubts.some((d) => d !== 'no-marks')).length;
  const { bank, topic } = placeOf(place);
  const listed = items
    .map((item, i) => ({ item, i }))
    .filter(({ item }) => !onlyDoubts || item.doubts.some((d) => d !== 'no-marks'));
  const { state } = keeping;

  return (
    <>
      <Strip
        where={{ href: `/bank?bank=${bank}`, name: 'Bank' }}
        title="Bring in questions"
        state={read ? plural(items.length, 'question found', 'questions found') : ''}
      >
        {read && state.name !== 'kept' && (
          <Button variant="quiet" onClick={() => setRead(null)} disabled={state.name === 'keeping'}>
            Another file
          </Button>
        )}
        {read && state.name !== 'kept' && (
          <>
            <select
              className="form-select form-select-sm w-auto"
              aria-label="Bring them into"
              value={place}
              onChange={(e) => setPlace(e.target.value)}
            >
              <PlaceOptions shelves={shelves} />
            </select>
            <Button
              disabled={wanted.length === 0 || state.name === 'keeping'}
              onClick={() => keeping.keep({ bank, topic }, wanted)}
            >
              Bring in {wanted.length}
            </Button>
          </>
        )}
      </Strip>
      <div className="page" onDrop={drop} onDragOver={(e) => e.preventDefault()}>
        <Trouble>{trouble}</Trouble>
        {state.name === 'refused' && <Trouble>{refusalText(state.refusal)} Nothing was brought in.</Trouble>}
        {state.name === 'keeping' && (
          <p role="status" className="door">
            <progress value={state.done} max={state.of} /> {state.done} of {state.of} brought in{' '}
            <Button variant="quiet" onClick={keeping.cancel}>
              Cancel
            </Button>
          </p>
        )}
        {state.name === 'kept' ? (
          <div className="door" role="status">
            {plural(state.count, 'question is', 'questions are')} in the bank as drafts.{' '}
            <Link href={`/bank?bank=${bank}${topic ? `&topic=${topic}` : ''}`}>Look at them</Link>{' '}
            <Button variant="quiet" onClick={keeping.undo}>
              Undo
            </Button>
          </div>
        ) : read ? (
          <>
            <Findings read={read} doubtful={doubtful} onlyDoubts={onlyDoubts} onOnlyDoubts={setOnlyDoubts} />
            {listed.slice(0, shown).map(({ item, i }) => (
              <Row key={i} item={item} i={i} wanted={!skipped.has(i)} change={change} skip={skip} />
            ))}
            {listed.length > shown && (
              <Button variant="outline-primary" onClick={() => setShown(shown + 100)}>
                Show more of {listed.length - shown}
              </Button>
            )}
          </>
        ) : (
          <div className="sheet plain bring-in">
            <p>
              A test as DOCX, PDF or text with numbered questions, a spreadsheet (XLSX, CSV), or an archive of
              questions. Nothing is kept before you have seen it.
            </p>
            <label className="form-label fw-bold" htmlFor="file">
              A file; it can also be dropped anywhere here
            </label>
            <input
              id="file"
              type="file"
              className="form-control mb-3"
              accept=".docx,.pdf,.txt,.md,.csv,.tsv,.xlsx,.zip"
              disabled={busy}
              onChange={(e) => {
                const file = e.target.files?.[0];
                if (file) void look(file, file.name);
                e.target.value = '';
              }}
            />
            <label className="form-label fw-bold" htmlFor="pasted">
              Or paste the questions
            </label>
            <textarea
              id="pasted"
              className="form-control mono mb-2"
              rows={9}
              placeholder={
                '1. What turns the nacelle?  [1 mark]\na) brake\nb) yaw drive *\nc) pitch drive\n\n2. Name the largest share.\nAnswer: 59 %'
              }
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
            <div className="d-flex gap-3 align-items-center">
              <Button disabled={busy || text.trim() === ''} onClick={() => look(new Blob([text]), 'pasted.txt')}>
                {busy ? 'Reading…' : 'Find the questions'}
              </Button>
              <a href="/api/take-out" className="ms-auto">
                Spreadsheet template
              </a>
            </div>
          </div>
        )}
      </div>
    </>
  );
}

interface RowProps {
  item: BroughtItem;
  i: number;
  wanted: boolean;
  change: (i: number, item: BroughtItem) => void;
  skip: (i: number, wanted: boolean) => void;
}

function Row({ item, i, wanted, change, skip }: RowProps) {
  const onChange = useCallback((next: BroughtItem) => change(i, next), [i, change]);
  const onWanted = useCallback((next: boolean) => skip(i, next), [i, skip]);
  return <BroughtQuestion item={item} wanted={wanted} onChange={onChange} onWanted={onWanted} />;
}

interface FindingsProps {
  read: BroughtIn;
  doubtful: number;
  onlyDoubts: boolean;
  onOnlyDoubts: (only: boolean) => void;
}

/** What was found as a whole, and what was not. */
function Findings({ read, doubtful, onlyDoubts, onOnlyDoubts }: FindingsProps) {
  return (
    <div className="mb-3">
      {read.items.length === 0 && (
        <p className="advice">No question was found. Questions begin with a number: 1. or 1)</p>
      )}
      {doubtful > 0 && (
        <CheckLine className="mb-2" checked={onlyDoubts} onChange={onOnlyDoubts}>
          {plural(doubtful, 'wants', 'want')} a look; show only {doubtful === 1 ? 'this one' : 'these'}
        </CheckLine>
      )}
      {read.fromPdf && (
        <p className="advice">
          {read.picturesLost > 0 && `${plural(read.picturesLost, 'picture', 'pictures')} could not come along. `}A PDF
          holds formulas only as letters in a row: look at them, or bring in the document that it was made from.
        </p>
      )}
      {read.left.length > 0 && (
        <details>
          <summary>{plural(read.left.length, 'line belongs', 'lines belong')} to no question</summary>
          <pre className="soft">{read.left.slice(0, 200).join('\n')}</pre>
        </details>
      )}
      {read.unknownColumns.length > 0 && (
        <p className="advice">These columns mean nothing here: {read.unknownColumns.join(', ')}.</p>
      )}
      {read.unreadable.length > 0 && (
        <p className="advice">These questions of the archive cannot be read: {read.unreadable.join(', ')}.</p>
      )}
      {read.bad.length > 0 && (
        <details open className="list-sheet">
          <summary className="hand">{plural(read.bad.length, 'fault', 'faults')}; these rows stay out</summary>
          <table className="rows">
            <thead>
              <tr>
                <th scope="col" className="num">
                  Row
                </th>
                <th scope="col">Column</th>
                <th scope="col">There stands</th>
                <th scope="col">What is wrong</th>
              </tr>
            </thead>
            <tbody>
              {groupFaults(read.bad).map(({ rows, fault }) => (
                <tr key={`${rows} ${fault.column}`}>
                  <td className="num">{rows}</td>
                  <td>{fault.column}</td>
                  <td>{fault.value}</td>
                  <td>
                    {fault.why ? findingText(fault.why) : ROW_PROBLEM_WORDS[fault.problem]}
                    {fault.kind && <span className="soft"> ({sideOf(fault.kind).words.name})</span>}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      )}
    </div>
  );
}

/** The same fault in many rows is said once, with the rows. */
function groupFaults(bad: BroughtIn['bad']): { rows: string; fault: BroughtIn['bad'][number] }[] {
  const groups = new Map<string, { rows: number[]; fault: BroughtIn['bad'][number] }>();
  for (const fault of bad) {
    const key = `${fault.column} ${fault.problem} ${fault.kind} ${fault.value}`;
    const group = groups.get(key) ?? { rows: [], fault };
    group.rows.push(fault.row);
    groups.set(key, group);
  }
  return [...groups.values()].slice(0, 200).map(({ rows, fault }) => ({
    rows: rows.length > 6 ? `${rows.slice(0, 5).join(', ')} and ${rows.length - 5} more` : rows.join(', '),
    fault,
  }));
}

'use client';
import { ActMenu } from '../parts/ActMenu';
import { Link } from '../parts/Link';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { actOnManyAction, placeManyAction, undoManyAction } from '@/actions/bank';
import type { Result } from '@/core/base/result';
import type { BulkAct } from '@/server/bank/bulk';
import type { ExamRow } from '@/server/exams/exams';
import type { BankShelf } from '@/server/bank/shelves';
import { useKeys } from '../frame/keys';
import { plural } from '../words/marks';
import { saveFile } from '../parts/save-file';
import { refusalText } from '../words/refusals';
import { placeChoices, placeOf } from './places';
import { Trouble } from '../parts/Trouble';
import { replyTo } from '../parts/reply-to';

interface Props {
  chosen: string[];
  shelves: BankShelf[];
  tags: string[];
  exams: ExamRow[];
  /** Whether the list shows what is put away. */
  away: boolean;
  onDone: () => void;
  onClear: () => void;
}

const DONE: Record<BulkAct['do'], string> = {
  move: 'Moved',
  copy: 'Copied',
  tag: 'Tagged',
  untag: 'Took the tag from',
  difficulty: 'Set the difficulty of',
  demand: 'Set the demand of',
  archive: 'Put into the archive:',
  delete: 'Deleted',
  'bring-back': 'Brought back',
};

/** What was done last, and the way back from it. */
interface LastAct {
  words: string;
  undo: string | null;
  href?: string;
}

const DONE_KEY = 'zonda-bank-done';

/** What was done last outlives a reload of the tab. */
function keepDone(done: LastAct | null): void {
  if (done?.undo) sessionStorage.setItem(DONE_KEY, JSON.stringify(done));
}

function keptDone(): LastAct | null {
  try {
    const kept = sessionStorage.getItem(DONE_KEY);
    sessionStorage.removeItem(DONE_KEY);
    return kept ? (JSON.parse(kept) as LastAct) : null;
  } catch {
    return null;
  }
}

/** What can be done to the chosen questions, and the way back from what was just done. */
export function BulkBar({ chosen, shelves, tags, exams, away, onDone, onClear }: Props) {
  const [done, setDone] = useState<LastAct | null>(null);
  useEffect(() => {
    const timer = setTimeout(() => setDone(keptDone()), 0);
    return () => clearTimeout(timer);
  }, []);
  useEffect(() => keepDone(done), [done]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [tag, setTag] = useState('');
  const act = async (what: BulkAct): Promise<void> => {
    const result = await replyTo(actOnManyAction(chosen, what));
    setTrouble(result.ok ? null : refusalText(result.refusal));
    if (!result.ok) return;
    setDone({ words: `${DONE[what.do]} ${plural(result.value.count, 'question')}.`, undo: result.value.undo });
    onClear();
    onDone();
  };
  const undo = async (): Promise<void> => {
    if (!done?.undo) return;
    const result = await replyTo(undoManyAction(done.undo));
    setTrouble(result.ok ? null : refusalText(result.refusal));
    setDone(null);
    onDone();
  };
  useKeys([{ keys: 'Ctrl+z', what: 'Undo what was done to many', run: () => void undo() }]);
  const intoExam = async (exam: string): Promise<void> => {
    const result = await replyTo(placeManyAction(exam === 'new' ? null : exam, chosen));
    setTrouble(result.ok ? null : refusalText(result.refusal));
    if (!result.ok) return;
    const { title, placed, exam: id } = result.value;
    setDone({ words: `${plural(placed, 'question')} put into “${title}”.`, undo: null, href: `/exams/${id}` });
    onClear();
  };
  const takeOut = async (as: string): Promise<void> => {
    const response = await fetch('/api/take-out', { method: 'POST', body: JSON.stringify({ questions: chosen, as }) });
    if (!response.headers.get('content-disposition')) {
      const result = (await response.json()) as Result<null>;
      return setTrouble(result.ok ? null : refusalText(result.refusal));
    }
    saveFile(await response.blob(), `questions.${as}`);
    const left = Number(response.headers.get('x-left-out'));
    setTrouble(
      left > 0
        ? `${plural(left, 'question')} with several slots or numbers that vary cannot stand in a row. The archive holds all.`
        : null,
    );
  };
  if (chosen.length === 0 && !done && !trouble) return null;
  const places = placeChoices(shelves);
  return (
    <div className="bulk" role="region" aria-label="Chosen questions">
      <Trouble className="w-100 m-0">{trouble}</Trouble>
      {chosen.length === 0 && done && (
        <p role="status" className="m-0">
          {done.words} {done.href && <Link href={done.href}>Open the exam</Link>}
          {done.undo && (
            <Button variant="quiet" onClick={undo}>
              Undo <kbd>Ctrl Z</kbd>
            </Button>
          )}
        </p>
      )}
      {chosen.length > 0 && (
        <>
          <strong>{plural(chosen.length, 'question')} chosen</strong>
          <ActMenu words="Move to…" choices={places} onChoose={(value) => act({ do: 'move', ...placeOf(value) })} />
          <ActMenu words="Copy to…" choices={places} onChoose={(value) => act({ do: 'copy', ...placeOf(value) })} />
          <ActMenu
            words="Into an exam…"
            choices={[
              { value: 'new', words: 'a new exam' },
              ...exams.map(({ id, title, course }) => ({ value: id, words: course ? `${title}, ${course}` : title })),
            ]}
            onChoose={intoExam}
          />
          <form
            className="d-flex gap-1"
            onSubmit={(e) => {
              e.preventDefault();
              if (tag.trim()) void act({ do: 'tag', tag });
              setTag('');
            }}
          >
            <input
              list="known-tags"
              aria-label="Tag to add"
              placeholder="Tag…"
              maxLength={40}
              value={tag}
              onChange={(e) => setTag(e.target.value)}
            />
            <datalist id="known-tags">
              {tags.map((t) => (
                <option key={t} value={t} />
              ))}
            </datalist>
          </form>
          {tags.length > 0 && (
            <ActMenu
              words="Take tag off…"
              choices={tags.map((t) => ({ value: t, words: t }))}
              onChoose={(value) => act({ do: 'untag', tag: value })}
            />
          )}
          <ActMenu
            words="Difficulty…"
            choices={['1', '2', '3'].map((d) => ({ value: d, words: d }))}
            onChoose={(value) => act({ do: 'difficulty', to: Number(value) })}
          />
          <ActMenu
            words="Save as a file…"
            choices={[
              { value: 'xlsx', words: 'as a spreadsheet (XLSX)' },
              { value: 'csv', words: 'as CSV' },
              { value: 'zip', words: 'as an archive with pictures' },
            ]}
            onChoose={takeOut}
          />
          {away ? (
            <Button variant="quiet" onClick={() => act({ do: 'bring-back' })}>
              Bring back
            </Button>
          ) : (
            <>
              <Button variant="quiet" onClick={() => act({ do: 'archive' })}>
                Archive
              </Button>
              <Button variant="quiet" onClick={() => act({ do: 'delete' })}>
                Delete
              </Button>
            </>
          )}
          <Button variant="quiet" className="ms-auto" onClick={onClear}>
            Choose none <kbd>Esc</kbd>
          </Button>
        </>
      )}
    </div>
  );
}

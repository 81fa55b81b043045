'use client';
import { Link } from '../parts/Link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { alikeAction, copyAction, peekAction, type QuestionPeek } from '@/actions/bank';
import type { Alike } from '@/server/bank/alike';
import type { FoundQuestion } from '@/server/bank/search';
import type { Goal } from '@/server/bank/shelves';
import type { CourseRow } from '@/server/people/courses';
import { LifeNote } from './LifeNote';
import { GiveNow } from '../sittings/GiveNow';
import { QuestionView } from '../sheet/QuestionView';
import { plural } from '../words/marks';
import { dayOnly } from '../words/time';
import { replyTo } from '../parts/reply-to';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';

/** The chosen question beside the list: its sheet ready to answer, and its story. Answers here go nowhere. */
export function Peek({ question, courses, goals }: { question: FoundQuestion; courses: CourseRow[]; goals: Goal[] }) {
  const router = useRouter();
  const [peek, setPeek] = useState<QuestionPeek | null>(null);
  const [responses, setResponses] = useState<Record<string, unknown>>({});
  useEffect(() => {
    let stale = false;
    replyTo(peekAction(question.id)).then((result) => {
      if (!stale && result.ok) setPeek(result.value);
    });
    return () => {
      stale = true;
    };
  }, [question.id]);

  const copy = async (): Promise<void> => {
    const result = await replyTo(copyAction(question.id));
    if (result.ok) router.push(`/bank/${result.value.id}`);
  };
  const last = peek?.history[0];
  const aims = goals.filter((g) => peek?.facts.goals.includes(g.id));
  return (
    <aside className="margin" aria-label="The question">
      <h2>The sheet, ready to answer</h2>
      <div className="sheet plain peek mb-3" style={{ minHeight: 160, zoom: 0.84 }}>
        {peek && (
          <QuestionView
            number="1"
            marks={question.marks}
            sheet={peek.sheet}
            drawn={peek.drawn}
            responses={responses}
            onAnswer={(slot, value) => setResponses({ ...responses, [slot]: value })}
          />
        )}
      </div>
      <div className="d-flex gap-2 mb-3 flex-wrap">
        <Link className="btn btn-primary" href={`/bank/${question.id}`}>
          Open <kbd>Enter</kbd>
        </Link>
        <Button variant="outline-primary" onClick={copy}>
          Take a copy
        </Button>
        <GiveNow question={question.id} ready={question.ready} courses={courses} />
      </div>
      {peek && (
        <>
          {(peek.facts.tags.length > 0 || aims.length > 0) && (
            <div className="note">
              <h3>About it</h3>
              {peek.facts.tags.length > 0 && <p>{peek.facts.tags.join(', ')}</p>}
              {aims.map((g) => (
                <p key={g.id}>
                  <strong>{g.code}</strong> {g.words}
                </p>
              ))}
            </div>
          )}
          <div className="note">
            <h3>Used in</h3>
            {peek.usedIn.length === 0 ? (
              <p className="soft">No exam yet.</p>
            ) : (
              peek.usedIn.map((e) => (
                <p key={e.id}>
                  <Link href={`/exams/${e.id}`}>{e.title}</Link>
                </p>
              ))
            )}
          </div>
          <div className="note">
            <h3>{last ? `Revision ${last.number}` : 'Draft'}</h3>
            <p className="soft">
              {last ? `${last.by}, ${dayOnly(last.at)}` : 'Not yet used anywhere.'}
              {last && peek.changed && ' · changed since'}
              {peek.history.length > 1 && ` · ${plural(peek.history.length, 'revision')}`}
            </p>
          </div>
          <LifeNote question={question.id} />
          <AlikeNote question={question.id} />
        </>
      )}
    </aside>
  );
}

/** More like this, when asked for. */
function AlikeNote({ question }: { question: string }) {
  const [alike, setAlike] = useState<Alike[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const find = async (): Promise<void> => {
    const found = await replyTo(alikeAction(question));
    if (found.ok) setAlike(found.value);
    else setTrouble(refusalText(found.refusal));
  };
  return (
    <div className="note">
      <h3>Alike</h3>
      {alike === null ? (
        <>
          <Button variant="quiet" onClick={() => void find()}>
            Find more like this
          </Button>
          <Trouble>{trouble}</Trouble>
        </>
      ) : alike.length === 0 ? (
        <p className="soft">Nothing else like it.</p>
      ) : (
        alike.map((q) => (
          <p key={q.id}>
            <Link href={`/bank/${q.id}`}>{q.title}</Link>{' '}
            <span className="soft">{Math.round(q.likeness * 100)} % alike</span>
          </p>
        ))
      )}
    </div>
  );
}

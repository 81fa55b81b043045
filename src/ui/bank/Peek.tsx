'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { copyAction, peekAction, type QuestionPeek } from '@/app/(staff)/bank/actions';
import type { FoundQuestion } from '@/server/bank/search';
import type { CourseRow } from '@/server/gradebook/gradebook';
import { GiveNow } from '../sittings/GiveNow';
import { QuestionView } from '../sheet/QuestionView';
import { plural } from '../words/marks';
import { dayOnly } from '../words/time';

/** The chosen question beside the list: its sheet ready to answer, and its story. Answers here go nowhere. */
export function Peek({ question, courses }: { question: FoundQuestion; courses: CourseRow[] }) {
  const router = useRouter();
  const [peek, setPeek] = useState<QuestionPeek | null>(null);
  const [responses, setResponses] = useState<Record<string, unknown>>({});
  useEffect(() => {
    let stale = false;
    peekAction(question.id).then((result) => {
      if (!stale && result.ok) setPeek(result.value);
    });
    return () => {
      stale = true;
    };
  }, [question.id]);

  const copy = async (): Promise<void> => {
    const result = await copyAction(question.id);
    if (result.ok) router.push(`/bank/${result.value.id}`);
  };
  const last = peek?.history[0];
  return (
    <aside className="margin" aria-label="The question">
      <h2>The sheet, ready to answer</h2>
      <div className="sheet plain mb-3" style={{ minHeight: 160, zoom: 0.84 }}>
        {peek && (
          <QuestionView
            number={1}
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
        </>
      )}
    </aside>
  );
}

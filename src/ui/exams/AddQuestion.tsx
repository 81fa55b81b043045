'use client';
import { Link } from '../parts/Link';
import { useState } from 'react';
import { ok } from '@/core/base/result';
import { searchAction } from '@/actions/bank';
import { Combobox } from '../parts/Combobox';
import { replyTo } from '../parts/reply-to';
import { useFound } from '../parts/use-found';
import { Highlighted } from '../bank/Highlighted';
import { kindsText } from '../kinds/registry';
import { marksText } from '../words/marks';

/** Type to find a question of the bank; Enter places it at the end of the section. */
export function AddQuestion({
  section,
  taken,
  onPick,
  onDraw,
}: {
  section: string;
  taken: string[];
  onPick: (question: string) => void;
  onDraw: () => void;
}) {
  const [words, setWords] = useState('');
  const found = useFound(words, async (typed) => {
    const anywhere = { bank: null, topic: null, kind: null, difficulty: null, sort: 'best', from: 0 };
    const result = await replyTo(searchAction({ ...anywhere, words: typed }));
    return result.ok ? ok(result.value.found) : result;
  });
  const list = found.filter((q) => !taken.includes(q.id)).slice(0, 8);
  return (
    <div className="add-row">
      <Combobox
        label={`Find a question for ${section}`}
        placeholder="Type to find a question"
        className="bare"
        words={words}
        onWords={setWords}
        list={list}
        keyOf={({ id }) => id}
        draw={(q) => (
          <>
            <span>
              <Highlighted text={q.title} words={words} />
            </span>
            <small>
              {kindsText(q.kinds)} [{marksText(q.marks)}]
            </small>
          </>
        )}
        onPick={({ id }) => {
          onPick(id);
          setWords('');
        }}
        onLeave={() => setWords('')}
        found="Found questions"
        beside={
          <>
            <button type="button" className="btn-link-plain soft text-nowrap" onClick={onDraw}>
              or draw some
            </button>
            <Link className="soft text-nowrap" href="/bank/new">
              or write a new one
            </Link>
          </>
        }
      />
    </div>
  );
}

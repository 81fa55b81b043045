'use client';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { searchAction } from '@/actions/bank';
import type { FoundQuestion } from '@/server/bank/search';
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
  const [found, setFound] = useState<FoundQuestion[]>([]);
  const [at, setAt] = useState(0);
  useEffect(() => {
    if (words.trim() === '') return;
    let stale = false;
    const timer = setTimeout(async () => {
      const result = await searchAction({
        bank: null,
        topic: null,
        words,
        kind: null,
        difficulty: null,
        sort: 'best',
        from: 0,
      });
      if (!stale && result.ok) setFound(result.value.found);
    }, 100);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [words]);
  const list = words.trim() === '' ? [] : found.filter((q) => !taken.includes(q.id)).slice(0, 8);
  const pick = (question: FoundQuestion | undefined): void => {
    if (!question) return;
    onPick(question.id);
    setWords('');
    setAt(0);
  };
  return (
    <div className="add-row">
      <div className="d-flex gap-2 align-items-baseline">
        <input
          className="bare"
          placeholder="Type to find a question"
          aria-label={`Find a question for ${section}`}
          role="combobox"
          aria-expanded={list.length > 0}
          aria-controls={`found-${section}`}
          value={words}
          onChange={(e) => {
            setWords(e.target.value);
            setAt(0);
          }}
          onKeyDown={(e) => {
            if (e.key === 'ArrowDown') setAt(Math.min(at + 1, list.length - 1));
            else if (e.key === 'ArrowUp') setAt(Math.max(at - 1, 0));
            else if (e.key === 'Enter') pick(list[at]);
            else if (e.key === 'Escape') setWords('');
            else return;
            e.preventDefault();
          }}
          onBlur={() => setTimeout(() => setWords(''), 150)}
        />
        <button type="button" className="btn-link-plain soft text-nowrap" onClick={onDraw}>
          or draw some
        </button>
        <Link className="soft text-nowrap" href="/bank/new" prefetch={false}>
          or write a new one
        </Link>
      </div>
      {list.length > 0 && (
        <ul role="listbox" id={`found-${section}`} aria-label="Found questions">
          {list.map((q, i) => (
            <li
              key={q.id}
              role="option"
              aria-selected={i === at}
              onMouseEnter={() => setAt(i)}
              onMouseDown={(e) => e.preventDefault()}
              onClick={() => pick(q)}
            >
              <span>
                <Highlighted text={q.title} words={words} />
              </span>
              <small>
                {kindsText(q.kinds)} [{marksText(q.marks)}]
              </small>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

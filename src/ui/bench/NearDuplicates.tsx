'use client';
import { Link } from '../parts/Link';
import { replyTo } from '../parts/reply-to';
import { useEffect, useState } from 'react';
import { nearDuplicatesAction } from '@/actions/bank';
import { ok } from '@/core/base/result';
import type { Alike } from '@/server/bank/alike';

const QUIET = 1500;
const LEAST = 25;

/** Questions of the bank that read nearly like what is being written, told quietly with their likeness. */
export function NearDuplicates({ question, text }: { question: string; text: string }) {
  const [found, setFound] = useState<Alike[]>([]);
  useEffect(() => {
    let stale = false;
    const timer = setTimeout(async () => {
      const alike = text.length < LEAST ? ok([]) : await replyTo(nearDuplicatesAction(text, question));
      if (!stale) setFound(alike.ok ? alike.value : []);
    }, QUIET);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [question, text]);
  if (found.length === 0) return null;
  return (
    <>
      <h2>Much like it in the bank</h2>
      <ul>
        {found.map((q) => (
          <li key={q.id}>
            <Link href={`/bank/${q.id}`} target="_blank">
              {q.title} <small>{Math.round(q.likeness * 100)} %</small>
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}

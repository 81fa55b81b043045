'use client';
import { useEffect, useRef, useState } from 'react';
import { type Checks, checkQuestion } from '@/core/bank/checks';
import type { QuestionBody } from '@/core/bank/question';

/** Typing has come to rest for so long before a check begins. */
const QUIET = 60;

/** Readiness and trial answers of a question, worked out in a worker at every change; for a moment those of the one before. */
export function useChecks(body: QuestionBody): Checks {
  const [checks, setChecks] = useState(() => checkQuestion(body));
  const worker = useRef<Worker | null>(null);
  const turn = useRef(0);
  const checked = useRef(body);
  useEffect(() => {
    const started = new Worker(new URL('./checks.worker.ts', import.meta.url), { type: 'module' });
    started.addEventListener('message', ({ data }: MessageEvent<{ turn: number; checks: Checks }>) => {
      if (data.turn === turn.current) setChecks(data.checks);
    });
    worker.current = started;
    return () => started.terminate();
  }, []);
  useEffect(() => {
    if (checked.current === body) return;
    const timer = setTimeout(() => {
      checked.current = body;
      turn.current += 1;
      worker.current?.postMessage({ turn: turn.current, body });
    }, QUIET);
    return () => clearTimeout(timer);
  }, [body]);
  return checks;
}

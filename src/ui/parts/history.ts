/** An undo history of whole states. Changes under one tag in quick succession are one step. */
export interface History<T> {
  past: readonly T[];
  present: T;
  future: readonly T[];
  tag: string;
  at: number;
}

const MOST_STEPS = 200;
/** Milliseconds within which changes of one tag melt together. */
const QUICK = 900;

export function startHistory<T>(present: T): History<T> {
  return { past: [], present, future: [], tag: '', at: 0 };
}

export function changed<T>(history: History<T>, present: T, tag: string, now: number): History<T> {
  const melts = tag !== '' && tag === history.tag && now - history.at < QUICK && history.past.length > 0;
  const past = melts ? history.past : [...history.past, history.present].slice(-MOST_STEPS);
  return { past, present, future: [], tag, at: now };
}

export function undone<T>(history: History<T>): History<T> {
  const before = history.past.at(-1);
  if (before === undefined) return history;
  return {
    past: history.past.slice(0, -1),
    present: before,
    future: [history.present, ...history.future],
    tag: '',
    at: 0,
  };
}

export function redone<T>(history: History<T>): History<T> {
  const [after, ...future] = history.future;
  if (after === undefined) return history;
  return { past: [...history.past, history.present], present: after, future, tag: '', at: 0 };
}

import type { TraceStep } from '../rules/marking';

/** Steps that speak of what a student wrote and of what a person found, and of nothing that was wanted. */
const OWN = new Set([
  'blank',
  'unreadable',
  'by-a-person',
  'everyone',
  'rubric',
  'rubric-must',
  'long-answer',
  'files-beside',
  'words-too-few',
  'words-too-many',
  'text-too-long',
  'no-rule-matched',
  'number-unreadable',
  'number-ambiguous',
  'maths-unreadable',
  'maths-two-readings',
  'maths-undecided',
  'choices-chosen',
  'scale-off',
]);

/** How a mark came about, as far as it may be told to whom the key is not shown. */
export function traceWithoutKey(trace: readonly TraceStep[]): TraceStep[] {
  return trace.filter(({ code }) => OWN.has(code));
}

import { type Exact, stored } from '../base/exact';
import { markPlaced } from '../exams/mark-placed';
import { type Paper, paperQuestions } from '../exams/paper';
import type { TraceStep } from '../rules/marking';

/** A slot's mark as it stands. */
export interface StandingMark {
  marks: string | null;
  trace: readonly TraceStep[];
  feedback: string;
  byPerson: boolean;
}

/** A slot's mark as the rules now give it, where that is another one. */
export interface NewMark {
  item: string;
  slot: string;
  from: string | null;
  marks: string | null;
  trace: TraceStep[];
  feedback: string;
}

export interface MarkedAnew {
  changes: NewMark[];
  /** Marks given by a person that the rules would change, and that were left as they are. */
  kept: NewMark[];
}

interface Attempt {
  /** The paper with the rules that now hold. */
  paper: Paper;
  /** The questions to mark anew; all when left out. */
  items?: ReadonlySet<string>;
  answers: Readonly<Record<string, Readonly<Record<string, unknown>>>>;
  standing: (item: string, slot: string) => StandingMark | undefined;
  /** Whether marks that a person gave are changed too. */
  overPersons: boolean;
}

/** Marks an attempt anew by the rules of its paper and says what differs. Nothing is written. */
export function markAnew({ paper, items, answers, standing, overPersons }: Attempt): MarkedAnew {
  const result: MarkedAnew = { changes: [], kept: [] };
  for (const item of paperQuestions(paper)) {
    if (item.dropped || (items && !items.has(item.id))) continue;
    for (const [slot, { marking, marks }] of markPlaced(item, answers[item.id] ?? {})) {
      const before = standing(item.id, slot);
      const now: NewMark = {
        item: item.id,
        slot,
        from: before?.marks ?? null,
        marks: text(marks),
        trace: marking.trace,
        feedback: marking.state === 'marked' ? (marking.feedback ?? '') : '',
      };
      const same = before && before.marks === now.marks;
      if (before?.byPerson) {
        if (same || now.marks === null) continue;
        (overPersons ? result.changes : result.kept).push(now);
      } else if (!same || before.feedback !== now.feedback || !sameTrace(before.trace, now.trace)) {
        result.changes.push(now);
      }
    }
  }
  return result;
}

const text = (marks: Exact | null): string | null => (marks === null ? null : stored(marks));

function sameTrace(a: readonly TraceStep[], b: readonly TraceStep[]): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

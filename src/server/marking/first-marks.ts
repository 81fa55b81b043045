import type { Lot } from '@/core/exams/lot';
import { stored } from '@/core/base/exact';
import { TOO_LONG } from '@/core/bank/mark';
import { markPlaced } from '@/core/exams/mark-placed';
import { paperQuestions } from '@/core/exams/paper';
import type { TraceStep } from '@/core/rules/marking';
import type { Reader } from '../db/database';
import { versionOf } from '../events/versions';
import { type AttemptRow, currentAnswers } from '../sittings/attempts';
import { paperOf } from '../sittings/pinned';

/** A place of a paper that is answered. */
export interface Place {
  item: string;
  slot: string;
}

/** A mark by the rules, with how it came about. */
export interface FirstMark extends Place {
  /** Exact marks as text; null while it waits for a person. */
  marks: string | null;
  trace: TraceStep[];
  feedback: string;
}

/** What the rules give an attempt, and by which version of its sitting. */
export interface FirstMarks {
  version: number;
  marks: FirstMark[];
}

/** What is to be marked. What stands in `givenUp` waits for a person. */
export interface MarkOrder extends Pick<AttemptRow, 'id' | 'sitting' | keyof Lot> {
  givenUp: readonly Place[];
  /** Where its database is. */
  database: string;
  /** One question only. */
  only?: string;
}

/** Marks every slot of an attempt by its rules; `begins` is told which one is next. Reads only. */
export async function firstMarks(
  read: Reader,
  { givenUp, only, ...attempt }: Omit<MarkOrder, 'database'>,
  begins: (place: Place) => void,
): Promise<FirstMarks> {
  const version = await versionOf(read, `sitting:${attempt.sitting}`);
  const { paper } = await paperOf(read, attempt);
  const answers = await currentAnswers(read, attempt.id);
  const asked = paperQuestions(paper).filter(({ id }) => only === undefined || id === only);
  const marks = asked.flatMap((item) => {
    const decided = (slot: string): typeof TOO_LONG | null => {
      if (givenUp.some((place) => place.item === item.id && place.slot === slot)) return TOO_LONG;
      begins({ item: item.id, slot });
      return null;
    };
    return [...markPlaced(item, answers[item.id] ?? {}, decided)].map(
      ([slot, { marking, marks: earned }]): FirstMark => ({
        item: item.id,
        slot,
        marks: earned === null ? null : stored(earned),
        trace: marking.trace,
        feedback: marking.state === 'marked' ? (marking.feedback ?? '') : '',
      }),
    );
  });
  return { version, marks };
}

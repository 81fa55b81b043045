import type { QuestionFacts } from '@/core/bank/facts';
import type { QuestionBody, Slot } from '@/core/bank/question';
import type { Conventions } from '@/core/rules/maths/rules';
import { kindOf } from '@/core/kinds/registry';
import type { KindPreset } from '../kinds/editors';

/** Everything on the bench that is saved and undone together. */
export interface BenchState {
  body: QuestionBody;
  facts: QuestionFacts;
}

/** A short id that none of these sets has. */
export function freshSlotId(...taken: ReadonlySet<string>[]): string {
  let n = Math.max(0, ...taken.map((ids) => ids.size)) + 1;
  while (taken.some((ids) => ids.has(`s${n}`))) n += 1;
  return `s${n}`;
}

/** A slot as a preset starts it, with a key when one is given. */
export function freshSlot({ kind, setup }: KindPreset, conventions: Conventions, key = ''): Slot {
  const { fresh, typed } = kindOf(kind);
  const started = setup(fresh(conventions));
  return { kind, marks: '1', setup: key !== '' && typed ? typed.withKey(started, key) : started };
}

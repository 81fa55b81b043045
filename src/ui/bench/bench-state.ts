import type { QuestionFacts } from '@/core/bank/facts';
import type { QuestionBody, Slot } from '@/core/bank/question';
import type { MathsSetup } from '@/core/kinds/maths/maths';
import type { Conventions } from '@/core/rules/maths/rules';
import { type KindName, kindOf } from '@/core/kinds/registry';

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

/** A ready-made start: a kind with settings. */
export interface Preset {
  name: string;
  kind: KindName;
  setup: (fresh: Record<string, unknown>) => Record<string, unknown>;
}

/** A formula of physics or engineering: every quantity in it is positive, and it may be solved for another one. */
function positive(fresh: Record<string, unknown>): Record<string, unknown> {
  const rules = fresh.rules as MathsSetup['rules'];
  return { ...fresh, rules: { ...rules, allPositive: true, rearranged: true } };
}

const option = (id: string, text = '') => ({ id, text, key: false, feedback: '' });

export const PRESETS: Preset[] = [
  { name: 'Choice', kind: 'choice', setup: (fresh) => fresh },
  {
    name: 'Several of several',
    kind: 'choice',
    setup: (fresh) => ({ ...fresh, several: true, options: ['a', 'b', 'c', 'd'].map((id) => option(id)) }),
  },
  {
    name: 'Two-way',
    kind: 'choice',
    setup: (fresh) => ({
      ...fresh,
      shuffle: false,
      look: 'columns',
      options: [option('a', 'True'), option('b', 'False')],
    }),
  },
  { name: 'Short text', kind: 'shortText', setup: (fresh) => fresh },
  {
    name: 'Fill in a word',
    kind: 'shortText',
    setup: (fresh) => ({ ...fresh, room: 'word' }),
  },
  { name: 'Number, unit', kind: 'number', setup: (fresh) => fresh },
  { name: 'Mathematics', kind: 'maths', setup: (fresh) => fresh },
  { name: 'Formula', kind: 'maths', setup: positive },
  { name: 'Formula with places', kind: 'places', setup: (fresh) => fresh },
  { name: 'A few lines', kind: 'shortText', setup: (fresh) => ({ ...fresh, room: 'lines' }) },
  { name: 'Long answer', kind: 'longAnswer', setup: (fresh) => fresh },
];

/** A slot as a preset starts it, with a key when one is given. */
export function freshSlot({ kind, setup }: Preset, conventions: Conventions, key = ''): Slot {
  const started = setup(kindOf(kind).fresh(conventions) as Record<string, unknown>);
  if (key !== '') return { kind, marks: '1', setup: kindOf(kind).withKey(started, key) };
  return { kind, marks: '1', setup: started };
}

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
  /** What it is for, in one line. */
  about: string;
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
  { name: 'Choice', about: 'One right answer among several', kind: 'choice', setup: (fresh) => fresh },
  {
    name: 'Several of several',
    about: 'Every right answer is to be marked',
    kind: 'choice',
    setup: (fresh) => ({ ...fresh, several: true, options: ['a', 'b', 'c', 'd'].map((id) => option(id)) }),
  },
  {
    name: 'Two-way',
    about: 'True or false, yes or no, in your own words',
    kind: 'choice',
    setup: (fresh) => ({
      ...fresh,
      shuffle: false,
      look: 'columns',
      options: [option('a', 'True'), option('b', 'False')],
    }),
  },
  {
    name: 'Short text',
    about: 'A word or a sentence, marked by your wordings',
    kind: 'shortText',
    setup: (fresh) => fresh,
  },
  {
    name: 'Fill in a word',
    about: 'A gap inside a sentence',
    kind: 'shortText',
    setup: (fresh) => ({ ...fresh, room: 'word' }),
  },
  { name: 'Number, unit', about: 'A number, near enough, with its unit', kind: 'number', setup: (fresh) => fresh },
  { name: 'Mathematics', about: 'A formula or equation, in any equal form', kind: 'maths', setup: (fresh) => fresh },
  {
    name: 'Formula',
    about: 'As mathematics, of physical quantities: all positive, may be solved for another',
    kind: 'maths',
    setup: positive,
  },
  { name: 'Formula with places', about: 'A formula with gaps to fill', kind: 'places', setup: (fresh) => fresh },
  {
    name: 'A few lines',
    about: 'Several lines, marked by keywords',
    kind: 'shortText',
    setup: (fresh) => ({ ...fresh, room: 'lines' }),
  },
  {
    name: 'Long answer',
    about: 'A text that a person marks, with a rubric if wanted',
    kind: 'longAnswer',
    setup: (fresh) => fresh,
  },
];

/** A slot as a preset starts it, with a key when one is given. */
export function freshSlot({ kind, setup }: Preset, conventions: Conventions, key = ''): Slot {
  const { fresh, typed } = kindOf(kind);
  const started = setup(fresh(conventions) as Record<string, unknown>);
  return { kind, marks: '1', setup: key !== '' && typed ? typed.withKey(started, key) : started };
}

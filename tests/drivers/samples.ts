import type { Variation } from '@/core/bank/variation';
import { emptyQuestion, type QuestionBody } from '@/core/bank/question';
import { contentFromLines } from '@/core/content/lines';
import { type ExamPlan, revisionKey } from '@/core/exams/plan';
import { ON_RELEASE } from '@/core/exams/sees';
import { choice } from '@/core/kinds/choice/choice';
import { SAMPLE_SECRETS } from '@/core/kinds/contract';
import { kindOf } from '@/core/kinds/registry';
import { number } from '@/core/kinds/number/number';
import { shortText } from '@/core/kinds/short-text/short-text';
import { freshRubric, type Rubric } from '@/core/rules/rubric/rubric';
import { rulesFromKey as numberKey } from '@/core/rules/number/rules';
import { rulesFromKey as textKey } from '@/core/rules/text/rules';
import { SAMPLES } from './kind-samples';

/** Words that stand only in keys, rules and feedback of the sample; no student may ever receive them before release. */
export const SECRETS = [...SAMPLE_SECRETS, 'Secret note', 'Secret explanation'];

/** A question of four marks with three kinds of slot, a key, feedback, notes and an explanation. */
export function sampleQuestion(title: string): QuestionBody {
  return {
    ...emptyQuestion,
    title,
    content: {
      type: 'doc',
      content: [
        { type: 'paragraph', content: [{ type: 'text', text: `${title}: choose, work out, name.` }] },
        { type: 'blockSlot', attrs: { id: 'a' } },
        {
          type: 'paragraph',
          content: [
            { type: 'inlineSlot', attrs: { id: 'b' } },
            { type: 'inlineSlot', attrs: { id: 'c' } },
          ],
        },
      ],
    },
    slots: {
      a: {
        kind: 'choice',
        marks: '1',
        setup: {
          ...choice.fresh(),
          options: [
            { id: 'o1', text: 'one', key: false, feedback: 'Secret feedback' },
            { id: 'o2', text: 'two', key: true, feedback: '' },
            { id: 'o3', text: 'three', key: false, feedback: '' },
          ],
        },
      },
      b: { kind: 'number', marks: '2', setup: { ...number.fresh(), rules: numberKey('73219 kW') } },
      c: { kind: 'shortText', marks: '1', setup: { ...shortText.fresh(), rules: textKey('secretkeyword') } },
    },
    explanation: contentFromLines('Secret explanation'),
    notes: 'Secret note',
  };
}

/** One number that is right or not, for two marks; a machine marks all of it. */
export function numberQuestion(title: string): QuestionBody {
  return {
    ...emptyQuestion,
    title,
    content: {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          content: [
            { type: 'text', text: `${title}: how many?` },
            { type: 'inlineSlot', attrs: { id: 'a' } },
          ],
        },
      ],
    },
    slots: { a: { kind: 'number', marks: '2', setup: { ...number.fresh(), rules: numberKey('42') } } },
  };
}

/** An answer decided by itself, and a value that only keys use. */
const SECRET_ANSWERS = [{ response: { text: 'secretkeyword too' }, share: '1/2', feedback: 'Secret feedback' }];
const SECRET_VALUES: Variation['values'] = [
  { name: 'hidden', from: { by: 'list', items: ['73219'] } },
  { name: 'own', from: { by: 'answer', slot: 'b' } },
];

/** A rubric whose words no student may see before release. */
const SECRET_RUBRIC: Rubric = {
  ...freshRubric('whole'),
  criteria: [
    {
      id: 'c1',
      title: 'Secret note',
      weight: '1',
      must: null,
      cells: ['Secret feedback', '', '', ''].map((words) => ({ words, marks: null })),
    },
  ],
};

/** As the sample, with a slot of every kind there is. */
export function questionOfEveryKind(title: string): QuestionBody {
  const sample = sampleQuestion(title);
  // The sample has the first three kinds; the others get letters from d on.
  const others = SAMPLES.filter(({ kind }) => !Object.values(sample.slots).some((slot) => slot.kind === kind));
  const more: QuestionBody['slots'] = Object.fromEntries(
    others.map(({ kind, setup }, i) => [
      String.fromCharCode(100 + i),
      { kind, marks: '1', setup, ...(kind === 'longAnswer' ? { rubric: SECRET_RUBRIC } : {}) },
    ]),
  );
  const inline = (id: string): boolean => kindOf(more[id]?.kind ?? 'choice').placement === 'inline';
  const ids = Object.keys(more);
  const inlines = ids.filter(inline).map((id) => ({ type: 'inlineSlot' as const, attrs: { id } }));
  const blocks = ids.filter((id) => !inline(id)).map((id) => ({ type: 'blockSlot' as const, attrs: { id } }));
  return {
    ...sample,
    content: { type: 'doc', content: [...sample.content.content, { type: 'paragraph', content: inlines }, ...blocks] },
    slots: {
      ...sample.slots,
      ...more,
      ...(sample.slots.c ? { c: { ...sample.slots.c, settled: SECRET_ANSWERS } } : {}),
    },
    vary: { values: SECRET_VALUES, conditions: [], each: 'attempt' },
  };
}

/** An exam of so many samples in two sections, half and half. */
export function sampleExam(
  count: number,
  make: (i: number) => QuestionBody = (i) => sampleQuestion(`Question ${i}`),
): { plan: ExamPlan; revisions: Map<string, QuestionBody> } {
  const revisions = new Map<string, QuestionBody>();
  const items = Array.from({ length: count }, (_, i) => {
    revisions.set(revisionKey(`q${i}`, 1), make(i));
    return { id: `i${i}`, question: `q${i}`, revision: 1, marks: null, bonus: false };
  });
  const section = (id: string, from: number, to: number) => ({
    id,
    title: `Section ${id}`,
    instructions: '',
    items: items.slice(from, to),
    passPercent: null,
    draws: [],
    shuffleQuestions: false,
  });
  const half = Math.ceil(count / 2);
  const plan: ExamPlan = {
    version: 1,
    title: 'Sample exam',
    instructions: '',
    minutes: 60,
    sections: count > half ? [section('s1', 0, half), section('s2', half, count)] : [section('s1', 0, half)],
    passPercent: '50',
    pages: 'question',
    numbering: 'through',
    keepPassages: false,
    hints: false,
    belowZero: false,
    sees: ON_RELEASE,
    confirmHandIn: true,
    moves: 'free',
    rounding: { mode: 'half_up', places: 1, first: false },
  };
  return { plan, revisions };
}

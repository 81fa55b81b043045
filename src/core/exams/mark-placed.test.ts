import { describe, expect, it } from 'vitest';
import { emptyQuestion, type QuestionBody } from '../bank/question';
import { stored } from '../base/exact';
import { choice } from '../kinds/choice/choice';
import { longAnswer } from '../kinds/long-answer/long-answer';
import { sampleExam } from '../../../tests/drivers/samples';
import { ofSeed } from './lot';
import { markPlaced } from './mark-placed';
import { assemble, paperQuestions, unmended } from './paper';

/** Two keys and three wrong options, for four marks, with deductions. */
const question: QuestionBody = {
  ...emptyQuestion,
  content: { type: 'doc', content: [{ type: 'blockSlot', attrs: { id: 'a' } }] },
  slots: {
    a: {
      kind: 'choice',
      marks: '4',
      setup: {
        ...choice.fresh(),
        several: true,
        shuffle: false,
        scheme: 'by-part-deductions',
        options: ['k', 'l', 'x', 'y', 'z'].map((id) => ({ id, text: id, key: id < 'm', feedback: '' })),
      },
    },
  },
};
const { plan, revisions } = sampleExam(1, () => question);

function earned(belowZero: boolean, chosen: string[]): string {
  const [item] = paperQuestions(assemble(unmended({ ...plan, belowZero }, revisions), ofSeed(0)));
  const marking = item && markPlaced(item, { a: { chosen } }).get('a');
  return marking?.marks ? stored(marking.marks) : 'waits';
}

describe('deductions', () => {
  it.each<[string[], string, string]>([
    [['k', 'l'], '4', '4'],
    [['k', 'x'], '0', '0'],
    [['k', 'l', 'x'], '2', '2'],
    [['x'], '0', '-2'],
    [['k', 'x', 'y'], '0', '-2'],
    // Never more than the slot is worth.
    [['x', 'y', 'z'], '0', '-4'],
    [[], '0', '0'],
  ])('%j earns %s, and %s where the exam lets them go below zero', (chosen, within, below) => {
    expect([earned(false, chosen), earned(true, chosen)]).toEqual([within, below]);
  });
});

it('what is worth nothing waits for nobody', () => {
  const essay: QuestionBody = {
    ...question,
    slots: { a: { kind: 'longAnswer', marks: '0', setup: longAnswer.fresh() } },
  };
  const state = (marks: string | null): string | undefined => {
    const exam = sampleExam(1, () => essay);
    const sections = exam.plan.sections.map((section) => ({
      ...section,
      items: section.items.map((item) => ({ ...item, marks })),
    }));
    const [item] = paperQuestions(assemble(unmended({ ...exam.plan, sections }, exam.revisions), ofSeed(0)));
    return item && markPlaced(item, { a: { text: 'It turned.' } }).get('a')?.marking.state;
  };
  expect([state(null), state('2')]).toEqual(['marked', 'waits']);
});

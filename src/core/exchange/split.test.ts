import { describe, expect, it } from 'vitest';
import { questionSheet } from '../bank/sheet';
import { kindOf } from '../kinds/registry';
import { linesFromText } from './lines';
import { recognise } from './recognised';
import { splitDocument } from './split';

const split = (text: string) => splitDocument(linesFromText(text));
/** "words | option, *key | answer | marks" of every question. */
const short = (text: string): string[] =>
  split(text).questions.map((q) =>
    [
      q.lines.map((l) => l.text).join(' / '),
      q.options.map((o) => (o.key ? '*' : '') + o.text).join(', '),
      q.answer,
      q.marks,
    ].join(' | '),
  );

/** Ten documents made in ten ways, all of our own. */
describe('a document of questions', () => {
  it.each([
    [
      'numbers with points, letters with brackets, a star before the key',
      '1. What turns the nacelle?\na) brake\n*b) yaw drive\nc) pitch drive\n\n2. Name the largest share.\nAnswer: 59 %',
      ['What turns the nacelle? | brake, *yaw drive, pitch drive |  | ', 'Name the largest share. |  | 59 % | '],
    ],
    [
      'brackets around letters, the answer named behind',
      '1) A blade is made of\n(a) steel\n(b) glass fibre\n(c) oak\nAnswer: b\n2) The tower is\n(a) hollow\n(b) solid\nAns: (a)',
      ['A blade is made of | steel, *glass fibre, oak |  | ', 'The tower is | *hollow, solid |  | '],
    ],
    [
      'marks in brackets, at the end of the words and on a line of their own',
      'Test in spring\n\nQuestion 1: How many blades? [2 marks]\nAnswer: 3\nQuestion 2: Why three?\n(Marks: 1.5)\n',
      ['How many blades? |  | 3 | 2', 'Why three? |  |  | 1.5'],
    ],
    [
      'a list of answers at the end',
      '1. First?\na. one\nb. two\n2. Second?\na. one\nb. two\n3. Third?\na. x\nb. y\nc. z\n\nAnswer key\n1 b, 2 a, 3 c',
      ['First? | one, *two |  | ', 'Second? | *one, two |  | ', 'Third? | x, y, *z |  | '],
    ],
    [
      'answers line by line at the end, words among them',
      '1. Name the limit.\n2. Choose.\na) red\nb) green\nAnswers:\n1. Betz\n2. b',
      ['Name the limit. |  | Betz | ', 'Choose. | red, *green |  | '],
    ],
    [
      'options in one line, a tick behind the key',
      '1. Air gets lighter when it is\ta) cold\tb) warm ✓\n2. Colour?\na) red    b) blue    c) green (correct)',
      ['Air gets lighter when it is | cold, *warm |  | ', 'Colour? | red, blue, *green |  | '],
    ],
    [
      'capital letters and several keys',
      '1. Which are in the nacelle?\nA. gearbox\nB. blade\nC. generator\nAnswer: A, C\n',
      ['Which are in the nacelle? | *gearbox, blade, *generator |  | '],
    ],
    [
      'boxes instead of letters',
      '1. Which may you touch?\n☐ the live busbar\n☑ the earthed cable\n☐ the open contact',
      ['Which may you touch? | the live busbar, *the earthed cable, the open contact |  | '],
    ],
    [
      'a question over several lines, with numbers inside',
      '1. A rotor of\n90 m turns at\n12. What is wrong with this line?\nAnswer: nothing\n2. Next?\nAnswer: no\nExplanation: because it is so',
      ['A rotor of / 90 m turns at / 12. What is wrong with this line? |  | nothing | ', 'Next? |  | no | '],
    ],
    [
      'Windows line ends, hard spaces and half marks',
      '1.\u00a0How long is a blade? (½)\r\nAnswer:\u00a061,5 m\r\n\r\n2. How high? (1½ points)\r\nAnswer: 105 m\r\n',
      ['How long is a blade? |  | 61,5 m | 0.5', 'How high? |  | 105 m | 1.5'],
    ],
    [
      'wrapped options',
      '1. Why do we stop?\na) because the wind\nis too strong\nb) because it is late\n*c) because of ice',
      ['Why do we stop? | because the wind is too strong, because it is late, *because of ice |  | '],
    ],
  ])('%s', (_, text, expected) => {
    expect(short(text)).toEqual(expected);
  });

  it('says what belongs to no question, and survives any text', () => {
    expect(split('Wind exam\nName: ______\n1. Q?').left).toEqual(['Wind exam', 'Name: ______']);
    for (const odd of ['', '\n\n', 'no numbers at all', '1.', 'a) b) c)', '1. '.repeat(500), 'x'.repeat(100_000)]) {
      expect(() => split(odd).questions.map(recognise)).not.toThrow();
    }
  });

  it('takes the printed bold as the key, unless everything is bold', () => {
    const line = (text: string, marked = false, label = '') => ({ text, marked, label, blocks: [] });
    const bold = splitDocument([line('Q?', false, '1.'), line('one', false, 'a)'), line('two', true, 'b)')]);
    expect(bold.questions[0]?.options.map((o) => o.key)).toEqual([false, true]);
    const all = splitDocument([line('Q?', true, '1.'), line('one', true, 'a)'), line('two', true, 'b)')]);
    expect(all.questions[0]?.options.map((o) => o.key)).toEqual([false, false]);
  });
});

describe('what is recognised', () => {
  const made = (text: string) => split(text).questions.map(recognise);

  it('becomes slots with keys that mark their own key', () => {
    const [choice, number, words] = made(
      '1. Which? [2]\na) x\n*b) $\\tfrac12$\n2. How much?\nAnswer: 5,19 MW\n3. Who?\nAnswer: Betz',
    );
    expect([choice, number, words].map((r) => r?.body.slots.s1?.kind)).toEqual(['choice', 'number', 'shortText']);
    for (const r of [choice, number, words]) {
      const slot = r?.body.slots.s1;
      if (!slot) throw new Error('Each has a slot');
      const { marked } = kindOf(slot.kind);
      const marking = marked?.mark(slot.setup, marked.key(slot.setup));
      expect(marking?.state === 'marked' && marking.share.toFraction()).toBe('1');
    }
    expect([choice?.body.slots.s1?.marks, number?.body.slots.s1?.marks]).toEqual(['2', '1']);
  });

  it('stands on the sheet in the order of the document, until students get it shuffled', () => {
    const [found] = made('1. Which?\na) x\n*b) y\nc) z');
    if (!found) throw new Error('One was found');
    const order = (seed: number | null): string => {
      const { options } = questionSheet(found.body, seed).slots.s1?.sheet as { options: { text: string }[] };
      return options.map(({ text }) => text).join('');
    };
    expect(order(null)).toBe('xyz');
    expect(new Set([1, 2, 3, 4, 5, 6, 7, 8].map(order)).size).toBeGreaterThan(1);
  });

  it('tells what it doubts', () => {
    expect(made('1. Which?\na) x\nb) y\n2. Say.\n').map((r) => r.doubts)).toEqual([
      ['no-marks', 'no-key'],
      ['no-marks', 'no-answer'],
    ]);
  });
});

import { amount, choose, type DemoQuestion, question, sorting } from '../write';

const VISIT = 'Open day';

/** For those who visit on the open day: short, and for anybody from about seven on. */
export const visitors: DemoQuestion[] = [
  question(VISIT, 1, 'know', 'What do you take up the tower, what stays below?\n=a', {
    a: sorting(
      { up: ['harness', 'helmet', 'radio'], below: ['coffee cup', 'umbrella'] },
      { marks: '5', scheme: 'by-part' },
    ),
  }),
  question(VISIT, 1, 'know', 'What does the wind turn first?\n=a', {
    a: choose('the rotor', ['the tower', 'the fence'], { marks: '1' }),
  }),
  question(VISIT, 1, 'use', 'Three turbines have three blades each. How many blades are that? [a]', {
    a: amount('9', ['6', '3'], { marks: '1' }),
  }),
];

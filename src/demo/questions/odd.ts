import { choose, type DemoQuestion, question } from '../write';

const ENERGY = 'Energy in the wind';

/** Questions that are wrong on purpose, for the analysis to find: a wrong key, an option that misleads nobody, one that some students have an advantage with. */
export const odd: DemoQuestion[] = [
  {
    ...question(
      ENERGY,
      1,
      'use',
      'The wind drops to **half** its speed. The power in it drops to\n=a',
      { a: choose('a quarter', ['an eighth', 'a half', 'a third'], { fixed: true }) },
      { title: 'Half the wind' },
    ),
    // The key is wrong: the power goes with the cube. Whoever knows it says so.
    able: { a: 'd' },
    slips: { a: ['b', 'c'] },
  },
  {
    ...question(
      ENERGY,
      2,
      'know',
      'Which of these does **not** change the power in the wind?\n=a',
      {
        a: choose('the colour of the blades', ['its speed', 'the density of the air', 'the swept area'], {
          fixed: true,
        }),
      },
      { title: 'What does not matter' },
    ),
    slips: { a: ['d'] },
  },
  {
    ...question(
      ENERGY,
      2,
      'know',
      'Salt spray on a blade makes its lift\n=a',
      { a: choose('smaller', ['larger', 'steadier'], { fixed: true }) },
      { title: 'Salt on a blade' },
    ),
    favours: 'Offshore',
  },
];

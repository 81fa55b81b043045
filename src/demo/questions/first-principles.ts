import { amount, choose, type DemoQuestion, filling, formula, question, scheme, words } from '../write';

const ENERGY = 'Energy in the wind';
const LIFT = 'Lift and drag';
const FIRST = 'First principles';
const rotor = {
  name: 'rotor',
  width: 46,
  description:
    'A three-blade rotor seen from the front. A dashed circle shows the area that it sweeps; an arrow from the hub to the circle is marked R.',
} as const;
const section = {
  name: 'bladeSection',
  width: 62,
  description:
    'Cross-section of a blade. The wind meets it from the lower left. Arrow 1 points up, across that wind; arrow 2 points along it.',
} as const;
const curve = {
  name: 'powerCurve',
  width: 78,
  description:
    'Power curve of a 2 MW turbine. Power rises from zero at 3.5 m/s to 2 MW at 12 m/s, stays there, and falls to zero at 25 m/s.',
} as const;

export const firstPrinciples: DemoQuestion[] = [
  question(
    ENERGY,
    2,
    'use',
    'A turbine with a rotor **90 m in diameter** stands in a steady wind of **11 m/s**. The density of the air is $\\rho = 1.225\\ \\mathrm{kg/m^3}$.\n(a) Which formula gives the power of the wind through the rotor?\n=a\n(b) Work it out for this rotor. [b]\n(c) Name the limit that keeps a rotor from taking all of this power. [c]',
    {
      a: choose(
        '$\\tfrac{1}{2}\\rho A v^3$',
        ['$\\rho A v^3$', '$\\tfrac{1}{2}\\rho A v^2$', '$\\tfrac{1}{2}\\rho A^2 v$'],
        {
          feedback: {
            '$\\rho A v^3$': 'The half is missing.',
            '$\\tfrac{1}{2}\\rho A v^2$': 'That is a force, not a power.',
          },
        },
      ),
      b: amount('5.19 MW', ['20.7 MW', '5.19', '471 kW'], {
        accept: { by: 'relative', amount: '2' },
        alternatives: [['20.74', '1/2', 'You took the diameter for the radius.']],
      }),
      c: words([scheme([['1', ['Betz', '16/27', '59 %']]])], ['friction', 'the law of the wind', 'efficiency'], {
        marks: '1',
      }),
    },
    {
      title: 'Power in the wind, 90 m rotor',
      explanation:
        'The area is $A = \\pi\\,(45\\ \\mathrm{m})^2 = 6362\\ \\mathrm{m^2}$, so $P = \\tfrac12 \\cdot 1.225 \\cdot 6362 \\cdot 11^3\\ \\mathrm{W} = 5.19\\ \\mathrm{MW}$. No rotor can take more than 16/27 of it (Betz): the air has to leave.',
      trials: [
        ['b', '5.19 MW', '2'],
        ['b', '5190 kW', '2'],
        ['b', '5,19 MW', '2'],
        ['b', '20.7 MW', '1'],
        ['b', '5.19', '1'],
        ['b', '5.19 MJ', '0'],
        ['c', 'the betz limit', '1'],
        ['c', 'Betz', '1'],
        ['c', 'friction', 'waits'],
      ],
    },
  ),
  question(
    ENERGY,
    1,
    'know',
    'The wind speed doubles. What happens to the power in the wind?\n=a',
    {
      a: choose('It grows to eight times as much.', [
        'It doubles.',
        'It grows to four times as much.',
        'It stays the same.',
      ]),
    },
    { explanation: 'Power goes with the cube of the speed: $2^3 = 8$.' },
  ),
  question(
    ENERGY,
    1,
    'use',
    'Find the area swept by a rotor whose blades reach **45 m** from the hub axis. [a]',
    { a: amount('6362 m^2', ['25447 m^2', '141 m^2', '6362 m']) },
    { drawing: rotor, explanation: '$A = \\pi R^2 = \\pi \\cdot 45^2\\ \\mathrm{m^2} = 6362\\ \\mathrm{m^2}$.' },
  ),
  question(
    ENERGY,
    2,
    'use',
    'How much power does each square metre of wind carry at **8 m/s** and $\\rho = 1.225\\ \\mathrm{kg/m^3}$? [a]',
    { a: amount('313.6 W/m^2', ['627 W/m^2', '39.2 W/m^2', '313.6']) },
    { explanation: '$\\tfrac12 \\rho v^3 = 0.5 \\cdot 1.225 \\cdot 512 = 313.6\\ \\mathrm{W/m^2}$.' },
  ),
  question(ENERGY, 1, 'know', 'What is the largest share of the power in the wind that a rotor can take (Betz)?\n=a', {
    a: choose('16/27, about 59 %', ['1/2, exactly 50 %', '8/9, about 89 %', '4/9, about 44 %']),
  }),
  question(
    ENERGY,
    2,
    'use',
    'The wind through a rotor carries **5.19 MW**. What is the most that any rotor of this size could take from it? [a]',
    { a: amount('3.08 MW', ['5.19 MW', '2.6 MW'], { accept: { by: 'relative', amount: '1' } }) },
    { explanation: '$\\tfrac{16}{27} \\cdot 5.19\\ \\mathrm{MW} = 3.08\\ \\mathrm{MW}$.' },
  ),
  question(ENERGY, 1, 'know', 'Air is heavier when it is …\n=a', {
    a: choose(['cold', 'at low altitude'], ['hot', 'at high altitude']),
  }),
  question(ENERGY, 2, 'use', 'Standard air at sea level has 15 °C. Write this temperature in kelvin. [a]', {
    a: amount('288.15 K', ['258 K', '15 K', '288.15 °C'], { accept: { by: 'places', amount: 0 }, marks: '1' }),
  }),
  question(
    ENERGY,
    3,
    'judge',
    'Turbine 7 made less on a hot day than on a cold one in the same wind of 8 m/s. Give the reason. [a]',
    {
      a: words(
        [
          scheme(
            [
              [
                '1',
                ['density', 'denser', 'less dense', 'lighter air', 'thinner air', 'air is lighter', 'air is thinner'],
              ],
            ],
            'The density of air falls when it warms.',
          ),
        ],
        ['because the generator gets hot and tired', 'hot wind is weaker', 'the air moves more easily when it is warm'],
        { marks: '2', room: 'lines' },
      ),
    },
    {
      trials: [
        ['a', 'Warm air is less dense', '2'],
        ['a', 'lower DENSITY', '2'],
        ['a', 'hot wind is weaker', 'waits'],
      ],
    },
  ),
  question(
    FIRST,
    1,
    'use',
    'A 2 MW turbine makes **5256 MWh** in a year of 8760 hours. What is its capacity factor, in percent? [a]',
    { a: amount('30 %', ['0.3 %', '60 %', '30 MWh']) },
    { explanation: '$5256 / (2 \\cdot 8760) = 0.30$.' },
  ),
  question(
    FIRST,
    2,
    'use',
    'How much energy does a 3 MW turbine make in 8760 hours at a capacity factor of 35 %? [a]',
    { a: amount('9198 MWh', ['26280 MWh', '9198 MW', '1.05 MWh'], { units: ['kWh', 'MWh', 'MW'] }) },
  ),
  question(
    FIRST,
    1,
    'know',
    'Read the power curve. At which wind speed does this turbine begin to make power? [a]',
    { a: amount('3.5 m/s', ['12 m/s', '0 m/s', '5 m/s'], { accept: { by: 'absolute', amount: '0.5' }, marks: '1' }) },
    { drawing: curve },
  ),
  question(
    FIRST,
    2,
    'judge',
    'Look at the power curve. Why does power stay level above 12 m/s?\n=a',
    {
      a: choose('The blades are turned to let the rest of the wind through.', [
        'The wind above 12 m/s has no more energy.',
        'The generator turns slower.',
        'The brake is on all the time.',
      ]),
    },
    { drawing: curve },
  ),
  question(FIRST, 1, 'know', 'Which of these are units of power?\n=a', {
    a: choose(['watt', 'joule per second'], ['kilowatt hour', 'newton']),
  }),
  question(
    LIFT,
    2,
    'know',
    'Which arrow shows the lift?\n=a',
    { a: choose('Arrow 1', ['Arrow 2', 'Neither']) },
    { drawing: section, explanation: 'Lift stands across the wind that the blade sees; drag goes along it.' },
  ),
  question(
    LIFT,
    2,
    'use',
    'A rotor of **40 m radius** turns at **15 rpm** in a wind of **9 m/s**. Find its tip speed ratio $\\lambda = \\omega R / v$. [a]',
    { a: amount('6.98', ['66.7', '0.43', '600'], { accept: { by: 'relative', amount: '1' } }) },
    {
      explanation:
        '$\\omega = 2\\pi \\cdot 15/60 = 1.571\\ \\mathrm{rad/s}$, so $\\lambda = 1.571 \\cdot 40 / 9 = 6.98$.',
    },
  ),
  question(LIFT, 2, 'use', 'How fast does the tip of a **58 m** blade move at **12 rpm**? [a]', {
    a: amount('72.9 m/s', ['696 m/s', '11.6 m/s', '72.9 km/h']),
  }),
  question(
    LIFT,
    1,
    'know',
    'What is the name of the sudden loss of lift when a blade is turned too far into the wind it sees? [a]',
    { a: words(['stall', 'stalling', 'a stall'], ['drag', 'pitch', 'falling', 'turbulence']) },
  ),
  question(
    LIFT,
    3,
    'judge',
    'Ice grows on the front edge of a blade. Name **one** thing that changes in how the blade works. [a]',
    {
      a: words(
        [scheme([['1', ['lift', 'drag', 'imbalance', 'balance', 'vibration', 'heavier', 'shape', 'profile']]])],
        ['it gets cold', 'the blade shines', 'colder wind'],
        { marks: '2', room: 'lines' },
      ),
    },
  ),
  question(
    ENERGY,
    2,
    'use',
    'A rotor of radius $R$ turns with the angular speed $\\omega$ in a wind of speed $v$.\nWrite the tip speed ratio $\\lambda$ as a formula. $\\lambda =$ [a]',
    {
      a: formula('\\frac{\\omega R}{v}', ['\\frac{v}{\\omega R}', '\\omega Rv', '\\frac{\\omega}{Rv}', 'omega*R*v'], {
        allPositive: true,
        parts: [['\\frac{v}{\\omega R}', '1/2', 'That is the ratio turned over.']],
      }),
    },
    {
      title: 'Tip speed ratio as a formula',
      explanation: 'The tip moves with $\\omega R$; the ratio to the wind is $\\lambda = \\frac{\\omega R}{v}$.',
      trials: [
        ['a', 'omega R/v', '2'],
        ['a', 'v/(omega R)', '1'],
        ['a', '\\frac{R\\omega}{v}', '2'],
      ],
    },
  ),
  question(
    ENERGY,
    3,
    'use',
    'The power of the wind through an area $A$ is $P = \\tfrac{1}{2}\\rho A v^3$. Solve for the wind speed $v$. [a]',
    {
      a: formula(
        'v=\\sqrt[3]{\\frac{2P}{\\rho A}}',
        ['v=\\sqrt{\\frac{2P}{\\rho A}}', 'v=\\frac{2P}{\\rho A}', 'v=\\sqrt[3]{\\frac{P}{2\\rho A}}'],
        {
          allPositive: true,
        },
      ),
    },
    { title: 'Solve the power formula for the wind speed' },
  ),
  question(
    ENERGY,
    1,
    'know',
    'Complete the formula for the power of the wind through a swept area. [a]',
    { a: filling('P=\\frac{1}{?(2)}\\rho A v^{?(3)}', ['2; 2', '3; 2', '4; 3']) },
    {
      title: 'Complete the power formula',
      explanation: 'Half the mass that passes in a second, $\\rho A v$, times the square of the speed.',
      trials: [
        ['a', '2; 3', '2'],
        ['a', '2; 2', '1'],
        ['a', '4/2; 3', '2'],
      ],
    },
  ),
  question(
    ENERGY,
    2,
    'use',
    'A rotor with a radius of **<r> m** stands in a steady wind of **<v> m/s**; $\\rho = 1.225\\ \\mathrm{kg/m^3}$.\nWhich area does it sweep? [a]\nHow much power does the wind carry through it? [b]',
    {
      a: amount('<A> m^2', ['6000 m^2', '314 m^2']),
      b: amount('<P> MW', ['2 MW', '9.8 MW']),
    },
    {
      title: 'Swept area and power, with numbers of one’s own',
      explanation:
        '$A = \\pi \\cdot <r>^2$, and $P = \\tfrac12 \\cdot 1.225 \\cdot A \\cdot <v>^3$. Work with your own area.',
      vary: {
        values: [
          { name: 'r', from: { by: 'range', least: '40', most: '60', step: '5' } },
          { name: 'v', from: { by: 'range', least: '7', most: '12', step: '1' } },
          { name: 'A', from: { by: 'formula', formula: 'pi r^2', round: null } },
          { name: 'S', from: { by: 'answer', slot: 'a' } },
          { name: 'P', from: { by: 'formula', formula: '0.5*1.225*S*v^3/10^6', round: null } },
        ],
        conditions: [],
        each: 'attempt',
      },
      trials: [
        ['a', '<A> m^2', '2'],
        ['b', '<P> MW', '2'],
        ['b', '<P> kW', '0'],
      ],
    },
  ),
];

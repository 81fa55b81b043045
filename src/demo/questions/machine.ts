import { amount, choose, type DemoQuestion, question, scheme, words } from '../write';

const ROTOR = 'Rotor';
const DRIVE = 'Drive train';
const ELECTRICAL = 'Electrical';
const nacelle = {
  name: 'nacelle',
  width: 88,
  description:
    'Section through a nacelle: shaft (1), box behind it (2), large box at the back (3), instrument on the roof (4), ring on top of the tower (5).',
} as const;
const line = {
  name: 'singleLine',
  width: 82,
  description:
    'Single-line diagram from the generator at 690 V through part 1, a box with a diagonal, part 2, two linked circles, and part 3, a switch, to the 33 kV bus.',
} as const;

export const machine: DemoQuestion[] = [
  question(ROTOR, 1, 'know', 'How many blades do most large turbines have? [a]', {
    a: amount('3', ['2', '4', '5'], { marks: '1' }),
  }),
  question(ROTOR, 1, 'know', 'Turning a blade about its own long axis is called …\n=a', {
    a: choose('pitch', ['yaw', 'roll', 'tilt']),
  }),
  question(ROTOR, 1, 'know', 'What turns the nacelle into the wind? [a]', {
    a: words(
      ['yaw drive', 'the yaw drive', 'yaw motors', 'yaw system', 'yaw motor'],
      ['pitch motor', 'the wind', 'the gearbox', 'the tower motor'],
    ),
  }),
  question(ROTOR, 2, 'know', 'Why are the blades twisted from root to tip?\n=a', {
    a: choose('The tip moves faster, so the wind meets it at another angle.', [
      'It makes them easier to carry.',
      'It keeps rain off the root.',
      'It stops the tower from swaying.',
    ]),
  }),
  question(ROTOR, 2, 'use', 'A rotor turns once in **4 s**. How many turns a minute is that? [a]', {
    a: amount('15 rpm', ['240 rpm', '4 rpm', '15 Hz'], { marks: '1' }),
  }),
  question(ROTOR, 2, 'judge', 'Which of these let a turbine stop without its brake?\n=a', {
    a: choose(
      ['feathering the blades', 'yawing out of the wind'],
      ['greasing the main bearing', 'raising the rated power'],
    ),
  }),
  question(
    ROTOR,
    3,
    'judge',
    'One blade was repaired and is now 40 kg heavier than the other two. What will you feel in the nacelle, and how often in each turn? [a]',
    {
      a: words(
        [
          scheme([
            ['1/2', ['vibration', 'vibrates', 'shaking', 'shakes', 'sway']],
            ['1/2', ['once', 'one time', 'every turn', 'each turn', '1']],
          ]),
        ],
        ['it is louder', 'three shakes a turn', 'the tower bends down'],
        { marks: '2', room: 'lines' },
      ),
    },
  ),
  question(
    DRIVE,
    1,
    'know',
    'Look at the nacelle. Which part is number 2?\n=a',
    { a: choose('gearbox', ['generator', 'main shaft', 'yaw drive']) },
    { drawing: nacelle },
  ),
  question(
    DRIVE,
    1,
    'know',
    'Look at the nacelle. Name part 4. [a]',
    {
      a: words(
        ['anemometer', 'wind sensor', 'the anemometer'],
        ['lightning rod', 'antenna', 'barometer', 'anenometer'],
      ),
    },
    { drawing: nacelle },
  ),
  question(
    DRIVE,
    2,
    'use',
    'The rotor turns at **15 rpm**, the generator at **1500 rpm**. What is the ratio of the gearbox? [a]',
    { a: amount('100', ['1485', '0.01', '1515'], { marks: '1' }) },
  ),
  question(
    DRIVE,
    2,
    'use',
    'The main shaft carries **2 MW** at **15 rpm**. Find the torque. [a]',
    {
      a: amount('1.273 MN m', ['133 kN m', '1.273 MW', '30 MN m'], {
        accept: { by: 'relative', amount: '1' },
        alternatives: [['0.1333', '1/2', 'Turn the speed into radians per second first.']],
      }),
    },
    {
      explanation: '$T = P/\\omega = 2\\cdot 10^6 / 1.571 = 1.273\\ \\mathrm{MN\\,m}$.',
      trials: [
        ['a', '1273 kN m', '2'],
        ['a', '1.27 MNm', '2'],
        ['a', '1273', '0'],
        ['a', '133.3 kN m', '1'],
      ],
    },
  ),
  question(DRIVE, 2, 'use', 'The fast shaft carries the same **2 MW** at **1500 rpm**. Find the torque there. [a]', {
    a: amount('12.73 kN m', ['1.33 kN m', '1273 kN m', '12.73 kW']),
  }),
  question(DRIVE, 1, 'know', 'Why is the oil of a gearbox cooled?\n=a', {
    a: choose('Hot oil gets thin and no longer keeps the teeth apart.', [
      'Cold oil is cheaper.',
      'The generator needs the heat.',
      'Hot oil freezes in the filter.',
    ]),
  }),
  question(
    DRIVE,
    2,
    'use',
    'A gearbox holds **300 L** of oil of density **0.87 kg/L**. What is the mass of the oil? [a]',
    { a: amount('261 kg', ['345 kg', '300 kg', '261 L']) },
  ),
  question(DRIVE, 2, 'know', 'Which of these can be seen in an oil sample?\n=a', {
    a: choose(['metal from worn teeth', 'water'], ['the torque of last week', 'the wind direction']),
  }),
  question(
    DRIVE,
    2,
    'use',
    'A fitter pulls with **500 N** at the end of a spanner **1.2 m** long, square to it. What torque does the bolt get? [a]',
    { a: amount('600 N m', ['417 N m', '600 N', '501.2 N m'], { accept: { by: 'absolute', amount: '0' } }) },
  ),
  question(
    DRIVE,
    3,
    'judge',
    'The gearbox oil is at 80 °C, the alarm limit, but the cooler fan runs. Name the first thing you check, and why. [a]',
    {
      a: words(
        [
          scheme([
            ['1/2', ['filter', 'oil level', 'oil pressure', 'thermostat', 'sensor', 'cooler']],
            ['1/2', ['because', 'since', 'blocked', 'low', 'so that']],
          ]),
        ],
        ['call the boss', 'stop and go home', 'the fan'],
        { marks: '2', room: 'lines' },
      ),
    },
  ),
  question(
    ELECTRICAL,
    1,
    'use',
    'A heater of **8 Ω** is connected to **24 V**. What current flows? [a]',
    { a: amount('3 A', ['192 A', '0.33 A', '3 V'], { marks: '1' }) },
    {
      trials: [
        ['a', '3 A', '1'],
        ['a', '3000 mA', '1'],
        ['a', '3', '1/2'],
        ['a', '3 V', '0'],
      ],
    },
  ),
  question(
    ELECTRICAL,
    2,
    'use',
    'A generator with **2 pole pairs** runs on a **50 Hz** grid. Find its synchronous speed. [a]',
    { a: amount('1500 rpm', ['3000 rpm', '750 rpm', '25 rpm'], { marks: '1' }) },
    { explanation: '$n = 60 f / p = 60 \\cdot 50 / 2 = 1500$ turns a minute.' },
  ),
  question(
    ELECTRICAL,
    2,
    'use',
    'The same generator turns at **1515 rpm**. How large is the slip, in percent (without its sign)? [a]',
    { a: amount('1 %', ['15 %', '0.01 %', '101 %'], { marks: '1', accept: { by: 'relative', amount: '1' } }) },
  ),
  question(
    ELECTRICAL,
    2,
    'use',
    'A three-phase generator gives **1200 A** at **690 V** with $\\cos\\varphi = 0.95$. Find its power. [a]',
    {
      a: amount('1.36 MW', ['0.787 MW', '1.43 MW', '1.36 kW'], {
        alternatives: [['0.7866', '1/2', 'The root of three is missing.']],
      }),
    },
    {
      explanation:
        '$P = \\sqrt3\\, U I \\cos\\varphi = 1.732 \\cdot 690 \\cdot 1200 \\cdot 0.95 = 1.36\\ \\mathrm{MW}$.',
    },
  ),
  question(
    ELECTRICAL,
    3,
    'use',
    'What current does a **2 MW** turbine send at **690 V** with $\\cos\\varphi = 1$? [a]',
    { a: amount('1673 A', ['2899 A', '1673 V', '966 A']) },
  ),
  question(
    ELECTRICAL,
    1,
    'know',
    'What does part 2 do?\n=a',
    {
      a: choose('It raises the voltage.', [
        'It raises the frequency.',
        'It stores energy.',
        'It opens when a fault is seen.',
      ]),
    },
    { drawing: line },
  ),
  question(
    ELECTRICAL,
    1,
    'know',
    'Look at the single-line diagram. Name part 3. [a]',
    {
      a: words(
        ['switch', 'circuit breaker', 'breaker', 'isolator', 'disconnector', 'switchgear'],
        ['transformer', 'fuse box', 'lamp', 'converter'],
      ),
    },
    { drawing: line },
  ),
  question(ELECTRICAL, 2, 'use', 'A cable of **0.02 Ω** carries **200 A**. How much power is lost in it? [a]', {
    a: amount('800 W', ['4 W', '4000 W', '800 V']),
  }),
  question(ELECTRICAL, 2, 'know', 'Why is the voltage raised before the long cable to the grid?\n=a', {
    a: choose('The current falls, and with it the loss in the cable.', [
      'The cable becomes shorter.',
      'The frequency becomes steady.',
      'The generator needs less wind.',
    ]),
  }),
];

import { amount, choose, type DemoQuestion, question, scheme, words } from '../write';

const SITE = 'Site and weather';
const SAFETY = 'Safety and rescue';
export const GEAR = 'Harness and ladder';
export const RESCUE = 'Rescue';
const ladder = {
  name: 'ladder',
  width: 40,
  description:
    'A person on a tower ladder with a rail in the middle. Part 1 slides on the rail and is tied to the person; part 2 is worn round the body. Below is a rest platform.',
} as const;

export const site: DemoQuestion[] = [
  question(
    SITE,
    2,
    'use',
    'A mast measures **6 m/s** at 10 m. Estimate the wind at **80 m** over open land with $v_2 = v_1 (h_2/h_1)^{1/7}$. [a]',
    { a: amount('8.08 m/s', ['48 m/s', '6 m/s', '6.86 m/s']) },
    { explanation: '$6 \\cdot 8^{1/7} = 6 \\cdot 1.346 = 8.08\\ \\mathrm{m/s}$.' },
  ),
  question(SITE, 2, 'use', 'Force 6 on the Beaufort scale: find the wind speed with $v = 0.836\\,B^{3/2}$ m/s. [a]', {
    a: amount('12.3 m/s', ['5 m/s', '30 m/s', '12.3'], { accept: { by: 'figures', amount: 3 } }),
  }),
  question(SITE, 1, 'know', 'Behind a large building the wind is …\n=a', {
    a: choose('slower and more turbulent', ['faster and steadier', 'the same', 'always from the north']),
  }),
  question(SITE, 1, 'use', 'The display says **36 km/h**. How many metres per second is that? [a]', {
    a: amount('10 m/s', ['129.6 m/s', '3.6 m/s', '10 km/h'], { marks: '1' }),
  }),
  question(SITE, 1, 'know', 'Which instrument tells where the wind comes from? [a]', {
    a: words(['wind vane', 'vane', 'weather vane', 'the wind vane'], ['anemometer', 'compass', 'barometer']),
  }),
  question(SITE, 2, 'know', 'Which of these are reasons to stop a climb?\n=a', {
    a: choose(
      ['lightning within 10 km', 'wind above the limit of the site'],
      ['a light drizzle forecast for tomorrow', 'a full moon'],
    ),
  }),
  question(
    SITE,
    2,
    'judge',
    'Turbine 14 stands 2 rotor diameters behind turbine 9 and makes less in a west wind. What is the cause? [a]',
    {
      a: words(
        [
          scheme(
            [
              ['1/2', ['wake', 'shadow', 'downwind of turbine 9'], { name: 'in the wake', refuse: ['upwind'] }],
              [
                '1/2',
                [
                  'turbulence',
                  {
                    parts: [
                      ['wind', 'air'],
                      ['slower', 'weaker', 'less', 'turbulent'],
                    ],
                    where: 'clause',
                  },
                ],
                { name: 'slower or turbulent wind', half: ['little wind'] },
              ],
            ],
            'It stands in the wake of the other, where the wind is slower and turbulent.',
          ),
        ],
        [
          'turbine 9 robs it of the wind',
          'It stands in the lee of turbine 9, so the wind is slower.',
          'It is in the lee of the other one',
          'the wake is not there in a west wind',
          'bad cable',
        ],
        { marks: '2', room: 'lines', otherwise: 'zero', endings: 'en' },
      ),
    },
    {
      trials: [
        ['a', 'It stands in the wake, where the wind is slower.', '2'],
        ['a', 'In the shadow of turbine 9', '1'],
        ['a', 'The air is turbulent there.', '1'],
        ['a', 'It stands in the lee of turbine 9, so the wind is slower.', '1'],
        ['a', 'wake turbulence slower wind west', 'waits'],
        ['a', 'It is upwind in the wake', '0'],
      ],
    },
  ),
  question(
    SITE,
    1,
    'use',
    'A blade of **54 m** is to pass a bend. The lorry adds **7 m** in front. How long is the whole? [a]',
    { a: amount('61 m', ['47 m', '61', '378 m'], { marks: '1' }) },
  ),
  question(
    SAFETY,
    1,
    'know',
    'What comes right after "isolate" when a machine is made safe?\n=a',
    { a: choose('lock', ['prove dead', 'work', 'stop']) },
    { explanation: 'Stop, isolate, lock, prove dead, then work.' },
  ),
  question(SAFETY, 1, 'know', 'Who may take off a lock that you have put on?\n=a', {
    a: choose('Only you', ['Anybody in your team', 'The next shift', 'Whoever has a key']),
  }),
  question(
    SAFETY,
    2,
    'use',
    'A tool bag of **12 kg** falls **70 m**. How much energy does it have at the ground ($g = 9.81\\ \\mathrm{m/s^2}$, no air)? [a]',
    { a: amount('8.24 kJ', ['840 J', '8.24 kW', '82.4 kJ']) },
  ),
  question(
    SAFETY,
    2,
    'judge',
    'You find a colleague on the nacelle floor who does not answer. Write what you do first. [a]',
    {
      a: words(
        [scheme([['1', ['own safety', 'danger', 'safe', 'look around', 'scene']]])],
        ['shout', 'carry him down', 'call my mother', 'I open the hatch'],
        { marks: '2', room: 'lines' },
      ),
    },
  ),
  question(SAFETY, 1, 'know', 'Why is work in a hub done with the rotor locked?\n=a', {
    a: choose('A small wind could turn it with you inside.', [
      'It saves oil.',
      'The lock keeps rain out.',
      'The law of Betz asks for it.',
    ]),
  }),
  question(
    SAFETY,
    2,
    'use',
    'Two people climb **80 m** at **8 m** a minute, with one rest of **4 min**. How long do they take? [a]',
    { a: amount('14 min', ['10 min', '640 min', '14 h'], { marks: '1' }) },
  ),
];

export const height: DemoQuestion[] = [
  question(
    GEAR,
    1,
    'know',
    'Look at the drawing. What is part 1?\n=a',
    { a: choose('fall arrester', ['rescue bag', 'tool belt', 'radio']) },
    { drawing: ladder },
  ),
  question(GEAR, 1, 'know', 'What is checked before every climb?\n=a', {
    a: choose(['harness', 'lanyard', 'fall arrester'], ['colour of the tower', 'age of the lorry']),
  }),
  question(GEAR, 1, 'know', 'A harness has caught a fall. What happens to it?\n=a', {
    a: choose('It is taken out of use.', [
      'It is washed and used again.',
      'It is used for light work only.',
      'It is turned inside out.',
    ]),
  }),
  question(
    GEAR,
    2,
    'use',
    'A climber with gear has **100 kg** and falls freely for **2 m** ($g = 9.81\\ \\mathrm{m/s^2}$). How much energy must the arrester take up? [a]',
    { a: amount('1962 J', ['200 J', '981 J', '1962 N']) },
    {
      hints: [
        { text: 'Energy of a fall: $E = m g h$', cost: '0' },
        { text: 'The height is that of the free fall, 2 m.', cost: '1/2' },
      ],
    },
  ),
  question(
    GEAR,
    1,
    'know',
    'What is the most people who may be on one ladder section between two platforms, unless its plate says more? [a]',
    { a: amount('1', ['2', '3', '5'], { marks: '1' }) },
  ),
  question(RESCUE, 2, 'know', 'Why must a person who hangs in a harness without moving be brought down fast? [a]', {
    a: words(
      [scheme([['1', ['blood', 'circulation', 'suspension', 'faint', 'unconscious']]])],
      ['it is cold', 'the rope may break', 'they are afraid'],
      { marks: '2', room: 'lines' },
    ),
  }),
  question(RESCUE, 1, 'know', 'Which of these belong in the call for help?\n=a', {
    a: choose(
      ['which turbine', 'what happened', 'how many are hurt'],
      ['the price of the turbine', 'the wind last week'],
    ),
  }),
  question(
    RESCUE,
    2,
    'use',
    'A rescue device lets a person down at **0.8 m/s** from **72 m**. How many seconds does it take? [a]',
    { a: amount('90 s', ['57.6 s', '72 s', '90 m'], { marks: '1' }) },
  ),
];

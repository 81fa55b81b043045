import {
  type DemoQuestion,
  choose,
  filled,
  inDrawings,
  type ShownDrawing,
  labels,
  matching,
  oneOf,
  ordering,
  pointing,
  question,
  selecting,
  sorting,
} from '../write';

/** Questions in which something is placed, sorted or put in order. */
const PARTS = 'Parts and procedures';
const STEPS = 'Step by step';
const PX = {
  nacelle: { width: 720, height: 400 },
  line: { width: 640, height: 220 },
  ladder: { width: 420, height: 420 },
  site: { width: 640, height: 360 },
};
/** Winds as weather maps draw them, in words. */
const BARBS: ShownDrawing[] = [
  { drawing: 'calm', text: 'a ring in a ring' },
  { drawing: 'barb5', text: 'one short feather' },
  { drawing: 'barb15', text: 'one long feather and a short one' },
  { drawing: 'barb30', text: 'three long feathers' },
  { drawing: 'barb65', text: 'a flag, a long feather and a short one' },
];
const barbs = BARBS.map(({ drawing }) => drawing);
const [CALM = '', FIVE = '', FIFTEEN = '', THIRTY = '', SIXTY_FIVE = ''] = BARBS.map(({ text }) => text);

export const procedures: DemoQuestion[] = [
  question(
    PARTS,
    1,
    'know',
    'Name the parts of this nacelle.\n=a',
    {
      a: labels(
        PX.nacelle,
        {
          'hub cover': [118, 205],
          'rotor blade': [110, 70],
          'main shaft': [200, 199],
          gearbox: [331, 180],
          'yaw drive': [340, 259],
          tower: [340, 350],
          'fast shaft': [402, 199],
          generator: [500, 210],
          'wind sensors': [598, 108],
          'nacelle cover': [612, 220],
        },
        ['transformer', 'ladder'],
        { marks: '5' },
      ),
    },
    {
      title: 'Parts of the nacelle',
      drawing: {
        name: 'nacelleBare',
        width: 100,
        description:
          'A nacelle from the side, opened. At the left the rotor with two blades to be seen; inside, one behind the other, a long thin part, a large box, a short thin part and a second box; on the roof two small cups; below, a part on the tower.',
      },
      explanation: 'From the wind to the grid: rotor, main shaft, gearbox, fast shaft, generator.',
    },
  ),
  question(PARTS, 2, 'use', 'Put the steps of a lock-out in their order.\n=a', {
    a: ordering(
      [
        'Tell the control room what will be done',
        'Stop the turbine',
        'Switch the circuit off and lock the switch',
        'Hang the tag with name and time on the lock',
        'Test that there is no voltage',
        'Begin the work',
      ],
      { scheme: 'run', feedback: 'Nobody begins before the test for voltage, and nothing is locked that still turns.' },
    ),
  }),
  question(PARTS, 1, 'know', 'Complete what the control does in a strong wind.\n=a', {
    a: filled(
      'Above rated wind speed the [pitch] drives turn the blades out of the wind, so that the [power] stays what it is. In a storm they go to [feather]; the rotor idles, and only then the [brake] may hold it.',
      ['yaw', 'stall', 'noise'],
    ),
  }),
  question(
    PARTS,
    2,
    'use',
    'The map of the morning shows five winds. Match each sign with its speed.\n=a',
    {
      a: inDrawings(
        matching(
          {
            [CALM]: 'calm',
            [FIVE]: '5 knots',
            [FIFTEEN]: '15 knots',
            [THIRTY]: '30 knots',
            [SIXTY_FIVE]: '65 knots',
          },
          ['25 knots', '60 knots'],
        ),
        BARBS,
      ),
    },
    { title: 'Winds on the map', shown: barbs, explanation: 'A short feather is 5 knots, a long one 10, a flag 50.' },
  ),
  question(PARTS, 2, 'know', 'Sort these loads on a blade.\n=a', {
    a: sorting(
      {
        steady: ['mean thrust of the wind', 'pull outwards as the rotor turns'],
        'changes with every turn': ['weight of the blade', 'passing the tower', 'wind growing with height'],
        'comes by chance': ['gusts', 'ice that breaks off'],
        '': ['price of electricity'],
      },
      { marks: '4' },
    ),
  }),
  question(PARTS, 2, 'judge', 'Match each alarm with its likeliest cause.\n=a', {
    a: matching(
      {
        'Generator bearing hot': 'grease is missing',
        'Gear oil pressure low': 'filter is blocked',
        'Rotor too fast': 'pitch of one blade hangs',
        'Yaw error stays': 'wind vane is frozen',
      },
      ['tower is too high', 'grid is too strong'],
    ),
  }),
  question(PARTS, 2, 'judge', 'Three sentences of this report tell of something unsafe. Select them.\n=a', {
    a: selecting(
      'We called the control room at eight. The turbine was stopped and locked. Because it was warm, one of us climbed without a helmet. The lift was checked before use. The oil was changed with the brake open and the rotor free. We stayed below the hub while the crane worked. A fuse was pulled while somebody held the lamp; nobody had tested for voltage. All tools were counted at the end.',
      [
        'Because it was warm, one of us climbed without a helmet.',
        'The oil was changed with the brake open and the rotor free.',
        'A fuse was pulled while somebody held the lamp; nobody had tested for voltage.',
      ],
      { feedback: { 'The turbine was stopped and locked.': 'That is just how it should be.' } },
    ),
  }),
  question(
    PARTS,
    2,
    'use',
    'Show the point on the curve from which the power no longer rises.\n=a',
    {
      a: pointing(
        { width: 640, height: 370 },
        [[310, 80, 46]],
        [
          [140, 300, 50, 'There it begins to turn.'],
          [570, 80, 46, 'There it is stopped.'],
        ],
      ),
    },
    {
      title: 'Rated wind speed on the curve',
      drawing: {
        name: 'powerCurve',
        width: 100,
        description:
          'A power curve: power in megawatts over the wind speed at hub height, from 0 to 25 metres per second.',
      },
    },
  ),
  question(
    PARTS,
    2,
    'know',
    'Name what stands on the way from the generator to the grid.\n=a',
    {
      a: labels(
        PX.line,
        { generator: [80, 85], converter: [220, 90], transformer: [350, 90], switchgear: [480, 95], busbar: [590, 90] },
        ['gearbox', 'battery'],
        { marks: '3', white: { top: 60, right: 6, bottom: 0, left: 6 } },
      ),
    },
    {
      title: 'From the generator to the grid',
      drawing: {
        name: 'singleLineBare',
        width: 100,
        description:
          'A single-line diagram from left to right: a circle, a square with a diagonal, two circles that overlap, a box with an oblique line, and a thick upright line.',
      },
    },
  ),
  question(PARTS, 1, 'know', 'Match each quantity with its unit.\n=a', {
    a: matching({ power: 'W', torque: 'N m', energy: 'kW h', 'wind speed': 'm/s' }, ['Pa', 'Hz'], { marks: '2' }),
  }),
  question(
    PARTS,
    2,
    'use',
    'The crane lifts up to 10 m/s. In which of these winds may it begin?\n=a',
    { a: inDrawings(choose(FIFTEEN, [THIRTY, SIXTY_FIVE], { look: 'columns' }), BARBS) },
    {
      title: 'Wind for the crane',
      shown: ['barb15', 'barb30', 'barb65'],
      explanation: '15 knots are 7.7 m/s, 30 knots 15 m/s.',
    },
  ),
  question(
    PARTS,
    1,
    'use',
    'From the weakest wind to the strongest.\n=a',
    { a: inDrawings(ordering([CALM, FIVE, FIFTEEN, THIRTY, SIXTY_FIVE], { look: 'across' }), BARBS) },
    { title: 'Winds in order', shown: barbs },
  ),
  question(
    PARTS,
    2,
    'judge',
    'Cut-in is 3.5 m/s, cut-out 25 m/s. What does the turbine do in each wind?\n=a',
    {
      a: inDrawings(
        sorting({
          'waits for wind': [CALM, FIVE],
          'makes power': [FIFTEEN, THIRTY],
          'stands in the storm': [SIXTY_FIVE],
        }),
        BARBS,
      ),
    },
    { title: 'What the turbine does', shown: barbs, explanation: '5 knots are 2.6 m/s, 65 knots 33 m/s.' },
  ),
  question(
    PARTS,
    1,
    'know',
    'Write the names on the plan of the site. Some belong nowhere.\n=a',
    {
      a: labels(
        PX.site,
        {
          turbine: [150, 235],
          'crane yard': [381, 208],
          'access road': [140, 324],
          substation: [121, 112],
          'measuring mast': [560, 250],
          ridge: [250, 190],
        },
        ['solar field', 'helipad', 'quay'],
        { marks: '3' },
      ),
    },
    {
      title: 'Plan of the site',
      drawing: {
        name: 'sitePlan',
        width: 100,
        description:
          'A site from above: three stars on a pale band that runs from the lower left to the upper right, a dashed line along it, a yard beside the second star, a house with a sign of a flash at the upper left, a lattice at the right.',
      },
    },
  ),
  question(
    PARTS,
    2,
    'know',
    'Write the names on the single-line diagram.\n=a',
    {
      a: labels(
        PX.line,
        {
          'generator; the generator': [80, 110],
          'converter; inverter': [220, 110],
          'transformer; step-up transformer': [350, 110],
          'circuit breaker; breaker; switch': [480, 110],
          'busbar; bus; grid': [590, 110],
        },
        [],
        { typed: true, white: { top: 0, right: 30, bottom: 0, left: 30 } },
      ),
    },
    {
      title: 'Single-line diagram, in own words',
      drawing: {
        name: 'singleLineBare',
        width: 100,
        description:
          'A line with five signs from left to right: a circle, a box with a slanting line, two circles that overlap, a box with a short stroke, an upright bar.',
      },
    },
  ),
  question(PARTS, 1, 'know', 'From the slowest to the fastest: what turns how fast?\n=a', {
    a: ordering(['the yaw ring', 'the rotor', 'the fast shaft', 'the motor of a hand drill'], {
      scheme: 'neighbours',
      marks: '2',
    }),
  }),
  question(PARTS, 2, 'use', 'At 14 m/s on a wet day: which work may go on?\n=a', {
    a: sorting({
      'may go on': ['reading the log in the tower foot', 'changing a fuse in the tower foot'],
      'must wait': ['lifting a part with the outside crane', 'work on the roof of the nacelle', 'rope work on a blade'],
    }),
  }),
  question(PARTS, 3, 'judge', 'Match each sign on an oil sample with what it tells.\n=a', {
    a: matching(
      {
        milky: 'water in the oil',
        'smells burnt': 'it was too hot',
        glitters: 'metal from gears',
        'dark and thick': 'it is old',
      },
      ['nothing at all'],
    ),
  }),
  question(PARTS, 2, 'know', 'Order the life of a gust as it passes through the turbine.\n=a', {
    a: ordering([
      'the wind rises at the rotor',
      'lift on the blades rises',
      'torque on the main shaft rises',
      'the control turns the blades out of the wind',
      'power comes back to its rated value',
    ]),
  }),
  question(PARTS, 1, 'know', 'Put the words right.\n=a', {
    a: ordering(['A', 'turbine', 'never', 'takes', 'more', 'than', '59', 'per', 'cent', 'of', 'the', 'power.'], {
      look: 'across',
      scheme: 'run',
      marks: '2',
    }),
  }),
];

export const climbing: DemoQuestion[] = [
  question(STEPS, 1, 'know', 'Complete the rule for the ladder.\n=a', {
    a: filled(
      'Nobody climbs [alone]. The fall arrester is [locked] on the rail before the first step, both [hands] are free, and at a rest platform one is [tied on] before the arrester is opened.',
      ['tired', 'unlocked', 'boots'],
      { marks: '2' },
    ),
  }),
  question(STEPS, 2, 'use', 'Get ready to climb.\n=a', {
    a: ordering(
      [
        'Read the weather',
        'Put on the helmet',
        'Put on the harness',
        'Check each other',
        'Lock the arrester on the rail',
      ],
      { scheme: 'run', also: '1 3 2 4 5', feedback: 'Whether helmet or harness comes first is all the same.' },
    ),
  }),
  question(STEPS, 1, 'use', 'Put the check of a harness in its order.\n=a', {
    a: ordering(
      [
        'Read the label and the date',
        'Look at all webbing',
        'Look at all stitches',
        'Work each buckle',
        'Write it into the book',
      ],
      { scheme: 'place' },
    ),
  }),
  question(
    STEPS,
    1,
    'know',
    'Name what keeps the climber safe.\n=a',
    {
      a: labels(
        PX.ladder,
        {
          'fall arrester': [155, 200],
          rail: [155, 330],
          connector: [190, 201],
          harness: [240, 230],
          helmet: [238, 146],
          'rest platform': [340, 328],
        },
        ['parachute', 'winch'],
        { marks: '3' },
      ),
    },
    {
      title: 'Safe on the ladder',
      drawing: {
        name: 'ladderBare',
        width: 60,
        description:
          'A person on a tower ladder with a rail in the middle; a box on the rail is tied to the person. Below, a floor to stand on.',
      },
    },
  ),
  question(
    PARTS,
    1,
    'know',
    'As the wind rises above the rated speed, the pitch angle [a], the power [b] and the blade takes [c] of the wind than it could.',
    {
      a: oneOf('grows', 'stays as it is', 'shrinks'),
      b: oneOf('stays as it is', 'grows', 'shrinks'),
      c: oneOf('less', 'more', 'as much'),
    },
    { title: 'Above the rated speed' },
  ),
  question(
    PARTS,
    1,
    'know',
    'It keeps the rotor from turning while somebody works in the hub. Write it with these letters; two do not belong.\n=a',
    { a: ordering(['b', 'r', 'a', 'k', 'e', 'left out:', 'l', 's'], { scheme: 'whole', look: 'across', marks: '1' }) },
    { title: 'Letters: what holds the rotor' },
  ),
  question(STEPS, 2, 'judge', 'Somebody hangs in the harness and does not answer. Put what you do in its order.\n=a', {
    a: ordering(
      [
        'Call for help',
        'See that you are safe yourself',
        'Reach the person',
        'Relieve the harness',
        'Bring the person down',
        'Stay until the doctor comes',
      ],
      { scheme: 'run' },
    ),
  }),
];

import { draw } from '@/core/kinds/draw/draw';
import { handIn } from '@/core/kinds/hand-in/hand-in';
import { judgeOwn } from '@/core/kinds/judge-own/judge-own';
import { longAnswer } from '@/core/kinds/long-answer/long-answer';
import { record } from '@/core/kinds/record/record';
import { say } from '@/core/kinds/say/say';
import { rulesFromKey } from '@/core/rules/text/rules';
import { CALLS, hashOf, spoken } from '../spoken';
import { type DemoQuestion, question } from '../write';
import { MAINTENANCE_REPORT } from './report';

export const WORKSHOP = 'Workshop';

/** What is drawn, written on paper and spoken: nothing of it can be typed. */
export const workshop: DemoQuestion[] = [
  question(
    WORKSHOP,
    2,
    'use',
    'Sketch how the power of a turbine of 2 MW goes with the wind, from standstill to the wind at which it stops, and write at the curve what happens there.\n=a',
    {
      a: {
        slot: {
          kind: 'draw',
          marks: '4',
          setup: {
            ...draw.fresh(),
            paper: {
              is: 'axes',
              x: { name: 'wind in m/s', from: 0, to: 30, step: 5, scale: 'even' },
              y: { name: 'power in MW', from: 0, to: 2.5, step: 0.5, scale: 'even' },
            },
            example: 'nothing up to about 3 m/s; rises steeply; level at 2 MW from about 12 m/s; off at 25 m/s',
          },
        },
        slips: [],
      },
    },
    { title: 'Sketch a power curve' },
  ),
  question(
    WORKSHOP,
    2,
    'use',
    'Work out on paper the area that a rotor of 45 m radius sweeps, and the power of a wind of 11 m/s through it. Photograph your page.\n=a',
    {
      a: {
        slot: {
          kind: 'handIn',
          marks: '4',
          setup: { ...handIn.fresh(), most: 3, example: 'A = 6362 m², P = 5.19 MW, with both formulas' },
        },
        slips: [],
      },
    },
    { title: 'Area and power on paper' },
  ),
  question(
    WORKSHOP,
    1,
    'use',
    'You are in the nacelle of turbine 9 and the lift has stopped. Call the control room over the radio.\n=a',
    {
      a: {
        slot: {
          kind: 'record',
          marks: '3',
          setup: {
            ...record.fresh(),
            seconds: 30,
            tries: 3,
            example: 'whom one calls and who one is; where; what is out of order and what one does; "over"',
          },
        },
        slips: [],
      },
    },
    { title: 'A call over the radio' },
  ),
  question(
    WORKSHOP,
    1,
    'know',
    'Read this aloud, as to a visitor who is about to climb.\n=a',
    {
      a: {
        slot: {
          kind: 'record',
          marks: '2',
          setup: {
            ...record.fresh(),
            tries: 2,
            reads:
              'Before you climb, look at your harness and at the fall arrester. Clip on before your feet leave the ground. Climb with both hands free.',
          },
        },
        slips: [],
      },
    },
    { title: 'Read the rules of climbing aloud' },
  ),
  question(
    WORKSHOP,
    1,
    'use',
    'Somebody steps below the blades, and they turn. Say over the radio, in three words, what has to happen.\n=a',
    {
      a: {
        slot: {
          kind: 'say',
          marks: '1',
          setup: {
            ...say.fresh(),
            rules: { ...say.fresh().rules, rules: rulesFromKey('stop the rotor').rules },
            spoken: CALLS.map(({ words, file }, i) => ({ id: `s${i + 1}`, words, sound: hashOf(spoken(file)) })),
          },
        },
        slips: [],
      },
    },
    { title: 'Three words over the radio' },
  ),
  question(
    WORKSHOP,
    2,
    'judge',
    'You have found oil below the yaw drive of turbine 14, tightened a fitting and wiped it clean. Write the report in three or four sentences.\n=a\nAfterwards judge your report yourself, as the next crew would.\n=b',
    {
      a: {
        slot: {
          kind: 'longAnswer',
          marks: '0',
          setup: { ...longAnswer.fresh(), lines: 5, example: 'what, where, how much; what was done; what is left' },
        },
        slips: [],
      },
      b: {
        slot: {
          kind: 'judgeOwn',
          marks: '6',
          setup: {
            ...judgeOwn.fresh(),
            rubric: MAINTENANCE_REPORT,
            afterwards: true,
            example: 'the report, by the same three criteria',
          },
        },
        slips: [],
      },
    },
    { title: 'A report, judged by oneself' },
  ),
];

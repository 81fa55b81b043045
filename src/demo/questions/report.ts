import type { Rubric } from '@/core/rules/rubric/rubric';
import { type DemoQuestion, essay, question } from '../write';

const LEVELS = ['Missing', 'In part', 'Complete'];

const cell = (words: string) => ({ words, marks: null });

/** How the department marks what a fitter writes after the work. */
export const MAINTENANCE_REPORT: Rubric = {
  version: 1,
  title: 'Maintenance report',
  look: 'grid',
  levels: LEVELS.map((name, i) => ({ name, marks: String(i) })),
  criteria: [
    {
      id: 'c1',
      title: 'Findings',
      weight: '1',
      must: null,
      cells: [
        cell('Nothing that was seen or measured.'),
        cell('What was seen, but no figures or no place.'),
        cell('What was seen and measured, where, and against which limit.'),
      ],
    },
    {
      id: 'c2',
      title: 'Action taken',
      weight: '1',
      must: 1,
      cells: [
        cell('Not said what was done.'),
        cell('What was done, without parts or settings.'),
        cell('What was done, with parts, torque or settings, and the check afterwards.'),
      ],
    },
    {
      id: 'c3',
      title: 'Handover',
      weight: '1',
      must: null,
      cells: [
        cell('Nobody knows what is left.'),
        cell('Says that something is left, not who or when.'),
        cell('State of the turbine, what is left, who does it and by when.'),
      ],
    },
  ],
};

export const reports: DemoQuestion[] = [
  question(
    'Drive train',
    2,
    'judge',
    'On turbine 9 the gearbox oil was at **83 °C**; the alarm stands at 80 °C. You cleaned the oil cooler and changed its filter, and the oil fell to **64 °C** in an hour. Write the maintenance report; photos may stand beside it.\n=a',
    {
      a: essay(
        'Turbine 9, gearbox oil at 83 °C, alarm at 80 °C. The cooler was full of dust and its filter was clogged. Cooler cleaned, filter changed, bolts of the housing torqued and marked. After one hour at full load the oil was at 64 °C. The turbine runs. A new filter must be ordered by Friday; the next team looks at the oil temperature every day this week.',
        [
          'The oil was too hot so I cleaned the cooler. Now it is fine.',
          'Gearbox oil at 83 °C on turbine 9. Filter changed and cooler cleaned, after an hour 64 °C.',
          'Turbine 9 had an alarm. It was the gearbox. Somebody should look at it again.',
          'Oil temperature 83 °C against an alarm at 80 °C. I changed the filter of the cooler. The turbine runs again, the next team has to order a filter.',
        ],
        {
          marks: '6',
          least: 30,
          most: 150,
          files: 2,
          rubric: MAINTENANCE_REPORT,
          noticed: ['cooler', 'filter', '64 °C', 'order', 'next team'],
        },
      ),
    },
    { title: 'Maintenance report: gearbox oil of turbine 9' },
  ),
];

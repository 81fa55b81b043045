import { contentFromLines } from '@/core/content/lines';
import { amount, choose, type DemoQuestion, question, words } from '../write';

/** A passage that several questions refer to. */
export const LOG_BOOK = contentFromLines(
  [
    '**Log book of turbine 14, week 31**',
    'Mon 06:10 stopped by alarm 214, oil pressure of the gearbox low.',
    'Mon 09:40 two technicians up. Oil filter changed, 3 L of oil lost. Started 11:25.',
    'Wed 14:05 stopped by hand before the storm, mean wind 24 m/s.',
    'Thu 07:30 started, wind 11 m/s.',
    'Sat 22:15 stopped by alarm 214. Started Sun 08:00 without a visit.',
  ].join('\n'),
);

const SITE = 'Site and weather';

export const logBook: DemoQuestion[] = [
  question(SITE, 2, 'use', 'How long did turbine 14 stand still on Monday? [a]', {
    a: amount('5.25 h', ['3.5 h', '5.15 h', '5.25']),
  }),
  question(SITE, 1, 'know', 'Which alarm came twice? [a]', { a: words(['214', 'alarm 214'], ['31', '14']) }),
  question(SITE, 3, 'judge', 'What should be looked at first on the next visit?\n=a', {
    a: choose('oil pump and pipes of the gearbox', ['wind vane', 'lamps in the tower', 'paint of the blades']),
  }),
];

import type { HowItRuns } from '@/server/sittings/before';
import { lateText } from './late';
import { listed, marksWords, plural } from './marks';
import { secondsText, timeOnly } from './time';
import { triesSentence } from './tries';

/** What whoever is about to begin should know, as sentences; times in the department's zone. */
export function howItRunsText(how: HowItRuns, zone: string): string[] {
  const marks = how.marks === null ? '' : `, ${marksWords(how.marks)} in all`;
  const extra = how.extra > 0 ? ', your extra time included' : '';
  return [
    `${plural(how.questions, 'question')}${marks}.`,
    `You have ${plural(how.minutes, 'minute')}${extra}, from the moment you begin, and it ends at ${timeOnly(how.closesAt, zone)} at the latest.`,
    ...(how.together.length > 0
      ? [
          `You write it together with ${listed(how.together)}: one paper for all of you, and one at a time in each place.`,
        ]
      : []),
    ...how.timed.flatMap(timedText),
    how.moves === 'forward'
      ? `You go forward only: what you have left, ${how.pages === 'question' ? 'question by question' : 'section by section'}, you cannot come back to.`
      : how.timed.length > 0
        ? 'Within a section you may move as you like; a section that is left stays closed.'
        : 'You may go to any question and come back to it.',
    ...aids(how),
    ...(how.practice ? ['You can have answers checked while you write.'] : []),
    ...(how.hints ? ['Where a question has hints you can ask for them; what each takes off is said before.'] : []),
    ...(how.belowZero
      ? [
          'Some questions take marks back for what is wrong, and can come out below zero: a wrong answer can cost more than none.',
        ]
      : []),
    ...(how.dueAt === null ? [] : [lateText(how.late, how.dueAt, zone)]),
    ...(how.tries && how.tries.most !== 1
      ? [triesSentence(how.tries).replace('Each may', 'You may').replace('they like', 'you like')]
      : []),
    'Everything is saved as you write. If the network goes, go on writing: it is kept on this device and sent when the network is back.',
    'When the time ends, what you have is handed in by itself.',
  ];
}

function timedText({ title, minutes, secondsEach }: HowItRuns['timed'][number]): string[] {
  return [
    ...(minutes === null ? [] : [`${title} has ${plural(minutes, 'minute')} of its own; then it closes.`]),
    ...(secondsEach === null
      ? []
      : [`Each question of ${title} has ${secondsText(secondsEach)}; then the next is shown.`]),
  ];
}

function aids({ calculator, formulas }: HowItRuns): string[] {
  const allowed = [
    ...(calculator ? [calculator === 'scientific' ? 'a scientific calculator' : 'a calculator'] : []),
    ...(formulas ? ['a formula sheet'] : []),
  ];
  return allowed.length > 0 ? [`In the room there is ${listed(allowed)}.`] : [];
}

import type { Finding } from '@/core/base/finding';
import type { FindingSentence } from '../kinds/contract';
import { SIDES } from '../kinds/registry';
import { marksText, plural } from './marks';

/** Every readiness finding as a sentence with the way to mend it; kinds bring their own. */
const SENTENCES: Record<string, FindingSentence> = {
  ...Object.assign({}, ...SIDES.map(({ words }) => words.findings)),
  'no-slot': () => 'There is no place to answer. Add a slot.',
  'no-text': () => 'The sheet has no words yet.',
  'line-empty': () => 'A line is empty. Write something, or take it out.',
  'line-unsaid': () => 'A picture or a sound has no words. Say what it is, for those who do not see or hear it.',
  'line-twice': (v) => `“${v.text}” stands there twice.`,
  'no-key': () => 'No key yet. Type the right answer on the sheet.',
  'no-key-all-wait': () => 'No key yet: every answer will wait for a person.',
  'criterion-without-title': (v) => `Criterion ${v.number} of the rubric has no name.`,
  'criterion-worth-nothing': (v) => `“${v.title}” in the rubric earns nothing. Give a level marks.`,
  'criterion-without-words': (v) => `“${v.title}” in the rubric does not say what is looked for.`,
  'criterion-must-unknown': (v) => `“${v.title}” must reach a level that the rubric no longer has.`,
  'level-twice': (v) => `Two levels of the rubric are called “${v.level}”.`,
  'value-name': (v) => `“${v.name}” cannot name a value. A letter, then letters and digits.`,
  'value-name-twice': (v) => `Two values are called ${v.name}.`,
  'value-range-empty': (v) => `${v.name} has no value: look at its bounds and its step.`,
  'value-list-empty': (v) => `${v.name} has no value to choose from.`,
  'value-slot-gone': (v) => `${v.name} follows from a slot that is not there any more.`,
  'value-formula-unreadable': (v) => `The formula of ${v.name} cannot be read.`,
  'value-unknown': (v) => `“${v.unknown}” in ${v.name} is no value that stands before it.`,
  'value-answer-later': (v) => `${v.name} is used before it is answered.`,
  'value-gives-key-away': (v) => `<${v.name}> stands on the sheet, but it is an answer.`,
  'values-impossible': () => 'No draw of the values fits. Look at conditions and formulas.',
  'values-do-not-vary': () => 'Nothing varies yet: every value is worked out from others.',
  'condition-unreadable': (v) => `The condition “${v.condition}” cannot be read. Try a ≠ b or a < 10.`,
  'book-id-twice': () => 'Two columns or categories have the same name inside.',
  'category-unknown': () => 'This column is in a category that is not there any more.',
  'replacement-unknown': () => 'It is replaced by a column that is not there any more.',
  'replacement-circle': () => 'The columns replace each other in a circle.',
  'column-without-category': () => 'It is in no category and counts nothing.',
  'weights-zero': () => 'All weights are 0: nothing would count.',
  'weights-not-hundred': (v) => `The weights add up to ${v.sum}, not to 100. They count in proportion.`,
  'category-empty': () => 'Nothing in it counts; its weight is shared among the others.',
  'category-only-extra': () => 'All its columns come on top of nothing; it needs one that does not.',
  'part-ranges-order': () => 'The ranges of a section, topic or criterion do not rise from 0.',
  'draw-too-few': (v) =>
    `Section ${v.section} draws ${v.take} of ${v.of}: there are not so many. Add questions or draw fewer.`,
  'draw-difficulty-differs': (v) =>
    `Section ${v.section} draws ${v.take} of ${v.of} questions of different difficulty: some papers will be harder.`,
  'draw-marks-differ': (v) =>
    `Section ${v.section} draws ${v.take} of ${v.of} questions that are not worth the same: papers will have different totals.`,
  'blueprint-off': (v) =>
    v.count === 1
      ? 'One cell of the blueprint has other marks than you want.'
      : `${v.count} cells of the blueprint have other marks than you want.`,
  'check-tells-nothing': () => 'Answers are checked, but the table says nothing that is told when they are.',
  'seen-early': (v) =>
    `Whoever hands in first sees ${v.aspect === 'key' ? 'the key' : 'explanations'} while others may still be writing.`,
  'section-for-nobody': (v) => `Section ${v.section} is for nobody in the course.`,
  'students-without-section': (v) =>
    `${plural(Number(v.count), 'student')} of the course ${v.count === 1 ? 'has' : 'have'} no section at all, and cannot begin.`,
  'papers-differ': (v) =>
    `Papers of the course are worth ${marksText(String(v.least))} to ${marksText(String(v.most))} marks, by who has which sections.`,
  'marks-zero': (v) => (v.number ? `Question ${v.number} is worth nothing.` : 'It is worth nothing. Give it marks.'),
  'hard-to-read': (v) => `Hard to read: about ${v.grade} years of schooling. Shorter sentences help.`,
  'long-to-read': (v) => `${v.words} words take about ${v.minutes} min to read, more than its marks allow.`,
  'hint-empty': () => 'A hint says nothing yet.',
  'hints-cost-more': (v) => `All hints together cost ${v.cost} of ${v.total} marks.`,
  'slot-picture-undescribed': () => 'The picture is not described for those who cannot see it.',
  'slot-picture-small': (v) =>
    `The picture is only ${v.pixels} pixels wide; on a screen it is blurred. A larger one is easier to read.`,
  'picture-undescribed': () => 'A picture has no description for those who cannot see it.',
  'picture-label-empty': () => 'A label over a picture says nothing yet.',
  'picture-file-name': (v) => `“${v.description}” is a file name, not a description of the picture.`,
  'page-undescribed': () => 'A page does not say what it is; that is shown when it cannot be reached.',
  'recording-undescribed': () => 'A recording does not say what it is.',
  'film-without-captions': () => 'A film has no captions for those who cannot hear it.',
  'formula-unbalanced': (v) => `A brace does not close in ${v.latex}.`,
  'trial-not-as-expected': (v) => `The trial answer “${v.answer}” is not marked as expected.`,
  'keywords-too-few': (v) => `${v.need} of the words are wanted, but only ${v.have} are listed.`,
  'points-do-not-add-up': (v) => `The points add up to ${v.total} of the marks, not all of them.`,
  'points-least': (v) => `${v.least} points have to be met, but only ${v.have} can count.`,
  'point-empty': (v) => `In rule ${v.number}, nothing is accepted for “${v.point}” yet.`,
  'point-twice': (v) => `In rule ${v.number}, two points have one name.`,
  'point-condition-missing': (v) => `“${v.point}” counts only with a point that is not there any more.`,
  'point-condition-circular': (v) => `“${v.point}” counts only with itself, through others.`,
  'tied-to-nothing': () => 'What is said of something needs both: the thing, a “+”, and what is said of it.',
  'list-circular': (v) => `The word list “${v.list}” names itself.`,
  'list-missing': (v) => `There is no word list “${v.list}”.`,
  'written-without-blanks': (v) =>
    `“${v.word}” is written without blanks: it is found wherever its signs stand, within longer words too.`,
  'key-two-readings': (v) => `“${v.value}” can be ${v.one} or ${v.other}. Say which, beside the key.`,
  'pattern-broken': (v) => `“${v.pattern}” is no pattern that can be matched.`,
  'rule-never-reached': (v) => `In rule ${v.number}, “${v.answer}” is never reached: an earlier rule accepts it.`,
  'keyword-wanted-and-forbidden': (v) => `“${v.word}” is wanted and must not occur.`,
  'unit-unknown': (v) => `The unit “${v.unit}” is not known here. Try kW, m/s, N m.`,
  'key-not-a-number': (v) => `“${v.value}” does not read as a number.`,
  'uncertainty-not-a-number': (v) => `“${v.value}” does not say how sure the value is.`,
  'tolerance-not-a-number': (v) => `“${v.amount}” does not say how near is near enough.`,
  'maths-key-unreadable': (v) => `The key “${v.key}” cannot be read. ${v.why}`,
  'maths-key-two-readings': (v) => `“${v.key}” can be read in two ways. Put brackets round what is below the line.`,
  'maths-key-undecidable': (v) =>
    `Answers cannot be compared with “${v.key}” by calculation; they will wait for a person.`,
  'maths-key-nowhere': (v) => `“${v.key}” has no value anywhere.`,
  'maths-key-thin': (v) => `“${v.key}” has a value in so few places that answers are hard to compare with it.`,
  'maths-key-other-form': (v) => `The key “${v.key}” does not have the form that is asked for.`,
  'maths-key-signs': (v) => `“${v.key}”: are all quantities positive? Then say so; else √(a/b) is not √a/√b.`,
  'maths-rule-never-reached': (v) => `Rule ${v.number} is never reached: rule ${v.before} accepts the same.`,
  'range-turned-round': (v) => `${v.from} to ${v.to} holds nothing. Turn the bounds round.`,
  'tolerance-wide': (v) => `± ${v.amount} % is very wide.`,
  'same-title': (v) => `Questions ${v.other} and ${v.number} have the same title.`,
  'exam-empty': () => 'There is no question yet.',
  'section-empty': (v) => `Section ${v.section} is empty.`,
  'pass-mark-zero': () => 'Everybody passes: the pass mark is 0 %.',
  'too-little-time': (v) => `About ${v.expected} min of work in ${v.minutes} min.`,
  'met-before': (v) =>
    `${v.count === 1 ? 'Question' : 'Questions'} ${v.numbers} ${v.count === 1 ? 'was' : 'were'} met by this course in a sitting before.`,
  'sections-longer': (v) => `The sections have ${v.sections} min of their own, the whole has ${v.minutes} min.`,
  'key-always-in-one-place': (v) =>
    `In ${v.count} choices the right option is always number ${v.place}. Shuffle the options.`,
  'boundary-order': (v) => `${v.from} % must be above ${v.before} %.`,
  'boundary-gap-at-zero': () => 'The lowest range must begin at 0 %.',
  'range-without-text': () => 'A range has nothing to read.',
  'range-text-long': (v) => `A text has ${v.most} characters at most.`,
  'range-without-topics': () => 'Nothing is filled in for the topic: no topic is among the parts of this result.',
  'range-says-passed': (v) => `It says “passed”, but some who read it do not reach the pass mark of ${v.pass} %.`,
  'range-says-not-passed': (v) => `It says “not passed”, but some who read it reach the pass mark of ${v.pass} %.`,
  'grade-across-pass': (v) =>
    `Grade ${v.grade} goes to some who pass and some who do not: the pass mark is ${v.pass} %.`,
};

export function findingText(finding: Finding): string {
  const { code, values = {} } = finding;
  const sentence = SENTENCES[code]?.(values) ?? code;
  return values.variant === undefined ? sentence : `${sentence} (in variant ${values.variant})`;
}

/** What is only not there yet: said in pencil, not as an error. */
const NOT_YET = new Set([
  'no-slot',
  'no-text',
  'no-key',
  'no-key-all-wait',
  'choice-no-key',
  'menu-no-key',
  'line-empty',
  'no-places',
  'no-example',
  'exam-empty',
  'section-empty',
]);

/** How a finding looks: an error, a remark, or something still to do. */
export function findingLook({ code, weight }: Finding): 'soft' | 'wrong' | 'hand' {
  return NOT_YET.has(code) ? 'soft' : weight === 'stops' ? 'wrong' : 'hand';
}

export const FINDING_CODES = Object.keys(SENTENCES);

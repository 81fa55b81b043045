import type { Refusal } from '@/core/base/result';

type Values = Readonly<Record<string, string | number>>;

/** Every refusal as what happened, what is safe, and what to do. */
const SENTENCES: Record<string, (v: Values) => string> = {
  forbidden: () => 'You may not do this here.',
  'not-signed-in': () => 'You are signed out. Sign in again.',
  'not-found': () => 'This is not there any more.',
  'bad-input': (v) => PROBLEMS[String(v.problem)] ?? 'This cannot be read. Look at what you typed.',
  'sign-in-wrong': () => 'User name and password do not fit together.',
  'sign-in-slowed': (v) =>
    `Too many wrong tries on this account. Wait ${v.seconds} seconds, then try again; a teacher can let a student in at once.`,
  'too-much-at-once': () => 'Too much is asked for at once. Wait a moment, then try again.',
  'password-wrong': () => 'This is not your password.',
  'password-short': (v) => `This is too short; ${v.least} signs or more.`,
  'password-long': (v) => `This is too long; ${v.most} signs at most.`,
  'password-common': () => 'Many people have this one, or it is your own name. Choose another.',
  'changed-elsewhere': (v) => `${v.by ? `${v.by} has` : 'Somebody has'} changed this meanwhile.`,
  'picture-empty': () => 'This file is empty.',
  'picture-too-large': (v) => `This picture has ${v.size} MB; ${v.most} MB is the most. Save it smaller and try again.`,
  'picture-not-one': () => 'This is not a picture that can be shown. PNG, JPEG, GIF, WebP, AVIF and SVG can.',
  'picture-active': () => 'This SVG holds a script or loads something from outside. Export it as a plain drawing.',
  'picture-too-many-pixels': (v) => `This picture has ${v.width} × ${v.height} pixels. Save it smaller and try again.`,
  'revision-unknown': () => 'A question of this exam is not there any more.',
  'nobody-writes': () => 'Nobody is writing now who could read it.',
  'already-open': () => 'It is open already, or was ended.',
  'sitting-ended': () => 'You have ended this sitting; its times stay as they are.',
  'somebody-has-begun': () => 'Somebody has begun already; it cannot open later.',
  'ends-before-it-starts': () => 'It would end before it starts. Choose a later end.',
  'ends-in-the-past': () => 'This end is already over. Choose a later one.',
  'exam-not-ready': (v) =>
    `${v.count === 1 ? 'One thing stops' : `${v.count} things stop`} this exam. Open it and look at readiness.`,
  'question-not-ready': (v) =>
    `${v.count === 1 ? 'One thing stops' : `${v.count} things stop`} this question. Open it and look at readiness.`,
  'course-unknown': () => 'Choose a course.',
  'no-group': () => 'You are in no group of this course yet. Ask your teacher.',
  'group-has-worked': (v) =>
    `${v.group} has worked together in a sitting: who is in it stays, so that its marks stay theirs.`,
  'group-name-taken': () => 'Another group of the course has this name.',
  'groups-too-many': (v) => `A course has at most ${v.most} groups.`,
  'no-printer': () => 'This server has no Chromium to make PDF files with. Print, and choose “Save as PDF” there.',
  'code-asked': () => 'Type the code that your teacher gives.',
  'code-wrong': () => 'This is not the code. Look at it again.',
  'code-slowed': (v) => `Too many wrong codes from here. Wait ${v.seconds} seconds, then try again.`,
  'nobody-chosen': () => 'Nobody is chosen. Choose groups, subjects or names of the course.',
  'name-asked': () => 'Write your name.',
  'no-network': () => 'There is no connection. Your answer is kept; try again in a moment.',
  'file-no-rows': () => 'There are no rows in this file. A workbook (XLSX), CSV or an OneRoster package has some.',
  'roster-too-long': (v) => `A roster has at most ${v.most} rows.`,
  'roster-bad-rows': (v) => `${v.count} rows cannot be brought in. Mend them in the file, or leave them out.`,
  'roster-empty': () => 'No row names a student. Say which column is the name.',
  'roster-too-many-new': (v) => `At most ${v.most} new students can be brought in at once. Bring in a part first.`,
  'no-section': () => 'No part of it is for you. If you think it should be, tell your teacher.',
  'door-ended': () => 'Your teacher has ended it.',
  'door-not-yet': () => 'It has not opened yet.',
  'door-by-hand': () => 'Your teacher has not opened it yet.',
  'try-later': () => 'The next attempt cannot begin yet.',
  'stands-still-already': () => 'The time stands still already.',
  'runs-already': () => 'The time runs already.',
  'results-are-out': () => 'The results are released: take them back first.',
  'writes-already': () => 'They are writing another attempt.',
  'is-set-aside': () => 'This attempt is set aside.',
  'counts-already': () => 'This attempt counts already.',
  'attempts-used-up': ({ count }) => `It would be one attempt more than the ${count} that each has.`,
  'due-outside': () => 'It is due after it opens, and at its end at the latest.',
  'sum-unreadable': () => 'This cannot be read. Look at brackets and signs.',
  'sum-no-value': () => 'This has no value.',
  'last-stage': () => 'This is the last part.',
  'door-over': () => 'It is over.',
  'door-no-questions': () => 'It has no questions yet.',
  'criteria-open': (v) => `${v.count === 1 ? 'One criterion is' : `${v.count} criteria are`} still open.`,
  'nothing-for-bank': () => 'It holds no rule that the question in the bank could take.',
  'time-is-over': () => 'The time is over; nothing more is taken.',
  'handed-file-too-large': (v) =>
    `This file has ${v.size} MB; ${v.most} MB is the most. Save it smaller and try again.`,
  'files-too-many': (v) => `${v.most} files are the most.`,
  'mending-runs': () => 'Marks of this sitting are being changed just now. Wait until that is done.',
  'mending-ended': () => 'It has ended meanwhile.',
  'mending-later-first': () => 'Something was changed about this question later. Take that back first.',
  'answer-unreadable': () => 'This answer cannot be read.',
  'not-handed-in': () => 'This student is still writing.',
  'mark-not-a-number': () => 'Type marks such as 2, 1.5 or 1½.',
  'mark-out-of-range': (v) => `Between 0 and ${v.most}.`,
  'boundary-order': (v) => `${v.from} % must be above ${v.before} %.`,
  'boundary-gap-at-zero': () => 'The lowest range must begin at 0 %.',
  'answers-wait': (v) =>
    `${v.count === 1 ? 'One answer still waits' : `${v.count} answers still wait`} for a person. Mark ${v.count === 1 ? 'it' : 'them'} first.`,
  'still-writing': (v) => `${v.count === 1 ? 'One student is' : `${v.count} students are`} still writing.`,
  'nobody-sat': () => 'Nobody has handed in.',
  'file-changed': () => 'This file changed on its way. Choose it again.',
  'file-unreadable-here': () => 'This file could not be read. Choose it again.',
  'file-empty': () => 'This file is empty.',
  'file-too-large': (v) => `This file is larger than ${v.most} MB. Divide it and bring it in piece by piece.`,
  'file-kind-unknown': () =>
    'This file holds no questions that can be read. DOCX, PDF, text, XLSX, CSV and our own archive can.',
  'file-unreadable': () =>
    'This file cannot be read; it may be damaged or not be what its name says. Nothing was brought in.',
  'file-too-much': (v) =>
    `This file takes more than ${v.seconds} seconds or too much memory to read; nothing of it was kept. Split it into smaller ones.`,
  'file-grows': () => 'This file unpacks to far more than questions need. It was not opened.',
  'file-too-many': (v) => `More than ${v.most} questions at once are too many. Divide the file.`,
  'sheet-file-not-one': () =>
    'This file cannot stand on a sheet. PDF, documents, spreadsheets, presentations, ZIP, CSV and text can.',
  'sheet-file-too-large': (v) => `This file has ${v.size} MB; ${v.most} MB is the most.`,
  'recording-not-one': () => 'This is no sound or film that browsers play. MP3, M4A, OGG, WAV, MP4 and WebM can.',
  'recording-too-large': (v) => `This recording has ${v.size} MB; ${v.most} MB is the most.`,
  'captions-not-some': (v) => `These are no captions in WebVTT; line ${v.line} does not fit.`,
  'web-address': () =>
    'This is no web address that can be fetched. It begins with https:// and has no port or password.',
  'web-inside': () => 'This address lies inside the network of the server. It is not fetched.',
  'web-unreachable': () => 'Nothing answers at this address, or it is no picture there.',
  'web-too-large': () => 'What lies at this address is too large.',
  'page-not-allowed': (v) => `The department does not allow ${v.address} to stand in a sheet.`,
  'name-taken': (v) => `There is already a bank called ${v.name}.`,
  'topics-changed': () => 'The topics were changed meanwhile. Look again.',
  'question-in-use': (v) =>
    `${v.count === 1 ? 'One of them stands' : `${v.count} of them stand`} in an exam and cannot be deleted. Archive ${v.count === 1 ? 'it' : 'them'} instead.`,
  'undone-already': () => 'This was undone already.',
  'goal-code-twice': (v) => `The code ${v.code} stands there twice.`,
  'trials-not-as-expected': (v) =>
    `${v.count === 1 ? 'One trial answer is' : `${v.count} trial answers are`} not marked as expected. Mend the rule or the expectation, then ask.`,
  'review-not-asked': () => 'Nobody has asked for review.',
  'review-own': () => 'You asked for this review yourself. A colleague has to agree.',
  'review-required': () => 'This bank lets only agreed questions into exams. Ask for review first.',
  'remark-missing': () => 'Say what should be changed.',
  offline: () => 'There is no connection. What you typed is kept on this device.',
};

const PROBLEMS: Record<string, string> = {
  'percent-range': 'Between 0 and 100 percent.',
  'marks-range': 'Marks go from 0 to 1000.',
  'not-a-number': 'This is not a number.',
  'reason-asked': 'Say why.',
  'notice-empty': 'Write what you want to say.',
  'notice-long': 'Say it in 500 characters.',
  'name-empty': 'Give it a name.',
  'name-long': 'A shorter name, please: 80 letters at most.',
  'goal-code-empty': 'Every goal needs a code.',
  host: 'A host looks like example.org, without https:// and without a path.',
  'code-length': 'A code has 4 to 40 signs.',
  'minutes-range': 'Between 1 and 1440 minutes.',
};

export function refusalText(refusal: Refusal): string {
  return SENTENCES[refusal.code]?.(refusal.values ?? {}) ?? 'This did not work. Nothing was changed.';
}

export const REFUSAL_CODES = Object.keys(SENTENCES);

import Papa from 'papaparse';
import { exact, shown } from '@/core/base/exact';
import { writeZip } from '@/core/exchange/zip';
import { type BookCell, type BookRow, type ColumnView, type Gradebook, toldGrade } from './gradebook';

/** The headings of the files (1EdTech OneRoster CSV 1.1; from memory of its tables). */
const HEADINGS = {
  'manifest.csv': ['propertyName', 'value'],
  'users.csv':
    'sourcedId status dateLastModified enabledUser orgSourcedIds role username userIds givenName familyName middleName identifier email sms phone agentSourcedIds grades password'.split(
      ' ',
    ),
  'categories.csv': 'sourcedId status dateLastModified title'.split(' '),
  'lineItems.csv':
    'sourcedId status dateLastModified title description assignDate dueDate classSourcedId categorySourcedId gradingPeriodSourcedId resultValueMin resultValueMax'.split(
      ' ',
    ),
  'results.csv':
    'sourcedId status dateLastModified lineItemSourcedId studentSourcedId scoreStatus score scoreDate comment'.split(
      ' ',
    ),
} as const;
type FileName = keyof typeof HEADINGS;

const day = (at: number): string => new Date(at).toISOString().slice(0, 10);
/** Where the whole is not in percent of anything, the final grade is a line of its own. */
const FINAL_LINE = 'final';
const WITHOUT = 'uncategorised';

/** A row by its headings; what is not said stays empty. */
const row = (file: FileName, said: Record<string, string>): string[] =>
  HEADINGS[file].map((heading) => said[heading] ?? '');

/** The released columns and final grades of a course as a OneRoster package of results, in bulk form. */
export function oneRosterResults(book: Gradebook, now: number): Uint8Array {
  const columns = book.columns.flatMap((facts, i) => (facts.released ? [{ facts, i }] : []));
  const files: Record<FileName, string[][]> = {
    'manifest.csv': [
      ['manifest.version', '1.0'],
      ['oneroster.version', '1.1'],
      ...[
        'academicSessions',
        'classes',
        'classResources',
        'courses',
        'courseResources',
        'demographics',
        'enrollments',
        'orgs',
        'resources',
      ].map((name) => [`file.${name}`, 'absent']),
      ...['categories', 'lineItems', 'results', 'users'].map((name) => [`file.${name}`, 'bulk']),
      ['source.systemName', 'Zonda'],
    ],
    'users.csv': book.rows.map(({ member, name, userName }) => {
      const [given = '', ...family] = name.split(' ');
      return row('users.csv', {
        sourcedId: member,
        enabledUser: 'true',
        role: 'student',
        username: userName,
        givenName: given,
        familyName: family.join(' '),
      });
    }),
    'categories.csv': [
      ...book.book.categories.map(({ id, name }) => row('categories.csv', { sourcedId: id, title: name })),
      row('categories.csv', { sourcedId: WITHOUT, title: 'Without a category' }),
    ],
    'lineItems.csv': [
      ...columns.map(({ facts }) => lineItem(book, facts, now)),
      row('lineItems.csv', {
        sourcedId: FINAL_LINE,
        title: 'Final grade',
        description: 'Percent',
        assignDate: day(now),
        dueDate: day(now),
        classSourcedId: book.course.id,
        categorySourcedId: WITHOUT,
        resultValueMin: '0',
        resultValueMax: '100',
      }),
    ],
    'results.csv': book.rows.flatMap((student) => [
      ...columns.flatMap(({ facts, i }) => {
        const cell = student.cells[i];
        return cell ? [result(student, facts, cell, now)] : [];
      }),
      finalResult(book, student, now),
    ]),
  };
  const texts = Object.entries(files).map(([name, data]): [string, string] => [
    name,
    `${Papa.unparse({ fields: [...HEADINGS[name as FileName]], data }, { newline: '\r\n' })}\r\n`,
  ]);
  return writeZip(new Map(texts));
}

function lineItem({ course }: Gradebook, { column, title, of, date }: ColumnView, now: number): string[] {
  return row('lineItems.csv', {
    sourcedId: column.id,
    title,
    assignDate: day(date ?? now),
    dueDate: day(date ?? now),
    classSourcedId: course.id,
    categorySourcedId: column.category ?? WITHOUT,
    resultValueMin: '0',
    resultValueMax: of === null ? '' : shown(exact(of), 4),
  });
}

function result({ member }: BookRow, { column }: ColumnView, { score, entry }: BookCell, now: number): string[] {
  const marks = entry?.is === 'marks' ? entry.marks : entry ? undefined : score?.marks;
  const status =
    entry?.is === 'excused'
      ? 'exempt'
      : marks === undefined
        ? 'not submitted'
        : (score?.waiting ?? 0) > 0 && !entry
          ? 'partially graded'
          : 'fully graded';
  return row('results.csv', {
    sourcedId: `${column.id}-${member}`,
    lineItemSourcedId: column.id,
    studentSourcedId: member,
    scoreStatus: status,
    score: marks === undefined ? '' : shown(exact(marks), 4),
    scoreDate: day(now),
  });
}

function finalResult(book: Gradebook, student: BookRow, now: number): string[] {
  const told = toldGrade(book, student);
  return row('results.csv', {
    sourcedId: `${FINAL_LINE}-${student.member}`,
    lineItemSourcedId: FINAL_LINE,
    studentSourcedId: student.member,
    scoreStatus: told ? 'fully graded' : 'not submitted',
    score: told ? told.shown : '',
    scoreDate: day(now),
    comment: told?.grade ?? '',
  });
}

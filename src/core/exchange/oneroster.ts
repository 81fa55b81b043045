/**
 * The students of an OneRoster package (1EdTech OneRoster CSV 1.1 and 1.2; the
 * headings are from memory of its tables): `users.csv`, and what other files
 * say of the same people, as columns beside it. In 1.2 the role stands in
 * `roles.csv`; in both the classes stand in `enrollments.csv` and `classes.csv`.
 */
type Rows = readonly (readonly string[])[];

/** Columns that are put beside those of `users.csv`. */
export const CLASS_COLUMN = 'class';
const ROLE_COLUMN = 'role';

/** Rows by their headings; those that are to be deleted are no longer there. */
function records(rows: Rows | undefined): Map<string, string>[] {
  const [heads = [], ...rest] = rows ?? [];
  return rest
    .map((cells) => new Map(heads.map((head, at) => [head.trim(), (cells[at] ?? '').trim()])))
    .filter((one) => one.get('status')?.toLowerCase() !== 'tobedeleted');
}

/** What one file says of each user: the values of a column, each once. */
function byUser(rows: Map<string, string>[], value: (row: Map<string, string>) => string): Map<string, string[]> {
  const all = new Map<string, string[]>();
  for (const row of rows) {
    const said = value(row);
    const user = row.get('userSourcedId') ?? '';
    const before = all.get(user) ?? [];
    if (said !== '' && !before.includes(said)) all.set(user, [...before, said]);
  }
  return all;
}

/** The rows of `users.csv` with class and role beside them, whoever is to be deleted left out; null when it is missing. */
export function oneRosterRows(files: ReadonlyMap<string, Rows>): string[][] | null {
  const users = files.get('users.csv');
  if (!users?.[0]) return null;
  const heads = users[0].map((head) => head.trim());
  const kept = users.slice(1).filter((cells) => cells[heads.indexOf('status')]?.trim().toLowerCase() !== 'tobedeleted');
  const titles = new Map(
    records(files.get('classes.csv')).map((row) => [row.get('sourcedId'), row.get('title') ?? '']),
  );
  const enrolled = records(files.get('enrollments.csv'));
  const beside: [string, Map<string, string[]>][] = [];
  if (enrolled.length > 0)
    beside.push([
      CLASS_COLUMN,
      byUser(enrolled, (row) => titles.get(row.get('classSourcedId')) || row.get('classSourcedId') || ''),
    ]);
  if (!heads.includes(ROLE_COLUMN)) {
    const roles = records(files.get('roles.csv'));
    beside.push([ROLE_COLUMN, byUser(roles.length > 0 ? roles : enrolled, (row) => row.get('role') ?? '')]);
  }
  const id = heads.indexOf('sourcedId');
  const said = (cells: readonly string[]): string[] =>
    beside.map(([column, all]) => {
      const mine = all.get(cells[id]?.trim() ?? '') ?? [];
      // Whoever is a student somewhere comes as one.
      return column === ROLE_COLUMN && mine.includes('student') ? 'student' : mine.join('; ');
    });
  return [
    [...heads, ...beside.map(([column]) => column)],
    ...kept.map((cells) => [...heads.map((_, at) => cells[at] ?? ''), ...said(cells)]),
  ];
}

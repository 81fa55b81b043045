import { ROSTER_FIELDS, type RosterField, type RosterMapping } from '@/core/people/roster-rows';

interface Props {
  rows: string[][];
  mapping: RosterMapping;
  /** What is wrong with rows, by their numbers. */
  bad: ReadonlyMap<number, string>;
  onChange: (mapping: RosterMapping) => void;
}

const FIELD_WORDS: Record<RosterField, string> = {
  name: 'name',
  givenName: 'first name',
  familyName: 'last name',
  userName: 'user name',
  email: 'e-mail address',
  subjects: 'subjects',
  group: 'group',
  role: 'role',
};

const SHOWN = 12;

/** The first rows of a file, over each column what it says. */
export function RosterColumnsTable({ rows, mapping: { header, columns }, bad, onChange }: Props) {
  const width = Math.max(1, ...rows.slice(0, 50).map((cells) => cells.length));
  const fieldAt = (column: number): RosterField | undefined => ROSTER_FIELDS.find((field) => columns[field] === column);
  const say = (column: number, field: string): void => {
    const kept = Object.entries(columns).filter(([one, at]) => at !== column && one !== field);
    onChange({ header, columns: Object.fromEntries(field === '' ? kept : [...kept, [field, column]]) });
  };
  return (
    <>
      <label className="fact-line mb-2">
        headings stand in row
        <select
          className="form-select"
          value={header}
          onChange={(e) => onChange({ header: Number(e.target.value), columns })}
        >
          <option value={-1}>none</option>
          {rows.slice(0, 20).map((_, i) => (
            <option key={i} value={i}>
              {i + 1}
            </option>
          ))}
        </select>
      </label>
      <div className="roster-preview">
        <table className="table table-sm">
          <thead>
            <tr>
              <td />
              {Array.from({ length: width }, (_, column) => (
                <th key={column} scope="col">
                  <select
                    className="form-select form-select-sm"
                    aria-label={`What column ${column + 1} says`}
                    value={fieldAt(column) ?? ''}
                    onChange={(e) => say(column, e.target.value)}
                  >
                    <option value="">not used</option>
                    {ROSTER_FIELDS.map((field) => (
                      <option key={field} value={field}>
                        {FIELD_WORDS[field]}
                      </option>
                    ))}
                  </select>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, SHOWN + Math.max(0, header + 1)).map((cells, i) => (
              <tr key={i} className={i <= header ? 'above' : bad.has(i + 1) ? 'bad' : ''} title={bad.get(i + 1)}>
                <th scope="row">{i + 1}</th>
                {Array.from({ length: width }, (_, column) => (
                  <td key={column} dir="auto" className={fieldAt(column) ? '' : 'soft'}>
                    {cells[column]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {rows.length > SHOWN && <p className="soft mb-0">{rows.length} rows in all</p>}
    </>
  );
}

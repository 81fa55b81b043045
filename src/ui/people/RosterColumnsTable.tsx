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
  password: 'first password',
};

const SHOWN = 12;

/** The first rows of a file, over each column what it says. */
export function RosterColumnsTable({ rows, mapping, bad, onChange }: Props) {
  const { header, columns } = mapping;
  const width = Math.max(1, ...rows.slice(0, 50).map((cells) => cells.length));
  const fieldAt = (column: number): RosterField | undefined => ROSTER_FIELDS.find((field) => columns[field] === column);
  const say = (column: number, field: string): void => {
    const kept = Object.entries(columns).filter(([one, at]) => at !== column && one !== field);
    onChange({ ...mapping, columns: Object.fromEntries(field === '' ? kept : [...kept, [field, column]]) });
  };
  return (
    <>
      <label className="fact-line mb-2">
        headings stand in row
        <select
          className="form-select"
          value={header}
          onChange={(e) => onChange({ ...mapping, header: Number(e.target.value) })}
        >
          <option value={-1}>none</option>
          {rows.slice(0, 20).map((_, i) => (
            <option key={i} value={i}>
              {i + 1}
            </option>
          ))}
        </select>
      </label>
      <RowsOf rows={rows} mapping={mapping} width={width} onChange={onChange} />
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

/** What the chosen column says in different rows, as long as that can be chosen from. */
function valuesOf(rows: string[][], header: number, column: number): string[] {
  const said = rows.slice(header + 1).flatMap((cells) => (cells[column] ?? '').split(/[,;]/));
  return [...new Set(said.map((one) => one.trim()).filter(Boolean))].sort((a, b) => a.localeCompare(b)).slice(0, 200);
}

interface OfProps extends Pick<Props, 'rows' | 'mapping' | 'onChange'> {
  width: number;
}

/** Which of the rows are meant: all, or those of one class. */
function RowsOf({ rows, mapping, width, onChange }: OfProps) {
  const { header, only, ...rest } = mapping;
  const heading = (column: number): string => rows[header]?.[column]?.trim() || `column ${column + 1}`;
  const values = only ? valuesOf(rows, header, only.column) : [];
  const choose = (column: number): void => {
    const [value] = valuesOf(rows, header, column);
    onChange(column < 0 || value === undefined ? { header, ...rest } : { header, ...rest, only: { column, value } });
  };
  return (
    <div className="fact-line mb-2">
      <select
        className="form-select"
        aria-label="Which rows are meant"
        value={only?.column ?? -1}
        onChange={(e) => choose(Number(e.target.value))}
      >
        <option value={-1}>every row is meant</option>
        {Array.from({ length: width }, (_, column) => (
          <option key={column} value={column}>
            only rows by {heading(column)}
          </option>
        ))}
      </select>
      {only && (
        <select
          className="form-select"
          aria-label="What they say there"
          value={only.value}
          onChange={(e) => onChange({ header, ...rest, only: { ...only, value: e.target.value } })}
        >
          {values.map((value) => (
            <option key={value}>{value}</option>
          ))}
        </select>
      )}
    </div>
  );
}

import { Link } from '../parts/Link';
import {
  type Cell,
  cellsUsed,
  CELLS,
  DIFFICULTIES,
  type Estimate,
  type PanelMethod,
  RELEVANCES,
  SCRIPT_RATINGS,
} from '@/core/results/panel';
import type { JudgesQuestion, JudgesView } from '@/server/results/judge';
import { LineInput } from '../parts/LineInput';
import { PercentInput } from '../parts/PercentInput';
import { RowsTable } from '../parts/RowsTable';
import { percentText } from '../words/analysis';
import { cellText, RATING_WORDS } from '../words/pass-marks';

interface Part {
  estimate: Estimate;
  onChange: (estimate: Estimate) => void;
}

/** What a judge says of one question, and what the round before said. */
export function JudgeQuestion({
  method,
  question: { id, number, earned, before },
  estimate,
  onChange,
}: Part & { method: PanelMethod; question: JudgesQuestion }) {
  return (
    <div className={`note ${id in (method === 'ebel' ? estimate.cells : estimate.percents) ? 'tick' : 'on'}`}>
      {method === 'angoff' ? (
        <h3>
          Earns
          <PercentInput
            label={`Percent of question ${number}`}
            value={estimate.percents[id] ?? ''}
            onChange={(percent) => onChange({ ...estimate, percents: { ...estimate.percents, [id]: percent } })}
          />
        </h3>
      ) : (
        <select
          className="form-select mb-2"
          aria-label={`How question ${number} is`}
          value={estimate.cells[id] ?? ''}
          onChange={(e) => {
            const cell = CELLS.find((one) => one === e.target.value);
            if (cell) onChange({ ...estimate, cells: { ...estimate.cells, [id]: cell } });
          }}
        >
          <option value="">matters how much, how hard…</option>
          {CELLS.map((cell) => (
            <option key={cell} value={cell}>
              {cellText(cell)}
            </option>
          ))}
        </select>
      )}
      {earned && (
        <p className="soft">
          {earned.earlier ? 'Earlier students' : 'Students'} earned {percentText(earned.share)} of its marks.
        </p>
      )}
      {before && before.percents.length > 0 && (
        <p>
          Said before: {before.percents.map((p) => `${Math.round(10 * p) / 10}`).join(', ')} %
          {before.mean !== null && ` (mean ${before.mean.toFixed(0)})`}
        </p>
      )}
      {before?.notes.map(({ by, words }) => (
        <p key={by} dir="auto">
          <strong>{by}:</strong> {words}
        </p>
      ))}
      <LineInput
        label={`To the other judges, on question ${number}`}
        placeholder="to the other judges"
        most={1000}
        value={estimate.notes[id] ?? ''}
        onChange={(words) => onChange({ ...estimate, notes: { ...estimate.notes, [id]: words } })}
      />
    </div>
  );
}

/** Of each group of questions that was made, what somebody who only just passes earns. */
export function EbelTable({ estimate, onChange }: Part) {
  const used = cellsUsed(estimate);
  const count = (cell: Cell): number => Object.values(estimate.cells).filter((one) => one === cell).length;
  return (
    <table className="rows mt-2">
      <thead>
        <tr>
          <th scope="col">Who only just passes earns</th>
          {DIFFICULTIES.map((difficulty) => (
            <th scope="col" key={difficulty}>
              {difficulty}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {RELEVANCES.map((relevance) => (
          <tr key={relevance}>
            <th scope="row">{relevance}</th>
            {DIFFICULTIES.map((difficulty) => {
              const cell: Cell = `${relevance} ${difficulty}`;
              return (
                <td key={cell}>
                  {used.includes(cell) ? (
                    <span className="d-flex gap-2 align-items-center">
                      <PercentInput
                        label={`Percent of what is ${cellText(cell)}`}
                        value={estimate.table[cell] ?? ''}
                        onChange={(percent) => onChange({ ...estimate, table: { ...estimate.table, [cell]: percent } })}
                      />
                      <span className="soft">of {count(cell)}</span>
                    </span>
                  ) : (
                    <span className="soft" aria-label="no question">
                      –
                    </span>
                  )}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const LIMITS = [
  ['lowest', 'The lowest pass mark that I could bear, even if nobody failed'],
  ['highest', 'The highest pass mark that I would still take, even if very many failed'],
  ['fewest', 'At least so many should fail'],
  ['most', 'At most so many may fail'],
] as const;

/** The limits of what a judge could bear. */
export function LimitsOf({ estimate, onChange }: Part) {
  return (
    <div className="mt-2">
      {LIMITS.map(([name, words]) => (
        <div key={name} className="d-flex gap-2 align-items-center mb-1">
          <PercentInput
            label={words}
            value={estimate.limits[name] ?? ''}
            onChange={(percent) => onChange({ ...estimate, limits: { ...estimate.limits, [name]: percent } })}
          />
          <span aria-hidden="true">{words}</span>
        </div>
      ))}
    </div>
  );
}

/** Each script by its number, and how it is as a whole. */
export function RateScripts({ view, estimate, onChange }: Part & { view: JudgesView }) {
  return (
    <div className="list-sheet scroll-x">
      <RowsTable
        rows={view.scripts}
        keyOf={({ attempt }) => attempt}
        empty="No script is wholly marked yet."
        columns={[
          {
            head: 'Script',
            cell: ({ attempt, number, sitting, reads }) => {
              const name = `Script ${String(number).padStart(2, '0')}`;
              return reads ? (
                <Link href={`/marking/${sitting}/script/${attempt}`} target="_blank">
                  {name}
                </Link>
              ) : (
                name
              );
            },
          },
          {
            head: 'As a whole',
            cell: ({ attempt, number }) => (
              <span className="d-flex flex-wrap gap-3" role="radiogroup" aria-label={`Script ${number} as a whole`}>
                {SCRIPT_RATINGS.map((rating) => (
                  <label key={rating} className="d-flex gap-1">
                    <input
                      type="radio"
                      className="form-check-input"
                      name={`rating-${attempt}`}
                      checked={estimate.ratings[attempt] === rating}
                      onChange={() => onChange({ ...estimate, ratings: { ...estimate.ratings, [attempt]: rating } })}
                    />
                    {RATING_WORDS[rating]}
                  </label>
                ))}
              </span>
            ),
          },
        ]}
      />
    </div>
  );
}

'use client';
import { Link } from '../parts/Link';
import { useCallback, useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { saveBoundariesAction, takeBackAction } from '@/actions/sittings';
import { exact, round, shown } from '@/core/base/exact';
import { type Boundaries, boundariesReadiness, withPassMark } from '@/core/results/policy';
import { spread } from '@/core/results/spread';
import type { Asking } from '@/server/results/mark-questions';
import type { Results } from '@/server/results/results';
import { Strip } from '../frame/Strip';
import { SavedState } from '../parts/SavedState';
import { useAutosave } from '../parts/use-autosave';
import { UndoRedo } from '../parts/UndoRedo';
import { Trouble } from '../parts/Trouble';
import { useAct } from '../parts/use-act';
import { useHistory } from '../parts/use-history';
import { plural } from '../words/marks';
import { lateTook } from '../words/late';
import { dayAndTime } from '../words/time';
import { BoundaryNotes } from './BoundaryNotes';
import { CertificateDialog } from './CertificateDialog';
import { countByRange, gradeOf, passes } from './outcome';
import { RangeTable } from './RangeTable';
import { ReadAs } from './ReadAs';
import { Release } from './Release';
import { type Boundary, ScoreLine } from './ScoreLine';
import { TakeOver } from './TakeOver';

/** A boundary as text: at most three decimals, so that dragging and typing write the same. */
const asText = (percent: number): string => String(Math.round(percent * 1000) / 1000);

interface Props {
  results: Results;
  zone: string;
  /** Questions about marks that wait for an answer. */
  asking: readonly Asking[];
}

/** The results of a sitting: scores on one line, boundaries to drag or type, what each range reads, release. */
export function ResultsDesk({ results, zone, asking }: Props) {
  const { present, change, ...history } = useHistory<Boundaries>(results.boundaries);
  const { busy, act, troubleBeside } = useAct();
  const [open, setOpen] = useState<'release' | 'certificate' | null>(null);
  const save = useCallback(
    async (boundaries: Boundaries, base: number) =>
      saveBoundariesAction({ sitting: results.sitting, base, boundaries }),
    [results.sitting],
  );
  const { state, flush } = useAutosave({
    key: `zonda-results-${results.sitting}`,
    value: present,
    version: results.version,
    savedAt: 0,
    save,
    bringBack: change,
  });

  const percents = useMemo(() => results.rows.map((r) => exact(r.percent).valueOf()), [results.rows]);
  const figures = spread(percents);
  const passed = results.rows.filter((r) => passes(r, results, present.passPercent, present)).length;
  const waiting = results.rows.reduce((n, r) => n + r.waiting, 0);
  const findings = boundariesReadiness(present);
  const one = (value: number): string => value.toFixed(1);

  // The pass mark first, so that the labels of ranges stand over its line.
  const boundaries: Boundary[] = [
    {
      id: 'pass',
      at: Number(present.passPercent),
      label: `pass at ${present.passPercent}`,
      name: 'Pass mark',
      pass: true,
    },
    ...present.ranges.slice(1).map(
      (r, i): Boundary => ({
        id: `range ${i + 1}`,
        at: Number(r.from),
        label: r.from,
        name: `Lower edge of range ${i + 2}`,
        pass: false,
      }),
    ),
    ...present.grades.slice(1).map(
      (g, i): Boundary => ({
        id: `grade ${i + 1}`,
        at: Number(g.from),
        label: g.grade,
        name: `Lower edge of grade ${g.grade}`,
        pass: false,
      }),
    ),
  ];
  const move = (id: string, percent: number): void => {
    if (id === 'pass') return change((b) => withPassMark(b, asText(percent)), 'pass');
    const [list, at] = id.split(' ');
    const index = Number(at);
    const steps = list === 'grade' ? 'grades' : 'ranges';
    change((b) => {
      const before = Number(b[steps][index - 1]?.from ?? 0);
      const after = Number(b[steps][index + 1]?.from ?? 100.5);
      const from = asText(Math.min(after - 0.5, Math.max(before + 0.5, percent)));
      return { ...b, [steps]: b[steps].map((step, i) => (i === index ? { ...step, from } : step)) };
    }, id);
  };
  return (
    <>
      <Strip
        where={{ href: `/sittings/${results.sitting}`, name: `${results.course} ${results.title}` }}
        title="Results"
        chip={
          waiting === 0
            ? `marked ${results.rows.length} of ${results.rows.length}`
            : plural(waiting, 'answer waits', 'answers wait')
        }
        state={releaseText(results, zone)}
      >
        {state.name === 'saved' ? <span className="state">Saved</span> : <SavedState state={state} />}
        <Link className="btn btn-quiet" href={`/sittings/${results.sitting}/answers`}>
          Answers
        </Link>
        <Link className="btn btn-quiet" href={`/sittings/${results.sitting}/analysis`}>
          Analysis
        </Link>
        <UndoRedo {...history} />
        <Button variant="quiet" aria-haspopup="dialog" onClick={() => setOpen('certificate')}>
          Certificate…
        </Button>
        {(results.releasedAt !== null || results.planned !== null) && (
          <Button
            variant="outline-primary"
            disabled={busy}
            onClick={() => void act(() => takeBackAction(results.sitting))}
          >
            {results.releasedAt === null ? 'Do not release it then' : 'Take back'}
          </Button>
        )}
        {(results.releasedAt === null || results.releasedTo !== null) && (
          <Button
            aria-haspopup="dialog"
            onClick={async () => {
              await flush();
              setOpen('release');
            }}
            disabled={results.rows.length === 0}
            title={results.rows.length === 0 ? 'Nobody has handed in yet' : undefined}
          >
            {results.releasedAt === null ? 'Release…' : 'Release to more…'}
          </Button>
        )}
      </Strip>
      <div className="split with-margin">
        <div>
          <Trouble>{troubleBeside([])}</Trouble>
          <div className="sheet plain mb-3">
            {figures === null ? (
              <p className="mb-0">Nobody has handed in yet. Scores appear here as soon as somebody does.</p>
            ) : (
              <>
                <div className="figures">
                  <span>
                    Mean <strong>{one(figures.mean)} %</strong>
                  </span>
                  <span>
                    Median <strong>{one(figures.median)} %</strong>
                  </span>
                  <span>
                    Spread <strong>{one(figures.deviation)}</strong>
                  </span>
                  <span>
                    Pass <strong className="good">{passed}</strong> of {results.rows.length} (
                    {Math.round((100 * passed) / results.rows.length)} %)
                  </span>
                </div>
                {waiting > 0 && (
                  <p className="advice">
                    {plural(waiting, 'answer waits', 'answers wait')} for a person and count 0 until marked.{' '}
                    <Link href="/marking">Mark them</Link>
                  </p>
                )}
                {asking.length > 0 && (
                  <p className="advice">
                    Asked about marks:{' '}
                    {asking.map(({ attempt, by, count }, i) => (
                      <span key={attempt}>
                        {i > 0 && ', '}
                        <Link href={`/results/${attempt}`}>
                          {by}
                          {count > 1 && ` (${count})`}
                        </Link>
                      </span>
                    ))}
                  </p>
                )}
                <ScoreLine
                  percents={percents}
                  boundaries={boundaries}
                  passAt={Number(present.passPercent)}
                  onMove={move}
                />
              </>
            )}
            <RangeTable
              boundaries={present}
              counts={countByRange(results, present)}
              findings={findings}
              change={change}
            />
            <ReadAs results={results} boundaries={present} />
            <TakeOver sitting={results.sitting} boundaries={present} change={change} />
          </div>
          {results.rows.length > 0 && (
            <div className="list-sheet scroll-x">
              <p className="text-end mb-0">
                <Link href={`/sittings/${results.sitting}/results/print`}>Summary to print</Link> ·{' '}
                <a href={`/sittings/${results.sitting}/results/export`} download>
                  All answers, marks and times as a spreadsheet
                </a>
              </p>
              <table className="rows">
                <thead>
                  <tr>
                    <th scope="col">Student</th>
                    <th scope="col" className="num">
                      {results.total === null ? 'Score' : `Score of ${results.total}`}
                    </th>
                    <th scope="col" className="num">
                      Percent
                    </th>
                    {present.grades.length > 0 && <th scope="col">Grade</th>}
                    <th scope="col">Pass</th>
                    {results.releasedAt !== null && <th scope="col">Read</th>}
                  </tr>
                </thead>
                <tbody>
                  {results.rows.map((r) => {
                    const pass = passes(r, results, present.passPercent, present);
                    return (
                      <tr key={r.attempt}>
                        <td dir="auto">
                          <Link className="title" href={`/results/${r.attempt}`}>
                            {r.name}
                          </Link>
                          {r.attempts > 1 && <span className="soft"> · of {r.attempts} attempts</span>}
                          {r.late !== null && r.late !== '0' && (
                            <span className="hand"> · late {lateTook(r.late)}</span>
                          )}
                        </td>
                        <td className="num">{shown(exact(r.marks))}</td>
                        <td className="num">
                          {round(exact(r.percent), results.rounding.places, results.rounding.mode)}
                        </td>
                        {present.grades.length > 0 && <td>{gradeOf(r, results, present)}</td>}
                        <td>
                          {r.waiting > 0 ? (
                            <span className="hand">{plural(r.waiting, 'waits', 'wait')}</span>
                          ) : pass ? (
                            <span className="good">✓ passed</span>
                          ) : (
                            <span className="wrong">not passed</span>
                          )}
                        </td>
                        {results.releasedAt !== null && (
                          <td className="soft">
                            {!r.out ? 'not released' : r.readAt === null ? 'not yet' : dayAndTime(r.readAt)}
                          </td>
                        )}
                      </tr>
                    );
                  })}
                </tbody>
              </table>
            </div>
          )}
        </div>
        <BoundaryNotes results={results} boundaries={present} change={change} />
      </div>
      {open === 'release' && <Release results={results} passed={passed} zone={zone} onClose={() => setOpen(null)} />}
      {open === 'certificate' && (
        <CertificateDialog sitting={results.sitting} text={results.certificate} onClose={() => setOpen(null)} />
      )}
    </>
  );
}

/** How far results are out, in a few words. */
function releaseText({ releasedAt, releasedTo, planned, rows }: Results, zone: string): string {
  if (releasedAt !== null)
    return releasedTo === null ? 'released' : `released to ${releasedTo.length} of ${rows.length}`;
  if (planned === null) return 'not released';
  return planned.when.is === 'at'
    ? `goes out ${dayAndTime(planned.when.at, zone)}, once all is marked`
    : 'goes out once all is marked';
}

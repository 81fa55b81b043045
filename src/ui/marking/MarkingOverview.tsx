import { Link } from '../parts/Link';
import type { Pace } from '@/core/marking/progress';
import type { MarkingOverview as Overview, QuestionWaiting, Waiting } from '@/server/marking/overview';
import { Strip } from '../frame/Strip';
import { type Column, RowsTable } from '../parts/RowsTable';
import { plural } from '../words/marks';
import { SharingNote } from './SharingNote';

const rounded = (value: number | null): string => (value === null ? '–' : value.toFixed(0));

/** Minutes and seconds of a median. */
function pace(seconds: number | null): string {
  if (seconds === null) return '–';
  return seconds < 90 ? `${rounded(seconds)} s` : `${(seconds / 60).toFixed(1)} min`;
}

const MARKED: Column<Waiting>[] = [
  { head: 'Marked', figure: true, cell: (one) => one.answers - one.waiting },
  {
    head: 'Waiting',
    figure: true,
    cell: (one) => <span className={one.waiting > 0 ? 'hand' : 'soft'}>{one.waiting}</span>,
  },
];

const secondMark = (sitting: string): Column<QuestionWaiting> => ({
  head: 'Second mark',
  cell: ({ item, seconds }) =>
    seconds.wanted > 0 && (
      <Link href={`/marking/${sitting}/${item}?second=1`}>
        {seconds.given} of {seconds.wanted}
      </Link>
    ),
});

const PACE: Column<{ name: string } & Pace>[] = [
  { head: 'Marker', cell: (one) => one.name },
  { head: 'Marked', figure: true, cell: (one) => one.count },
  { head: 'Each in', figure: true, cell: (one) => pace(one.seconds) },
  { head: 'Mean', figure: true, cell: (one) => `${rounded(one.mean)} %` },
  { head: 'Spread', figure: true, cell: (one) => (one.spread === null ? '–' : `${rounded(one.spread)} %`) },
];

/** The marking of one sitting: by question, by script, by marker, and how it is shared out. */
export function MarkingOverview({ overview }: { overview: Overview }) {
  const { sitting, questions, scripts, paces, markers, plan } = overview;
  const waiting = questions.reduce((sum, one) => sum + one.waiting, 0);
  const next = questions.find((one) => one.waiting > 0);
  const seconds = questions.some((one) => one.seconds.wanted > 0);
  return (
    <>
      <Strip
        where={{ href: '/marking', name: 'Marking' }}
        title={overview.title}
        state={waiting === 0 ? 'nothing waits' : plural(waiting, 'answer waits', 'answers wait')}
      >
        {overview.seesAgreement && seconds && (
          <Link className="btn btn-quiet" href={`/marking/${sitting}/agreement`}>
            Agreement
          </Link>
        )}
        {next && (
          <Link className="btn btn-primary" href={`/marking/${sitting}/${next.item}`}>
            Mark the next
          </Link>
        )}
      </Strip>
      <div className="page marking-overview">
        <div className="list-sheet scroll-x">
          <RowsTable
            caption="By question"
            rows={questions}
            keyOf={(one) => one.item}
            columns={[
              {
                head: 'Question',
                cell: (one) => (
                  <Link href={`/marking/${sitting}/${one.item}`}>
                    {one.number}. {one.label}
                  </Link>
                ),
              },
              ...MARKED,
              ...(seconds ? [secondMark(sitting)] : []),
            ]}
          />
        </div>
        <div className="list-sheet scroll-x">
          <RowsTable
            caption="By script"
            rows={scripts}
            keyOf={(one) => one.attempt}
            columns={[
              {
                head: 'Script',
                cell: (one) => (
                  <Link href={`/marking/${sitting}/script/${one.attempt}`}>
                    {one.name ?? `Script ${String(one.script).padStart(2, '0')}`}
                  </Link>
                ),
              },
              ...MARKED,
            ]}
          />
        </div>
        <div>
          {markers && (
            <SharingNote
              sitting={sitting}
              plan={plan}
              markers={markers}
              questions={questions}
              notDue={overview.notDue}
            />
          )}
          {paces && paces.length > 0 && (
            <div className="list-sheet scroll-x">
              <RowsTable caption="By marker" rows={paces} keyOf={(one) => one.name} columns={PACE} />
              <p className="soft px-3 pb-2">
                Mean and spread of what was given, in percent of the marks. They alone prove nothing: others may have
                had other scripts.
              </p>
            </div>
          )}
        </div>
      </div>
    </>
  );
}

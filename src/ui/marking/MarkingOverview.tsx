import Link from 'next/link';
import type { MarkingOverview as Overview } from '@/server/marking/overview';
import { Strip } from '../frame/Strip';
import { plural } from '../words/marks';
import { SharingNote } from './SharingNote';

const rounded = (value: number | null): string => (value === null ? '–' : value.toFixed(0));

/** Minutes and seconds of a median. */
function pace(seconds: number | null): string {
  if (seconds === null) return '–';
  return seconds < 90 ? `${rounded(seconds)} s` : `${(seconds / 60).toFixed(1)} min`;
}

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
          <table className="rows">
            <caption>By question</caption>
            <thead>
              <tr>
                <th scope="col">Question</th>
                <th scope="col" className="num">
                  Marked
                </th>
                <th scope="col" className="num">
                  Waiting
                </th>
                {seconds && <th scope="col">Second mark</th>}
              </tr>
            </thead>
            <tbody>
              {questions.map((one) => (
                <tr key={one.item}>
                  <td>
                    <Link href={`/marking/${sitting}/${one.item}`}>
                      {one.number}. {one.label}
                    </Link>
                  </td>
                  <td className="num">{one.answers - one.waiting}</td>
                  <td className={`num ${one.waiting > 0 ? 'hand' : 'soft'}`}>{one.waiting}</td>
                  {seconds && (
                    <td>
                      {one.seconds.wanted > 0 && (
                        <Link href={`/marking/${sitting}/${one.item}?second=1`}>
                          {one.seconds.given} of {one.seconds.wanted}
                        </Link>
                      )}
                    </td>
                  )}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <div className="list-sheet scroll-x">
          <table className="rows">
            <caption>By script</caption>
            <thead>
              <tr>
                <th scope="col">Script</th>
                <th scope="col" className="num">
                  Marked
                </th>
                <th scope="col" className="num">
                  Waiting
                </th>
              </tr>
            </thead>
            <tbody>
              {scripts.map((one) => (
                <tr key={one.attempt}>
                  <td>
                    <Link href={`/marking/${sitting}/script/${one.attempt}`}>
                      {one.name ?? `Script ${String(one.script).padStart(2, '0')}`}
                    </Link>
                  </td>
                  <td className="num">{one.answers - one.waiting}</td>
                  <td className={`num ${one.waiting > 0 ? 'hand' : 'soft'}`}>{one.waiting}</td>
                </tr>
              ))}
            </tbody>
          </table>
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
              <table className="rows">
                <caption>By marker</caption>
                <thead>
                  <tr>
                    <th scope="col">Marker</th>
                    <th scope="col" className="num">
                      Marked
                    </th>
                    <th scope="col" className="num">
                      Each in
                    </th>
                    <th scope="col" className="num">
                      Mean
                    </th>
                    <th scope="col" className="num">
                      Spread
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {paces.map((one) => (
                    <tr key={one.name}>
                      <td>{one.name}</td>
                      <td className="num">{one.count}</td>
                      <td className="num">{pace(one.seconds)}</td>
                      <td className="num">{rounded(one.mean)} %</td>
                      <td className="num">{one.spread === null ? '–' : `${rounded(one.spread)} %`}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
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

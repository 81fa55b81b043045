import { exact, shown } from '@/core/base/exact';
import type { OwnGrades } from '@/server/gradebook/own-grades';
import { dayOnly } from '../words/time';
import { ExplainGrade } from './ExplainGrade';
import './gradebook.scss';

/** A student's own grades in a course, how they come about, and what is needed for better ones. */
export function OwnGradesSheet({ own: { course, policy, titles, grade, needs, signed } }: { own: OwnGrades }) {
  const { stands } = grade;
  return (
    <div className="page" style={{ maxWidth: 720, margin: '0 auto' }}>
      <section className="sheet plain" aria-label="Grade">
        <p className="soft mb-1">
          {course.code} {course.title}
        </p>
        {signed ? (
          <>
            <h1 className="mark-big mb-1">
              {shown(exact(signed.percent), policy.rounding.places)} % {signed.grade}
            </h1>
            <p className="mb-0">
              <span className={signed.passed ? 'good' : 'wrong'}>{signed.passed ? '✓ passed' : 'not passed'}</span>,
              final since {dayOnly(signed.at)}.
            </p>
          </>
        ) : stands ? (
          <>
            <h1 className="mark-big mb-1">
              {stands.shown} % {stands.grade}
            </h1>
            <p className="soft mb-0">As it stands so far, from what is marked and released.</p>
          </>
        ) : (
          <h1 className="fs-5 mb-0">Nothing counts yet.</h1>
        )}
      </section>
      <section className="sheet plain" aria-labelledby="how">
        <h2 id="how" className="fs-6 fw-bold">
          How it comes about
        </h2>
        <ExplainGrade grade={grade} policy={policy} titleOf={(column) => titles[column] ?? ''} />
      </section>
      {needs.map(({ title, of, grades }, i) => (
        <section key={i} className="sheet plain" aria-label={title}>
          <h2 className="fs-6 fw-bold">
            What {title} (of {of}) has to bring
          </h2>
          <table className="rows">
            <thead>
              <tr>
                <th scope="col">For</th>
                <th scope="col" className="num">
                  At least
                </th>
              </tr>
            </thead>
            <tbody>
              {grades.map(({ grade: name, from, marks }) => (
                <tr key={from}>
                  <td>
                    {name} <span className="soft">from {shown(exact(from))} %</span>
                  </td>
                  <td className="num">
                    {marks === null ? (
                      <span className="soft">out of reach with this alone</span>
                    ) : marks === '0' ? (
                      'nothing more'
                    ) : (
                      `${marks} marks`
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="soft mb-0">If all else stays as it is.</p>
        </section>
      ))}
    </div>
  );
}

import { exact, round, shown } from '@/core/base/exact';
import type { FinalPolicy } from '@/core/gradebook/reckon';
import type { RowGrade } from '@/core/gradebook/row';
import { keepText, partText, sumText } from '../words/gradebook';

interface Props {
  grade: RowGrade;
  policy: FinalPolicy;
  titleOf: (column: string) => string;
}

/** A final grade as a sum that can be done by hand: every column, every category, the whole. */
export function ExplainGrade({ grade: { reckoning, reckoned, stands }, policy, titleOf }: Props) {
  const { categories, outside } = reckoning;
  const counted = categories.filter(({ share }) => share !== null);
  return (
    <div className="explain-grade">
      {categories.map((category) => (
        <div key={category.category ?? ''} className="mb-2">
          {category.category !== null && (
            <p className="category">
              <strong>{category.name}</strong>
              <span className="soft">
                {' '}
                {category.share === null ? 'nothing yet' : `${round(category.share, 1)} % of the grade`}
                {category.keep.is === 'all' ? '' : `, ${keepText(category.keep)}`}
              </span>
            </p>
          )}
          <table>
            <tbody>
              {category.lines.map((line) => (
                <tr key={line.column} className={line.part === 'counts' ? '' : 'soft'}>
                  <td>{titleOf(line.column)}</td>
                  <td className="num">
                    {line.marks === null ? '–' : shown(line.marks, 3)}
                    {line.of === null ? '' : ` of ${shown(line.of, 3)}`}
                  </td>
                  <td>{partText(line, titleOf)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {category.percent !== null && <p className="mb-0">{sumText(category)}</p>}
          {category.passPercent !== null && (
            <p className={`mb-0 ${reckoned?.short.includes(category.name) ? 'wrong' : 'soft'}`}>
              A pass needs {category.passPercent} % of it.
            </p>
          )}
        </div>
      ))}
      {reckoned && counted.length > 1 && (
        <p>
          {counted
            .map(({ percent, share }) => `${round(percent ?? exact(0), 2)} × ${round(share ?? exact(0), 1)} %`)
            .join(' + ')}{' '}
          = {round(reckoned.percent, 2)} %
        </p>
      )}
      {reckoned ? (
        <p className="mb-1">
          <strong>
            {reckoned.shown} %{reckoned.grade && `, grade ${reckoned.grade}`}
          </strong>
          , {reckoned.passed ? 'passed' : 'not passed'}: pass mark {policy.passPercent} %
          {reckoned.short.length > 0 && `, and ${reckoned.short.join(', ')} is below its own`}.
        </p>
      ) : (
        <p className="soft mb-1">Nothing counts yet.</p>
      )}
      {stands && stands !== reckoned && (
        <p className="hand mb-1">
          By hand {stands.shown} %{stands.grade && `, grade ${stands.grade}`} stands instead.
        </p>
      )}
      {outside.length > 0 && (
        <p className="soft mb-0">Outside the grade: {outside.map(({ column }) => titleOf(column)).join(', ')}.</p>
      )}
    </div>
  );
}

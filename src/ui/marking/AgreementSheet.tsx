import { RowsTable } from '../parts/RowsTable';
import type { AgreementReport, AgreementRow } from '@/server/marking/agreement';

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const figure = (value: number | null): string => (value === null ? '–' : value.toFixed(2));

/** How far first and second marks agree, with how sure that is. */
export function AgreementSheet({ report: { whole, questions, markers, inStep } }: { report: AgreementReport }) {
  if (whole.n === 0 && inStep.length === 0)
    return (
      <div className="page">
        <div className="sheet plain">
          Nothing has been marked twice yet. Say on the page before what is marked a second time.
        </div>
      </div>
    );
  return (
    <div className="page agreement">
      {inStep.length > 0 && (
        <>
          <Rows title="In step with what was marked beforehand" count="Marked too" rows={inStep} />
          <p className="soft">
            These scripts had been marked before, and markers did not know which. What they gave counts for nothing
            else.
          </p>
        </>
      )}
      {whole.n > 0 && <Twice whole={whole} questions={questions} markers={markers} />}
    </div>
  );
}

/** How far first and second marks agree. */
function Twice({ whole, questions, markers }: Omit<AgreementReport, 'title' | 'inStep'>) {
  const [least, most] = whole.between;
  return (
    <>
      <div className="sheet plain">
        <p className="fs-5 mb-1">
          In <strong>{percent(whole.exact)}</strong> of {whole.n} answers two people gave the same mark.
        </p>
        <p className="soft mb-0">
          The true share lies between {percent(least)} and {percent(most)} (95 % confidence): {whole.n} answers say no
          more.
        </p>
        <Scale row={whole} />
      </div>
      <Rows title="Question" rows={questions} />
      <Rows title="Second marker" rows={markers} />
      <p className="soft">
        Kappa is agreement beyond what chance alone would bring: 1 is always, 0 is as by chance. The weighted one counts
        a disagreement the more, the farther apart the marks are (by its square). With few answers neither says much.
      </p>
    </>
  );
}

/** The share of equal marks on a line from none to all, with its uncertainty. */
function Scale({ row: { exact, between } }: { row: AgreementRow }) {
  const x = (share: number): number => 10 + share * 380;
  return (
    <svg className="agreement-scale" viewBox="0 0 400 44" role="img" aria-label={`Same mark: ${percent(exact)}`}>
      <line x1={x(0)} x2={x(1)} y1={16} y2={16} className="whole" />
      <line x1={x(between[0])} x2={x(between[1])} y1={16} y2={16} className="between" />
      <circle cx={x(exact)} cy={16} r={7} />
      <text x={x(0)} y={40}>
        none
      </text>
      <text x={x(1)} y={40} textAnchor="end">
        all
      </text>
    </svg>
  );
}

function Rows({
  title,
  rows,
  count = 'Marked twice',
}: {
  title: string;
  rows: readonly AgreementRow[];
  count?: string;
}) {
  return (
    <div className="list-sheet scroll-x">
      <RowsTable
        rows={rows}
        keyOf={(row) => row.name}
        columns={[
          { head: title, cell: (row) => row.name },
          { head: count, figure: true, cell: (row) => row.n },
          { head: 'Same mark', figure: true, cell: (row) => percent(row.exact) },
          {
            head: 'Between',
            figure: true,
            cell: (row) => `${percent(row.between[0])}–${percent(row.between[1])}`,
          },
          { head: 'Same or next', figure: true, cell: (row) => percent(row.adjacent) },
          {
            head: 'Kappa',
            figure: true,
            cell: (row) => (
              <>
                {figure(row.kappa)}
                {row.kappaError !== null && <span className="soft"> ±{figure(1.96 * row.kappaError)}</span>}
              </>
            ),
          },
          { head: 'Weighted kappa', figure: true, cell: (row) => figure(row.kappaQuadratic) },
        ]}
      />
    </div>
  );
}

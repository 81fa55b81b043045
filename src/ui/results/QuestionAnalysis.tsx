import { Link } from '../parts/Link';
import type { AnalysedQuestion } from '@/server/results/analysis';
import { RowsTable } from '../parts/RowsTable';
import { TextWithFormulas } from '../sheet/Formula';
import type { DrawnFormulas } from '../sheet/formulas';
import { adviceText, figureText, percentText } from '../words/analysis';
import { plural } from '../words/marks';
import { ChartFrame } from './ChartFrame';
import { ThirdsChart } from './ThirdsChart';

interface Props {
  sitting: string;
  question: AnalysedQuestion;
  drawn: DrawnFormulas;
}

/** What the answers to one question say of it, slot by slot, and the ways to mend it. */
export function QuestionAnalysis({ sitting, question, drawn }: Props) {
  const {
    item,
    question: source,
    facility,
    withRest,
    upperLower,
    alphaWithout,
    omitted,
    persons,
    advice,
    slots,
  } = question;
  return (
    <div className="page analysis">
      <div className="sheet plain">
        <div className="figures mb-2">
          <span>
            Marks earned <strong>{percentText(facility)}</strong>
          </span>
          <span>
            Best less weakest <strong>{figureText(upperLower)}</strong>
          </span>
          <span>
            With the rest <strong>{figureText(withRest)}</strong>
          </span>
          <span>
            Alpha without <strong>{figureText(alphaWithout)}</strong>
          </span>
          <span>
            Empty <strong>{percentText(omitted)}</strong>
          </span>
        </div>
        {advice.map((one) => (
          <p key={one.is} className={`mb-1 ${one.is === 'easy' || one.is === 'hard' ? 'soft' : 'hand'}`}>
            {adviceText(one)}
          </p>
        ))}
        <p className="mb-0">
          {plural(persons, 'script')}.{' '}
          <Link href={`/sittings/${sitting}/answers?item=${item}`}>All answers, and mending</Link> ·{' '}
          <Link href={`/bank/${source}`}>To the bench</Link>
        </p>
      </div>
      {slots.map(({ letter, answers }) => (
        <div key={letter} className="sheet plain">
          {answers.length > 1 && (
            <ChartFrame
              title={slots.length > 1 ? `Slot ${letter}: answers by ability` : 'Answers by ability'}
              table={[
                ['Answer', 'Weakest third', 'Middle', 'Best third', 'Earns'],
                ...answers.map(({ answer, byThird, earns }) => [answer || 'left empty', ...byThird, earns]),
              ]}
            >
              <ThirdsChart answers={answers} name={`Answers to slot ${letter} by the weakest, middle and best third`} />
            </ChartFrame>
          )}
          <RowsTable
            rows={answers}
            keyOf={({ answer }) => answer}
            columns={[
              {
                head: 'Answer',
                cell: ({ answer }) =>
                  answer ? <TextWithFormulas text={answer} drawn={drawn} /> : <span className="soft">left empty</span>,
              },
              {
                head: 'Earns',
                figure: true,
                cell: ({ earns }) => (
                  <span className={earns >= 0.999 ? 'good' : earns <= 0.001 ? 'wrong' : ''}>{percentText(earns)}</span>
                ),
              },
              { head: 'Given by', figure: true, cell: ({ chosen, share }) => `${chosen} (${percentText(share)})` },
              { head: 'Best 27 %', figure: true, cell: ({ upper }) => percentText(upper) },
              { head: 'Weakest 27 %', figure: true, cell: ({ lower }) => percentText(lower) },
            ]}
          />
        </div>
      ))}
    </div>
  );
}

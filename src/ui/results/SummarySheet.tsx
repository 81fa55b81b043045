'use client';
import Button from 'react-bootstrap/Button';
import type { Summary } from '@/server/results/summary';
import { Strip } from '../frame/Strip';
import { PageFoot } from '../print/PageFoot';
import { ContentView } from '../sheet/ContentView';
import { TextWithFormulas } from '../sheet/Formula';
import type { DrawnFormulas } from '../sheet/formulas';
import { percentText } from '../words/analysis';
import { marksWords, plural } from '../words/marks';
import '../print/print.scss';

interface Props {
  summary: Summary;
  drawn: DrawnFormulas;
  /** Whether the server can make PDF files. */
  pdf: boolean;
}

/** All answers of a sitting on paper, question by question, without names. */
export function SummarySheet({ summary: { sitting, title, persons, waiting, spread, questions }, drawn, pdf }: Props) {
  return (
    <>
      <Strip where={{ href: `/sittings/${sitting}/results`, name: `${title}, results` }} title="Summary">
        {pdf && (
          <a className="btn btn-outline-primary" href={`/sittings/${sitting}/results/print/pdf`} download>
            As PDF
          </a>
        )}
        <Button onClick={() => window.print()}>Print</Button>
      </Strip>
      <div className="split">
        <div className="sheet plain printed">
          <PageFoot text={`${title}, summary`} />
          <header className="paper-head">
            <h1>{title}</h1>
            <p>
              {plural(persons, 'script')}
              {spread &&
                `, ${spread.mean.toFixed(1)} % on average, half between ${spread.lower.toFixed(1)} % and ${spread.upper.toFixed(1)} %`}
              .
              {waiting > 0 &&
                ` ${plural(waiting, 'script waits', 'scripts wait')} for a person and ${waiting === 1 ? 'is' : 'are'} left out.`}
            </p>
          </header>
          {questions.length === 0 && <p>No script is wholly marked yet.</p>}
          {questions.map((question) => (
            <section key={question.item} aria-label={`Question ${question.number}`}>
              <h2>
                <span>Question {question.number}</span>
                <span>
                  {percentText(question.facility)} of {marksWords(question.marks)}
                </span>
              </h2>
              <div className="prose">
                <ContentView
                  content={question.content}
                  drawn={drawn}
                  slot={(id) => <b className="slot-named">{question.letters[id]}</b>}
                />
              </div>
              <p className="soft">
                Met by {question.persons}; {percentText(question.omitted)} left all of it empty.
              </p>
              {question.slots.length === 0 && (
                <p>Everybody had numbers of their own; their answers are not gathered.</p>
              )}
              {question.slots.map((slot) => (
                <AnswersTable key={slot.letter} slot={slot} named={question.slots.length > 1} drawn={drawn} />
              ))}
            </section>
          ))}
        </div>
      </div>
    </>
  );
}

interface TableProps {
  slot: Summary['questions'][number]['slots'][number];
  named: boolean;
  drawn: DrawnFormulas;
}

function AnswersTable({ slot: { letter, key, answers, others, neverGiven }, named, drawn }: TableProps) {
  return (
    <>
      <table className="printed-table answers-given">
        <thead>
          <tr>
            <th scope="col">{named ? `Answers to slot ${letter}` : 'Answers'}</th>
            <th scope="col" className="num">
              Given by
            </th>
            <th scope="col" className="num">
              Earns
            </th>
          </tr>
        </thead>
        <tbody>
          {answers.map(({ answer, chosen, share, earns }, i) => (
            <tr key={i}>
              <td dir="auto">{answer ? <TextWithFormulas text={answer} drawn={drawn} /> : 'left empty'}</td>
              <td className="num">
                {chosen} ({percentText(share)})
              </td>
              <td className="num">{percentText(earns)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="soft">
        {key && (
          <div>
            Key: <TextWithFormulas text={key} drawn={drawn} />
          </div>
        )}
        {others > 0 && <div>{plural(others, 'other answer was', 'other answers were')} given less often.</div>}
        {neverGiven.length > 0 && <div>Nobody chose {neverGiven.join(', ')}.</div>}
      </div>
    </>
  );
}

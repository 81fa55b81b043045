import type { ReactNode } from 'react';
import type { OwnResult, OwnScore, ResultQuestion } from '@/server/results/own-result';
import { ShareBar } from '../parts/ShareBar';
import { ContentView } from '../sheet/ContentView';
import { WrittenView } from '../sheet/WrittenView';
import { WithLinks } from '../parts/WithLinks';
import { TextWithFormulas } from '../sheet/Formula';
import { drawContentFormulas, drawSheetFormulas, drawTextFormulas } from '../sheet/formulas';
import { drawResponseFormulas } from '../sheet/response-formulas';
import { QuestionView } from '../sheet/QuestionView';
import { marksWords, plural } from '../words/marks';
import { outcomeText, wordsWith } from '../words/student-words';
import { lateBy, lateTook } from '../words/late';
import { triesText } from '../words/tries';
import { dayAndTime } from '../words/time';
import { evidenceIn, outOf, traceText } from '../words/traces';

interface Props {
  result: OwnResult;
  /** What else stands beside a question. */
  about?: (question: ResultQuestion) => ReactNode;
}

/** The student's own sheet again, with the margin back: score, what the range reads, marks, traces, remarks. */
export function ResultSheet({ result, about }: Props) {
  const words = wordsWith(result.words);
  return (
    <div className="page" style={{ maxWidth: 1180, margin: '0 auto' }}>
      <section className="sheet plain mb-3" aria-label="Score">
        <p className="soft mb-1">
          {result.title} · {result.name}
        </p>
        {result.score ? (
          <div className="d-flex gap-4 align-items-baseline flex-wrap">
            <h1 className="mark-big mb-0">
              {result.score.marks} <span className="fs-5">of {result.score.of}</span>
            </h1>
            <span className="fs-5">{result.score.percent} %</span>
            {result.score.grade && <span className="fs-5">grade {result.score.grade}</span>}
            <span className={`fs-5 ${result.score.passed ? 'good' : 'wrong'}`}>
              {result.score.passed ? `✓ ${words.passed}` : words.notPassed}
            </span>
            <span className="soft">pass mark {result.score.passPercent} %</span>
          </div>
        ) : (
          <>
            <h1 className="fs-5 fw-bold mb-1">
              {result.soFar ? `${result.soFar.marks} of ${result.soFar.of} marks so far` : 'Handed in'}
            </h1>
            <p className="soft mb-0">
              {result.soFar && result.soFar.waiting > 0
                ? `${plural(result.soFar.waiting, 'answer waits', 'answers wait')} for a person. `
                : ''}
              Your result comes when your teacher releases it.
            </p>
          </>
        )}
        {result.score?.late && (
          <p className="mt-2 mb-0">
            Handed in {lateBy(result.score.late.by)} late
            {result.score.late.cost === '0' ? ', which costs nothing.' : `: ${lateTook(result.score.late.cost)}.`}
          </p>
        )}
        {result.score?.hints && <p className="mt-2 mb-0">Hints took off {marksWords(result.score.hints)}.</p>}
        {result.ownChange && (
          <p className="mt-2 mb-0">
            {marksWords(result.ownChange)} of it are yours alone, beside what your group earned.
          </p>
        )}
        {result.together && (
          <p className="mt-2 mb-0">
            Of {result.together.attempts} attempts {triesText(result.together)}: {result.together.percent} %,{' '}
            {result.together.passed ? (
              <span className="good">{words.passed}</span>
            ) : (
              <span className="wrong">{words.notPassed}</span>
            )}
            .
          </p>
        )}
        {result.revisedAt !== null && (
          <p className="hand mt-2 mb-0">These results were revised on {dayAndTime(result.revisedAt)}.</p>
        )}
        {result.waitsUntil !== null && (
          <p className="soft mt-2 mb-0">
            Others can still sit it. Your answers with marks, key and explanations follow after{' '}
            {dayAndTime(result.waitsUntil)}.
          </p>
        )}
        {result.score?.rangeText && (
          <div className="prose mt-3 fs-6">
            <WrittenView text={result.score.rangeText} />
          </div>
        )}
        {result.score && result.score.parts.length > 0 && <Profile parts={result.score.parts} />}
        {result.lookAgain.length > 0 && (
          <>
            <h2 className="fs-6 fw-bold mt-3 mb-1">Look again at</h2>
            <ul className="mb-0">
              {result.lookAgain.map(({ topic, text }) => (
                <li key={topic}>
                  {topic}: <WithLinks text={text} />
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
      {result.items.map((item) => (
        <div className="result-row" key={item.id}>
          <h2 className="visually-hidden">Question {item.number}</h2>
          <div className="sheet">
            <QuestionView
              number={item.number}
              marks={item.of}
              sheet={item.sheet}
              drawn={{ ...drawSheetFormulas(item.sheet), ...drawResponseFormulas(item.sheet, item.responses) }}
              responses={item.responses}
              evidence={Object.fromEntries(item.slots.map(({ id, trace }) => [id, evidenceIn(trace)]))}
              remarks={Object.fromEntries(item.slots.map(({ id, remarks }) => [id, remarks]))}
            >
              {item.explanation && (
                <div className="note tick mt-3">
                  <h3>Explanation</h3>
                  <ContentView
                    content={item.explanation}
                    drawn={drawContentFormulas(item.explanation)}
                    slot={() => null}
                  />
                </div>
              )}
            </QuestionView>
          </div>
          <aside className="margin" aria-label={`Marks of question ${item.number}`}>
            {item.dropped && <p className="note hand">This question does not count, for nobody.</p>}
            {item.counts !== null && !item.dropped && (
              <p className="note hand">This question counts {marksWords(item.counts)} in the whole.</p>
            )}
            {item.hints && (
              <p className="note soft">
                {plural(item.hints.taken, 'hint')} asked for
                {item.hints.cost === '0' ? '' : `: ${marksWords(item.hints.cost)} off`}
              </p>
            )}
            {item.slots.map((slot) => (
              <div
                key={slot.id}
                className={`note ${slot.outcome === null ? '' : slot.outcome === 'right' ? 'tick' : 'red'}`}
              >
                <h3>
                  {item.slots.length > 1 && <span className="letter">{slot.letter}</span>}
                  {slot.outcome !== null && (
                    <span className={slot.outcome === 'right' ? 'good' : slot.outcome === 'waits' ? 'soft' : 'wrong'}>
                      {slot.marks === null ? outcomeText(slot.outcome, words) : outOf(slot.marks, slot.of)}
                    </span>
                  )}
                </h3>
                {slot.trace.length > 0 && (
                  <p className="soft">
                    <TextWithFormulas text={traceText(slot.trace)} drawn={drawTextFormulas(traceText(slot.trace))} />
                  </p>
                )}
                {slot.feedback && <p>{slot.feedback}</p>}
                {slot.remarks
                  .filter(({ number }) => number > 0)
                  .map(({ id, number, words }) => (
                    <p key={id} className="wrong fw-normal">
                      <strong>{number}</strong> {words || 'drawn on your answer'}
                    </p>
                  ))}
                {slot.key !== null && slot.outcome !== 'right' && (
                  <p>
                    Key: <TextWithFormulas text={slot.key} drawn={drawTextFormulas(slot.key)} />
                  </p>
                )}
              </div>
            ))}
            {about?.(item)}
          </aside>
        </div>
      ))}
    </div>
  );
}

/** How far each part was earned, as bars with their figures. */
function Profile({ parts }: { parts: OwnScore['parts'] }) {
  return (
    <table className="part-profile mt-3">
      <tbody>
        {parts.map(({ is, title, marks, of, share, passed, madeUp, passPercent, text }, i) => (
          <tr key={i}>
            <th scope="row">
              {title}
              {is !== 'section' && <span className="soft"> · {is}</span>}
            </th>
            <td>
              <ShareBar share={share} />
            </td>
            <td className="num">
              {marks} of {of}
            </td>
            <td className="said">
              {!passed && (
                <span className={madeUp ? 'soft' : 'wrong'}>
                  not the {passPercent} % it needs{madeUp && ', made up for by the whole'}
                </span>
              )}
              {text && <WrittenView text={text} />}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

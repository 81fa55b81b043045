import type { OwnResult } from '@/server/results/own-result';
import { ContentView } from '../sheet/ContentView';
import { TextWithFormulas } from '../sheet/Formula';
import { drawContentFormulas, drawSheetFormulas, drawTextFormulas } from '../sheet/formulas';
import { drawResponseFormulas } from '../sheet/response-formulas';
import { QuestionView } from '../sheet/QuestionView';
import { dayAndTime } from '../words/time';
import { evidenceIn, outOf, traceText } from '../words/traces';

/** The student's own sheet again, with the margin back: score, what the range reads, marks, traces, remarks. */
export function ResultSheet({ result }: { result: OwnResult }) {
  return (
    <div className="page" style={{ maxWidth: 1180, margin: '0 auto' }}>
      <section className="sheet plain mb-3" aria-label="Score">
        <p className="soft mb-1">
          {result.title} · {result.name}
        </p>
        <div className="d-flex gap-4 align-items-baseline flex-wrap">
          <h1 className="mark-big mb-0">
            {result.marks} <span className="fs-5">of {result.of}</span>
          </h1>
          <span className="fs-5">{result.percent} %</span>
          {result.grade && <span className="fs-5">grade {result.grade}</span>}
          <span className={`fs-5 ${result.passed ? 'good' : 'wrong'}`}>
            {result.passed ? '✓ passed' : 'not passed'}
          </span>
          <span className="soft">pass mark {result.passPercent} %</span>
        </div>
        {result.revisedAt !== null && (
          <p className="hand mt-2 mb-0">These results were revised on {dayAndTime(result.revisedAt)}.</p>
        )}
        {result.waitsUntil !== null && (
          <p className="soft mt-2 mb-0">
            Others can still sit it. Your answers with marks, key and explanations follow after{' '}
            {dayAndTime(result.waitsUntil)}.
          </p>
        )}
        {result.rangeText && <p className="mt-3 mb-0 fs-6">{result.rangeText}</p>}
        {result.sections.length > 1 && (
          <p className="soft mt-2 mb-0">
            {result.sections
              .map((s) => `${s.title}: ${s.marks} of ${s.of}${s.passed ? '' : `, not the ${s.passPercent} % it needs`}`)
              .join(' · ')}
          </p>
        )}
      </section>
      {result.items.map((item) => (
        <div className="result-row" key={item.id}>
          <div className="sheet">
            <QuestionView
              number={item.number}
              marks={item.of}
              sheet={item.sheet}
              drawn={{ ...drawSheetFormulas(item.sheet), ...drawResponseFormulas(item.sheet, item.responses) }}
              responses={item.responses}
              evidence={Object.fromEntries(item.slots.map(({ id, trace }) => [id, evidenceIn(trace)]))}
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
            {item.slots.map((slot) => (
              <div key={slot.id} className={`note ${slot.marks === slot.of ? 'tick' : 'red'}`}>
                <h3>
                  {item.slots.length > 1 && <span className="letter">{slot.letter}</span>}
                  <span className={slot.marks === slot.of ? 'good' : 'wrong'}>{outOf(slot.marks, slot.of)}</span>
                </h3>
                <p className="soft">
                  <TextWithFormulas text={traceText(slot.trace)} drawn={drawTextFormulas(traceText(slot.trace))} />
                </p>
                {slot.feedback && <p>{slot.feedback}</p>}
                {slot.remark && <p className="wrong fw-normal">“{slot.remark}”</p>}
                {slot.key !== null && slot.marks !== slot.of && (
                  <p>
                    Key: <TextWithFormulas text={slot.key} drawn={drawTextFormulas(slot.key)} />
                  </p>
                )}
              </div>
            ))}
          </aside>
        </div>
      ))}
    </div>
  );
}

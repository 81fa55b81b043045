import type { ReactNode } from 'react';
import { FEWEST } from '@/core/analysis/advice';
import type { Analysis } from '@/server/results/analysis';
import { figureText, reliabilityText } from '../words/analysis';
import { plural } from '../words/marks';
import { QuestionRows } from './QuestionRows';
import './analysis.scss';

/** What the answers of a sitting say about the test and its questions. */
export function AnalysisSheet({ analysis, children }: { analysis: Analysis; children: ReactNode }) {
  const { sitting, persons, questions } = analysis;
  if (persons === 0)
    return (
      <div className="page">
        <div className="sheet plain">No script is wholly marked yet. What its questions are worth shows then.</div>
      </div>
    );
  return (
    <div className="page analysis">
      <Whole analysis={analysis} />
      <div className="list-sheet scroll-x">
        <QuestionRows sitting={sitting} questions={questions} />
      </div>
      <p className="soft">
        Marks earned: the mean share of the marks. Best less weakest: how much more of it the best 27 % have than the
        weakest 27 %. With the rest: how far whoever is good at the others is good at this one, from −1 to 1. Alpha
        without: how reliable the others are alone. Questions that not everybody met have the first figure only.
      </p>
      {children}
    </div>
  );
}

/** Scores and their reliability in words. */
function Whole({ analysis: { persons, spread, reliability } }: { analysis: Analysis }) {
  const of = (percent: number): string => `${percent.toFixed(1)} %`;
  return (
    <div className="sheet plain">
      {spread && (
        <p className="fs-5 mb-1">
          Half of {plural(persons, 'script', 'scripts')} lie between <strong>{of(spread.lower)}</strong> and{' '}
          <strong>{of(spread.upper)}</strong>; the middle one has {of(spread.median)}.
        </p>
      )}
      {spread && (
        <p className="soft mb-1">
          Mean {of(spread.mean)}, standard deviation {of(spread.deviation)}, from {of(spread.least)} to{' '}
          {of(spread.most)}, skew {figureText(spread.skew)}.
        </p>
      )}
      {reliability ? (
        <p className="mb-0">
          Reliability (alpha) of {plural(reliability.questions, 'question', 'questions')} that everybody met:{' '}
          <strong>{figureText(reliability.alpha)}</strong>, {reliabilityText(reliability.alpha)}. A score is off by
          about {of(reliability.error)} either way in two of three cases.
        </p>
      ) : (
        <p className="soft mb-0">Nothing can be said of its reliability: too few scripts, or they do not differ.</p>
      )}
      {persons < FEWEST && (
        <p className="hand mb-0">With {plural(persons, 'script', 'scripts')} all of this says little.</p>
      )}
    </div>
  );
}

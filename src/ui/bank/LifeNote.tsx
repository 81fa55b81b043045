'use client';
import { Link } from '../parts/Link';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { lifeAction } from '@/actions/bank';
import type { QuestionLife } from '@/server/results/question-life';
import { adviceText, figureText, percentText } from '../words/analysis';
import { plural } from '../words/marks';
import { dayOnly, secondsText } from '../words/time';
import { replyTo } from '../parts/reply-to';

/** How a question has done in its sittings, when asked for. */
export function LifeNote({ question }: { question: string }) {
  const [life, setLife] = useState<QuestionLife | 'reading' | null>(null);
  const read = async (): Promise<void> => {
    setLife('reading');
    const result = await replyTo(lifeAction(question));
    setLife(result.ok ? result.value : null);
  };
  return (
    <div className="note">
      <h3>How it has done</h3>
      {life === null || life === 'reading' ? (
        <Button variant="quiet" disabled={life === 'reading'} onClick={() => void read()}>
          {life === 'reading' ? 'Looking…' : 'Look at its sittings'}
        </Button>
      ) : life.overall === null ? (
        <p className="soft">Nobody has met it yet, or nothing of it is marked.</p>
      ) : (
        <>
          <p>
            {percentText(life.overall.facility)} of its marks earned by {plural(life.overall.persons, 'student')}
            {life.overall.seconds === null ? '' : `, ${secondsText(life.overall.seconds)} at it`}.
          </p>
          {life.sittings.map(({ sitting, title, course, at, opens, persons, facility, withRest, advice }) => (
            <p key={sitting}>
              {opens ? <Link href={`/sittings/${sitting}/analysis`}>{title}</Link> : title}{' '}
              <span className="soft">
                {course}, {dayOnly(at)}: {percentText(facility)} of {persons}, with the rest {figureText(withRest)}
              </span>
              {advice.map((one) => (
                <span key={one.is} className="d-block hand">
                  {adviceText(one)}
                </span>
              ))}
            </p>
          ))}
        </>
      )}
    </div>
  );
}

'use client';
import { Link } from '../parts/Link';
import { useCallback, useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { finishJudgingAction, saveEstimateAction } from '@/actions/pass-marks';
import { type Estimate, limitsCross, missing, ownCut } from '@/core/results/panel';
import type { JudgesView } from '@/server/results/judge';
import { Strip } from '../frame/Strip';
import { SavedState } from '../parts/SavedState';
import { Trouble } from '../parts/Trouble';
import { useAutosave } from '../parts/use-autosave';
import type { DrawnFormulas } from '../sheet/formulas';
import { QuestionView } from '../sheet/QuestionView';
import { plural } from '../words/marks';
import { METHODS, percentOne } from '../words/pass-marks';
import { refusalText } from '../words/refusals';
import { EbelTable, JudgeQuestion, LimitsOf, RateScripts } from './JudgeParts';
import { replyTo } from '../parts/reply-to';

/** The page of one judge: the sheets, and beside each what is to be said of it. */
export function Judging({ view, drawn }: { view: JudgesView; drawn: Record<string, DrawnFormulas> }) {
  const [estimate, setEstimate] = useState<Estimate>(view.estimate);
  const [done, setDone] = useState(view.done);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { panel, method, round } = view;
  const save = useCallback(
    (value: Estimate, base: number) => saveEstimateAction({ panel, round, base, estimate: value }),
    [panel, round],
  );
  const change = useCallback((next: Estimate) => {
    setEstimate(next);
    setDone(false);
  }, []);
  const { state, flush } = useAutosave({
    key: `zonda-judging-${panel}-${round}`,
    value: estimate,
    version: view.version,
    savedAt: view.savedAt,
    save,
    bringBack: change,
  });
  const judged = useMemo(
    () => ({
      questions: view.questions.map(({ id }) => ({ id, marks: view.weights[id] ?? 0 })),
      scripts: view.scripts.map(({ attempt }) => ({ attempt, percent: 0 })),
    }),
    [view],
  );
  const open = missing(method, estimate, judged);
  const cut = ownCut(method, estimate, judged);
  const crossed = limitsCross(estimate);
  const finish = async (): Promise<void> => {
    await flush();
    const result = await replyTo(finishJudgingAction(panel));
    setTrouble(result.ok ? null : refusalText(result.refusal));
    if (result.ok) setDone(true);
  };
  return (
    <>
      <Strip
        where={{ href: '/', name: `${view.course} ${view.title}` }}
        title="Your judgement"
        chip={
          open === 0
            ? cut === null
              ? 'all said'
              : `your pass mark ${percentOne(cut)}`
            : `${plural(open, 'answer')} to go`
        }
        state={round > 1 ? `round ${round}` : undefined}
      >
        <SavedState state={state} />
        <Button disabled={open > 0 || crossed || done} onClick={finish}>
          {done ? '✓ Done' : 'That is all'}
        </Button>
      </Strip>
      <div className="page">
        <div className="sheet plain mb-3">
          <p className="fs-5 mb-1">{METHODS[method].asks}</p>
          {round > 1 && <p className="mb-0">You see what all said in the round before; say it anew or leave it.</p>}
          <Trouble>{trouble}</Trouble>
          {method === 'ebel' && <EbelTable estimate={estimate} onChange={change} />}
          {method === 'hofstee' && <LimitsOf estimate={estimate} onChange={change} />}
          {crossed && <p className="wrong mb-0">What you bear at least is more than what you bear at most.</p>}
        </div>
        {method === 'borderline' ? (
          <RateScripts view={view} estimate={estimate} onChange={change} />
        ) : (
          view.questions.map((question) => (
            <div className="result-row" key={question.id}>
              <div className="sheet">
                <QuestionView
                  number={question.number}
                  marks={question.marks}
                  sheet={question.sheet}
                  drawn={drawn[question.id] ?? {}}
                  responses={{}}
                />
              </div>
              {method !== 'hofstee' && (
                <aside className="margin" aria-label={`Judgement of question ${question.number}`}>
                  <JudgeQuestion method={method} question={question} estimate={estimate} onChange={change} />
                </aside>
              )}
            </div>
          ))
        )}
        {view.questions.length === 0 && <p>There is no question to judge.</p>}
        <p className="text-end">
          <Link href="/">To your day</Link>
        </p>
      </div>
    </>
  );
}

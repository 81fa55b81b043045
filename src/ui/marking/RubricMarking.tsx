'use client';
import { cellMarks, type Judgement, judge, mostOf, type Rubric } from '@/core/rules/rubric/rubric';
import { exact, stored } from '@/core/base/exact';
import { MarksInput } from '../parts/MarksInput';
import { marksText } from '../words/marks';

interface Props {
  rubric: Rubric;
  judgement: Judgement;
  /** Marks of the slot, over which the rubric is shared. */
  of: string;
  /** The criterion that a digit judges, by its place. */
  at: number;
  onAt: (at: number) => void;
  onJudge: (judgement: Judgement) => void;
}

/** What is found for a criterion, put into a judgement. */
export function found(judgement: Judgement, id: string, part: Partial<Judgement[string]>): Judgement {
  return { ...judgement, [id]: { level: null, marks: null, remark: '', ...judgement[id], ...part } };
}

/** A rubric while one marks by it: each criterion with its levels, what is found so far, and what it comes to. */
export function RubricMarking({ rubric, judgement, of, at, onAt, onJudge }: Props) {
  const { share, earned, of: most, open, failed } = judge(rubric, judgement);
  return (
    <div className="rubric-marking">
      {rubric.criteria.map((one, i) => {
        const mine = judgement[one.id];
        return (
          <fieldset key={one.id} className={i === at ? 'now' : ''} onFocus={() => onAt(i)}>
            <legend>
              {one.title} <span className="soft">of {marksText(stored(mostOf(rubric, one)))}</span>
              {one.must !== null && <span className="hand"> must reach {rubric.levels[one.must]?.name}</span>}
            </legend>
            {rubric.look === 'single' ? (
              <>
                <p className="soft mb-1">{one.cells[0]?.words}</p>
                <MarksInput
                  marks={mine?.marks ?? ''}
                  label={`Marks for ${one.title}`}
                  onChange={(marks) => onJudge(found(judgement, one.id, { marks }))}
                />
              </>
            ) : (
              one.cells.map((cell, level) => (
                <button
                  key={level}
                  type="button"
                  aria-pressed={mine?.level === level}
                  onClick={() => onJudge(found(judgement, one.id, { level }))}
                >
                  <kbd>{level + 1}</kbd>
                  <span>
                    <strong>{rubric.levels[level]?.name}</strong> {cell.words}
                  </span>
                  <span className="num wrong">
                    {marksText(stored(cellMarks(rubric, one, level).mul(exact(one.weight))))}
                  </span>
                </button>
              ))
            )}
            <input
              className="form-control form-control-sm"
              aria-label={`Remark on ${one.title}`}
              placeholder="remark on this"
              maxLength={1000}
              value={mine?.remark ?? ''}
              onChange={(e) => onJudge(found(judgement, one.id, { remark: e.target.value }))}
            />
          </fieldset>
        );
      })}
      <p className="sum" role="status">
        {marksText(stored(earned))} of {marksText(stored(most))}
        {share ? (
          <strong className="wrong">
            {' '}
            = {marksText(stored(share.mul(exact(of))))} of {marksText(of)} marks
          </strong>
        ) : (
          <span className="soft"> so far, {open.length} open</span>
        )}
        {failed && <span className="hand d-block">“{failed}” is not reached: nothing is earned.</span>}
      </p>
    </div>
  );
}

'use client';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { exact, stored } from '@/core/base/exact';
import { type PointSet, pointLabel } from '@/core/rules/text/points';
import { pointsOfModel, readScheme } from '@/core/rules/text/scheme';
import { wordingsText } from '@/core/rules/text/wording-text';
import type { Forgives } from '@/core/rules/text/words';
import { Dialog } from '../parts/Dialog';
import { marksText, plural } from '../words/marks';

interface Props {
  /** The marks of the slot, which the points share. */
  marks: string;
  onTake: (sets: PointSet[], language: Forgives['endings']) => void;
  onClose: () => void;
}

/** A scheme or a model answer pasted as text, beside the points that it becomes. */
export function PasteScheme({ marks, onTake, onClose }: Props) {
  const [pasted, setPasted] = useState('');
  const [model, setModel] = useState(false);
  const read = useMemo(() => (model ? pointsOfModel(pasted) : readScheme(pasted)), [pasted, model]);
  const count = read.sets.reduce((n, { points }) => n + points.length, 0);
  return (
    <Dialog
      title="Points from a text"
      size="xl"
      onClose={onClose}
      acts={
        <Button disabled={count === 0} onClick={() => onTake(read.sets, read.language)}>
          Make {count === 0 ? 'these points' : plural(count, 'point')}
        </Button>
      }
    >
      <div className="pasted-scheme">
        <div>
          <div className="line" role="group" aria-label="What it is">
            <label className="d-flex gap-2">
              <input type="radio" className="form-check-input" checked={!model} onChange={() => setModel(false)} />a
              marking scheme
            </label>
            <label className="d-flex gap-2">
              <input type="radio" className="form-check-input" checked={model} onChange={() => setModel(true)} />a model
              answer
            </label>
          </div>
          <textarea
            className="form-control"
            rows={16}
            autoFocus
            aria-label={model ? 'The model answer' : 'The marking scheme'}
            placeholder={
              model
                ? 'The wake slows the wind. So the second turbine gets less power.'
                : 'P1 slower wind / less wind (1)\n   Accept: wake, shadow\n   Do not accept: friction\nAny two from:\n- …'
            }
            maxLength={100_000}
            value={pasted}
            onChange={(e) => setPasted(e.target.value)}
          />
        </div>
        <div aria-live="polite">
          {count === 0 && <p className="soft">The points appear here, to be looked over before they are made.</p>}
          {read.sets.map((set, s) => (
            <section key={s}>
              {set.most !== null && <p className="soft">at most {set.most} of these:</p>}
              <ol>
                {set.points.map((point) => (
                  <li key={point.id}>
                    <strong>{marksText(stored(exact(point.share).mul(exact(marks))))}</strong> for{' '}
                    {point.name !== '' && <em>{pointLabel(point)}: </em>}
                    {wordingsText(point.accept)}
                    {point.half.length > 0 && <span className="soft"> · half for {wordingsText(point.half)}</span>}
                    {point.refuse.length > 0 && <span className="soft"> · not with {wordingsText(point.refuse)}</span>}
                  </li>
                ))}
              </ol>
            </section>
          ))}
          {count > 0 && !exact(read.marks).equals(exact(marks)) && !model && (
            <p className="hand">
              The text comes to {marksText(read.marks)}, the slot to {marksText(marks)}: the points share the marks of
              the slot.
            </p>
          )}
          {read.left.length > 0 && (
            <>
              <p className="soft mb-1">Left out, because it is no point:</p>
              <ul className="soft">
                {read.left.slice(0, 20).map((line, i) => (
                  <li key={i}>{line}</li>
                ))}
              </ul>
            </>
          )}
        </div>
      </div>
    </Dialog>
  );
}

'use client';
import { X } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { type Point, pointLabel } from '@/core/rules/text/points';
import type { Forgives } from '@/core/rules/text/words';
import { ShareInput } from '../parts/ShareInput';
import { WordingsInput } from './WordingsInput';
import { WordsInput } from './WordsInput';

interface Props {
  point: Point;
  /** From 1, over all points of the rule. */
  number: number;
  marks: string;
  language: Forgives['endings'];
  /** Those that this one may depend on. */
  others: readonly Point[];
  onChange: (part: Partial<Point>) => void;
  /** Left out where it has to stay. */
  onTakeOut?: () => void;
}

/** One line of a marking scheme: so much for one of these; folded away, what is half accepted, refused, and when it counts. */
export function PointRow({ point, number, marks, language, others, onChange, onTakeOut }: Props) {
  const finer = isFine(point);
  return (
    <div className="point-row d-grid gap-1">
      <div className="line">
        <ShareInput
          share={point.share}
          marks={marks}
          label={`Marks of point ${number}`}
          onChange={(share) => onChange({ share })}
        />
        <span>for</span>
        <input
          className="form-control"
          aria-label={`Name of point ${number}`}
          placeholder={`point ${number}`}
          maxLength={120}
          value={point.name}
          onChange={(e) => onChange({ name: e.target.value })}
        />
        {onTakeOut && (
          <Button variant="quiet" aria-label={`Take point ${number} out`} onClick={onTakeOut}>
            <X size={14} />
          </Button>
        )}
      </div>
      <WordingsInput
        wordings={point.accept}
        label={`Accepted for point ${number}`}
        synonyms
        language={language}
        onRefuse={(wording) => !point.refuse.includes(wording) && onChange({ refuse: [...point.refuse, wording] })}
        onChange={(accept) => onChange({ accept })}
      />
      <details open={finer}>
        <summary>{finer ? 'conditions' : 'refuse, half, conditions'}</summary>
        <div className="d-grid gap-1">
          <label className="d-grid">
            not with
            <WordingsInput
              wordings={point.refuse}
              label={`Refused for point ${number}`}
              placeholder="takes this point only"
              onChange={(refuse) => onChange({ refuse })}
            />
          </label>
          <label className="d-grid">
            half of it for
            <WordingsInput
              wordings={point.half}
              label={`Half accepted for point ${number}`}
              placeholder="half right; nearly"
              onChange={(half) => onChange({ half })}
            />
          </label>
          <label className="line">
            it has to be
            <select
              className="form-select"
              aria-label={`Said or denied: point ${number}`}
              value={point.polarity}
              onChange={(e) => onChange({ polarity: e.target.value as Point['polarity'] })}
            >
              <option value="said">said</option>
              <option value="denied">denied</option>
              <option value="either">said or denied</option>
            </select>
          </label>
          {others.length > 0 && (
            <label className="line">
              counts
              <select
                className="form-select"
                aria-label={`Counts only with: point ${number}`}
                value={point.onlyIf ?? ''}
                onChange={(e) => onChange({ onlyIf: e.target.value === '' ? null : e.target.value })}
              >
                <option value="">by itself</option>
                {others.map((other) => (
                  <option key={other.id} value={other.id}>
                    only with “{pointLabel(other)}”
                  </option>
                ))}
              </select>
            </label>
          )}
          <label className="d-grid">
            only under the heading
            <WordsInput
              words={point.under}
              label={`Heading of point ${number}`}
              placeholder="anywhere"
              onChange={(under) => onChange({ under: under.slice(0, 20) })}
            />
          </label>
        </div>
      </details>
    </div>
  );
}

/** Whether more is said of a point than what is accepted. */
function isFine({ half, refuse, polarity, onlyIf, under }: Point): boolean {
  return half.length + refuse.length + under.length > 0 || polarity !== 'said' || onlyIf !== null;
}

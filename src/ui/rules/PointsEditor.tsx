'use client';
import { ClipboardPaste, Plus } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { type Point, pointOf, pointsIn, type PointSet, type PointsRule, setOf } from '@/core/rules/text/points';
import { freshPointId, withPoint } from '@/core/rules/text/scheme-edit';
import type { Forgives } from '@/core/rules/text/words';
import { CheckLine } from '../parts/CheckLine';
import { CountInput } from '../parts/CountInput';
import { PasteScheme } from './PasteScheme';
import { PointRow } from './PointRow';
import { WordingsInput } from './WordingsInput';

interface Props {
  rule: PointsRule;
  marks: string;
  /** The language whose endings are forgiven. */
  language: Forgives['endings'];
  onChange: (rule: PointsRule, language?: Forgives['endings']) => void;
}

/** The points of a scheme, a line each; and how they count together. */
export function PointsEditor({ rule, marks, language, onChange }: Props) {
  const [pasting, setPasting] = useState(false);
  const all = pointsIn(rule);
  const inSet = (s: number, part: Partial<PointSet>): void =>
    onChange({ ...rule, sets: rule.sets.map((set, i) => (i === s ? { ...set, ...part } : set)) });
  const inPoint = (s: number, id: string, part: Partial<Point>): void => {
    const set = rule.sets[s];
    if (set) inSet(s, { points: set.points.map((point) => (point.id === id ? { ...point, ...part } : point)) });
  };
  const takeOut = (s: number, id: string): void => {
    const sets = rule.sets
      .map((set, i) => (i === s ? { ...set, points: set.points.filter((point) => point.id !== id) } : set))
      .filter((set) => set.points.length > 0)
      .map((set) => ({
        ...set,
        points: set.points.map((point) => (point.onlyIf === id ? { ...point, onlyIf: null } : point)),
      }));
    onChange({ ...rule, sets });
  };
  return (
    <>
      {rule.sets.map((set, s) => (
        <div key={set.points[0]?.id ?? s} className="d-grid gap-2">
          {set.points.map((point) => (
            <PointRow
              key={point.id}
              point={point}
              number={all.indexOf(point) + 1}
              marks={marks}
              language={language}
              others={all.filter(({ id }) => id !== point.id)}
              onChange={(part) => inPoint(s, point.id, part)}
              {...(all.length > 1 ? { onTakeOut: () => takeOut(s, point.id) } : {})}
            />
          ))}
          <div>
            <Button variant="quiet" onClick={() => onChange(withPoint(rule, s))}>
              <Plus size={14} /> point
            </Button>
          </div>
          {set.points.length > 1 && <Together set={set} number={s + 1} onChange={(part) => inSet(s, part)} />}
        </div>
      ))}
      <div>
        <Button variant="quiet" onClick={() => setPasting(true)}>
          <ClipboardPaste size={14} /> points from a text…
        </Button>
      </div>
      {pasting && (
        <PasteScheme
          marks={marks}
          onClose={() => setPasting(false)}
          onTake={(sets, read) => {
            setPasting(false);
            onChange({ ...rule, sets }, read);
          }}
        />
      )}
      {all.length > 1 && rule.sets.length < 12 && (
        <div>
          <Button
            variant="quiet"
            onClick={() => onChange({ ...rule, sets: [...rule.sets, setOf([pointOf(freshPointId(rule), [])])] })}
          >
            <Plus size={14} /> points that count together
          </Button>
        </div>
      )}
      <HowWritten />
      <label className="d-grid">
        earns nothing with
        <WordingsInput
          wordings={rule.refuse}
          label="Refused for the whole answer"
          placeholder="nothing"
          onChange={(refuse) => onChange({ ...rule, refuse })}
        />
      </label>
    </>
  );
}

/** The signs that say more of a wording, with what they mean. */
const SIGNS: readonly (readonly [sign: string, means: string])[] = [
  ['wake; shadow', 'either of them'],
  ['wind / air + slower', 'one of the first together with the last'],
  ['5.2 MW', 'this value in any unit of its measure'],
  ['between 12.2 and 12.3', 'any number from the one to the other'],
  ['"ATP"', 'just these signs'],
  ["'planter'", 'this form of the word, no other ending'],
  ['dilat…', 'any ending'],
  ['{load cases}', 'any word of this list'],
  ['pattern: \\d+ rpm', 'a regular expression'],
];

function HowWritten() {
  return (
    <details>
      <summary>how wordings are written</summary>
      <dl className="signs">
        {SIGNS.map(([sign, means]) => (
          <div key={sign}>
            <dt>{sign}</dt>
            <dd>{means}</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}

/** How the points of a set count together. */
function Together({
  set,
  number,
  onChange,
}: {
  set: PointSet;
  number: number;
  onChange: (part: Partial<PointSet>) => void;
}) {
  const { points, least, most, which, apart, wrong } = set;
  const together = least !== 1 || most !== null || apart || wrong.length > 0;
  const counts = points.map((_, i) => i + 1);
  return (
    <details open={together}>
      <summary>how these count together</summary>
      <div className="d-grid gap-1">
        <label className="line">
          they count
          <select
            className="form-select"
            aria-label={`From how many on: set ${number}`}
            value={String(least)}
            onChange={(e) => onChange({ least: e.target.value === 'all' ? 'all' : Number(e.target.value) })}
          >
            {counts.map((count) => (
              <option key={count} value={count}>
                {count === 1 ? 'each by itself' : `from ${count} on`}
              </option>
            ))}
            <option value="all">only all of them</option>
          </select>
        </label>
        <div className="line">
          <label className="line">
            at most
            <CountInput
              count={most}
              least={1}
              most={60}
              optional
              empty="all"
              label={`At most how many: set ${number}`}
              onChange={(count) => onChange({ most: count })}
            />
          </label>
          {most !== null && (
            <select
              className="form-select"
              aria-label={`Which of them: set ${number}`}
              value={which}
              onChange={(e) => onChange({ which: e.target.value as PointSet['which'] })}
            >
              <option value="best">the best</option>
              <option value="first">the first named</option>
            </select>
          )}
        </div>
        <CheckLine checked={apart} onChange={(on) => onChange({ apart: on })}>
          each at a place of its own
        </CheckLine>
        {most !== null && (
          <label className="d-grid">
            where more is named, one less for
            <WordingsInput
              wordings={wrong}
              label={`Wrong items: set ${number}`}
              placeholder="wrong; wrong too"
              onChange={(list) => onChange({ wrong: list })}
            />
          </label>
        )}
      </div>
    </details>
  );
}

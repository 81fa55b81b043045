import Button from 'react-bootstrap/Button';
import type { ExamPlan, Placement } from '@/core/exams/plan';
import { sectionLetter } from '@/core/exams/numbering';
import { ActMenu } from '../parts/ActMenu';
import { MarksInput } from '../parts/MarksInput';
import { plural } from '../words/marks';
import { changedItems, movedItems, withoutItems } from './plan-moves';

interface Props {
  plan: ExamPlan;
  chosen: ReadonlySet<string>;
  change: (next: (plan: ExamPlan) => ExamPlan, tag?: string) => void;
  onClose: () => void;
}

/** What can be done with the chosen questions of a plan, all at once. */
export function ChosenRows({ plan, chosen, change, onClose }: Props) {
  const rows = plan.sections.flatMap((s) => s.items).filter(({ id }) => chosen.has(id));
  const [only] = rows;
  if (!only) return null;
  const edit = (part: Partial<Placement>, tag?: string): void => change((p) => changedItems(p, chosen, part), tag);
  const marks = rows.every((row) => row.marks === only.marks) ? only.marks : null;
  const all = (is: (row: Placement) => boolean): boolean => rows.every(is);
  return (
    <div className="chosen-rows" role="group" aria-label="The chosen questions">
      <strong>{plural(rows.length, 'question')}</strong>
      <label className="d-flex gap-2 align-items-center">
        marks each
        <MarksInput
          label="Marks of each chosen question; empty for its own"
          marks={marks ?? ''}
          onChange={(each) => edit({ marks: each }, 'chosen marks')}
          onEmpty={() => edit({ marks: null })}
        />
      </label>
      {rows.length === 1 && (
        <label className="d-flex gap-2 align-items-center">
          number
          <input
            className="form-control form-control-sm"
            style={{ width: 66 }}
            aria-label="Its own number; empty to be counted"
            placeholder="own"
            value={only.number ?? ''}
            maxLength={12}
            onChange={(e) => edit({ number: e.target.value.trimStart() || undefined }, 'chosen number')}
            onBlur={() => only.number?.trim() !== only.number && edit({ number: only.number?.trim() || undefined })}
          />
        </label>
      )}
      <Toggle on={all((row) => row.part === true)} onClick={(on) => edit({ part: on || undefined })}>
        {rows.length === 1 ? 'part of the one above' : 'parts of the one above'}
      </Toggle>
      <Toggle on={all((row) => row.bonus)} onClick={(on) => edit({ bonus: on })}>
        bonus
      </Toggle>
      {plan.sections.length > 1 && (
        <ActMenu
          words="move to…"
          choices={plan.sections.map(({ id, title }, i) => ({ value: id, words: `${sectionLetter(i)} ${title}` }))}
          onChoose={(value) => change((p) => movedItems(p, chosen, value))}
        />
      )}
      <Button
        variant="quiet"
        onClick={() => {
          change((p) => withoutItems(p, chosen));
          onClose();
        }}
      >
        Take out
      </Button>
      <Button variant="quiet" className="away" aria-label="Choose none" onClick={onClose}>
        ×
      </Button>
    </div>
  );
}

function Toggle({ on, onClick, children }: { on: boolean; onClick: (on: boolean) => void; children: string }) {
  return (
    <Button size="sm" variant={on ? 'primary' : 'outline-primary'} aria-pressed={on} onClick={() => onClick(!on)}>
      {children}
    </Button>
  );
}

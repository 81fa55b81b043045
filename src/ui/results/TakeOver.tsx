'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { boundariesElsewhereAction, dropBoundarySetAction, keepBoundarySetAction } from '@/actions/results';
import type { TakenFrom } from '@/server/results/boundary-sets';
import type { Boundaries } from '@/core/results/policy';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { dayOnly } from '../words/time';
import { replyTo } from '../parts/reply-to';

interface Props {
  sitting: string;
  boundaries: Boundaries;
  change: (next: (b: Boundaries) => Boundaries) => void;
}

type TakenOver = Pick<Boundaries, 'ranges' | 'grades'>;

const inWords = ({ ranges, grades }: TakenOver): string =>
  `${plural(ranges.length, 'range')}, ${plural(grades.length, 'grade')}`;

/** Ranges, texts and grades taken over from a set of the department or another sitting, or kept as a set; the pass mark stays. */
export function TakeOver({ sitting, boundaries, change }: Props) {
  const [elsewhere, setElsewhere] = useState<TakenFrom | null>(null);
  const [keeping, setKeeping] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const close = (): void => setElsewhere(null);
  const take = ({ ranges, grades }: TakenOver): void => {
    change((b) => ({ ...b, ranges, grades }));
    close();
  };
  const open = async (): Promise<void> => {
    const found = await replyTo(boundariesElsewhereAction(sitting));
    setTrouble(found.ok ? null : refusalText(found.refusal));
    if (found.ok) setElsewhere(found.value);
  };
  const drop = async (id: string): Promise<void> => {
    const result = await replyTo(dropBoundarySetAction(id));
    if (result.ok) await open();
    else setTrouble(refusalText(result.refusal));
  };
  return (
    <div className="mt-2 d-flex gap-4">
      {!elsewhere && <Trouble>{trouble}</Trouble>}
      <button type="button" className="btn-link-plain" aria-haspopup="dialog" onClick={() => void open()}>
        Take ranges and grades over…
      </button>
      <button type="button" className="btn-link-plain" aria-haspopup="dialog" onClick={() => setKeeping(true)}>
        Keep these for the department…
      </button>
      {elsewhere && (
        <Dialog title="Take ranges and grades over" onClose={close}>
          <Trouble>{trouble}</Trouble>
          <p className="soft">The pass mark stays where it is. Undo brings back what stands now.</p>
          <h3 className="fs-6 fw-bold">Sets of the department</h3>
          {elsewhere.sets.length === 0 && <p className="soft">Nobody has kept one yet.</p>}
          <ul className="list-unstyled">
            {elsewhere.sets.map((set) => (
              <li key={set.id} className="d-flex gap-2 align-items-baseline">
                <button type="button" className="btn-link-plain" onClick={() => take(set)}>
                  {set.name}
                </button>
                <span className="soft me-auto">
                  {inWords(set)}, kept by {set.by}
                </span>
                {set.own && (
                  <Button
                    variant="quiet"
                    size="sm"
                    aria-label={`Take the set ${set.name} out`}
                    onClick={() => void drop(set.id)}
                  >
                    ×
                  </Button>
                )}
              </li>
            ))}
          </ul>
          <h3 className="fs-6 fw-bold">Other sittings</h3>
          {elsewhere.sittings.length === 0 && <p className="soft mb-0">There is no other.</p>}
          <ul className="list-unstyled mb-0">
            {elsewhere.sittings.map((other) => (
              <li key={other.id}>
                <button type="button" className="btn-link-plain" onClick={() => take(other)}>
                  {other.course} {other.title}
                </button>{' '}
                <span className="soft">
                  {dayOnly(other.opensAt)}, {inWords(other)}
                </span>
              </li>
            ))}
          </ul>
        </Dialog>
      )}
      {keeping && <KeepSet boundaries={boundaries} onClose={() => setKeeping(false)} />}
    </div>
  );
}

/** Keeps the ranges and grades that stand now under a name. */
function KeepSet({ boundaries: { ranges, grades }, onClose }: Pick<Props, 'boundaries'> & { onClose: () => void }) {
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const keep = async (): Promise<void> => {
    const result = await replyTo(keepBoundarySetAction({ name, ranges, grades }));
    if (result.ok) onClose();
    else setTrouble(refusalText(result.refusal));
  };
  return (
    <Dialog
      title={`Keep ${inWords({ ranges, grades })} for the department`}
      onClose={onClose}
      onSubmit={() => void keep()}
      acts={<Button type="submit">Keep them</Button>}
    >
      <label className="d-block">
        Under which name
        <input
          className="form-control mt-1"
          value={name}
          maxLength={60}
          autoFocus
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <p className="soft mt-2 mb-0">Your own set of this name is replaced.</p>
      <Trouble>{trouble}</Trouble>
    </Dialog>
  );
}

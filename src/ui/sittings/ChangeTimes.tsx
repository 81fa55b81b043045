'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { changeTimesAction } from '@/actions/sittings';
import type { Refusal } from '@/core/base/result';
import type { LateRule } from '@/core/sittings/late';
import type { WatchedSitting } from '@/server/sittings/watch';
import { CountInput } from '../parts/CountInput';
import { Dialog } from '../parts/Dialog';
import { refusalText } from '../words/refusals';
import { forField, fromField } from '../words/time';
import { Trouble } from '../parts/Trouble';
import { type Due, LateWords } from './LateWords';
import { replyTo } from '../parts/reply-to';

/** When a sitting opens and ends, and how long each has: changed before it or while it runs. */
export function ChangeTimes({
  sitting,
  zone,
  late,
  onClose,
}: {
  sitting: WatchedSitting;
  zone: string;
  /** What the department has agreed that lateness costs. */
  late: LateRule | null;
  onClose: () => void;
}) {
  const [opens, setOpens] = useState(forField(sitting.opensAt, zone));
  const [closes, setCloses] = useState(forField(sitting.closesAt, zone));
  const [minutes, setMinutes] = useState(sitting.minutes);
  const [due, setDue] = useState<Due>({
    at: sitting.dueAt === null ? '' : forField(sitting.dueAt, zone),
    rule: sitting.late,
  });
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const keep = async (): Promise<void> => {
    // An untouched time keeps its seconds.
    const at = (typed: string, before: number): number =>
      typed === forField(before, zone) ? before : fromField(typed, zone);
    const result = await replyTo(
      changeTimesAction({
        sitting: sitting.id,
        opensAt: at(opens, sitting.opensAt),
        closesAt: at(closes, sitting.closesAt),
        minutes,
        dueAt: due.at === '' ? null : sitting.dueAt === null ? fromField(due.at, zone) : at(due.at, sitting.dueAt),
        late: due.rule,
      }),
    );
    if (result.ok) onClose();
    else setRefusal(result.refusal);
  };
  return (
    <Dialog title="Times of this sitting" onClose={onClose} acts={<Button onClick={keep}>Change them</Button>}>
      <label className="form-label" htmlFor="opens">
        They may start from
      </label>
      <input
        id="opens"
        type="datetime-local"
        className="form-control mb-3"
        value={opens}
        onChange={(e) => setOpens(e.target.value)}
      />
      <label className="form-label" htmlFor="closes">
        It ends for all at
      </label>
      <input
        id="closes"
        type="datetime-local"
        className="form-control mb-3"
        value={closes}
        onChange={(e) => setCloses(e.target.value)}
      />
      <div className="fact-line mb-2">
        <CountInput
          label="Minutes for each"
          count={minutes}
          least={1}
          most={1440}
          onChange={(count) => count !== null && setMinutes(count)}
        />
        minutes for each who has not begun
      </div>
      <LateWords due={due} closes={closes} agreed={late} onChange={setDue} />
      <p className="soft mt-3 mb-0">Times of the department, {zone}.</p>
      {refusal && <Trouble>{refusalText(refusal)}</Trouble>}
    </Dialog>
  );
}

'use client';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { keepRubricAction, listRubricsAction } from '@/actions/rubrics';
import { freshRubric, type Rubric } from '@/core/rules/rubric/rubric';
import type { KeptRubric } from '@/server/bank/rubrics';
import { Dialog } from '../parts/Dialog';
import { plainCopy } from '../parts/plain-copy';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { LOOKS } from './looks';
import { RubricEditor } from './RubricEditor';
import { replyTo } from '../parts/reply-to';

interface Props {
  rubric: Rubric | undefined;
  /** The bank of the question, in which a rubric can be kept. */
  bank: string;
  onChange: (rubric: Rubric | undefined) => void;
}

/** The rubric of a slot: none, one written here, or a copy of one of the bank. */
export function RubricNote({ rubric, bank, onChange }: Props) {
  const [open, setOpen] = useState<'choose' | 'edit' | null>(null);
  return (
    <span className="d-inline-flex gap-2 align-items-baseline">
      {rubric ? (
        <>
          Rubric:
          <button type="button" className="btn-link-plain" aria-haspopup="dialog" onClick={() => setOpen('edit')}>
            {rubric.title || LOOKS[rubric.look]}, {plural(rubric.criteria.length, 'criterion', 'criteria')}
          </button>
          <Button variant="quiet" className="small-act" onClick={() => onChange(undefined)}>
            Take off
          </Button>
        </>
      ) : (
        <Button variant="quiet" aria-haspopup="dialog" onClick={() => setOpen('choose')}>
          Mark by a rubric…
        </Button>
      )}
      {open === 'choose' && (
        <ChooseRubric
          onClose={() => setOpen(null)}
          onPick={(picked) => {
            onChange(picked);
            setOpen('edit');
          }}
        />
      )}
      {open === 'edit' && rubric && (
        <EditRubric rubric={rubric} bank={bank} onChange={onChange} onClose={() => setOpen(null)} />
      )}
    </span>
  );
}

function ChooseRubric({ onPick, onClose }: { onPick: (rubric: Rubric) => void; onClose: () => void }) {
  const [kept, setKept] = useState<KeptRubric[] | null>(null);
  useEffect(() => {
    void replyTo(listRubricsAction()).then((found) => found.ok && setKept(found.value));
  }, []);
  return (
    <Dialog title="A rubric for this slot" onClose={onClose}>
      <ul className="list-unstyled">
        {(Object.keys(LOOKS) as Rubric['look'][]).map((look) => (
          <li key={look}>
            <Button variant="quiet" onClick={() => onPick(freshRubric(look))}>
              Write one: {LOOKS[look]}
            </Button>
          </li>
        ))}
        {(kept ?? []).map(({ id, rubric, bankName }) => (
          <li key={id}>
            <Button variant="quiet" onClick={() => onPick(rubric)}>
              {rubric.title || LOOKS[rubric.look]} <span className="soft">a copy, from {bankName}</span>
            </Button>
          </li>
        ))}
      </ul>
      {kept === null && <p role="status">Looking for rubrics…</p>}
    </Dialog>
  );
}

function EditRubric({
  rubric,
  bank,
  onChange,
  onClose,
}: {
  rubric: Rubric;
  bank: string;
  onChange: (rubric: Rubric) => void;
  onClose: () => void;
}) {
  const [said, setSaid] = useState<string | null>(null);
  const keep = async (): Promise<void> => {
    const result = await replyTo(keepRubricAction(plainCopy({ bank, rubric })));
    setSaid(result.ok ? 'A copy is in the bank now.' : refusalText(result.refusal));
  };
  return (
    <Dialog
      title="Rubric"
      out="Done"
      size="xl"
      onClose={onClose}
      acts={
        <>
          {said && <span role="status">{said}</span>}
          <Button variant="outline-primary" onClick={keep}>
            Keep a copy in the bank
          </Button>
        </>
      }
    >
      <RubricEditor rubric={rubric} onChange={(next) => onChange(next)} />
    </Dialog>
  );
}

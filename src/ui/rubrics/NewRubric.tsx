'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { keepRubricAction } from '@/actions/rubrics';
import { freshRubric, type Rubric } from '@/core/rules/rubric/rubric';
import type { BankShelf } from '@/server/bank/shelves';
import { Dialog } from '../parts/Dialog';
import { plainCopy } from '../parts/plain-copy';
import { refusalText } from '../words/refusals';
import { LOOKS } from './looks';
import { Trouble } from '../parts/Trouble';
import { replyTo } from '../parts/reply-to';

/** Begins a rubric in a bank: its name and its sort; the rest is written on its own sheet. */
export function NewRubric({ shelves }: { shelves: BankShelf[] }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [title, setTitle] = useState('');
  const [look, setLook] = useState<Rubric['look']>('grid');
  const [bank, setBank] = useState(shelves[0]?.id ?? '');
  const [trouble, setTrouble] = useState<string | null>(null);
  const make = async (): Promise<void> => {
    const result = await replyTo(keepRubricAction(plainCopy({ bank, rubric: { ...freshRubric(look), title } })));
    if (result.ok) router.push(`/bank/rubrics/${result.value.id}`);
    else setTrouble(refusalText(result.refusal));
  };
  return (
    <>
      <Button aria-haspopup="dialog" onClick={() => setOpen(true)} disabled={shelves.length === 0}>
        New rubric
      </Button>
      {open && (
        <Dialog title="New rubric" onClose={() => setOpen(false)} acts={<Button onClick={make}>Begin it</Button>}>
          <label className="form-label" htmlFor="rubric-title">
            Name
          </label>
          <input
            id="rubric-title"
            className="form-control mb-3"
            maxLength={200}
            autoFocus
            value={title}
            onChange={(e) => setTitle(e.target.value)}
            onKeyDown={(e) => e.key === 'Enter' && make()}
          />
          {(Object.keys(LOOKS) as Rubric['look'][]).map((name) => (
            <label key={name} className="d-flex gap-2 mb-1">
              <input
                type="radio"
                name="look"
                className="form-check-input"
                checked={look === name}
                onChange={() => setLook(name)}
              />
              {LOOKS[name]}
            </label>
          ))}
          <label className="form-label mt-3" htmlFor="rubric-bank">
            In the bank
          </label>
          <select id="rubric-bank" className="form-select" value={bank} onChange={(e) => setBank(e.target.value)}>
            {shelves.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
          <Trouble>{trouble}</Trouble>
        </Dialog>
      )}
    </>
  );
}

'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { saveBankAction } from '@/actions/bank';
import type { BankShelf } from '@/server/bank/shelves';
import { refusalText } from '../words/refusals';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { CheckLine } from '../parts/CheckLine';
import { replyTo } from '../parts/reply-to';

interface Props {
  /** Null makes a new bank. */
  shelf: BankShelf | null;
  colleagues: { id: string; name: string }[];
  onClose: () => void;
}

/** A bank's name, whom it is shared with, and whether review is required. */
export function BankSettings({ shelf, colleagues, onClose }: Props) {
  const router = useRouter();
  const [name, setName] = useState(shelf?.name ?? '');
  const [share, setShare] = useState(shelf?.share ?? 'department');
  const [named, setNamed] = useState(shelf?.named ?? []);
  const [reviewRequired, setReviewRequired] = useState(shelf?.reviewRequired ?? false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const save = async (): Promise<void> => {
    const saved = await replyTo(saveBankAction({ id: shelf?.id ?? null, name, share, named, reviewRequired }));
    if (!saved.ok) return setTrouble(refusalText(saved.refusal));
    onClose();
    router.push(`/bank?bank=${saved.value.id}`);
    router.refresh();
  };
  return (
    <Dialog
      title={shelf ? 'This bank' : 'A new bank'}
      onClose={onClose}
      onSubmit={() => void save()}
      acts={<Button type="submit">{shelf ? 'Keep it so' : 'Make it'}</Button>}
    >
      <label className="form-label" htmlFor="bank-name">
        Name
      </label>
      <input
        id="bank-name"
        className="form-control mb-2"
        maxLength={80}
        required
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      <Trouble>{trouble}</Trouble>
      <label className="form-label" htmlFor="bank-share">
        Who sees it and writes in it
      </label>
      <select
        id="bank-share"
        className="form-select mb-2"
        value={share}
        onChange={(e) => setShare(e.target.value as BankShelf['share'])}
      >
        <option value="department">every teacher of the department</option>
        <option value="named">only colleagues I name</option>
        <option value="private">only me</option>
      </select>
      {share === 'named' && (
        <fieldset className="mb-2">
          <legend className="visually-hidden">Colleagues</legend>
          {colleagues.map((c) => (
            <CheckLine
              key={c.id}
              checked={named.includes(c.id)}
              onChange={(on) => setNamed(on ? [...named, c.id] : named.filter((id) => id !== c.id))}
            >
              {c.name}
            </CheckLine>
          ))}
        </fieldset>
      )}
      <CheckLine checked={reviewRequired} onChange={setReviewRequired}>
        Exams take its questions only after a colleague has agreed to them
      </CheckLine>
    </Dialog>
  );
}

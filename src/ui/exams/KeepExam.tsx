import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { keepExamAction } from '@/actions/exams';
import type { Refusal } from '@/core/base/result';
import type { OpenExam } from '@/server/exams/exams';
import { TakeOutSealed } from '../exchange/TakeOutSealed';
import { CheckLine } from '../parts/CheckLine';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { replyTo } from '../parts/reply-to';

interface Props {
  exam: OpenExam;
  colleagues: readonly { id: string; name: string }[];
  zone: string;
  onClose: () => void;
}

/** Whose an exam is, whether it is locked, and whether it is in the archive. */
export function KeepExam({ exam, colleagues, zone, onClose }: Props) {
  const [owner, setOwner] = useState(exam.owner.id);
  /** As it was set here; the page comes a moment later. */
  const [set, setSet] = useState({ locked: exam.locked, archived: exam.archived });
  const [asFile, setAsFile] = useState(false);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [shared, setShared] = useState(exam.sharedWith);
  const share = (sharedWith: string[] | null): void => {
    setShared(sharedWith);
    void keep({ sharedWith });
  };
  const keep = async (change: {
    locked?: boolean;
    archived?: boolean;
    owner?: string;
    sharedWith?: string[] | null;
  }): Promise<void> => {
    const before = set;
    setSet({ locked: change.locked ?? set.locked, archived: change.archived ?? set.archived });
    const result = await replyTo(keepExamAction({ exam: exam.id, ...change }));
    setRefusal(result.ok ? null : result.refusal);
    if (!result.ok) setSet(before);
    else if (change.owner !== undefined) onClose();
  };
  if (asFile) return <TakeOutSealed what="exam" id={exam.id} title={exam.plan.title} zone={zone} onClose={onClose} />;
  return (
    <Dialog
      title="Keeping this exam"
      onClose={onClose}
      out="Done"
      acts={
        <Button variant="outline-primary" onClick={() => setAsFile(true)}>
          As a file…
        </Button>
      }
    >
      <CheckLine checked={set.locked} onChange={(locked) => void keep({ locked })}>
        locked: nobody changes it, and everybody may take a copy
      </CheckLine>
      <CheckLine className="mt-2" checked={set.archived} onChange={(archived) => void keep({ archived })}>
        in the archive: out of the list, and not to be scheduled; its sittings stay
      </CheckLine>
      <CheckLine className="mt-2" checked={shared !== null} onChange={(some) => share(some ? [] : null)}>
        shared with some only: nobody else but the lead finds or opens it
      </CheckLine>
      {shared !== null && (
        <div className="ms-4" role="group" aria-label="Shared with">
          {colleagues
            .filter(({ id }) => id !== exam.owner.id)
            .map(({ id, name }) => (
              <CheckLine
                key={id}
                checked={shared.includes(id)}
                onChange={(on) => share(on ? [...shared, id] : shared.filter((one) => one !== id))}
              >
                {name}
              </CheckLine>
            ))}
        </div>
      )}
      <label className="form-label mt-3" htmlFor="owner">
        Whose it is
      </label>
      <div className="d-flex gap-2">
        <select id="owner" className="form-select" value={owner} onChange={(e) => setOwner(e.target.value)}>
          {colleagues.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <Button
          variant="outline-primary"
          className="text-nowrap"
          disabled={owner === exam.owner.id}
          onClick={() => void keep({ owner })}
        >
          Hand it over
        </Button>
      </div>
      {refusal && <Trouble>{refusalText(refusal)}</Trouble>}
    </Dialog>
  );
}

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Refusal, Result } from '@/core/base/result';
import { Dialog } from '../parts/Dialog';
import { saveFile } from '../parts/save-file';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { fromField } from '../words/time';

interface Props {
  /** An exam, or the answers that were handed in to one in a sitting. */
  what: 'exam' | 'answers';
  id: string;
  title: string;
  /** The department's time zone, in which the time is meant. */
  zone: string;
  onClose: () => void;
}

/** An exam or answers as a file that opens with a word alone. */
export function TakeOutSealed({ what, id, title, zone, onClose }: Props) {
  const [word, setWord] = useState('');
  const [opens, setOpens] = useState('');
  const [busy, setBusy] = useState(false);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const take = async (): Promise<void> => {
    setBusy(true);
    setRefusal(null);
    try {
      const response = await fetch('/api/sealed/take-out', {
        method: 'POST',
        body: JSON.stringify({ what, id, word, opensAt: opens === '' ? null : fromField(opens, zone) }),
      });
      if (response.headers.get('Content-Type')?.includes('json')) {
        const result = (await response.json()) as Result<never>;
        if (!result.ok) setRefusal(result.refusal);
      } else saveFile(await response.blob(), `${title.replace(/[^\p{L}\p{N} -]/gu, '').trim() || what}.zonda`);
    } catch {
      setRefusal({ code: 'not-reached' });
    }
    setBusy(false);
  };
  return (
    <Dialog
      title={what === 'exam' ? 'The exam as a file' : 'The answers as a file'}
      onClose={onClose}
      out="Done"
      acts={
        <Button disabled={busy || word.trim().length < 10} onClick={() => void take()}>
          {busy ? 'Sealing…' : 'Take it out'}
        </Button>
      }
    >
      <p className="soft">
        {what === 'exam'
          ? 'With all of its questions, keys and pictures, for another installation. Nobody reads it without the word.'
          : 'With names and everything that was handed in, for those who sent the exam. Nobody reads it without the word.'}
      </p>
      <label className="form-label" htmlFor="seal-word">
        The word that opens it <span className="soft">10 signs or more; tell it another way than the file</span>
      </label>
      <input
        id="seal-word"
        className="form-control mb-3"
        autoComplete="off"
        maxLength={200}
        value={word}
        onChange={(e) => setWord(e.target.value)}
      />
      {what === 'exam' && (
        <>
          <label className="form-label" htmlFor="seal-opens">
            Not to be opened before <span className="soft">whenever, when left empty</span>
          </label>
          <input
            id="seal-opens"
            type="datetime-local"
            className="form-control"
            style={{ width: 240 }}
            value={opens}
            onChange={(e) => setOpens(e.target.value)}
          />
        </>
      )}
      {refusal && <Trouble className="mt-2">{refusalText(refusal)}</Trouble>}
    </Dialog>
  );
}

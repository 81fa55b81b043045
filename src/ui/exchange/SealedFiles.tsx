'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { openSealedAction, removeSealedAction } from '@/actions/exams';
import type { Result } from '@/core/base/result';
import type { SealedFile } from '@/server/exchange/sealed-files';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { dayAndTime } from '../words/time';
import { replyTo } from '../parts/reply-to';

interface Named {
  id: string;
  name: string;
}

interface Props {
  files: SealedFile[];
  /** Where the questions of an exam can go, and which courses answers can be of. */
  banks: Named[];
  courses: Named[];
  zone: string;
}

/** Sealed files: loaded beforehand, and opened with their word. */
export function SealedFiles({ files, banks, courses, zone }: Props) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const load = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setBusy(true);
    setTrouble(null);
    try {
      const response = await fetch('/api/sealed', { method: 'POST', body: file });
      const result = (await response.json()) as Result<{ id: string }>;
      if (result.ok) router.refresh();
      else setTrouble(refusalText(result.refusal));
    } catch {
      setTrouble('The file could not be sent. Look at the connection and choose it again.');
    }
    setBusy(false);
  };
  return (
    <div className="page" style={{ maxWidth: 820 }}>
      <section className="sheet plain" aria-label="Load a file">
        <label className="form-label" htmlFor="sealed-file">
          A sealed exam, or answers that come back
        </label>
        <input
          id="sealed-file"
          type="file"
          className="form-control"
          accept=".zonda"
          disabled={busy}
          onChange={(e) => {
            void load(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
        <Trouble className="mt-2">{trouble}</Trouble>
        <p className="soft mt-2 mb-0">
          It can be loaded days before. What is in it stays unread until somebody opens it with its word, not before the
          time that is said in it.
        </p>
      </section>
      {files.map((file) => (
        <OneFile key={file.id} file={file} into={file.holds === 'exam' ? banks : courses} zone={zone} />
      ))}
      {files.length === 0 && <p className="soft">No sealed file waits.</p>}
    </div>
  );
}

function OneFile({ file, into, zone }: { file: SealedFile; into: Named[]; zone: string }) {
  const router = useRouter();
  const [word, setWord] = useState('');
  const [chosen, setChosen] = useState(into[0]?.id ?? '');
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const act = async (work: Promise<Result<{ address: string } | null>>): Promise<void> => {
    setBusy(true);
    const result = await replyTo(work);
    setBusy(false);
    setTrouble(result.ok ? null : refusalText(result.refusal));
    if (result.ok && result.value) router.push(result.value.address);
  };
  return (
    <section className="sheet plain" aria-label={file.title}>
      <h2 className="fs-6 fw-bold mb-0" dir="auto">
        {file.title}
      </h2>
      <p className="soft">
        {file.holds === 'exam' ? 'An exam' : 'Answers'}, loaded by {file.by} {dayAndTime(file.at, zone)}
        {file.opensAt !== null && `, not to be opened before ${dayAndTime(file.opensAt, zone)}`}
      </p>
      <form
        className="d-flex flex-wrap gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void act(openSealedAction({ id: file.id, word, into: chosen }));
        }}
      >
        <input
          className="form-control w-auto"
          aria-label={`The word of ${file.title}`}
          placeholder="Its word"
          autoComplete="off"
          value={word}
          onChange={(e) => setWord(e.target.value)}
        />
        <select
          className="form-select w-auto"
          aria-label={file.holds === 'exam' ? 'The bank for its questions' : 'The course that they are of'}
          value={chosen}
          onChange={(e) => setChosen(e.target.value)}
        >
          {into.map(({ id, name }) => (
            <option key={id} value={id}>
              {file.holds === 'exam' ? `questions into ${name}` : name}
            </option>
          ))}
        </select>
        <Button type="submit" disabled={busy || word.trim() === ''}>
          {busy ? 'Opening…' : 'Open it'}
        </Button>
        <Button variant="quiet" className="ms-auto" disabled={busy} onClick={() => act(removeSealedAction(file.id))}>
          Throw it away
        </Button>
      </form>
      <Trouble className="mt-2">{trouble}</Trouble>
    </section>
  );
}

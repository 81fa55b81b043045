'use client';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { WordListRow } from '@/server/vocabulary/word-lists';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { useWordHelp } from './WordHelp';

/** The department's word lists: one a line of words, kept when it is said. */
export function WordListsDialog({ onClose }: { onClose: () => void }) {
  const { lists, openList, keepList } = useWordHelp();
  const [rows, setRows] = useState<WordListRow[] | null>(null);
  const [name, setName] = useState('');
  const [words, setWords] = useState('');
  const [said, setSaid] = useState<{ trouble: boolean; text: string } | null>(null);
  const trouble = (text: string): void => setSaid({ trouble: true, text });
  useEffect(() => {
    let here = true;
    void lists()
      .then((found) => here && setRows(found.ok ? found.value : []))
      .catch(() => here && setRows([]));
    return () => {
      here = false;
    };
  }, [lists]);
  const open = async (one: string): Promise<void> => {
    const found = await openList(one).catch(() => null);
    const [list] = found?.ok ? found.value : [];
    if (!list) return trouble('This list cannot be opened now.');
    setName(list.name);
    setWords(list.words.join('\n'));
    setSaid(null);
  };
  const keep = async (): Promise<void> => {
    const lines = words
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== '');
    const kept = await keepList({ name, words: lines }).catch(() => null);
    if (!kept) return trouble('The server cannot be reached. Nothing was kept.');
    if (!kept.ok) return trouble(refusalText(kept.refusal));
    setSaid({ trouble: false, text: lines.length > 0 ? `“${name}” is kept.` : `“${name}” is gone.` });
    const found = await lists().catch(() => null);
    if (found?.ok) setRows(found.value);
  };
  const empty = words.trim() === '';
  const there = rows?.some((row) => row.name.toLowerCase() === name.trim().toLowerCase()) ?? false;
  return (
    <Dialog
      title="Word lists of the department"
      onClose={onClose}
      out="Close"
      acts={
        <Button
          variant={empty ? 'outline-primary' : 'primary'}
          disabled={name.trim() === '' || (empty && !there)}
          onClick={() => void keep()}
        >
          {empty && there ? 'Take this list away' : 'Keep this list'}
        </Button>
      }
    >
      <div className="line" role="group" aria-label="Word lists">
        {rows === null && <span className="soft">looking…</span>}
        {rows?.map((row) => (
          <Button
            key={row.name}
            variant="quiet"
            className="small-act"
            aria-pressed={row.name === name}
            onClick={() => void open(row.name)}
          >
            {row.name} <span className="soft">{plural(row.words, 'word')}</span>
          </Button>
        ))}
      </div>
      <label className="form-label mt-2 mb-1" htmlFor="list-name">
        Name
      </label>
      <input
        id="list-name"
        className="form-control"
        maxLength={60}
        placeholder="load cases"
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      <label className="form-label mt-2 mb-1" htmlFor="list-words">
        Words, one a line; {'{name}'} is another list
      </label>
      <textarea
        id="list-words"
        className="form-control"
        rows={10}
        value={words}
        onChange={(e) => setWords(e.target.value)}
      />
      {said?.trouble && <Trouble>{said.text}</Trouble>}
      {said && !said.trouble && <p role="status">{said.text}</p>}
    </Dialog>
  );
}

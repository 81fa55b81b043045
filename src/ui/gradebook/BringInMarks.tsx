'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Result } from '@/core/base/result';
import {
  type Fillable,
  guessMarks,
  type MarksMapping,
  type Person,
  type Proposal,
  proposeFile,
  type Standing,
} from '@/core/gradebook/bring-in';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';

interface Props {
  course: string;
  people: readonly Person[];
  columns: readonly Fillable[];
  standing: Standing;
  onRead: (proposal: Proposal) => void;
  onClose: () => void;
}

/** So many rows of a file are shown to match its columns by. */
const LOOKED_AT = 6;

/** Marks from a file: which column says who, and which holds the marks of which column. What would change is seen next. */
export function BringInMarks({ course, people, columns, standing, onRead, onClose }: Props) {
  const [read, setRead] = useState<{ rows: string[][]; mapping: MarksMapping } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const choose = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setBusy(true);
    setTrouble(null);
    try {
      const search = new URLSearchParams({ course, name: file.name });
      const response = await fetch(`/api/roster?${search}`, { method: 'POST', body: file });
      const result = (await response.json()) as Result<string[][]>;
      if (result.ok) setRead({ rows: result.value, mapping: guessMarks(result.value, people, columns) });
      else setTrouble(refusalText(result.refusal));
    } catch {
      setTrouble('The file could not be sent. Look at the connection and choose it again.');
    }
    setBusy(false);
  };
  const match = (at: number, to: string): void => {
    if (!read) return;
    const { [at]: _, ...others } = read.mapping.marks;
    if (to === 'who') return setRead({ ...read, mapping: { ...read.mapping, who: at, marks: others } });
    // A column of the book is filled from one column of the file.
    const free = Object.fromEntries(Object.entries(others).filter(([, id]) => id !== to));
    setRead({ ...read, mapping: { ...read.mapping, marks: to === '' ? free : { ...free, [at]: to } } });
  };
  const width = Math.max(0, ...(read?.rows ?? []).map((cells) => cells.length));
  return (
    <Dialog
      title="Bring in marks"
      size="xl"
      onClose={onClose}
      acts={
        read && (
          <Button
            disabled={Object.keys(read.mapping.marks).length === 0}
            onClick={() => onRead(proposeFile(read.rows, read.mapping, { people, columns }, standing))}
          >
            See what changes
          </Button>
        )
      }
    >
      <label className="d-block mb-3">
        A spreadsheet (XLSX) or CSV with a column for the students and columns of marks
        <input
          type="file"
          className="form-control mt-1"
          accept=".csv,.tsv,.txt,.xlsx"
          disabled={busy}
          onChange={(e) => void choose(e.target.files?.[0])}
        />
      </label>
      <Trouble>{trouble}</Trouble>
      {read && (
        <div className="roster-preview">
          <table className="table">
            <thead>
              <tr>
                {Array.from({ length: width }, (_, c) => (
                  <th key={c} scope="col">
                    <select
                      className="form-select"
                      aria-label={`Column ${c + 1} is`}
                      value={c === read.mapping.who ? 'who' : (read.mapping.marks[c] ?? '')}
                      onChange={(e) => match(c, e.target.value)}
                    >
                      <option value="">left out</option>
                      <option value="who">the student</option>
                      {columns.map(({ id, title }) => (
                        <option key={id} value={id}>
                          {title}
                        </option>
                      ))}
                    </select>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {read.rows.slice(0, Math.max(0, read.mapping.header) + LOOKED_AT).map((cells, r) => (
                <tr key={r} className={r <= read.mapping.header ? 'above' : ''}>
                  {Array.from({ length: width }, (_, c) => (
                    <td key={c}>{cells[c]}</td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </Dialog>
  );
}

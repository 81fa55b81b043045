'use client';
import { Pencil, X } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Remark } from '@/server/marking/remarks';

interface Props {
  remark: Remark;
  number: number;
  onChange: (words: string, everywhere: boolean) => void;
  onTakeBack: () => void;
}

/** A remark in the list: said otherwise, here or wherever it was said, or taken back. */
export function RemarkRow({ remark, number, onChange, onTakeBack }: Props) {
  const [words, setWords] = useState<string | null>(null);
  const { anchor } = remark;
  const shown = remark.words || (anchor.at === 'drawn' ? 'drawn on the page' : '');
  const done = (everywhere: boolean): void => {
    if (words !== null && words.trim() !== '' && words !== remark.words) onChange(words.trim(), everywhere);
    setWords(null);
  };
  return (
    <li>
      <span className="number">{number}</span>
      {words === null ? (
        <p>
          {anchor.at === 'words' && <span className="soft">“{anchor.quote}”: </span>}
          {shown}
        </p>
      ) : (
        <div>
          <textarea
            className="form-control form-control-sm"
            aria-label={`Remark ${number}`}
            rows={2}
            maxLength={3000}
            value={words}
            onChange={(e) => setWords(e.target.value)}
            onKeyDown={(e) => e.key === 'Escape' && setWords(null)}
          />
          <Button size="sm" variant="outline-primary" onClick={() => done(false)}>
            Here alone
          </Button>{' '}
          {remark.kept !== null && (
            <Button size="sm" variant="outline-primary" onClick={() => done(true)}>
              Wherever it was said
            </Button>
          )}
        </div>
      )}
      <span className="acts">
        {remark.words !== '' && words === null && (
          <button type="button" aria-label={`Say remark ${number} otherwise`} onClick={() => setWords(remark.words)}>
            <Pencil size={14} />
          </button>
        )}
        <button type="button" aria-label={`Take remark ${number} back`} onClick={onTakeBack}>
          <X size={15} />
        </button>
      </span>
    </li>
  );
}

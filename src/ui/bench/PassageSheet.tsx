'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { listPassagesAction, newPassageAction } from '@/app/(staff)/bank/actions';
import type { Passage } from '@/core/bank/question';
import type { PassageRow } from '@/server/bank/passages';
import { SheetEditor } from './SheetEditor';

interface Props {
  bank: string;
  /** Hosts whose pages may stand here. */
  pages: readonly string[];
  passage: Passage | null;
  onChange: (passage: Passage | null, tag: string) => void;
}

/** The passage above the sheet, edited in place; or the way to put one there. */
export function PassageSheet({ bank, pages, passage, onChange }: Props) {
  const [there, setThere] = useState<PassageRow[] | null>(null);
  if (passage) {
    return (
      <div className="mb-3">
        <div className="d-flex gap-2 align-items-baseline mb-1">
          <strong className="soft">Passage, beside every question that refers to it</strong>
          <Button variant="quiet" className="ms-auto" onClick={() => onChange(null, '')}>
            Take it away from this question
          </Button>
        </div>
        <SheetEditor
          key={passage.id}
          label="The passage"
          content={passage.content}
          onChange={(content) => onChange({ ...passage, content }, 'passage')}
          onReady={() => undefined}
          slots={null}
          question=""
          pages={pages}
          inserts={[]}
          onCopies={() => undefined}
          onArrivals={() => undefined}
        />
      </div>
    );
  }
  const choose = async (id: string): Promise<void> => {
    const found = there?.find((p) => p.id === id);
    if (found) return onChange({ id: found.id, content: found.content }, '');
    onChange({ id: await newPassageAction(), content: { type: 'doc', content: [{ type: 'paragraph' }] } }, '');
  };
  return (
    <div className="mb-2 text-end">
      {there === null ? (
        <Button
          variant="quiet"
          className="small-act"
          onClick={async () => {
            const listed = await listPassagesAction(bank);
            setThere(listed.ok ? listed.value : []);
          }}
        >
          + passage
        </Button>
      ) : (
        <select
          className="form-select form-select-sm d-inline-block w-auto"
          aria-label="Passage"
          value=""
          onChange={(e) => void choose(e.target.value)}
        >
          <option value="">Put beside it…</option>
          <option value="new">a new passage</option>
          {there.map((p) => (
            <option key={p.id} value={p.id}>
              {p.title} ({p.questions})
            </option>
          ))}
        </select>
      )}
    </div>
  );
}

'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { listPassagesAction, newPassageAction } from '@/actions/bank';
import { NUMBERINGS, type Numbering, type Passage } from '@/core/bank/question';
import type { PassageRow } from '@/server/bank/passages';
import { ActMenu } from '../parts/ActMenu';
import { SheetEditor } from './SheetEditor';
import { replyTo } from '../parts/reply-to';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';

interface Props {
  bank: string;
  /** Hosts whose pages may stand here. */
  pages: readonly string[];
  passage: Passage | null;
  onChange: (passage: Passage | null, tag: string) => void;
}

const NUMBERED: Record<Numbering, string> = {
  nothing: 'no numbers',
  lines: 'lines numbered',
  paragraphs: 'paragraphs numbered',
};

/** The passage above the sheet, edited in place; or the way to put one there. */
export function PassageSheet({ bank, pages, passage, onChange }: Props) {
  const [there, setThere] = useState<PassageRow[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  if (passage) {
    return (
      <div className="mb-3">
        <div className="d-flex flex-wrap flex-lg-nowrap gap-2 align-items-baseline mb-1">
          <strong className="soft">Passage, beside every question that refers to it</strong>
          <select
            className="form-select form-select-sm w-auto ms-auto"
            aria-label="What is numbered in the passage"
            value={passage.numbered}
            onChange={(e) => onChange({ ...passage, numbered: e.target.value as Numbering }, '')}
          >
            {NUMBERINGS.map((n) => (
              <option key={n} value={n}>
                {NUMBERED[n]}
              </option>
            ))}
          </select>
          <Button variant="quiet" onClick={() => onChange(null, '')}>
            Take it away from this question
          </Button>
        </div>
        <SheetEditor
          key={passage.id}
          label="The passage"
          content={passage.content}
          onChange={(content, typed) => onChange({ ...passage, content }, typed ? 'passage' : '')}
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
    if (found) return onChange({ id: found.id, content: found.content, numbered: found.numbered }, '');
    const content: Passage['content'] = { type: 'doc', content: [{ type: 'paragraph' }] };
    const begun = await replyTo(newPassageAction());
    if (begun.ok) onChange({ id: begun.value, content, numbered: 'nothing' }, '');
    else setTrouble(refusalText(begun.refusal));
  };
  return (
    <div className="mb-2 text-end">
      <Trouble>{trouble}</Trouble>
      {there === null ? (
        <Button
          variant="quiet"
          className="small-act"
          onClick={async () => {
            const listed = await replyTo(listPassagesAction(bank));
            setThere(listed.ok ? listed.value : null);
            setTrouble(listed.ok ? null : refusalText(listed.refusal));
          }}
        >
          + passage
        </Button>
      ) : (
        <ActMenu
          words="Put beside it…"
          choices={[
            { value: 'new', words: 'a new passage' },
            ...there.map(({ id, title, questions }) => ({ value: id, words: `${title} (${questions})` })),
          ]}
          onChoose={(value) => void choose(value)}
        />
      )}
    </div>
  );
}

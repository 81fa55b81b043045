'use client';
import { X } from 'lucide-react';
import { type KeyboardEvent, type RefObject, useId, useState } from 'react';
import type { Anchor } from '@/core/content/anchors';
import type { KeptRemark, Remark } from '@/server/marking/remarks';
import { changeText, offered } from './kept-remarks';
import { RemarkRow } from './RemarkRow';

interface Props {
  remarks: readonly Remark[];
  kept: readonly KeptRemark[];
  /** The words of the answer that a remark can be about. */
  answer: string;
  /** What the next remark is about. */
  anchor: Anchor;
  field: RefObject<HTMLInputElement | null>;
  /** What is typed and not said yet. */
  typed: { words: string; marks: string };
  onType: (typed: { words: string; marks: string }) => void;
  onAnchor: (anchor: Anchor) => void;
  onSay: (words: string, marks: string) => void;
  onChange: (remark: Remark, words: string, everywhere: boolean) => void;
  onTakeBack: (remark: Remark) => void;
  onDropKept: (kept: KeptRemark) => void;
  /** Back to the mark. */
  onLeave: () => void;
}

/** What was said of an answer, and saying more: by new words, or by words said before, found by their first letters. */
export function RemarksNote(props: Props) {
  const { remarks, kept, answer, anchor, field, typed, onType, onAnchor, onSay, onLeave, onDropKept } = props;
  const id = useId();
  const [open, setOpen] = useState(false);
  const [at, setAt] = useState(-1);
  const found = open ? offered(kept, typed.words) : [];
  const say = (words: string, marks: string): void => {
    onSay(words, marks);
    setAt(-1);
    setOpen(false);
    onLeave();
  };
  const keys = (event: KeyboardEvent): void => {
    const chosen = found[at];
    if (event.key === 'ArrowDown') setAt(Math.min(at + 1, found.length - 1));
    else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, -1));
    else if (event.key === 'Enter') {
      if (chosen) say(chosen.words, chosen.marks ?? '');
      else if (typed.words.trim() !== '') say(typed.words, typed.marks);
      else onLeave();
    } else if (event.key === 'Escape') onLeave();
    else return;
    event.preventDefault();
  };
  return (
    <div className="note red">
      <h3>Remarks</h3>
      <ol className="remark-list">
        {remarks.map((remark, i) => (
          <RemarkRow
            key={remark.id}
            remark={remark}
            number={i + 1}
            onChange={(words, everywhere) => props.onChange(remark, words, everywhere)}
            onTakeBack={() => props.onTakeBack(remark)}
          />
        ))}
      </ol>
      <div
        className="remark-entry"
        onBlur={(e) => {
          if (!e.currentTarget.contains(e.relatedTarget)) setOpen(false);
        }}
      >
        {anchor.at !== 'whole' && (
          <span className="pinned-to">
            {anchorText(anchor)}
            <button
              type="button"
              className="btn-link-plain"
              aria-label="About the answer as a whole instead"
              onClick={() => onAnchor({ at: 'whole' })}
            >
              <X size={14} />
            </button>
          </span>
        )}
        <span className="with-marks">
          <input
            ref={field}
            className="form-control"
            role="combobox"
            aria-label="Remark"
            aria-expanded={found.length > 0}
            aria-controls={id}
            aria-activedescendant={at >= 0 ? `${id}-${at}` : undefined}
            placeholder="The student reads it with the result"
            autoComplete="off"
            maxLength={3000}
            value={typed.words}
            onFocus={() => setOpen(true)}
            onChange={(e) => {
              setOpen(true);
              setAt(-1);
              onType({ ...typed, words: e.target.value });
            }}
            onKeyDown={keys}
          />
          <input
            className="form-control"
            aria-label="Marks that go with the remark"
            title="Marks that go with it, such as +1 or −½"
            placeholder="±"
            autoComplete="off"
            maxLength={20}
            value={typed.marks}
            onChange={(e) => onType({ ...typed, marks: e.target.value })}
            onKeyDown={keys}
          />
        </span>
        {found.length > 0 && (
          <ul className="found" id={id} role="listbox" aria-label="Said before">
            {found.map((one, i) => (
              <li
                key={one.id}
                id={`${id}-${i}`}
                role="option"
                aria-selected={i === at}
                // The field keeps the cursor.
                onMouseDown={(e) => e.preventDefault()}
                onClick={() => say(one.words, one.marks ?? '')}
              >
                <span>{one.words}</span>
                <span>
                  {one.marks !== null && <strong className="wrong">{changeText(one.marks)}</strong>}{' '}
                  <button
                    type="button"
                    className="btn-link-plain"
                    tabIndex={-1}
                    aria-label={`No longer offer “${one.words}”`}
                    onClick={(e) => {
                      e.stopPropagation();
                      onDropKept(one);
                    }}
                  >
                    <X size={14} />
                  </button>
                </span>
              </li>
            ))}
          </ul>
        )}
        {anchor.at === 'whole' && answer !== '' && <WordsToNote answer={answer} onAnchor={onAnchor} />}
      </div>
    </div>
  );
}

function anchorText(anchor: Anchor): string {
  if (anchor.at === 'words') return `About “${anchor.quote}”`;
  if (anchor.at === 'spot') return anchor.w > 0 ? 'About a stretch of the page' : 'About a spot of the page';
  if (anchor.at === 'shapes') return 'About what was drawn there';
  if (anchor.at === 'seconds') return `About second ${Math.round(anchor.from)}`;
  return 'About the answer';
}

/** Without a pointer: the words that the next remark is about are typed. */
function WordsToNote({ answer, onAnchor }: { answer: string; onAnchor: (anchor: Anchor) => void }) {
  const [words, setWords] = useState('');
  const from = words === '' ? -1 : answer.toLowerCase().indexOf(words.toLowerCase());
  return (
    <input
      className="form-control form-control-sm"
      aria-label="About which words of the answer"
      placeholder="about these words of it (or select them)"
      autoComplete="off"
      maxLength={300}
      aria-invalid={words !== '' && from < 0}
      value={words}
      onChange={(e) => setWords(e.target.value)}
      onKeyDown={(e) => {
        if (e.key !== 'Enter') return;
        e.preventDefault();
        if (from >= 0)
          onAnchor({ at: 'words', from, to: from + words.length, quote: answer.slice(from, from + words.length) });
      }}
    />
  );
}

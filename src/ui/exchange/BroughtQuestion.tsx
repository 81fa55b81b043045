'use client';
import { memo, useMemo, useState } from 'react';
import { placedSlots, type Slot } from '@/core/bank/question';
import type { Content } from '@/core/content/document';
import { contentFromLines, linesFromContent } from '@/core/content/lines';
import { questionSheet } from '@/core/bank/sheet';
import { totalMarks } from '@/core/bank/summary';
import { stored } from '@/core/base/exact';
import type { KindName } from '@/core/kinds/names';
import { kindOf, TYPED_KINDS, typedKind } from '@/core/kinds/registry';
import type { BroughtItem } from '@/server/exchange/bring-in';
import { MarksInput } from '../parts/MarksInput';
import { drawSheetFormulas } from '../sheet/formulas';
import { QuestionView } from '../sheet/QuestionView';
import { editorSide } from '../kinds/editors';
import { sideOf } from '../kinds/registry';
import { DOUBT_WORDS } from './words';
import { CheckLine } from '../parts/CheckLine';

interface Props {
  item: BroughtItem;
  wanted: boolean;
  onWanted: (wanted: boolean) => void;
  onChange: (item: BroughtItem) => void;
}

/** A question that was found: its sheet, and in the margin what was recognised, to confirm or mend. */
export const BroughtQuestion = memo(function BroughtQuestion({ item, wanted, onWanted, onChange }: Props) {
  const { body, number, doubts } = item;
  const sheet = useMemo(() => questionSheet(body, null), [body]);
  const drawn = useMemo(() => drawSheetFormulas(sheet), [sheet]);
  const placed = placedSlots(body);
  const [only] = placed.length === 1 ? placed : [];
  const words = wordsOf(body.content);
  const setSlot = (slot: Slot, mended: boolean): void => {
    if (!only) return;
    const block = kindOf(slot.kind).placement === 'block';
    const content = body.content.content.map((node) => {
      const here =
        (node.type === 'blockSlot' && node.attrs.id === only.id) ||
        (node.type === 'paragraph' && node.content?.length === 1 && node.content[0]?.type === 'inlineSlot');
      if (!here) return node;
      return block
        ? { type: 'blockSlot' as const, attrs: { id: only.id } }
        : { type: 'paragraph' as const, content: [{ type: 'inlineSlot' as const, attrs: { id: only.id } }] };
    });
    onChange({
      ...item,
      doubts: mended ? doubts.filter((d) => d === 'no-words' || d === 'picture-missing') : doubts,
      body: { ...body, content: { type: 'doc', content }, slots: { ...body.slots, [only.id]: slot } },
    });
  };
  return (
    <div className={`brought ${wanted ? '' : 'skipped'}`}>
      <div className="sheet">
        <QuestionView number={number} marks={stored(totalMarks(body))} sheet={sheet} drawn={drawn} responses={{}} />
      </div>
      <div className={`note ${doubts.length > 0 ? 'warn' : 'tick'}`}>
        <CheckLine className="fw-bold" checked={wanted} onChange={onWanted}>
          Bring in question {number}
        </CheckLine>
        {doubts.map((doubt) => (
          <p key={doubt} className="hand">
            {DOUBT_WORDS[doubt]}
          </p>
        ))}
        {only && words !== null && (
          <details>
            <summary>Words</summary>
            <textarea
              className="form-control form-control-sm"
              aria-label={`Words of question ${number}`}
              rows={Math.min(8, 1 + words.split('\n').length)}
              value={words}
              onChange={(e) => onChange(withWords(item, e.target.value))}
            />
          </details>
        )}
        {only ? (
          <KeyOf slot={only.slot} number={number} onChange={setSlot} />
        ) : (
          placed.map(({ id, letter, slot }) => (
            <p key={id}>
              <span className="letter">{letter}</span> {editorSide(slot.kind).sentence(slot.setup)}
            </p>
          ))
        )}
      </div>
    </div>
  );
});

/** Whether a block is the place to answer. */
const isSlot = (node: Content['content'][number]): boolean =>
  node.type === 'blockSlot' ||
  (node.type === 'paragraph' && node.content?.some((n) => n.type === 'inlineSlot') === true);

/** The paragraphs before the slot as lines; null where they hold what lines cannot. */
function wordsOf(content: Content): string | null {
  const own = content.content.filter((node) => !isSlot(node));
  return own.every((node) => node.type === 'paragraph') ? linesFromContent({ type: 'doc', content: own }) : null;
}

function withWords(item: BroughtItem, words: string): BroughtItem {
  const content = [...contentFromLines(words).content, ...item.body.content.content.filter(isSlot)];
  return {
    ...item,
    doubts: item.doubts.filter((doubt) => doubt !== 'no-words'),
    body: { ...item.body, content: { type: 'doc', content } },
  };
}

/** Kind, key and marks of a question with one slot. */
function KeyOf({
  slot,
  number,
  onChange,
}: {
  slot: Slot;
  number: string;
  onChange: (slot: Slot, mended: boolean) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const kind = kindOf(slot.kind);
  const key = typed ?? kind.typed?.keyText(slot.setup) ?? '';
  return (
    <>
      <div className="d-flex gap-2 my-1">
        <select
          className="form-select form-select-sm w-auto"
          aria-label={`Kind of question ${number}`}
          value={slot.kind}
          onChange={(e) => {
            const chosen = typedKind(e.target.value as KindName);
            onChange(
              { ...slot, kind: e.target.value as KindName, setup: chosen.typed.withKey(chosen.fresh(), key) },
              false,
            );
          }}
        >
          {[...new Set([...TYPED_KINDS, slot.kind])].map((name) => (
            <option key={name} value={name}>
              {sideOf(name).words.name}
            </option>
          ))}
        </select>
        <MarksInput
          marks={slot.marks}
          label={`Marks of question ${number}`}
          onChange={(marks) => onChange({ ...slot, marks }, false)}
        />
      </div>
      {kind.typed && (
        <textarea
          className="form-control form-control-sm"
          aria-label={`Key of question ${number}`}
          placeholder={editorSide(slot.kind).keyHint ?? 'The right answer'}
          rows={Math.min(8, key.split('\n').length)}
          value={key}
          onChange={(e) => {
            setTyped(e.target.value);
            onChange({ ...slot, setup: typedKind(slot.kind).typed.withKey(slot.setup, e.target.value) }, true);
          }}
          onBlur={() => setTyped(null)}
        />
      )}
      <p className="soft mt-1">{editorSide(slot.kind).sentence(slot.setup)}</p>
    </>
  );
}

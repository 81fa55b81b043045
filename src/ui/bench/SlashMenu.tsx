'use client';
import type { Editor } from '@tiptap/react';
import { useEffect, useState } from 'react';
import { useLatest } from '../parts/use-latest';
import { insertNodes, insertTable } from './nodes/keep-selected';

export interface SlashItem {
  name: string;
  about?: string;
  run: () => void;
}

/** A "/" that was typed, with what was typed behind it. */
interface Slash {
  from: number;
  typed: string;
}

/** The "/" before the cursor, if one stands there. */
function slashAt(editor: Editor): Slash | null {
  const { $from, empty } = editor.state.selection;
  if (!empty || !editor.isFocused) return null;
  const before = $from.parent.textBetween(0, $from.parentOffset, undefined, '\ufffc');
  const [, typed] = /(?:^|\s)\/(\p{L}*)$/u.exec(before) ?? [];
  return typed === undefined ? null : { from: $from.pos - typed.length - 1, typed };
}

const fitting = (items: SlashItem[], { typed }: Slash): SlashItem[] =>
  items.filter((item) => item.name.toLowerCase().includes(typed.toLowerCase()));

/** What "/" offers where the cursor is: answer slots, formulas, pictures, tables. */
export function SlashMenu({
  editor,
  slots,
  choosePicture,
}: {
  editor: Editor;
  slots: SlashItem[];
  choosePicture: () => void;
}) {
  const [open, setOpen] = useState<(Slash & { left: number; top: number }) | null>(null);
  const [at, setAt] = useState(0);
  /** The "/" that was put away by Esc. */
  const [refused, setRefused] = useState<number | null>(null);
  const items = [...slots, ...ownInserts(editor, choosePicture)];
  const shown = open && open.from !== refused ? fitting(items, open) : [];
  const latest = useLatest({ items, at, refused });

  const choose = (item: SlashItem | undefined, from: number): void => {
    if (!item) return;
    editor.commands.deleteRange({ from, to: editor.state.selection.from });
    setOpen(null);
    item.run();
  };
  const chooseLatest = useLatest(choose);

  useEffect(() => {
    const look = (): void => {
      const slash = slashAt(editor);
      if (!slash) {
        setRefused(null);
        return setOpen(null);
      }
      const { left, bottom } = editor.view.coordsAtPos(slash.from);
      const frame = editor.view.dom.parentElement?.getBoundingClientRect();
      setOpen({ ...slash, left: left - (frame?.left ?? 0), top: bottom - (frame?.top ?? 0) + 4 });
      setAt(0);
    };
    // Reads the text itself: keys may come faster than the list is drawn.
    const press = (event: KeyboardEvent): void => {
      const slash = slashAt(editor);
      const list = slash ? fitting(latest.current.items, slash) : [];
      if (!slash || list.length === 0 || slash.from === latest.current.refused) return;
      const row = latest.current.at;
      if (event.key === 'ArrowDown') setAt((row + 1) % list.length);
      else if (event.key === 'ArrowUp') setAt((row + list.length - 1) % list.length);
      else if (event.key === 'Enter' || event.key === 'Tab') chooseLatest.current(list[row] ?? list[0], slash.from);
      else if (event.key === 'Escape') setRefused(slash.from);
      else return;
      event.preventDefault();
      event.stopPropagation();
    };
    const dom = editor.view.dom;
    editor.on('transaction', look);
    dom.addEventListener('keydown', press, true);
    return () => {
      editor.off('transaction', look);
      dom.removeEventListener('keydown', press, true);
    };
  }, [editor, latest, chooseLatest]);

  if (!open || shown.length === 0) return null;
  return (
    <ul className="slash" role="listbox" aria-label="Insert" style={{ left: open.left, top: open.top }}>
      {shown.map((item, i) => (
        <li
          key={item.name}
          role="option"
          aria-selected={i === at}
          onMouseDown={(e) => {
            e.preventDefault();
            choose(item, open.from);
          }}
        >
          {item.name}
          {item.about && <small>{item.about}</small>}
        </li>
      ))}
    </ul>
  );
}

function ownInserts(editor: Editor, choosePicture: () => void): SlashItem[] {
  return [
    { name: 'Formula in the text', run: () => insertNodes(editor, { type: 'formula', attrs: { latex: '' } }) },
    {
      name: 'Formula on a line of its own',
      run: () => insertNodes(editor, { type: 'blockFormula', attrs: { latex: '' } }),
    },
    { name: 'Picture or file', run: choosePicture },
    { name: 'Table', run: () => insertTable(editor) },
    { name: 'Code', run: () => void editor.chain().focus().toggleCodeBlock().run() },
  ];
}

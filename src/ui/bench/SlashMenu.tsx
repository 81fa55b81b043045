'use client';
import type { Editor } from '@tiptap/react';
import { useEffect, useState } from 'react';
import { useLatest } from '../parts/use-latest';

export interface SlashItem {
  name: string;
  run: () => void;
}

interface Open {
  /** Where the "/" stands. */
  from: number;
  typed: string;
  left: number;
  top: number;
}

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
  const [open, setOpen] = useState<Open | null>(null);
  const [at, setAt] = useState(0);
  const items = [...slots, ...ownInserts(editor, choosePicture)];
  const shown = open ? items.filter((item) => item.name.toLowerCase().includes(open.typed.toLowerCase())) : [];
  const latest = useLatest({ open, shown, at });

  const choose = (item: SlashItem | undefined): void => {
    const place = latest.current.open;
    if (!item || !place) return;
    editor.chain().focus().deleteRange({ from: place.from, to: editor.state.selection.from }).run();
    setOpen(null);
    item.run();
  };
  const chooseLatest = useLatest(choose);

  useEffect(() => {
    const look = (): void => {
      const { $from, empty } = editor.state.selection;
      const before = $from.parent.textBetween(0, $from.parentOffset, undefined, '\ufffc');
      const [, typed] = /(?:^|\s)\/(\p{L}*)$/u.exec(before) ?? [];
      if (!empty || typed === undefined || !editor.isFocused) return setOpen(null);
      const from = $from.pos - typed.length - 1;
      const { left, bottom } = editor.view.coordsAtPos(from);
      const frame = editor.view.dom.parentElement?.getBoundingClientRect();
      setOpen({ from, typed, left: left - (frame?.left ?? 0), top: bottom - (frame?.top ?? 0) + 4 });
      setAt(0);
    };
    const press = (event: KeyboardEvent): void => {
      const { open: now, shown: list, at: row } = latest.current;
      if (!now || list.length === 0) return;
      if (event.key === 'ArrowDown') setAt((row + 1) % list.length);
      else if (event.key === 'ArrowUp') setAt((row + list.length - 1) % list.length);
      else if (event.key === 'Enter' || event.key === 'Tab') chooseLatest.current(list[row]);
      else if (event.key === 'Escape') setOpen(null);
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
            choose(item);
          }}
        >
          {item.name}
        </li>
      ))}
    </ul>
  );
}

function ownInserts(editor: Editor, choosePicture: () => void): SlashItem[] {
  const insert = (node: object) => () => void editor.chain().focus().insertContent(node).run();
  return [
    { name: 'Formula', run: insert({ type: 'formula', attrs: { latex: '' } }) },
    { name: 'Formula on its own line', run: insert({ type: 'blockFormula', attrs: { latex: '' } }) },
    { name: 'Picture', run: choosePicture },
    {
      name: 'Table',
      run: () => void editor.chain().focus().insertTable({ rows: 3, cols: 3, withHeaderRow: true }).run(),
    },
    { name: 'Code', run: () => void editor.chain().focus().toggleCodeBlock().run() },
  ];
}

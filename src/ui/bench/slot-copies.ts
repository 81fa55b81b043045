import type { Editor } from '@tiptap/react';

/** A slot whose node stands on the sheet a second time, and the id that the second gets. */
export interface SlotCopy {
  of: string;
  id: string;
}

/** Gives every slot node that repeats an id an id of its own; `fresh` makes one that is not taken. */
export function partCopies(editor: Editor, fresh: (taken: ReadonlySet<string>) => string): SlotCopy[] {
  const seen = new Set<string>();
  const copies: (SlotCopy & { pos: number })[] = [];
  editor.state.doc.descendants((node, pos) => {
    if (node.type.name !== 'inlineSlot' && node.type.name !== 'blockSlot') return;
    const of = String(node.attrs.id);
    if (!seen.has(of)) {
      seen.add(of);
      return;
    }
    copies.push({ of, id: '', pos });
  });
  for (const copy of copies) {
    copy.id = fresh(seen);
    seen.add(copy.id);
  }
  if (copies.length > 0) {
    editor.commands.command(({ tr }) => {
      for (const { pos, id } of copies) tr.setNodeMarkup(pos, undefined, { id });
      return true;
    });
  }
  return copies.map(({ of, id }) => ({ of, id }));
}

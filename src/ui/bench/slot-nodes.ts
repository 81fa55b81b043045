import type { Editor } from '@tiptap/react';
import { insertNodes } from './nodes/keep-selected';
import type { KindName } from '@/core/kinds/names';
import { kindOf } from '@/core/kinds/registry';

/** Where the node of a slot stands on the sheet; null when it does not. */
function placeOf(editor: Editor, id: string): { pos: number; size: number; type: string } | null {
  let found: { pos: number; size: number; type: string } | null = null;
  editor.state.doc.descendants((node, pos) => {
    const { name } = node.type;
    if (!found && (name === 'inlineSlot' || name === 'blockSlot') && node.attrs.id === id) {
      found = { pos, size: node.nodeSize, type: name };
    }
    return found === null;
  });
  return found;
}

/** Puts the node of a slot where the cursor is, behind a slot or picture that is selected. */
export function insertSlotNode(editor: Editor, kind: KindName, id: string): void {
  const type = kindOf(kind).placement === 'inline' ? 'inlineSlot' : 'blockSlot';
  insertNodes(editor, { type, attrs: { id } });
}

/** Puts a second node of a slot behind the first; the sheet then gives it an id of its own. */
export function copySlotNode(editor: Editor, id: string): void {
  const place = placeOf(editor, id);
  if (place) editor.commands.insertContentAt(place.pos + place.size, { type: place.type, attrs: { id } });
}

export function removeSlotNode(editor: Editor, id: string): void {
  const place = placeOf(editor, id);
  if (!place) return;
  editor
    .chain()
    .focus()
    .deleteRange({ from: place.pos, to: place.pos + place.size })
    .run();
}

/** The words that are chosen on the sheet; empty when none are. */
export function chosenWords(editor: Editor): string {
  const { from, to } = editor.state.selection;
  return editor.state.doc.textBetween(from, to, ' ').trim().slice(0, 200);
}

/**
 * Sets the cursor into the first place of a slot where something is typed, also of one that was only just put in: its
 * drawing waits in the queue of this task, so that it is there before the next key is.
 */
export async function focusSlot(sheet: ParentNode | null, id: string): Promise<void> {
  const fields = ['input:not([type=radio]):not([type=checkbox])', 'textarea', 'math-field'];
  const selector = fields.map((field) => `[data-slot="${id}"] ${field}`).join();
  for (let turn = 0; turn < 50; turn++) {
    const field = sheet?.querySelector<HTMLElement>(selector);
    if (field) return field.focus();
    await Promise.resolve();
  }
}

import { Extension, type JSONContent } from '@tiptap/core';
import { type EditorState, NodeSelection, Plugin, TextSelection, type Transaction } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';
import type { Editor } from '@tiptap/react';

/** Puts the cursor behind what is selected as a whole (a slot, a picture, a formula), in a line of its own behind a block. */
function behindSelected(state: EditorState): Transaction | null {
  const { selection, doc, schema, tr } = state;
  if (!(selection instanceof NodeSelection)) return null;
  const { to, node } = selection;
  if (node.isInline) return tr.setSelection(TextSelection.create(doc, to));
  const next = doc.resolve(to).nodeAfter;
  const line = schema.nodes.paragraph?.create();
  if (line && !(next?.type.name === 'paragraph' && next.content.size === 0)) tr.insert(to, line);
  return tr.setSelection(TextSelection.create(tr.doc, to + 1));
}

function stepBehind(view: EditorView): boolean {
  const step = behindSelected(view.state);
  if (step) view.dispatch(step);
  return step !== null;
}

/**
 * Takes over a cursor that has moved on the screen a moment ago. The browser tells the editor of it later than it
 * hands over the next key, so that a paste right behind "End" on a busy machine would land where the cursor was before.
 */
function asSeen(view: EditorView): false {
  const seen = view.dom.ownerDocument.getSelection();
  const { selection, doc } = view.state;
  if (!(selection instanceof TextSelection) || !seen?.anchorNode || !seen.focusNode) return false;
  if (!view.dom.contains(seen.anchorNode) || !view.dom.contains(seen.focusNode)) return false;
  const [anchor, head] = [
    view.posAtDOM(seen.anchorNode, seen.anchorOffset),
    view.posAtDOM(seen.focusNode, seen.focusOffset),
  ];
  if (anchor === selection.anchor && head === selection.head) return false;
  const [from, to] = [doc.resolve(anchor), doc.resolve(head)];
  if (!from.parent.inlineContent || !to.parent.inlineContent) return false;
  view.dispatch(view.state.tr.setSelection(new TextSelection(from, to)));
  return false;
}

/** Where something is put in: behind what is selected, never in its place. */
export function readyToInsert(editor: Editor): void {
  stepBehind(editor.view);
}

/** Puts nodes where the cursor is and leaves the cursor behind them, so that the next letter never replaces them. */
export function insertNodes(editor: Editor, nodes: JSONContent | JSONContent[]): void {
  readyToInsert(editor);
  // At once: the editor's own command for it waits a frame, and would take the cursor out of a slot that has it by then.
  editor.view.focus();
  editor.commands.insertContent(nodes);
  stepBehind(editor.view);
}

/** Goes on writing behind what is selected. */
export function writeBehind(editor: Editor): void {
  readyToInsert(editor);
  editor.view.focus();
}

export function insertTable(editor: Editor): void {
  readyToInsert(editor);
  editor.chain().focus().insertTable({ rows: 3, cols: 3, withHeaderRow: true }).run();
}

/** What is selected as a whole is never replaced by what is typed or pasted: that goes behind it. */
export const KeepSelected = Extension.create({
  name: 'keepSelected',
  // Before the keys of the editor itself.
  priority: 1000,
  addKeyboardShortcuts: () => ({
    Enter: ({ editor }) => stepBehind(editor.view),
  }),
  addProseMirrorPlugins: () => [
    new Plugin({
      props: {
        handleTextInput: (view, _from, _to, text) => {
          if (!stepBehind(view)) return false;
          view.dispatch(view.state.tr.insertText(text));
          return true;
        },
        handleDOMEvents: { copy: asSeen, cut: asSeen, paste: asSeen },
        handlePaste: (view) => {
          stepBehind(view);
          return false;
        },
      },
    }),
  ],
});

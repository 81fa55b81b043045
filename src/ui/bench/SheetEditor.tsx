'use client';
import { Subscript } from '@tiptap/extension-subscript';
import { Superscript } from '@tiptap/extension-superscript';
import { TableKit } from '@tiptap/extension-table';
import { type Editor, EditorContent, useEditor } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { Link } from '../parts/Link';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { type Slot, slotSchema } from '@/core/bank/question';
import { type Content, mediaOf, withoutEmptyEnd } from '@/core/content/document';
import { contentFromMarkdown } from '@/core/content/markdown';
import { markdownFromContent } from '@/core/content/to-markdown';
import { Echoes } from '../parts/echoes';
import { useLatest } from '../parts/use-latest';
import { refusalText } from '../words/refusals';
import { FileNode } from './nodes/file';
import { BlockFormula, Formula } from './nodes/formula';
import { insertMedia } from './nodes/insert-media';
import { Page } from './nodes/page';
import { Picture } from './nodes/picture';
import { Recording } from './nodes/recording';
import { BlockSlot, InlineSlot } from './nodes/slot';
import { handToBringIn, manyQuestions } from '../exchange/handed-text';
import { freshSlotId } from './bench-state';
import { insertNodes, KeepSelected, readyToInsert } from './nodes/keep-selected';
import { SlotClipboard } from './nodes/slot-clipboard';
import { StrictMarks } from './nodes/strict-marks';
import { cleanPastedHtml, looksLikeMarkdown, MOST_PASTED, productsKept } from './paste';
import { showsPictures, withPicturesKept } from './paste-pictures';
import { SlashMenu, type SlashItem } from './SlashMenu';
import { partCopies, type SlotCopy } from './slot-copies';
import { Tools } from './Tools';
import { PageDialog } from '../tray/PageDialog';
import { RecordingDialog } from '../tray/RecordingDialog';
import { Tray } from '../tray/Tray';
import { uploadAny } from '../tray/upload';
import { Trouble } from '../parts/Trouble';

interface Props {
  content: Content;
  /** Said with whether it was typed: what is typed in quick succession is one step of undo, a picture is one by itself. */
  onChange: (content: Content, typed: boolean) => void;
  /** Gets the editor once it is there. */
  onReady: (editor: Editor) => void;
  /** Stands at the end of the tools. */
  children?: ReactNode;
  header?: ReactNode;
  label: string;
  /** The slots that this question has; null where none can stand. */
  slots: Readonly<Record<string, Slot>> | null;
  /** Names the question on the clipboard. */
  question: string;
  /** Hosts whose pages may stand here. */
  pages: readonly string[];
  /** What "/" offers beside formulas, pictures and tables. */
  inserts: SlashItem[];
  /** A slot's node was copied: the copy needs a slot of its own. Returns the content with it. */
  onCopies: (copies: SlotCopy[]) => void;
  /** Slots of another question are about to stand here. */
  onArrivals: (slots: Readonly<Record<string, Slot>>) => void;
}

/** The sheet, edited in place: the document editor with our nodes. Undo belongs to the bench, not to the editor. */
export function SheetEditor(props: Props) {
  const { content, onChange, onReady, children, header, label, slots, question, inserts, pages } = props;
  const { onCopies, onArrivals } = props;
  const [trouble, setTrouble] = useState<string | null>(null);
  const [offered, setOffered] = useState<string | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  /** The pictures, recordings and files that stood there last. */
  const standing = useRef(mediaOf(content).join());
  const [echoes] = useState(() => new Echoes(content));
  /** Where the picture stood that was chosen when the tray was opened, whatever becomes of the choice meanwhile; null where none was. */
  const [tray, setTray] = useState<{ over: number | null } | null>(null);
  const [recording, setRecording] = useState(false);
  const [page, setPage] = useState(false);
  const latest = useLatest({ content, onChange, onReady, onCopies, onArrivals, slots, question });
  const ids = (): ReadonlySet<string> => new Set(Object.keys(latest.current.slots ?? {}));

  const addFiles = async (editor: Editor, brought: readonly File[]): Promise<void> => {
    setTrouble(null);
    for (const file of brought) {
      const added = await uploadAny(file);
      if (!added.ok) setTrouble(refusalText(added.refusal));
      else insertMedia(editor, added.value, '');
    }
  };
  const editorRef = useRef<Editor | null>(null);
  const takeFiles = (files: FileList | undefined): boolean => {
    const list = [...(files ?? [])];
    if (list.length === 0 || !editorRef.current) return false;
    void addFiles(editorRef.current, list);
    return true;
  };

  /** A slot of another question, with an id of its own here. */
  const arrive = (carried: string, arrived: Record<string, Slot>): string | null => {
    const slot = slotSchema.safeParse(parsedJson(carried));
    if (!slot.success || latest.current.slots === null) {
      setTrouble('An answer slot could not come along: there is no place for it here.');
      return null;
    }
    const id = freshSlotId(ids(), new Set(Object.keys(arrived)));
    arrived[id] = slot.data;
    return id;
  };
  const pasted = (html: string): string => {
    const arrived: Record<string, Slot> = {};
    const clean = cleanPastedHtml(html, {
      known: ids(),
      question: latest.current.question,
      arrive: (carried) => arrive(carried, arrived),
    });
    if (Object.keys(arrived).length > 0) latest.current.onArrivals(arrived);
    return clean;
  };
  const bringPictures = async (html: string): Promise<void> => {
    setBusy('Bringing the pictures along…');
    const kept = await withPicturesKept(html);
    setBusy(null);
    editorRef.current?.view.pasteHTML(kept.html);
    if (kept.leftOut > 0) setTrouble(leftOutText(kept.leftOut));
  };

  const editor = useEditor({
    immediatelyRender: false,
    // Signs of Markdown become form only where they cannot be meant otherwise.
    enableInputRules: ['strictMarks', 'bulletList', 'heading', 'codeBlock'],
    enablePasteRules: false,
    extensions: [
      StarterKit.configure({
        blockquote: false,
        horizontalRule: false,
        link: false,
        strike: false,
        underline: false,
        undoRedo: false,
        heading: { levels: [2, 3] },
      }),
      Subscript,
      Superscript,
      TableKit.configure({ table: { resizable: true, cellMinWidth: 40 } }),
      Picture,
      Recording,
      FileNode,
      Page,
      Formula,
      BlockFormula,
      InlineSlot,
      BlockSlot,
      KeepSelected,
      StrictMarks,
      SlotClipboard.configure({
        carried: () => ({ question: latest.current.question, slots: latest.current.slots ?? {} }),
      }),
    ],
    content,
    editorProps: {
      attributes: { 'aria-label': label, role: 'textbox', 'aria-multiline': 'true' },
      // The editor has no use for Escape and would keep it from the window around it.
      handleDOMEvents: { keydown: (_, event) => event.key === 'Escape' },
      handlePaste: (_, event) => {
        const data = event.clipboardData;
        // Word processors put a picture of the text beside the text itself; the text is wanted then.
        const html = data?.getData('text/html') ?? '';
        const text = data?.getData('text/plain') ?? '';
        setTrouble(null);
        if (Math.max(textOnly(html).length, text.length) > MOST_PASTED) {
          setTrouble(
            'This is too much for one paste (over 1 MB). Nothing was put in; take it in parts, or bring it in as a document.',
          );
          return true;
        }
        if (editorRef.current) readyToInsert(editorRef.current);
        if (!/<(p|li|table|h\d|math)[\s>]/i.test(html) && takeFiles(data?.files)) return true;
        setOffered(manyQuestions(text) ? text : null);
        if (showsPictures(html)) {
          void bringPictures(html);
          return true;
        }
        if (html !== '' || !looksLikeMarkdown(text)) return false;
        editorRef.current?.commands.insertContent(contentFromMarkdown(productsKept(text)).content);
        return true;
      },
      transformPastedHTML: pasted,
      clipboardTextSerializer: (slice) =>
        markdownFromContent({ type: 'doc', content: slice.content.toJSON() as Content['content'] }),
      handleDrop: (_, event) => takeFiles(event.dataTransfer?.files),
    },
    onUpdate: ({ editor: e }) => {
      const copies = partCopies(e, (taken) => freshSlotId(taken, ids()));
      // Giving the copies their own ids is an update too; the content is told then.
      if (copies.length > 0) return latest.current.onCopies(copies);
      const json = e.getJSON() as Content;
      // The line to go on writing on, which the editor puts behind a last slot, is no change.
      if (sameWords(json, latest.current.content)) return;
      echoes.write(json);
      const stands = mediaOf(json).join();
      latest.current.onChange(json, stands === standing.current);
      standing.current = stands;
    },
  });
  useEffect(() => {
    editorRef.current = editor;
    if (!editor) return;
    // What is put in before anybody set the cursor goes to the end, not in front of everything.
    editor.commands.setTextSelection(editor.state.doc.content.size);
    latest.current.onReady(editor);
  }, [editor, latest]);

  // A content that did not come from typing (undo, redo) is put into the editor.
  useEffect(() => {
    if (!editor || echoes.isOwn(content)) return;
    standing.current = mediaOf(content).join();
    const { from } = editor.state.selection;
    editor.commands.setContent(content, { emitUpdate: false });
    editor.commands.setTextSelection(Math.min(from, editor.state.doc.content.size));
  }, [editor, content, echoes]);

  return (
    <div>
      {editor && (
        <Tools
          editor={editor}
          choosePicture={() => setTray({ over: chosenPicture(editor) })}
          chooseRecording={() => setRecording(true)}
          choosePage={() => setPage(true)}
        >
          {children}
        </Tools>
      )}
      {tray && editor && (
        <Tray
          onClose={() => setTray(null)}
          onPick={(item) => {
            insertMedia(editor, { ...item, name: item.description || 'file' }, item.description);
            setTray(null);
          }}
          onReplace={
            tray.over === null
              ? undefined
              : ({ media, ratio, description }) => {
                  const at = tray.over ?? 0;
                  if (editor.state.doc.nodeAt(at)?.type.name === 'picture')
                    editor
                      .chain()
                      .setNodeSelection(at)
                      .updateAttributes('picture', { media, ratio, description })
                      .run();
                  setTray(null);
                }
          }
        />
      )}
      {recording && editor && (
        <RecordingDialog
          onClose={() => setRecording(false)}
          onPick={(added) => {
            insertMedia(editor, added, '');
            setRecording(false);
          }}
        />
      )}
      {page && editor && (
        <PageDialog
          hosts={pages}
          onClose={() => setPage(false)}
          onPick={(attrs) => {
            insertNodes(editor, { type: 'page', attrs: { ...attrs, height: 360 } });
            setPage(false);
          }}
        />
      )}
      <Trouble>{trouble}</Trouble>
      {offered && slots !== null && (
        <p role="status" className="advice">
          This reads like several questions.{' '}
          <Link href="/bank/bring-in" onClick={() => handToBringIn(offered)}>
            Let it fall into questions
          </Link>{' '}
          <button type="button" className="btn-link-plain" onClick={() => setOffered(null)}>
            Keep it on this sheet
          </button>
        </p>
      )}
      {busy && (
        <p role="status" className="soft">
          {busy}
        </p>
      )}
      <div
        className="sheet prose"
        // The white below the last line belongs to the text, too.
        onMouseDown={(event) => {
          if (event.target !== event.currentTarget || !editor) return;
          event.preventDefault();
          editor.commands.focus('end');
        }}
      >
        {header}
        <div className="position-relative">
          <EditorContent editor={editor} />
          {editor && <SlashMenu editor={editor} slots={inserts} choosePicture={() => setTray({ over: null })} />}
        </div>
      </div>
    </div>
  );
}

/** Whether two documents differ in empty lines at their end at most. */
const sameWords = (a: Content, b: Content): boolean =>
  JSON.stringify(withoutEmptyEnd(a)) === JSON.stringify(withoutEmptyEnd(b));

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** HTML without the pictures in it, which travel by themselves. */
const textOnly = (html: string): string => html.replace(/src="data:[^"]*"/g, '');

function leftOutText(count: number): string {
  const which = count === 1 ? '1 picture' : `${count} pictures`;
  return `${which} could not come along: the clipboard only says where they lie, or they are no pictures. Copy or drop them one by one.`;
}

/** Puts a picture where the cursor is, as wide as it is but never wider than the sheet. */

/** Where the chosen picture stands; null where none is chosen. */
const chosenPicture = (editor: Editor): number | null =>
  editor.isActive('picture') ? editor.state.selection.from : null;

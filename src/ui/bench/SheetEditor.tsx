'use client';
import { Subscript } from '@tiptap/extension-subscript';
import { Superscript } from '@tiptap/extension-superscript';
import { TableKit } from '@tiptap/extension-table';
import { type Editor, EditorContent, useEditor } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { type Content, FRESH_PICTURE } from '@/core/content/document';
import { contentFromMarkdown } from '@/core/content/markdown';
import { markdownFromContent } from '@/core/content/to-markdown';
import type { AddedMedia } from '@/server/media/add-media';
import { useLatest } from '../parts/use-latest';
import { refusalText } from '../words/refusals';
import { BlockFormula, Formula } from './nodes/formula';
import { Page } from './nodes/page';
import { Picture } from './nodes/picture';
import { Recording } from './nodes/recording';
import { BlockSlot, InlineSlot } from './nodes/slot';
import { freshSlotId } from './bench-state';
import { cleanPastedHtml, looksLikeMarkdown } from './paste';
import { SlashMenu, type SlashItem } from './SlashMenu';
import { partCopies, type SlotCopy } from './slot-copies';
import { Tools } from './Tools';
import { PageDialog } from '../tray/PageDialog';
import { RecordingDialog } from '../tray/RecordingDialog';
import { Tray } from '../tray/Tray';
import { uploadPicture } from '../tray/upload';

interface Props {
  content: Content;
  onChange: (content: Content) => void;
  /** Gets the editor once it is there. */
  onReady: (editor: Editor) => void;
  /** Stands at the end of the tools. */
  children?: ReactNode;
  header?: ReactNode;
  label: string;
  /** The ids of the slots that this question has. */
  slots: ReadonlySet<string>;
  /** Hosts whose pages may stand here. */
  pages: readonly string[];
  /** What "/" offers beside formulas, pictures and tables. */
  inserts: SlashItem[];
  /** A slot's node was copied: the copy needs a slot of its own. Returns the content with it. */
  onCopies: (copies: SlotCopy[]) => void;
}

/** The sheet, edited in place: the document editor with our nodes. Undo belongs to the bench, not to the editor. */
export function SheetEditor(props: Props) {
  const { content, onChange, onReady, children, header, label, slots, inserts, pages, onCopies } = props;
  const [trouble, setTrouble] = useState<string | null>(null);
  const written = useRef<unknown>(content);
  const [tray, setTray] = useState(false);
  const [recording, setRecording] = useState(false);
  const [page, setPage] = useState(false);
  const latest = useLatest({ onChange, onReady, onCopies, slots });

  const addPictures = async (editor: Editor, files: readonly Blob[]): Promise<void> => {
    setTrouble(null);
    for (const file of files) {
      const added = await uploadPicture(file);
      if (!added.ok) setTrouble(refusalText(added.refusal));
      else insertPicture(editor, added.value, '');
    }
  };
  const editorRef = useRef<Editor | null>(null);
  const pictures = (files: FileList | undefined): boolean => {
    const list = [...(files ?? [])];
    if (list.length === 0 || !editorRef.current) return false;
    void addPictures(editorRef.current, list);
    return true;
  };

  const editor = useEditor({
    immediatelyRender: false,
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
      Page,
      Formula,
      BlockFormula,
      InlineSlot,
      BlockSlot,
    ],
    content,
    editorProps: {
      attributes: { 'aria-label': label, role: 'textbox', 'aria-multiline': 'true' },
      handlePaste: (_, event) => {
        const data = event.clipboardData;
        // Word processors put a picture of the text beside the text itself; the text is wanted then.
        const html = data?.getData('text/html') ?? '';
        if (!/<(p|li|table|h\d|math)[\s>]/i.test(html) && pictures(data?.files)) return true;
        const text = data?.getData('text/plain') ?? '';
        if (html !== '' || !looksLikeMarkdown(text)) return false;
        editorRef.current?.commands.insertContent(contentFromMarkdown(text).content);
        return true;
      },
      transformPastedHTML: (html) => cleanPastedHtml(html, latest.current.slots),
      clipboardTextSerializer: (slice) =>
        markdownFromContent({ type: 'doc', content: slice.content.toJSON() as Content['content'] }),
      handleDrop: (_, event) => pictures(event.dataTransfer?.files),
    },
    onUpdate: ({ editor: e }) => {
      const copies = partCopies(e, (taken) => freshSlotId(taken, latest.current.slots));
      // Giving the copies their own ids is an update too; the content is told then.
      if (copies.length > 0) return latest.current.onCopies(copies);
      const json = e.getJSON() as Content;
      written.current = json;
      latest.current.onChange(json);
    },
  });
  useEffect(() => {
    editorRef.current = editor;
    if (editor) latest.current.onReady(editor);
  }, [editor, latest]);

  // A content that did not come from typing (undo, redo) is put into the editor.
  useEffect(() => {
    if (!editor || content === written.current) return;
    written.current = content;
    const { from } = editor.state.selection;
    editor.commands.setContent(content, { emitUpdate: false });
    editor.commands.setTextSelection(Math.min(from, editor.state.doc.content.size));
  }, [editor, content]);

  return (
    <div>
      {editor && (
        <Tools
          editor={editor}
          choosePicture={() => setTray(true)}
          chooseRecording={() => setRecording(true)}
          choosePage={() => setPage(true)}
        >
          {children}
        </Tools>
      )}
      {tray && editor && (
        <Tray
          onClose={() => setTray(false)}
          onPick={({ media, ratio, width, description }) => {
            insertPicture(editor, { media, ratio, width }, description);
            setTray(false);
          }}
        />
      )}
      {recording && editor && (
        <RecordingDialog
          onClose={() => setRecording(false)}
          onPick={({ media, medium }) => {
            const attrs = { media, medium, description: '', captions: null };
            editor.chain().focus().insertContent({ type: 'recording', attrs }).run();
            setRecording(false);
          }}
        />
      )}
      {page && editor && (
        <PageDialog
          hosts={pages}
          onClose={() => setPage(false)}
          onPick={(attrs) => {
            editor
              .chain()
              .focus()
              .insertContent({ type: 'page', attrs: { ...attrs, height: 360 } })
              .run();
            setPage(false);
          }}
        />
      )}
      {trouble && (
        <p role="alert" className="trouble">
          {trouble}
        </p>
      )}
      <div className="sheet prose">
        {header}
        <div className="position-relative">
          <EditorContent editor={editor} />
          {editor && <SlashMenu editor={editor} slots={inserts} choosePicture={() => setTray(true)} />}
        </div>
      </div>
    </div>
  );
}

/** Puts a picture where the cursor is, as wide as it is but never wider than the sheet. */
function insertPicture(editor: Editor, { media, ratio, width }: AddedMedia, description: string): void {
  const share = Math.round(Math.min(100, Math.max(20, width / 8)));
  editor
    .chain()
    .focus()
    .insertContent({ type: 'picture', attrs: { ...FRESH_PICTURE, media, ratio, width: share, description } })
    .run();
}

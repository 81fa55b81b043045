'use client';
import { Subscript } from '@tiptap/extension-subscript';
import { Superscript } from '@tiptap/extension-superscript';
import { TableKit } from '@tiptap/extension-table';
import { type Editor, EditorContent, useEditor } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import type { Content } from '@/core/content/document';
import { refusalText } from '../words/refusals';
import { BlockFormula, Formula } from './nodes/formula';
import { Picture } from './nodes/picture';
import { BlockSlot, InlineSlot } from './nodes/slot';
import { Tools } from './Tools';
import { uploadPicture } from './upload';

interface Props {
  content: Content;
  onChange: (content: Content) => void;
  /** Gets the editor once it is there. */
  onReady: (editor: Editor) => void;
  /** Stands at the end of the tools. */
  children?: ReactNode;
  header?: ReactNode;
  label: string;
}

/** The sheet, edited in place: the document editor with our nodes. Undo belongs to the bench, not to the editor. */
export function SheetEditor({ content, onChange, onReady, children, header, label }: Props) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const written = useRef<unknown>(content);
  const chooser = useRef<HTMLInputElement>(null);
  const latest = useRef({ onChange, onReady });
  useEffect(() => {
    latest.current = { onChange, onReady };
  });

  const addPictures = async (editor: Editor, files: readonly Blob[]): Promise<void> => {
    setTrouble(null);
    for (const file of files) {
      const added = await uploadPicture(file);
      if (!added.ok) setTrouble(refusalText(added.refusal));
      else {
        const { media, ratio, width } = added.value;
        const share = Math.round(Math.min(100, Math.max(20, width / 8)));
        editor
          .chain()
          .focus()
          .insertContent({ type: 'picture', attrs: { media, ratio, width: share, description: '' } })
          .run();
      }
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
        code: false,
        codeBlock: false,
        horizontalRule: false,
        link: false,
        strike: false,
        underline: false,
        undoRedo: false,
        heading: { levels: [2, 3] },
      }),
      Subscript,
      Superscript,
      TableKit.configure({ table: { resizable: false } }),
      Picture,
      Formula,
      BlockFormula,
      InlineSlot,
      BlockSlot,
    ],
    content,
    editorProps: {
      attributes: { 'aria-label': label, role: 'textbox', 'aria-multiline': 'true' },
      handlePaste: (_, event) => pictures(event.clipboardData?.files),
      handleDrop: (_, event) => pictures(event.dataTransfer?.files),
    },
    onUpdate: ({ editor: e }) => {
      const json = e.getJSON() as Content;
      written.current = json;
      latest.current.onChange(json);
    },
  });
  useEffect(() => {
    editorRef.current = editor;
    if (editor) latest.current.onReady(editor);
  }, [editor]);

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
        <Tools editor={editor} choosePicture={() => chooser.current?.click()}>
          {children}
        </Tools>
      )}
      <input
        ref={chooser}
        type="file"
        accept="image/*"
        hidden
        onChange={(e) => {
          pictures(e.target.files ?? undefined);
          e.target.value = '';
        }}
      />
      {trouble && (
        <p role="alert" className="trouble">
          {trouble}
        </p>
      )}
      <div className="sheet prose">
        {header}
        <EditorContent editor={editor} />
      </div>
    </div>
  );
}

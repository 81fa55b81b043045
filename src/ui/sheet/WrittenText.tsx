'use client';
import { Subscript } from '@tiptap/extension-subscript';
import { Superscript } from '@tiptap/extension-superscript';
import { type Editor, EditorContent, useEditor, useEditorState } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useEffect, useState } from 'react';
import { sameValue } from '@/core/base/same-value';
import { type Content, withoutEmptyEnd } from '@/core/content/document';
import { Echoes } from '../parts/echoes';
import { useLatest } from '../parts/use-latest';
import { WrittenView } from './WrittenView';

interface Props {
  label: string;
  /** The least height, in lines. */
  lines: number;
  text: Content;
  onChange: (text: Content) => void;
}

/** A field for text with headings, lists and weights. */
export function WrittenText({ label, lines, text, onChange }: Props) {
  const latest = useLatest(onChange);
  const [echoes] = useState(() => new Echoes<Content>(text));
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
        heading: { levels: [2, 3] },
      }),
      Subscript,
      Superscript,
    ],
    content: text,
    editorProps: {
      attributes: {
        'aria-label': label,
        role: 'textbox',
        'aria-multiline': 'true',
        style: `min-height: ${lines * 1.5}em`,
      },
    },
    onUpdate: ({ editor: e }) => {
      const written = withoutEmptyEnd(e.getJSON() as Content);
      echoes.write(written);
      latest.current(written);
    },
  });
  // What another tab or device wrote, or an undo, comes in here.
  useEffect(() => {
    if (!editor || echoes.isOwn(text) || sameValue(text, editor.getJSON())) return;
    editor.commands.setContent(text, { emitUpdate: false });
  }, [editor, text, echoes]);
  return (
    <div className="written-text">
      {editor && <Tools editor={editor} />}
      {editor ? (
        <EditorContent editor={editor} />
      ) : (
        <div className="ProseMirror" style={{ minHeight: `${lines * 1.5}em` }}>
          <WrittenView text={text} />
        </div>
      )}
    </div>
  );
}

const TOOLS: { name: string; face: string; on: (e: Editor) => boolean; run: (e: Editor) => void }[] = [
  { name: 'Bold', face: 'B', on: (e) => e.isActive('bold'), run: (e) => e.chain().focus().toggleBold().run() },
  { name: 'Italic', face: 'I', on: (e) => e.isActive('italic'), run: (e) => e.chain().focus().toggleItalic().run() },
  {
    name: 'Heading',
    face: 'H',
    on: (e) => e.isActive('heading'),
    run: (e) => e.chain().focus().toggleHeading({ level: 2 }).run(),
  },
  {
    name: 'List',
    face: '•',
    on: (e) => e.isActive('bulletList'),
    run: (e) => e.chain().focus().toggleBulletList().run(),
  },
  {
    name: 'Numbered list',
    face: '1.',
    on: (e) => e.isActive('orderedList'),
    run: (e) => e.chain().focus().toggleOrderedList().run(),
  },
  {
    name: 'Subscript',
    face: 'x₂',
    on: (e) => e.isActive('subscript'),
    run: (e) => e.chain().focus().toggleSubscript().run(),
  },
  {
    name: 'Superscript',
    face: 'x²',
    on: (e) => e.isActive('superscript'),
    run: (e) => e.chain().focus().toggleSuperscript().run(),
  },
];

function Tools({ editor }: { editor: Editor }) {
  const on = useEditorState({ editor, selector: ({ editor: e }) => TOOLS.map((tool) => tool.on(e)) });
  return (
    <div className="maths-keys" role="toolbar" aria-label="Text">
      {TOOLS.map((tool, i) => (
        <button
          key={tool.name}
          type="button"
          title={tool.name}
          aria-label={tool.name}
          aria-pressed={on[i] ?? false}
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => tool.run(editor)}
        >
          {tool.face}
        </button>
      ))}
    </div>
  );
}

'use client';
import { Subscript } from '@tiptap/extension-subscript';
import { Superscript } from '@tiptap/extension-superscript';
import { type Editor, EditorContent, useEditor, useEditorState } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useEffect, useState } from 'react';
import { sameValue } from '@/core/base/same-value';
import type { Content } from '@/core/content/document';
import { plainText } from '@/core/content/plain';
import { Echoes } from '../../parts/echoes';
import { useLatest } from '../../parts/use-latest';
import type { EntryProps } from './student';

/** Text with headings, lists and weights, as an answer. */
export default function RichEntry({ label, lines, response, onChange }: EntryProps) {
  const latest = useLatest(onChange);
  const start: Content | string = response?.rich ?? {
    type: 'doc',
    content: (response?.text ?? '')
      .split('\n')
      .map((text) => ({ type: 'paragraph', ...(text ? { content: [{ type: 'text', text }] } : {}) })),
  };
  const [echoes] = useState(() => new Echoes<Content | undefined>(response?.rich));
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
    content: start,
    editorProps: {
      attributes: {
        'aria-label': label,
        role: 'textbox',
        'aria-multiline': 'true',
        style: `min-height: ${lines * 1.5}em`,
      },
    },
    onUpdate: ({ editor: e }) => {
      const rich = e.getJSON() as Content;
      echoes.write(rich);
      latest.current({ text: plainText(rich), rich });
    },
  });
  // What another tab or device wrote comes in here.
  useEffect(() => {
    const rich = response?.rich;
    if (!editor || !rich || echoes.isOwn(rich) || sameValue(rich, editor.getJSON())) return;
    editor.commands.setContent(rich, { emitUpdate: false });
  }, [editor, response, echoes]);
  return (
    <div className="rich-entry">
      {editor && <RichTools editor={editor} />}
      <EditorContent editor={editor} />
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

function RichTools({ editor }: { editor: Editor }) {
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

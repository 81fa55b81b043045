'use client';
import { type Editor, useEditorState } from '@tiptap/react';
import {
  AppWindow,
  AudioLines,
  Bold,
  Code,
  Heading,
  ImagePlus,
  Italic,
  List,
  ListOrdered,
  Sigma,
  SquareSigma,
  Subscript,
  Superscript,
  Table,
} from 'lucide-react';
import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { insertNodes, insertTable } from './nodes/keep-selected';
import { Symbols } from './Symbols';

interface ToolProps {
  name: string;
  on?: boolean;
  /** Opens a window. */
  opens?: boolean;
  onClick: () => void;
  children: ReactNode;
}

function Tool({ name, on, opens = false, onClick, children }: ToolProps) {
  return (
    <Button
      variant="quiet"
      aria-label={name}
      title={name}
      aria-pressed={on}
      aria-haspopup={opens ? 'dialog' : undefined}
      onMouseDown={(e) => e.preventDefault()}
      onClick={onClick}
    >
      {children}
    </Button>
  );
}

/** What can be done to the text on the sheet. */
export function Tools({
  editor,
  choosePicture,
  chooseRecording,
  choosePage,
  children,
}: {
  editor: Editor;
  choosePicture: () => void;
  chooseRecording: () => void;
  choosePage: () => void;
  children?: ReactNode;
}) {
  const on = useEditorState({
    editor,
    selector: ({ editor: e }) => ({
      bold: e.isActive('bold'),
      italic: e.isActive('italic'),
      subscript: e.isActive('subscript'),
      superscript: e.isActive('superscript'),
      heading: e.isActive('heading'),
      bullets: e.isActive('bulletList'),
      numbers: e.isActive('orderedList'),
      table: e.isActive('table'),
      code: e.isActive('code'),
    }),
  });
  const run = () => editor.chain().focus();
  const size = 17;
  return (
    <div className="tools" role="toolbar" aria-label="Text">
      <Tool name="Bold, Ctrl B" on={on.bold} onClick={() => run().toggleBold().run()}>
        <Bold size={size} />
      </Tool>
      <Tool name="Italic, Ctrl I" on={on.italic} onClick={() => run().toggleItalic().run()}>
        <Italic size={size} />
      </Tool>
      <Tool name="Subscript, Ctrl ," on={on.subscript} onClick={() => run().toggleSubscript().run()}>
        <Subscript size={size} />
      </Tool>
      <Tool name="Superscript, Ctrl ." on={on.superscript} onClick={() => run().toggleSuperscript().run()}>
        <Superscript size={size} />
      </Tool>
      <Tool name="Heading" on={on.heading} onClick={() => run().toggleHeading({ level: 2 }).run()}>
        <Heading size={size} />
      </Tool>
      <Tool name="List" on={on.bullets} onClick={() => run().toggleBulletList().run()}>
        <List size={size} />
      </Tool>
      <Tool name="Numbered list" on={on.numbers} onClick={() => run().toggleOrderedList().run()}>
        <ListOrdered size={size} />
      </Tool>
      <span className="gap" aria-hidden="true" />
      <Tool name="Formula" onClick={() => insertNodes(editor, { type: 'formula', attrs: { latex: '' } })}>
        <Sigma size={size} />
      </Tool>
      <Tool
        name="Formula on a line of its own"
        onClick={() => insertNodes(editor, { type: 'blockFormula', attrs: { latex: '' } })}
      >
        <SquareSigma size={size} />
      </Tool>
      <Symbols onPick={(sign) => insertNodes(editor, { type: 'text', text: sign })} />
      <Tool name="Code" on={on.code} onClick={() => run().toggleCode().run()}>
        <Code size={size} />
      </Tool>
      <Tool name="Picture or file" opens onClick={choosePicture}>
        <ImagePlus size={size} />
      </Tool>
      <Tool name="Sound or film" opens onClick={chooseRecording}>
        <AudioLines size={size} />
      </Tool>
      <Tool name="Page or simulation" opens onClick={choosePage}>
        <AppWindow size={size} />
      </Tool>
      <Tool name="Table" onClick={() => insertTable(editor)}>
        <Table size={size} />
      </Tool>
      {on.table && (
        <>
          <Button variant="quiet" onClick={() => run().addRowAfter().run()}>
            + row
          </Button>
          <Button variant="quiet" onClick={() => run().addColumnAfter().run()}>
            + column
          </Button>
          <Button variant="quiet" onClick={() => run().deleteRow().run()}>
            − row
          </Button>
          <Button variant="quiet" onClick={() => run().deleteColumn().run()}>
            − column
          </Button>
          <Button variant="quiet" onClick={() => run().toggleHeaderRow().run()}>
            header row
          </Button>
          <Button variant="quiet" onClick={() => run().deleteTable().run()}>
            take out
          </Button>
        </>
      )}
      {children}
    </div>
  );
}

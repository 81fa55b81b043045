import dynamic from 'next/dynamic';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { type Content, emptyContent } from '@/core/content/document';
import { plainText } from '@/core/content/plain';
import { Dialog } from '../parts/Dialog';

const SheetEditor = dynamic(() => import('../bench/SheetEditor').then((module) => module.SheetEditor), { ssr: false });

interface Props {
  formulas: Content | undefined;
  onChange: (formulas: Content | undefined, tag: string) => void;
}

/** The sheet of formulas and tables that may be looked at while writing. */
export function FormulaSheet({ formulas, onChange }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <span className="w-100 fact-line">
      {formulas ? 'with a formula sheet' : 'no formula sheet'}
      <Button variant="quiet" size="sm" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        {formulas ? 'Change…' : 'Write one…'}
      </Button>
      {formulas && (
        <Button variant="quiet" size="sm" onClick={() => onChange(undefined, '')}>
          Take away
        </Button>
      )}
      {open && (
        <Dialog title="Formula sheet" out="Done" size="xl" onClose={() => setOpen(false)}>
          <SheetEditor
            label="The formula sheet"
            content={formulas ?? emptyContent}
            onChange={(content, typed) =>
              onChange(
                content.content.length > 1 || plainText(content) !== '' || hasMore(content) ? content : undefined,
                typed ? 'formulas' : '',
              )
            }
            onReady={(editor) => editor.commands.focus()}
            slots={null}
            question=""
            pages={[]}
            inserts={[]}
            onCopies={() => undefined}
            onArrivals={() => undefined}
          />
        </Dialog>
      )}
    </span>
  );
}

/** Whether there is something that has no words, such as a picture. */
function hasMore({ content }: Content): boolean {
  return content.some(({ type }) => type !== 'paragraph');
}

'use client';
import { Node } from '@tiptap/core';
import { type NodeViewProps, NodeViewWrapper, ReactNodeViewRenderer } from '@tiptap/react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { MathField } from '../../maths/MathField';
import { drawFormula } from '../../sheet/formulas';

/** A formula on the bench: drawn where it stands, typed as it looks or as LaTeX. A new one opens itself. */
function FormulaOnSheet({ node, updateAttributes, deleteNode, editor, selected }: NodeViewProps) {
  const display = node.type.name === 'blockFormula';
  const latex = String(node.attrs.latex);
  const [editing, setEditing] = useState(latex === '');
  const [typed, setTyped] = useState(latex);
  const open = (): void => {
    setTyped(latex);
    setEditing(true);
  };
  const close = (keep: boolean, written = typed): void => {
    setEditing(false);
    if (keep && written.trim() !== '') updateAttributes({ latex: written.trim() });
    else if (latex === '') deleteNode();
    // At once: the next letter belongs to the sheet already.
    editor.view.focus();
  };
  return (
    <NodeViewWrapper as={display ? 'div' : 'span'} contentEditable={false} style={{ position: 'relative' }}>
      <span
        role="button"
        tabIndex={0}
        aria-label={`Formula ${latex}, edit`}
        className={`formula-node formula ${display ? 'block' : ''} ${selected || editing ? 'on' : ''}`}
        onClick={open}
        onKeyDown={(e) => e.key === 'Enter' && open()}
        // The HTML comes from the formula engine with trust switched off.
        dangerouslySetInnerHTML={{ __html: drawFormula(editing ? typed || '\\square' : latex, display) }}
      />
      {editing && (
        <div className="formula-edit" style={{ left: 0, top: '100%' }}>
          <MathField
            label="Formula"
            latex={typed}
            onChange={setTyped}
            onEnter={(written) => close(true, written)}
            onEscape={() => close(false)}
            focusFirst
          />
          <label className="form-label mt-2" htmlFor="latex">
            The same as LaTeX, chemistry as \ce{'{H2O}'}
          </label>
          <textarea
            id="latex"
            className="form-control mono"
            rows={2}
            maxLength={display ? 5000 : 2000}
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            onKeyDown={(e) => {
              e.stopPropagation();
              if (e.key === 'Enter' && !e.shiftKey) {
                e.preventDefault();
                close(true);
              }
              if (e.key === 'Escape') close(false);
            }}
          />
          <div className="d-flex gap-2 justify-content-end mt-2">
            <Button variant="quiet" onClick={() => close(false)}>
              Cancel <kbd>Esc</kbd>
            </Button>
            <Button onClick={() => close(true)}>
              Keep <kbd>Enter</kbd>
            </Button>
          </div>
        </div>
      )}
    </NodeViewWrapper>
  );
}

const shared = {
  atom: true,
  addAttributes: () => ({ latex: { default: '' } }),
  addNodeView: () =>
    ReactNodeViewRenderer(FormulaOnSheet, {
      stopEvent: ({ event }) => event.target instanceof HTMLElement && event.target.closest('.formula-edit') !== null,
    }),
};

export const Formula = Node.create({
  ...shared,
  name: 'formula',
  group: 'inline',
  inline: true,
  parseHTML: () => [{ tag: 'span[data-formula]', getAttrs: (e) => ({ latex: e.getAttribute('data-formula') }) }],
  renderHTML: ({ node }) => ['span', { 'data-formula': node.attrs.latex }, `$${node.attrs.latex}$`],
});

export const BlockFormula = Node.create({
  ...shared,
  name: 'blockFormula',
  group: 'block',
  parseHTML: () => [{ tag: 'div[data-formula]', getAttrs: (e) => ({ latex: e.getAttribute('data-formula') }) }],
  renderHTML: ({ node }) => ['div', { 'data-formula': node.attrs.latex }, `$$${node.attrs.latex}$$`],
});

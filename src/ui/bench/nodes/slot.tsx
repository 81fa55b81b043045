'use client';
import { Node } from '@tiptap/core';
import { type NodeViewProps, NodeViewWrapper, ReactNodeViewRenderer } from '@tiptap/react';
import { editorSide } from '../../kinds/editors';
import { useBench } from '../BenchContext';

function SlotOnSheet({ node }: NodeViewProps) {
  const { slots, letters, selected, select, changeSlot } = useBench();
  const id = String(node.attrs.id);
  const slot = slots[id];
  const inline = node.type.name === 'inlineSlot';
  const letter = letters.get(id) ?? '?';
  if (!slot) return <NodeViewWrapper as="span" />;
  const { Place } = editorSide(slot.kind);
  return (
    <NodeViewWrapper
      as={inline ? 'span' : 'div'}
      className={`slot-node ${inline ? 'inline' : 'block'} ${selected === id ? 'on' : ''}`}
      data-slot={id}
      contentEditable={false}
      onFocusCapture={() => select(id)}
      onMouseDown={() => select(id)}
    >
      <button
        type="button"
        className="letter"
        aria-label={`Answer slot ${letter}`}
        onClick={() => select(id)}
        tabIndex={-1}
      >
        {letter}
      </button>
      <Place
        setup={slot.setup}
        marks={slot.marks}
        letter={letter}
        onChange={(setup) => changeSlot(id, { ...slot, setup }, `place ${id}`)}
      />
    </NodeViewWrapper>
  );
}

const shared = {
  atom: true,
  selectable: true,
  draggable: true,
  addAttributes: () => ({ id: { default: '' } }),
  addNodeView: () =>
    ReactNodeViewRenderer(SlotOnSheet, {
      // What is typed into a slot belongs to the slot, not to the text around it.
      stopEvent: ({ event }) =>
        !event.type.startsWith('drag') &&
        event.target instanceof HTMLElement &&
        event.target.closest('.slot-node') !== null &&
        // A press takes hold of the slot, but in a maths field it sets the cursor.
        (event.type !== 'mousedown' || event.target.closest('math-field') !== null),
    }),
};

/** Answer slots as nodes: they hold only the slot's id; what the slot is lives on the bench. */
export const InlineSlot = Node.create({
  ...shared,
  name: 'inlineSlot',
  group: 'inline',
  inline: true,
  parseHTML: () => [{ tag: 'span[data-inline-slot]', getAttrs: (e) => ({ id: e.getAttribute('data-inline-slot') }) }],
  renderHTML: ({ node }) => ['span', { 'data-inline-slot': node.attrs.id }],
});

export const BlockSlot = Node.create({
  ...shared,
  name: 'blockSlot',
  group: 'block',
  parseHTML: () => [{ tag: 'div[data-block-slot]', getAttrs: (e) => ({ id: e.getAttribute('data-block-slot') }) }],
  renderHTML: ({ node }) => ['div', { 'data-block-slot': node.attrs.id }],
});

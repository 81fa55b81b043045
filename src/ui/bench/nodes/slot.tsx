'use client';
import { Node } from '@tiptap/core';
import { type NodeViewProps, NodeViewWrapper, ReactNodeViewRenderer } from '@tiptap/react';
import { editorSide } from '../../kinds/editors';
import { useBench } from '../BenchContext';
import { writeBehind } from './keep-selected';

function SlotOnSheet({ node, editor, getPos }: NodeViewProps) {
  const { slots, letters, selected, select, changeSlot } = useBench();
  const id = String(node.attrs.id);
  const slot = slots[id];
  const inline = node.type.name === 'inlineSlot';
  const letter = letters.get(id) ?? '?';
  if (!slot) return <NodeViewWrapper as="span" />;
  const { Place } = editorSide(slot.kind);
  /** Whoever writes in a slot has it selected: what is put in then goes behind it. */
  const taken = (): void => {
    select(id);
    const at = getPos();
    if (at !== undefined && editor.state.selection.from !== at) editor.commands.setNodeSelection(at);
  };
  return (
    <NodeViewWrapper
      as={inline ? 'span' : 'div'}
      className={`slot-node ${inline ? 'inline' : 'block'} ${selected === id ? 'on' : ''}`}
      data-slot={id}
      contentEditable={false}
      onFocusCapture={taken}
      onMouseDown={() => select(id)}
    >
      <button
        type="button"
        className="letter"
        data-drag-handle
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
        onLeave={() => writeBehind(editor)}
        onChange={(setup, apart) => changeSlot(id, { ...slot, setup }, apart ? '' : `place ${id}`)}
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
      // Whatever a slot shows belongs to the slot; only its letter takes hold of it as a whole.
      stopEvent: ({ event }) =>
        event.target instanceof Element &&
        event.target.closest('.slot-node') !== null &&
        event.target.closest('.slot-node > .letter') === null,
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

'use client';
import { Node } from '@tiptap/core';
import { type NodeViewProps, NodeViewWrapper, ReactNodeViewRenderer } from '@tiptap/react';
import type { PageAttributes } from '@/core/content/document';
import { CountInput } from '../../parts/CountInput';
import { PageView } from '../../sheet/PageView';

/** A page on the bench: shown, described, made higher or lower. */
function PageOnSheet({ node, updateAttributes }: NodeViewProps) {
  const attrs = node.attrs as PageAttributes;
  return (
    <NodeViewWrapper contentEditable={false} data-drag-handle>
      <PageView {...attrs} description="" />
      <div className="describe d-flex gap-2 mb-3">
        <input
          className="form-control form-control-sm"
          aria-label="What the page is"
          placeholder="What is it? Shown below it, and when it cannot be reached"
          value={attrs.description}
          maxLength={1000}
          onChange={(e) => updateAttributes({ description: e.target.value })}
        />
        <CountInput
          label="Height of the page"
          count={attrs.height}
          least={120}
          most={1200}
          onChange={(height) => height !== null && updateAttributes({ height })}
        />
      </div>
    </NodeViewWrapper>
  );
}

export const Page = Node.create({
  name: 'page',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({ address: { default: '' }, description: { default: '' }, height: { default: 360 } }),
  parseHTML: () => [],
  renderHTML: ({ node }) => ['p', `${node.attrs.description} ${node.attrs.address}`],
  addNodeView: () =>
    ReactNodeViewRenderer(PageOnSheet, {
      stopEvent: ({ event }) => event.target instanceof HTMLElement && event.target.closest('input, iframe') !== null,
    }),
});

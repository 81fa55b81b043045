'use client';
import { Node } from '@tiptap/core';
import { type NodeViewProps, NodeViewWrapper, ReactNodeViewRenderer } from '@tiptap/react';
import type { FileAttributes } from '@/core/content/document';
import { FileLink } from '../../sheet/FileLink';

/** A file on the bench, as students see it; a click takes hold of it. */
function FileOnSheet({ node, selected }: NodeViewProps) {
  return (
    <NodeViewWrapper contentEditable={false} data-drag-handle className={selected ? 'file-node on' : 'file-node'}>
      <FileLink {...(node.attrs as FileAttributes)} />
    </NodeViewWrapper>
  );
}

export const FileNode = Node.create({
  name: 'file',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({ media: { default: '' }, name: { default: '' }, size: { default: 0 } }),
  parseHTML: () => [
    {
      tag: 'p[data-file]',
      priority: 60,
      getAttrs: (e) => ({
        media: e.getAttribute('data-file'),
        name: e.getAttribute('data-name') ?? '',
        size: Number(e.getAttribute('data-size')),
      }),
    },
  ],
  renderHTML: ({ node }) => [
    'p',
    { 'data-file': node.attrs.media, 'data-name': node.attrs.name, 'data-size': node.attrs.size },
    node.attrs.name,
  ],
  addNodeView: () => ReactNodeViewRenderer(FileOnSheet),
});

'use client';
import { Node } from '@tiptap/core';
import { type NodeViewProps, NodeViewWrapper, ReactNodeViewRenderer } from '@tiptap/react';
import { useState } from 'react';
import type { RecordingAttributes } from '@/core/content/document';
import { RecordingView } from '../../sheet/RecordingView';
import { uploadCaptions } from '../../tray/upload';
import { refusalText } from '../../words/refusals';
import { Trouble } from '../../parts/Trouble';

/** A recording on the bench: played, described, captioned. */
function RecordingOnSheet({ node, updateAttributes, selected }: NodeViewProps) {
  const attrs = node.attrs as RecordingAttributes;
  const [trouble, setTrouble] = useState<string | null>(null);
  const addCaptions = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const added = await uploadCaptions(file);
    setTrouble(added.ok ? null : refusalText(added.refusal));
    if (added.ok) updateAttributes({ captions: added.value.media });
  };
  return (
    <NodeViewWrapper
      contentEditable={false}
      data-drag-handle
      className={selected ? 'recording-node on' : 'recording-node'}
    >
      <RecordingView {...attrs} description="" />
      <div className="describe mb-3">
        <input
          className="form-control form-control-sm"
          aria-label="What the recording is"
          placeholder="What is it? Students read this before they play it"
          value={attrs.description}
          maxLength={1000}
          onChange={(e) => updateAttributes({ description: e.target.value })}
        />
        <label className="d-flex gap-2 align-items-center mt-1">
          {attrs.captions ? <span className="good">✓ captions</span> : 'Captions (WebVTT)'}
          <input
            type="file"
            accept=".vtt,text/vtt"
            className="form-control form-control-sm w-auto"
            onChange={(e) => void addCaptions(e.target.files?.[0])}
          />
        </label>
        <Trouble>{trouble}</Trouble>
      </div>
    </NodeViewWrapper>
  );
}

export const Recording = Node.create({
  name: 'recording',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({
    media: { default: '' },
    medium: { default: 'sound' },
    description: { default: '' },
    captions: { default: null },
  }),
  parseHTML: () => [
    {
      tag: 'figure[data-recording]',
      getAttrs: (e) => ({
        media: e.getAttribute('data-recording'),
        medium: e.getAttribute('data-medium'),
        description: e.getAttribute('data-description') ?? '',
        captions: e.getAttribute('data-captions') || null,
      }),
    },
  ],
  renderHTML: ({ node }) => [
    'figure',
    {
      'data-recording': node.attrs.media,
      'data-medium': node.attrs.medium,
      'data-description': node.attrs.description,
      'data-captions': node.attrs.captions ?? '',
    },
  ],
  addNodeView: () =>
    ReactNodeViewRenderer(RecordingOnSheet, {
      stopEvent: ({ event }) =>
        event.target instanceof HTMLElement && event.target.closest('input, audio, video, button') !== null,
    }),
});

'use client';
import { Node } from '@tiptap/core';
import { type NodeViewProps, NodeViewWrapper, ReactNodeViewRenderer } from '@tiptap/react';
import { type PointerEvent, useRef } from 'react';
import { FRESH_PICTURE, type PictureAttributes, type PictureLabel, pictureLabels } from '@/core/content/document';
import { PictureLabels } from '../../sheet/PictureLabels';
import { LabelHandles, LabelList } from './LabelEditor';
import { CheckLine } from '../../parts/CheckLine';

/** A picture on the bench: resized by its corner, described below it, with words and lines over it. */
function PictureOnSheet({ node, updateAttributes, selected }: NodeViewProps) {
  const { media, description, width, ratio, align, caption, enlarge, labels } = node.attrs as PictureAttributes;
  const setLabels = (next: PictureLabel[]): void => updateAttributes({ labels: next });
  const face = useRef<HTMLSpanElement>(null);
  const frame = useRef<HTMLElement>(null);
  const resize = (event: PointerEvent<HTMLElement>): void => {
    event.preventDefault();
    const handle = event.currentTarget;
    const full = frame.current?.parentElement?.parentElement?.clientWidth ?? 600;
    const start = { x: event.clientX, width };
    handle.setPointerCapture(event.pointerId);
    const move = (e: globalThis.PointerEvent): void => {
      const next = start.width + ((e.clientX - start.x) / full) * 100;
      updateAttributes({ width: Math.round(Math.min(100, Math.max(5, next))) });
    };
    const end = (): void => handle.removeEventListener('pointermove', move);
    handle.addEventListener('pointermove', move);
    handle.addEventListener('pointerup', end, { once: true });
  };
  return (
    <NodeViewWrapper contentEditable={false} data-drag-handle>
      <figure
        ref={frame}
        className={`picture ${align} ${selected ? 'on' : ''}`}
        style={{ width: `${width}%`, marginBottom: 4 }}
      >
        <span className="picture-face" ref={face}>
          {/* eslint-disable-next-line @next/next/no-img-element -- pictures come as they were stored; the image optimiser has nothing to add */}
          <img src={`/media/${media}`} alt={description} style={{ aspectRatio: String(ratio) }} draggable={false} />
          <PictureLabels labels={labels} />
          {selected && <LabelHandles labels={labels} onChange={setLabels} face={face} />}
        </span>
        <span
          className="corner"
          role="slider"
          tabIndex={0}
          aria-label="Width of the picture in percent of the sheet"
          aria-valuemin={5}
          aria-valuemax={100}
          aria-valuenow={width}
          onPointerDown={resize}
          onKeyDown={(e) => {
            const step = { ArrowLeft: -5, ArrowDown: -5, ArrowRight: 5, ArrowUp: 5 }[e.key];
            if (!step) return;
            e.preventDefault();
            updateAttributes({ width: Math.min(100, Math.max(5, width + step)) });
          }}
        />
      </figure>
      <div className="picture-notes">
        <input
          className="form-control form-control-sm"
          aria-label="Description of the picture"
          placeholder="What does the picture show, for those who cannot see it?"
          value={description}
          maxLength={1000}
          onChange={(e) => updateAttributes({ description: e.target.value })}
        />
        {selected && (
          <>
            <input
              className="form-control form-control-sm"
              aria-label="Caption of the picture"
              placeholder="Caption, if wanted"
              value={caption}
              maxLength={500}
              onChange={(e) => updateAttributes({ caption: e.target.value })}
            />
            <select
              className="form-select form-select-sm w-auto"
              aria-label="Where the picture stands"
              value={align}
              onChange={(e) => updateAttributes({ align: e.target.value })}
            >
              <option value="left">left</option>
              <option value="center">in the middle</option>
              <option value="right">right</option>
            </select>
            <CheckLine checked={enlarge} onChange={(on) => updateAttributes({ enlarge: on })}>
              students may enlarge it
            </CheckLine>
            <LabelList labels={labels} onChange={setLabels} />
          </>
        )}
      </div>
    </NodeViewWrapper>
  );
}

/** The labels of a picture that was copied; none when they are not ours. */
function labelsFrom(text: string | null): PictureLabel[] {
  try {
    const parsed = pictureLabels.safeParse(JSON.parse(text ?? '[]'));
    return parsed.success ? parsed.data : [];
  } catch {
    return [];
  }
}

export const Picture = Node.create({
  name: 'picture',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({
    media: { default: '' },
    description: { default: '' },
    width: { default: 60 },
    ratio: { default: 1 },
    align: { default: FRESH_PICTURE.align },
    caption: { default: FRESH_PICTURE.caption },
    enlarge: { default: FRESH_PICTURE.enlarge },
    labels: { default: FRESH_PICTURE.labels },
  }),
  parseHTML: () => [
    {
      tag: 'figure[data-media]',
      getAttrs: (e) => ({
        media: e.getAttribute('data-media'),
        description: e.getAttribute('data-description') ?? '',
        width: Number(e.getAttribute('data-width')),
        ratio: Number(e.getAttribute('data-ratio')),
        align: e.getAttribute('data-align') ?? FRESH_PICTURE.align,
        caption: e.getAttribute('data-caption') ?? '',
        enlarge: e.getAttribute('data-enlarge') !== 'no',
        labels: labelsFrom(e.getAttribute('data-labels')),
      }),
    },
  ],
  renderHTML: ({ node }) => [
    'figure',
    {
      'data-media': node.attrs.media,
      'data-description': node.attrs.description,
      'data-width': node.attrs.width,
      'data-ratio': node.attrs.ratio,
      'data-align': node.attrs.align,
      'data-caption': node.attrs.caption,
      'data-enlarge': node.attrs.enlarge ? 'yes' : 'no',
      'data-labels': JSON.stringify(node.attrs.labels),
    },
  ],
  addNodeView: () =>
    ReactNodeViewRenderer(PictureOnSheet, {
      stopEvent: ({ event }) =>
        event.target instanceof HTMLElement &&
        event.target.closest('input, select, button, .corner, .label-handle') !== null,
    }),
});

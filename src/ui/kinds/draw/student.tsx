'use client';
import { type KeyboardEvent, useMemo, useState } from 'react';
import { MOST_POINTS, MOST_SHAPES, pointCount, type Shape } from '@/core/drawing/shapes';
import type { DrawResponse, DrawSheet } from '@/core/kinds/draw/draw';
import { DrawingView } from '../../drawing/DrawingView';
import { measureOf } from '../../drawing/measures';
import { PaperView } from '../../drawing/PaperView';
import { ShapesByNumbers } from '../../drawing/ShapesByNumbers';
import { Surface } from '../../drawing/Surface';
import { ToolBar } from '../../drawing/ToolBar';
import { FIRST_HAND } from '../../drawing/tools';
import { useDrawing } from '../../drawing/use-drawing';
import { RemarkedText } from '../../remarks/RemarkedText';
import { Trouble } from '../../parts/Trouble';
import type { ReviewProps, StudentProps } from '../contract';

const NOTHING: Shape[] = [];

export function Student({ label, sheet, response, onChange }: StudentProps<DrawSheet, DrawResponse>) {
  const { paper, high } = sheet;
  const shapes = response?.shapes ?? NOTHING;
  const words = response?.words ?? '';
  const [hand, setHand] = useState(FIRST_HAND);
  const [full, setFull] = useState(false);
  const drawing = useDrawing(shapes, (next) => onChange({ shapes: next, words }));
  const measure = useMemo(() => measureOf(paper, high), [paper, high]);
  const change = (next: Shape[], tag = ''): void => {
    const fits = next.length <= MOST_SHAPES && pointCount(next) <= MOST_POINTS;
    setFull(!fits);
    if (fits) drawing.change(next, tag);
  };
  const add = (shape: Shape): void => change([...shapes, shape]);
  const byKeys = (event: KeyboardEvent): void => {
    if (!(event.ctrlKey || event.metaKey) || (event.target as Element).closest('input, textarea')) return;
    const key = event.key.toLowerCase();
    const run = key === 'z' ? (event.shiftKey ? drawing.redo : drawing.undo) : key === 'y' ? drawing.redo : null;
    if (!run) return;
    event.preventDefault();
    event.stopPropagation();
    run();
  };
  return (
    <div className="draw-slot" onKeyDown={byKeys}>
      <ToolBar label={`${label}: tools`} hand={hand} steps={drawing} onChange={setHand} />
      <Surface
        label={`${label}: drawing`}
        shapes={shapes}
        high={high}
        hand={hand}
        lengthWords={measure.length}
        onAdd={add}
        onChange={change}
      >
        <PaperView paper={paper} high={high} />
      </Surface>
      {full && (
        <Trouble>
          The drawing is full: there is no room for what was drawn last. Rub something out, and draw it again.
        </Trouble>
      )}
      <ShapesByNumbers shapes={shapes} high={high} hand={hand} measure={measure} onAdd={add} onChange={change} />
      <label className="drawing-words">
        In words, if you like, or instead of a drawing
        <textarea
          className="form-control"
          rows={2}
          maxLength={5000}
          value={words}
          onChange={(e) => onChange({ shapes, words: e.target.value })}
        />
      </label>
    </div>
  );
}

/** The drawing over its paper, with its words. */
export function Review({
  sheet: { paper, high },
  response,
  remarks = [],
  onPin,
}: ReviewProps<DrawSheet, DrawResponse>) {
  if (!response) return <div className="slot-box soft">no answer</div>;
  return (
    <div className="draw-slot">
      <DrawingView
        shapes={response.shapes}
        paper={paper}
        high={high}
        label={response.words || 'The drawing'}
        remarks={remarks}
        onPin={onPin}
      />
      {response.words.trim() !== '' && (
        <p className="drawing-said" dir="auto">
          <RemarkedText text={response.words} evidence={[]} remarks={remarks} onPin={onPin} />
        </p>
      )}
    </div>
  );
}

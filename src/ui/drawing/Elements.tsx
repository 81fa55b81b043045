import { createElement, memo } from 'react';
import { shapeElement, type SvgElement } from '@/core/drawing/elements';
import type { Shape } from '@/core/drawing/shapes';

/** What the core says an element of SVG is, on the page. */
export function Elements({ elements }: { elements: readonly SvgElement[] }) {
  return elements.map(({ tag, attributes, text }, i) => createElement(tag, { key: i, ...attributes }, text));
}

const ShapeView = memo(function ShapeView({ shape }: { shape: Shape }) {
  const { tag, attributes, text } = shapeElement(shape);
  return createElement(tag, { ...attributes, 'data-shape': shape.id }, text);
});

/** The shapes of a drawing. Each is drawn once and stays until it is another. */
export const Shapes = memo(function Shapes({ shapes }: { shapes: readonly Shape[] }) {
  return shapes.map((shape) => <ShapeView key={shape.id} shape={shape} />);
});

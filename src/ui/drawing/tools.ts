import type { Colour, Shape, Width } from '@/core/drawing/shapes';

export type Tool = Shape['is'] | 'eraser' | 'move' | 'ruler';

/** What is in the hand. */
export interface Hand {
  tool: Tool;
  colour: Colour;
  width: Width;
}

export const FIRST_HAND: Hand = { tool: 'pen', colour: 'black', width: 'medium' };

export const TOOL_NAMES: Record<Tool, string> = {
  pen: 'Pen',
  marker: 'Marker',
  line: 'Line',
  arrow: 'Arrow',
  box: 'Box',
  ellipse: 'Ellipse',
  text: 'Text',
  eraser: 'Eraser',
  move: 'Move',
  ruler: 'Measure',
};

export const TOOLS = Object.keys(TOOL_NAMES) as Tool[];

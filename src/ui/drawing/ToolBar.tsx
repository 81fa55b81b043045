'use client';
import {
  ArrowUpRight,
  Circle,
  Eraser,
  Highlighter,
  type LucideIcon,
  Move,
  Pen,
  RectangleHorizontal,
  Redo2,
  Ruler,
  Slash,
  Type,
  Undo2,
} from 'lucide-react';
import { COLOURS, STUDENT_COLOURS, type Width, WIDTHS } from '@/core/drawing/shapes';
import { type Hand, TOOL_NAMES, type Tool, TOOLS } from './tools';

const SIGNS: Record<Tool, LucideIcon> = {
  pen: Pen,
  marker: Highlighter,
  line: Slash,
  arrow: ArrowUpRight,
  box: RectangleHorizontal,
  ellipse: Circle,
  text: Type,
  eraser: Eraser,
  move: Move,
  ruler: Ruler,
};

interface Props {
  label: string;
  hand: Hand;
  onChange: (hand: Hand) => void;
  steps: { undo: () => void; redo: () => void; canUndo: boolean; canRedo: boolean };
}

/** What lies beside the paper: tools, colours and how thick. */
export function ToolBar({ label, hand, onChange, steps }: Props) {
  return (
    <div className="drawing-tools" role="toolbar" aria-label={label}>
      <span>
        {TOOLS.map((tool) => {
          const Sign = SIGNS[tool];
          return (
            <button
              key={tool}
              type="button"
              aria-label={TOOL_NAMES[tool]}
              title={TOOL_NAMES[tool]}
              aria-pressed={hand.tool === tool}
              onClick={() => onChange({ ...hand, tool })}
            >
              <Sign size={18} aria-hidden="true" />
            </button>
          );
        })}
      </span>
      <span>
        {STUDENT_COLOURS.map((colour) => (
          <button
            key={colour}
            type="button"
            aria-label={`Colour ${colour}`}
            title={colour}
            aria-pressed={hand.colour === colour}
            onClick={() => onChange({ ...hand, colour })}
          >
            <i style={{ background: COLOURS[colour] }} />
          </button>
        ))}
      </span>
      <select
        className="form-select form-select-sm"
        aria-label="How thick"
        value={hand.width}
        onChange={(e) => onChange({ ...hand, width: e.target.value as Width })}
      >
        {Object.keys(WIDTHS).map((width) => (
          <option key={width}>{width}</option>
        ))}
      </select>
      <span>
        <button type="button" aria-label="Undo" title="Undo, Ctrl Z" disabled={!steps.canUndo} onClick={steps.undo}>
          <Undo2 size={17} aria-hidden="true" />
        </button>
        <button type="button" aria-label="Redo" title="Redo, Ctrl Y" disabled={!steps.canRedo} onClick={steps.redo}>
          <Redo2 size={17} aria-hidden="true" />
        </button>
      </span>
    </div>
  );
}

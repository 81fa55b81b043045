'use client';
import { type PointerEvent, type RefObject, useRef, useState } from 'react';
import { pathOf, pen } from '@/core/drawing/elements';
import { type Bounds, moved, shapeAt, simplified, tenth } from '@/core/drawing/geometry';
import { freshShapeId, MOST_POINTS, PAPER_WIDTH, type Shape } from '@/core/drawing/shapes';
import type { Hand } from './tools';
import type { Fingers } from './use-zoom';

interface Props {
  paper: RefObject<HTMLElement | null>;
  shapes: readonly Shape[];
  hand: Hand;
  fingers: Fingers;
  onAdd: (shape: Shape) => void;
  onChange: (shapes: Shape[]) => void;
  onText: (at: { x: number; y: number }) => void;
  /** Takes a click in place of the hand. */
  onSpot?: ((at: { x: number; y: number }) => void) | undefined;
}

/** How far a stored path may be from the drawn one, in units: less than the finest pen is thick. */
const TOLERANCE = 0.8;
/** How far round the pointer the eraser and the moving hand reach, in pixels. */
const REACH = 9;

/** What is under way between setting the hand down and lifting it. */
type Doing =
  | { is: 'stroke'; points: number[]; path: string }
  | { is: 'span'; at: Bounds }
  | { is: 'erase'; gone: ReadonlySet<string> }
  | { is: 'move'; shape: Shape; from: { x: number; y: number }; by: { x: number; y: number } };

/** What a pointer does on a paper: one draws, two zoom, and beside a pen no finger draws. */
export function useHandOnPaper({ paper, shapes, hand, fingers, onAdd, onChange, onText, onSpot }: Props) {
  const live = useRef<SVGPathElement>(null);
  const doing = useRef<Doing | null>(null);
  const frame = useRef(0);
  /** The palm lies on the paper while a pen writes: once a pen was seen, fingers only zoom. */
  const penSeen = useRef(false);
  /** The shapes while some are rubbed out or moved. */
  const [passing, setPassing] = useState<Shape[] | null>(null);
  const [ruler, setRuler] = useState<Bounds | null>(null);

  const place = ({ clientX, clientY }: { clientX: number; clientY: number }) => {
    const box = paper.current?.getBoundingClientRect() ?? new DOMRect(0, 0, 1, 1);
    const units = PAPER_WIDTH / box.width;
    return { x: (clientX - box.left) * units, y: (clientY - box.top) * units, reach: REACH * units };
  };
  const show = (d: string): void => {
    cancelAnimationFrame(frame.current);
    frame.current = requestAnimationFrame(() => live.current?.setAttribute('d', d));
  };
  const clear = (): void => {
    doing.current = null;
    show('');
    setPassing(null);
  };
  const dress = (is: Shape['is']): void => {
    for (const [name, value] of Object.entries(pen({ ...hand, is }))) {
      const kebab = name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
      live.current?.setAttribute(kebab, String(value));
    }
    if (is !== 'marker') live.current?.removeAttribute('stroke-opacity');
  };
  const rub = (at: ReturnType<typeof place>, gone: ReadonlySet<string>): ReadonlySet<string> => {
    const hit = shapeAt(
      shapes.filter(({ id }) => !gone.has(id)),
      at.x,
      at.y,
      at.reach,
    );
    if (!hit) return gone;
    const more = new Set([...gone, hit.id]);
    setPassing(shapes.filter(({ id }) => !more.has(id)));
    return more;
  };

  const down = (event: PointerEvent<HTMLElement>): void => {
    if (event.pointerType === 'mouse' && event.button !== 0) return;
    if ((event.target as Element).closest('input')) return;
    if (event.pointerType === 'pen') penSeen.current = true;
    if (event.pointerType === 'touch' && fingers.moved(event, 'down')) return clear();
    if (event.pointerType === 'touch' && penSeen.current) return;
    if (doing.current) return;
    event.preventDefault();
    event.currentTarget.setPointerCapture(event.pointerId);
    const at = place(event);
    const [x, y] = [tenth(at.x), tenth(at.y)];
    if (onSpot) return onSpot({ x, y });
    switch (hand.tool) {
      case 'pen':
      case 'marker':
        doing.current = { is: 'stroke', points: [x, y], path: pathOf([x, y]) };
        dress(hand.tool);
        return show(pathOf([x, y]));
      case 'eraser':
        doing.current = { is: 'erase', gone: rub(at, new Set()) };
        return;
      case 'move': {
        const shape = shapeAt(shapes, at.x, at.y, at.reach);
        if (shape) doing.current = { is: 'move', shape, from: at, by: { x: 0, y: 0 } };
        return;
      }
      case 'text':
        return onText({ x, y });
      default:
        doing.current = { is: 'span', at: { x1: x, y1: y, x2: x, y2: y } };
        dress(hand.tool === 'ruler' ? 'line' : hand.tool);
    }
  };
  const move = (event: PointerEvent<HTMLElement>): void => {
    if (event.pointerType === 'touch' && fingers.moved(event, 'move')) return;
    const now = doing.current;
    if (!now || !event.currentTarget.hasPointerCapture(event.pointerId)) return;
    if (now.is === 'stroke') {
      for (const one of event.nativeEvent.getCoalescedEvents?.() ?? [event.nativeEvent]) {
        if (now.points.length >= 2 * MOST_POINTS) break;
        const { x, y } = place(one);
        now.points.push(tenth(x), tenth(y));
        now.path += `L${tenth(x)} ${tenth(y)}`;
      }
      return show(now.path);
    }
    const at = place(event);
    if (now.is === 'erase') doing.current = { is: 'erase', gone: rub(at, now.gone) };
    else if (now.is === 'move') {
      now.by = { x: at.x - now.from.x, y: at.y - now.from.y };
      setPassing(shapes.map((s) => (s.id === now.shape.id ? moved(s, now.by.x, now.by.y) : s)));
    } else {
      now.at = { ...now.at, x2: tenth(at.x), y2: tenth(at.y) };
      if (hand.tool === 'ruler') setRuler(now.at);
      else show(spanPath(hand.tool, now.at));
    }
  };
  const up = (event: PointerEvent<HTMLElement>): void => {
    if (event.pointerType === 'touch') fingers.moved(event, 'up');
    const now = doing.current;
    if (!now || !event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const { colour, width } = hand;
    const made = { id: freshShapeId(shapes), colour, width };
    if (now.is === 'stroke' && (hand.tool === 'pen' || hand.tool === 'marker'))
      onAdd({ is: hand.tool, ...made, points: simplified(now.points, TOLERANCE) });
    else if (now.is === 'erase' && now.gone.size > 0) onChange(shapes.filter(({ id }) => !now.gone.has(id)));
    else if (now.is === 'move' && (now.by.x !== 0 || now.by.y !== 0))
      onChange(shapes.map((s) => (s.id === now.shape.id ? moved(s, now.by.x, now.by.y) : s)));
    else if (now.is === 'span' && isSpanned(hand.tool) && Math.hypot(now.at.x2 - now.at.x1, now.at.y2 - now.at.y1) > 3)
      onAdd({ is: hand.tool, ...made, ...now.at });
    clear();
  };
  return {
    live,
    shown: passing ?? shapes,
    ruler: hand.tool === 'ruler' ? ruler : null,
    pointer: {
      onPointerDown: down,
      onPointerMove: move,
      onPointerUp: up,
      onPointerCancel: (event: PointerEvent<HTMLElement>) => {
        if (event.pointerType === 'touch') fingers.moved(event, 'up');
        clear();
      },
    },
  };
}

type SpannedTool = 'line' | 'arrow' | 'box' | 'ellipse';
const isSpanned = (tool: Hand['tool']): tool is SpannedTool => ['line', 'arrow', 'box', 'ellipse'].includes(tool);

/** What is seen while something is spanned from one place to another. */
function spanPath(tool: Hand['tool'], { x1, y1, x2, y2 }: Bounds): string {
  if (tool === 'box') return `M${x1} ${y1}H${x2}V${y2}H${x1}Z`;
  if (tool !== 'ellipse') return pathOf([x1, y1, x2, y2]);
  const [rx, ry] = [Math.abs(x2 - x1) / 2, Math.abs(y2 - y1) / 2];
  const [left, right, middle] = [Math.min(x1, x2), Math.max(x1, x2), (y1 + y2) / 2];
  return `M${left} ${middle}A${rx} ${ry} 0 1 0 ${right} ${middle}A${rx} ${ry} 0 1 0 ${left} ${middle}`;
}

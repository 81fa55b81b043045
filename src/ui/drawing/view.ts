/** How a paper is looked at: so many times as large, and moved by so many pixels. */
export interface View {
  scale: number;
  x: number;
  y: number;
}

export const WHOLE: View = { scale: 1, x: 0, y: 0 };
const LARGEST = 6;

interface Spot {
  x: number;
  y: number;
}

/** A view that shows no white beyond the paper in a frame of this size. */
function held({ scale, x, y }: View, width: number, height: number): View {
  const within = (value: number, size: number): number => Math.min(0, Math.max(size * (1 - scale), value));
  return { scale, x: within(x, width), y: within(y, height) };
}

/** Larger or smaller round a spot of the frame. */
export function zoomed(view: View, by: number, at: Spot, width: number, height: number): View {
  const scale = Math.min(LARGEST, Math.max(1, view.scale * by));
  const grown = scale / view.scale;
  return held({ scale, x: at.x - (at.x - view.x) * grown, y: at.y - (at.y - view.y) * grown }, width, height);
}

/** What two fingers do: their middle takes the paper along, and their distance makes it larger. */
export function pinched(
  view: View,
  before: readonly [Spot, Spot],
  after: readonly [Spot, Spot],
  width: number,
  height: number,
): View {
  const middle = ([a, b]: readonly [Spot, Spot]): Spot => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
  const apart = ([a, b]: readonly [Spot, Spot]): number => Math.max(1, Math.hypot(a.x - b.x, a.y - b.y));
  const [from, to] = [middle(before), middle(after)];
  const grown = zoomed(view, apart(after) / apart(before), from, width, height);
  return held({ ...grown, x: grown.x + to.x - from.x, y: grown.y + to.y - from.y }, width, height);
}

import type { Margin, Spot } from '@/core/content/board';

type SideName = keyof Margin;

/** The sides of the board with the middle of their edges, in percent of the picture. */
export const SIDES: { name: SideName; edge: (margin: Margin) => Spot }[] = [
  { name: 'left', edge: ({ left }) => ({ x: -left, y: 50 }) },
  { name: 'right', edge: ({ right }) => ({ x: 100 + right, y: 50 }) },
  { name: 'top', edge: ({ top }) => ({ x: 50, y: -top }) },
  { name: 'bottom', edge: ({ bottom }) => ({ x: 50, y: 100 + bottom }) },
];

const share = (value: number): number => Math.round(Math.min(100, Math.max(0, value)));

/** The white with one of its edges drawn to a spot of the picture. */
export function withSide(margin: Margin, side: SideName, { x, y }: Spot): Margin {
  const wide: Record<SideName, number> = { left: -x, right: x - 100, top: -y, bottom: y - 100 };
  return { ...margin, [side]: share(wide[side]) };
}

/**
 * Where things stand on a board: a picture with white beside it. Spots are in
 * percent of the picture's width and height from its upper left corner; beyond
 * 0 and 100 they lie on the white.
 */
export interface Spot {
  x: number;
  y: number;
}

/** The white that is added beside the picture, in percent of its width (left, right) or height (top, bottom). */
export interface Margin {
  top: number;
  right: number;
  bottom: number;
  left: number;
}

/** The board is the picture with the white beside it. Width over height of the whole, from that of the picture. */
export function boardRatio(ratio: number, { top, right, bottom, left }: Margin): number {
  return (ratio * (100 + left + right)) / (100 + top + bottom);
}

/** A spot of the picture in percent of the board. */
export function onBoard({ x, y }: Spot, { top, right, bottom, left }: Margin): Spot {
  return { x: ((left + x) / (100 + left + right)) * 100, y: ((top + y) / (100 + top + bottom)) * 100 };
}

/** To tenths; adding zero takes the sign off it. */
const tenths = (value: number): number => Math.round(value * 10) / 10 + 0;

/** A spot of the board in percent of the picture, to tenths. */
export function onPicture({ x, y }: Spot, { top, right, bottom, left }: Margin): Spot {
  return { x: tenths((x * (100 + left + right)) / 100 - left), y: tenths((y * (100 + top + bottom)) / 100 - top) };
}

/** The nearest spot that lies on the board. */
export function within({ x, y }: Spot, { top, right, bottom, left }: Margin): Spot {
  return {
    x: tenths(Math.min(100 + right, Math.max(-left, x))),
    y: tenths(Math.min(100 + bottom, Math.max(-top, y))),
  };
}

/** Nearer than this a line snaps to the edge of another, in percent of the picture. */
const NEAR = 3;

/** A spot that stands in line with others where it is near to it: with their middles, one above the other. */
export function snapped(spot: Spot, others: readonly Spot[]): Spot {
  const nearest = others
    .map(({ x }) => x)
    .filter((x) => Math.abs(x - spot.x) < NEAR)
    .sort((a, b) => Math.abs(a - spot.x) - Math.abs(b - spot.x))[0];
  return nearest === undefined ? spot : { ...spot, x: nearest };
}

/** A writing line ends so far from the picture, in percent of it. */
const GAP = 3;

/** Which part of a writing line stands at its spot: its end towards the picture, or its middle. */
export function lineEnd({ x }: Spot): 'right' | 'left' | 'middle' {
  return x < 0 ? 'right' : x > 100 ? 'left' : 'middle';
}

/**
 * How long writing lines can be, in percent of the board's width: as long as
 * the shortest white that one of them stands on, a third where none stands on
 * white. One length for all.
 */
export function lineRoom(spots: readonly Spot[], margin: Margin): number {
  const rooms = spots.map((spot) => {
    const { x } = onBoard(spot, margin);
    return { right: x, left: 100 - x, middle: 34 }[lineEnd(spot)];
  });
  return Math.max(8, Math.min(34, ...rooms));
}

/** As one reads: what stands at the left from above, then what stands over, on and under the picture, then at the right. */
export function inReadingOrder<P extends { at: Spot }>(places: readonly P[]): P[] {
  const column = { right: 0, middle: 1, left: 2 };
  return [...places].sort(
    (a, b) => column[lineEnd(a.at)] - column[lineEnd(b.at)] || a.at.y - b.at.y || a.at.x - b.at.x,
  );
}

/**
 * Where the writing line goes when somebody clicks on the picture: on the
 * white at the nearer side, at the height of the spot; without white at the
 * spot itself.
 */
export function lineFor(spot: Spot, margin: Margin): { at: Spot; foot: Spot | null } {
  const sides: { room: number; far: number; at: Spot }[] = [
    { room: margin.left, far: spot.x, at: { x: -GAP, y: spot.y } },
    { room: margin.right, far: 100 - spot.x, at: { x: 100 + GAP, y: spot.y } },
    { room: margin.top, far: spot.y, at: { x: spot.x, y: -margin.top / 2 } },
    { room: margin.bottom, far: 100 - spot.y, at: { x: spot.x, y: 100 + margin.bottom / 2 } },
  ];
  const [best] = sides.filter(({ room }) => room >= 8).sort((a, b) => a.far - b.far);
  return best ? { at: best.at, foot: spot } : { at: spot, foot: null };
}

/** How the lines of one side stand: the axis along which they follow one another, and where that begins and ends. */
interface Side {
  holds: (spot: Spot) => boolean;
  along: 'x' | 'y';
  from: number;
  to: number;
}

function sidesOf({ top, right, bottom, left }: Margin): Side[] {
  const upright = { along: 'y' as const, from: -top, to: 100 + bottom };
  const level = { along: 'x' as const, from: -left, to: 100 + right };
  return [
    { holds: ({ x }) => x < 0, ...upright },
    { holds: ({ x }) => x > 100, ...upright },
    { holds: ({ x, y }) => y < 0 && x >= 0 && x <= 100, ...level },
    { holds: ({ x, y }) => y > 100 && x >= 0 && x <= 100, ...level },
  ];
}

/** A writing line is so high, in percent of the width of the board as it stands on a sheet. */
const LINE = 5.8;

/** The lines at the left and right so far from one another that each can be read and taken: those too near move on, down and then up again. */
export function spread(lines: readonly Spot[], margin: Margin, ratio: number): Spot[] {
  const next = lines.map((spot) => ({ ...spot }));
  const least = (LINE * ratio * (100 + margin.left + margin.right)) / 100;
  const lowest = 100 + margin.bottom;
  for (const side of ['right', 'left'] as const) {
    const here = next.filter((spot) => lineEnd(spot) === side).sort((a, b) => a.y - b.y);
    here.forEach((spot, i) => {
      spot.y = tenths(Math.max(spot.y, (here[i - 1]?.y ?? -margin.top) + least));
    });
    [...here].reverse().forEach((spot, i, upwards) => {
      const below = upwards[i - 1];
      spot.y = tenths(Math.min(spot.y, below ? below.y - least : lowest));
    });
  }
  return next;
}

/**
 * The lines on the white of each side in one row and at equal distances, in
 * the order in which they stand: between the first and the last, or over the
 * whole side where they would stand too near.
 */
export function linedUp(lines: readonly Spot[], margin: Margin): Spot[] {
  const next = lines.map((spot) => ({ ...spot }));
  for (const { holds, along, from, to } of sidesOf(margin)) {
    const across = along === 'x' ? 'y' : 'x';
    const here = next.filter(holds).sort((a, b) => a[along] - b[along]);
    const [first, last] = [here[0], here.at(-1)];
    if (!first || !last || here.length < 2) continue;
    const even = (to - from) / here.length;
    const natural = (last[along] - first[along]) / (here.length - 1);
    // A line stands above its spot, and in the middle over it.
    const inRoom = from + even * (along === 'y' ? 0.97 : 0.5);
    const [begin, step] = natural < 0.9 * even ? [inRoom, even] : [first[along], natural];
    const middle = tenths(here.reduce((sum, spot) => sum + spot[across], 0) / here.length);
    here.forEach((spot, i) => {
      spot[across] = middle;
      spot[along] = tenths(begin + step * i);
    });
  }
  return next;
}

/** How a place is called: by its number in reading order. */
export const placeName = (at: number): string => `place ${at + 1}`;

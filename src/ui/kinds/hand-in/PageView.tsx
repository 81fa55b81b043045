'use client';
import type { HandedPage } from '@/core/kinds/hand-in/hand-in';
import { type Corners, cssMatrix, projection, ratioOf } from '@/core/pictures/straighten';
import type { ShownPage } from './shown-pages';

type Shown = Omit<ShownPage, 'flaws'>;

interface Props {
  page: Pick<HandedPage, 'turn' | 'corners' | 'name'>;
  shown: Shown;
  /** How wide it is shown, in pixels. */
  width: number;
}

/** The corners of the sheet in pixels of the picture. */
function sheetOf({ corners }: Props['page'], { width: w, height: h }: Shown): Corners {
  const whole: Corners = [
    { x: 0, y: 0 },
    { x: w, y: 0 },
    { x: w, y: h },
    { x: 0, y: h },
  ];
  return corners ? (corners.map(({ x, y }) => ({ x: x * w, y: y * h })) as unknown as Corners) : whole;
}

/** How high a page is for its width, as it shall be read. */
export function pageRatio(page: Props['page'], shown: Shown): number {
  const upright = ratioOf(sheetOf(page, shown));
  return page.turn % 2 === 0 ? 1 / upright : upright;
}

/** A page as it shall be read: cut to its corners, straightened and turned. The file itself stays as it was taken. */
export function PageView({ page, shown, width }: Props) {
  const { url, width: w, height: h } = shown;
  const { turn, name } = page;
  const sheet = sheetOf(page, shown);
  const height = width * pageRatio(page, shown);
  const places: Corners = [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: height },
    { x: 0, y: height },
  ];
  const turned = places.map((_, i) => places[(i + turn) % 4]) as unknown as Corners;
  const map = projection(sheet, turned);
  return (
    <span className="page-view" style={{ width, height }}>
      {/* eslint-disable-next-line @next/next/no-img-element -- a picture of this device; there is nothing to optimise */}
      <img
        src={url}
        alt={name}
        draggable={false}
        width={w}
        height={h}
        style={{ transform: map ? cssMatrix(map) : undefined }}
      />
    </span>
  );
}

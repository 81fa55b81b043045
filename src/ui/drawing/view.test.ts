import { describe, expect, it } from 'vitest';
import { pinched, WHOLE, zoomed } from './view';

const [W, H] = [400, 240];

describe('how a paper is looked at', () => {
  it('grows round a spot, which stays where it is, and never beyond the whole or six times', () => {
    const grown = zoomed(WHOLE, 2, { x: 100, y: 60 }, W, H);
    expect(grown).toEqual({ scale: 2, x: -100, y: -60 });
    // The spot of the paper below the finger is the same one as before.
    expect((100 - grown.x) / grown.scale).toBe(100);
    expect(zoomed(grown, 0.1, { x: 5, y: 5 }, W, H)).toEqual(WHOLE);
    expect(zoomed(WHOLE, 100, { x: 0, y: 0 }, W, H).scale).toBe(6);
  });

  it('follows two fingers: apart it grows, together it moves, without white beside it', () => {
    const before = [
      { x: 100, y: 100 },
      { x: 200, y: 100 },
    ] as const;
    const apart = pinched(
      WHOLE,
      before,
      [
        { x: 50, y: 100 },
        { x: 250, y: 100 },
      ],
      W,
      H,
    );
    expect(apart.scale).toBe(2);
    const moved = pinched(
      apart,
      before,
      [
        { x: 90, y: 90 },
        { x: 190, y: 90 },
      ],
      W,
      H,
    );
    expect([moved.scale, moved.x - apart.x, moved.y - apart.y]).toEqual([2, -10, -10]);
    const far = pinched(
      apart,
      before,
      [
        { x: 900, y: 900 },
        { x: 1000, y: 900 },
      ],
      W,
      H,
    );
    expect([far.x, far.y]).toEqual([0, 0]);
    // Two fingers on one spot do not divide by nothing.
    const same = [
      { x: 10, y: 10 },
      { x: 10, y: 10 },
    ] as const;
    expect(pinched(WHOLE, same, same, W, H)).toEqual(WHOLE);
  });
});

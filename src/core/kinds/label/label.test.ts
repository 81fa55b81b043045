import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import {
  boardRatio,
  inReadingOrder,
  linedUp,
  lineFor,
  lineRoom,
  onBoard,
  onPicture,
  snapped,
  spread,
  within,
} from '../../content/board';
import { label, type LabelSetup } from './label';
import { sample } from './sample';

const white = { top: 0, right: 50, bottom: 0, left: 50 };
const codes = (setup: LabelSetup): string[] => label.readiness(setup).map(({ code }) => code);

describe('a board', () => {
  it('is as much wider as there is white beside the picture', () => {
    expect(boardRatio(1.5, white)).toBe(3);
    expect(boardRatio(1.5, { ...white, top: 100 })).toBe(1.5);
  });

  it('knows where a spot of the picture lies on it, and back', () => {
    expect(onBoard({ x: 50, y: 30 }, white)).toEqual({ x: 50, y: 30 });
    expect(onBoard({ x: -50, y: 0 }, white)).toEqual({ x: 0, y: 0 });
    expect(onBoard({ x: 150, y: 100 }, white)).toEqual({ x: 100, y: 100 });
    for (const spot of [
      { x: 12.5, y: 80 },
      { x: 140, y: 3 },
    ])
      expect(onPicture(onBoard(spot, white), white)).toEqual(spot);
  });

  it('keeps every spot on it', () => {
    expect(within({ x: 190, y: -4 }, white)).toEqual({ x: 150, y: 0 });
  });

  it('puts the line of a clicked spot on the white at the nearer side, and leads to the spot', () => {
    expect(lineFor({ x: 80, y: 20 }, white)).toEqual({ at: { x: 103, y: 20 }, foot: { x: 80, y: 20 } });
    expect(lineFor({ x: 10, y: 20 }, white)).toEqual({ at: { x: -3, y: 20 }, foot: { x: 10, y: 20 } });
    const bare = { top: 0, right: 0, bottom: 0, left: 0 };
    expect(lineFor({ x: 10, y: 20 }, bare)).toEqual({ at: { x: 10, y: 20 }, foot: null });
  });

  it('keeps lines apart, and all of them on the board', () => {
    const lines = [50, 51, 52, 97, 99].map((y) => ({ x: -3, y }));
    const least = (5.8 * 1.5 * 200) / 100;
    const ys = spread([...lines, { x: 103, y: 51 }], white, 1.5).map(({ y }) => y);
    const [right] = ys.splice(5, 1);
    expect(right).toBe(51);
    ys.slice(1).forEach((y, i) => expect(y - (ys[i] ?? 0)).toBeGreaterThan(least - 0.2));
    expect(ys.at(-1)).toBeLessThanOrEqual(100);
    // A line at the upper edge has room above its spot.
    expect(spread([{ x: -3, y: 1 }], white, 1.5)[0]?.y).toBeCloseTo(least, 0);
    expect(
      spread(
        [
          { x: -3, y: 30 },
          { x: -3, y: 60 },
        ],
        white,
        1.5,
      ),
    ).toEqual([
      { x: -3, y: 30 },
      { x: -3, y: 60 },
    ]);
  });

  it('has lines as long as the white that they stand on', () => {
    // A board of 200 % with 50 % of white at each side: a quarter of its width, less what is left free before the picture.
    expect(
      lineRoom(
        [
          { x: -3, y: 5 },
          { x: 50, y: 5 },
        ],
        white,
      ),
    ).toBe(23.5);
    expect(lineRoom([{ x: 104, y: 5 }], white)).toBe(23);
    expect([lineRoom([{ x: 50, y: 5 }], white), lineRoom([], white)]).toEqual([34, 34]);
  });

  it('numbers places as one reads them', () => {
    const places = [
      [103, 50],
      [-3, 80],
      [40, 30],
      [-3, 10],
      [60, 30],
    ].map(([x = 0, y = 0]) => ({ at: { x, y } }));
    expect(inReadingOrder(places).map(({ at }) => [at.x, at.y])).toEqual([
      [-3, 10],
      [-3, 80],
      [40, 30],
      [60, 30],
      [103, 50],
    ]);
  });

  it('brings lines under one another where they are near it, and at equal distances when asked', () => {
    expect(snapped({ x: 124, y: 5 }, [{ x: 125, y: 50 }])).toEqual({ x: 125, y: 5 });
    expect(snapped({ x: 110, y: 5 }, [{ x: 125, y: 50 }])).toEqual({ x: 110, y: 5 });
    const lines = [
      { x: 120, y: 10 },
      { x: 130, y: 20 },
      { x: 125, y: 90 },
      { x: 40, y: 40 },
    ];
    expect(linedUp(lines, white)).toEqual([
      { x: 125, y: 10 },
      { x: 125, y: 50 },
      { x: 125, y: 90 },
      { x: 40, y: 40 },
    ]);
    // Too near to one another: over the whole side.
    const near = [40, 45, 41, 43].map((y) => ({ x: -20, y }));
    expect(linedUp(near, white).map(({ y }) => y)).toEqual([24.3, 99.3, 49.3, 74.3]);
    const above = { top: 30, right: 0, bottom: 0, left: 0 };
    expect(
      linedUp(
        [
          { x: 40, y: -12 },
          { x: 50, y: -18 },
        ],
        above,
      ),
    ).toEqual([
      { x: 25, y: -15 },
      { x: 75, y: -15 },
    ]);
  });
});

describe('labels', () => {
  const { setup } = sample;

  it('never stand in the author’s order, which is that of the places', () => {
    const pasted = { ...setup, names: ['rotor', 'brake', 'tower'].map((text, i) => ({ id: `n${i + 1}`, text })) };
    expect(label.sheet({ ...pasted, list: 'alphabet' }, 7).names.map(({ text }) => text)).toEqual([
      'brake',
      'rotor',
      'tower',
    ]);
    const orders = new Set(
      Array.from({ length: 30 }, (_, seed) =>
        label
          .sheet(pasted, seed)
          .names.map((n) => n.id)
          .join(),
      ),
    );
    expect(orders.size).toBe(6);
  });

  it('earn a part each; a name of an old revision counts for nothing', () => {
    const share = (...pairs: [string, string][]): string => {
      const marking = label.marked.mark(setup, { placed: pairs.map(([item, place]) => ({ item, place })) });
      return marking.state === 'marked' ? stored(marking.share) : 'waits';
    };
    expect(share(['n1', 'p1'], ['n3', 'p2'])).toBe('1/3');
    expect(share(['n1', 'gone'])).toBe('0');
    expect(label.accepts(setup, { placed: [{ item: 'n1', place: 'gone' }] })).toBe(false);
    expect(
      label.accepts(setup, {
        placed: [
          { item: 'n1', place: 'p1' },
          { item: 'n1', place: 'p2' },
        ],
      }),
    ).toBe(false);
    expect(
      label.accepts(
        { ...setup, again: true },
        {
          placed: [
            { item: 'n1', place: 'p1' },
            { item: 'n1', place: 'p2' },
          ],
        },
      ),
    ).toBe(true);
  });

  it('say what is missing', () => {
    expect(codes(label.fresh())).toEqual(['label-no-picture']);
    expect(codes({ ...setup, names: setup.names.slice(0, 3) })).toEqual(['label-no-distractor']);
    const [first, second, third] = setup.places;
    if (!first || !second || !third) throw new Error('The sample has three');
    expect(codes({ ...setup, places: [first, { ...second, accepts: [] }, third] })).toEqual(['label-place-empty']);
    expect(codes({ ...setup, places: [first, { ...second, accepts: ['n1'] }, third] })).toEqual(['label-name-used']);
    expect(codes({ ...setup, places: [first, { ...second, at: first.at }, third] })).toEqual(['label-places-near']);
    expect(codes({ ...setup, names: [...setup.names, { id: 'n9', text: 'brake' }] })).toEqual(['line-twice']);
  });
});

describe('names that are typed', () => {
  const { setup } = sample;
  const typed: LabelSetup = { ...setup, typed: true };
  const answer = (...lines: [string, string][]) => ({
    placed: [],
    typed: lines.map(([place, text]) => ({ place, text })),
  });
  const [first, second] = typed.places;
  if (!first || !second) throw new Error('The sample has places');
  const nameOf = (place: LabelSetup['places'][number]): string =>
    typed.names.find(({ id }) => id === place.accepts[0])?.text ?? '';

  it('are right with slips, and in any wording that is accepted', () => {
    const key = label.marked.key(typed);
    expect(key?.placed).toEqual([]);
    expect(key && label.marked.mark(typed, key)).toMatchObject({ state: 'marked', share: { n: 1n, d: 1n } });
    const two = { ...typed, names: typed.names.map((name) => ({ ...name, text: `${name.text}; the thing` })) };
    const marking = label.marked.mark(two, answer([first.id, 'the thing']));
    expect(marking.state === 'marked' && marking.trace[0]).toMatchObject({ values: { right: 1, wrong: 0 } });
  });

  it('are wrong where another name belongs, and wait where they are none of the names', () => {
    const changed = label.marked.mark(typed, answer([first.id, nameOf(second)]));
    expect(changed.state === 'marked' && changed.trace[0]).toMatchObject({ values: { right: 0, wrong: 1 } });
    expect(label.marked.mark(typed, answer([first.id, 'whatever']))).toMatchObject({
      state: 'waits',
      trace: [{ code: 'label-unread', values: { at: 'place 1' }, evidence: ['whatever'] }],
    });
  });

  it('stand nowhere on the sheet, which has lines of one length all the same', () => {
    const sheet = label.sheet(typed, 5);
    expect([sheet.names, sheet.typed, sheet.length]).toEqual([[], true, label.sheet(setup, 5).length]);
    for (const { text } of typed.names) expect(JSON.stringify(sheet)).not.toContain(text);
  });

  it('are accepted once a place, and only where names are typed', () => {
    expect(label.accepts(typed, answer([first.id, 'a'], [second.id, 'b']))).toBe(true);
    expect(label.accepts(typed, answer([first.id, 'a'], [first.id, 'b']))).toBe(false);
    expect(label.accepts(typed, answer(['zz', 'a']))).toBe(false);
    expect(label.accepts(setup, answer([first.id, 'a']))).toBe(false);
    expect([label.blank(answer([first.id, '  '])), label.blank(answer([first.id, 'a']))]).toEqual([true, false]);
  });
});

import { describe, expect, it } from 'vitest';
import { label, type LabelSetup } from '@/core/kinds/label/label';
import { linesOf, nextName, withEnd, withMargin, withNameLines, withoutPlace, withPlace } from './setting';

const bare: LabelSetup = {
  ...label.fresh(),
  picture: { media: 'a'.repeat(64), ratio: 1.5, description: 'Nacelle' },
  margin: { top: 0, right: 40, bottom: 0, left: 0 },
};
const pasted = withNameLines(bare, 'gearbox\nbrake\ngenerator\nladder');

describe('labelling', () => {
  it('takes one click a name: place and key in one act', () => {
    let setup = pasted;
    const clicks = [
      { x: 30, y: 20 },
      { x: 50, y: 40 },
      { x: 70, y: 60 },
    ];
    for (const spot of clicks) setup = withPlace(setup, spot);
    expect(setup.places.map(({ accepts }) => setup.names.find(({ id }) => id === accepts[0])?.text)).toEqual([
      'gearbox',
      'brake',
      'generator',
    ]);
    expect(nextName(setup)?.text).toBe('ladder');
    expect(setup.places.map(({ at, foot }) => [at.x, foot])).toEqual(clicks.map((spot) => [103, spot]));
    // One click a name, and one for the picture.
    expect(clicks.length + 1).toBeLessThan(clicks.length + 3);
  });

  it('keeps a name’s place when it is only written otherwise, or moved in the list', () => {
    const placed = withPlace(pasted, { x: 30, y: 20 });
    const mended = withNameLines(placed, 'gear box\nbrake\ngenerator\nladder');
    expect(mended.places[0]?.accepts).toEqual([mended.names[0]?.id]);
    const moved = withNameLines(mended, 'brake\ngear box\ngenerator\nladder');
    expect(moved.names.find(({ id }) => id === moved.places[0]?.accepts[0])?.text).toBe('gear box');
    const gone = withNameLines(moved, 'brake\ngenerator');
    expect([gone.names.length, gone.places[0]?.accepts]).toEqual([2, []]);
    expect(withNameLines(gone, '').names).toEqual([]);
  });

  it('takes bullets and numbers off a pasted list, and leaves what is typed alone', () => {
    expect(linesOf(withNameLines(bare, '1. gearbox\n2. brake\n• ladder'))).toBe('gearbox\nbrake\nladder');
    expect(linesOf(withNameLines(bare, 'a) '))).toBe('a) ');
    expect(withNameLines(bare, Array(500).fill('name').join('\n')).names).toHaveLength(60);
  });

  it('keeps everything on the board, whatever is dragged where', () => {
    const placed = withPlace(pasted, { x: 30, y: 20 });
    const id = placed.places[0]?.id ?? '';
    expect(withEnd(placed, id, 'at', { x: 500, y: -50 }).places[0]?.at).toEqual({ x: 140, y: 0 });
    expect(withEnd(placed, id, 'foot', { x: 130, y: 50 }).places[0]?.foot).toEqual({ x: 100, y: 50 });
    expect(withMargin(placed, label.fresh().margin).places[0]?.at).toEqual({ x: 100, y: 20 });
    expect(withoutPlace(placed, id).places).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import { draw, type DrawResponse } from './draw';
import { sample } from './sample';

const drawn = sample.responses?.[1] as DrawResponse;

describe('a drawing as an answer', () => {
  it('is blank only without shapes and words', () => {
    expect(draw.blank({ shapes: [], words: '  ' })).toBe(true);
    expect(draw.blank({ shapes: [], words: 'it rises' })).toBe(false);
    expect(draw.blank(drawn)).toBe(false);
  });

  it('is told in words: what was drawn, what is written on it, and what was said of it', () => {
    expect(draw.describeResponse(sample.setup, { ...drawn, words: 'It rises.' })).toBe(
      '[drawing: 1 stroke, 1 arrow, 1 text, “rated”]\nIt rises.',
    );
  });

  it('is one with another that looks the same, whatever its shapes are called', () => {
    const renamed = { ...drawn, shapes: drawn.shapes.map((shape, i) => ({ ...shape, id: `z${i}` })) };
    expect(draw.gist(sample.setup, renamed)).toBe(draw.gist(sample.setup, drawn));
    expect(draw.gist(sample.setup, { ...drawn, words: 'more' })).not.toBe(draw.gist(sample.setup, drawn));
  });

  it('wants axes that can be drawn, and a text to draw on', () => {
    const axis = { name: 'x', from: 0, to: 10, step: 1, scale: 'even' as const };
    const on = (paper: typeof sample.setup.paper) => draw.readiness({ ...sample.setup, paper }).map(({ code }) => code);
    expect(on({ is: 'axes', x: axis, y: axis })).toEqual([]);
    expect(on({ is: 'axes', x: { ...axis, to: 0 }, y: { ...axis, from: -1, scale: 'log' } })).toEqual([
      'axis-unsound',
      'axis-unsound',
    ]);
    expect(on({ is: 'text', text: ' ' })).toEqual(['paper-no-text']);
    expect(on({ is: 'picture', media: 'a'.repeat(64), description: '' })).toEqual(['no-description']);
  });
});

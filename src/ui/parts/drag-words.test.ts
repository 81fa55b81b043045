import type { Active, Over } from '@dnd-kit/core';
import { describe, expect, it } from 'vitest';
import { dragWords } from './drag-words';

const active = (id: string) => ({ active: { id } as Active });
const over = (id: string, at: string | null) => ({ ...active(id), over: at === null ? null : ({ id: at } as Over) });

describe('what is said while something is dragged', () => {
  const words = dragWords((id) => `Line ${id}`);

  it('names what is taken and what it is over, and leaves the first sentence alone while it has not moved', () => {
    expect(words.onDragStart(active('a'))).toMatch(/^Line a is taken\./);
    expect(words.onDragOver(over('a', 'a'))).toBeUndefined();
    expect(words.onDragOver(over('a', 'b'))).toBe('Over Line b.');
    expect(words.onDragOver(over('a', 'a'))).toBe('Where it was.');
    expect(words.onDragOver(over('a', null))).toBe('Where it was.');
    expect(words.onDragEnd(over('a', 'b'))).toBe('Line a is put down.');
  });

  it('says that nothing was moved where it is dropped beside everything, on itself, or given back', () => {
    for (const said of [
      words.onDragEnd(over('a', null)),
      words.onDragEnd(over('a', 'a')),
      words.onDragCancel(over('a', 'b')),
    ]) {
      expect(said).toBe('Line a is where it was.');
    }
  });

  it('begins anew with each thing that is taken', () => {
    words.onDragStart(active('b'));
    expect(words.onDragOver(over('b', 'b'))).toBeUndefined();
  });
});

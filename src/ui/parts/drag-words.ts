import type { Announcements } from '@dnd-kit/core';

/** What is read to those who do not see where something is dragged that can be taken by keys. */
export const BY_KEYS = 'Space takes it, the arrows move it, Space puts it down, Esc leaves it where it was.';

/**
 * What is said while things are dragged, by their names and those of the places: what is taken, over what it is, whether
 * it was put down there. Over its own place something is said to be only when it comes back to it.
 */
export function dragWords(called: (id: string) => string): Announcements {
  let left = false;
  return {
    onDragStart({ active }) {
      left = false;
      return `${called(String(active.id))} is taken. The arrows move it, Space puts it down, Esc leaves it where it was.`;
    },
    onDragOver({ active, over }) {
      const own = !over || over.id === active.id;
      if (own && !left) return undefined;
      left = true;
      return own ? 'Where it was.' : `Over ${called(String(over.id))}.`;
    },
    onDragEnd: ({ active, over }) =>
      !over || over.id === active.id
        ? `${called(String(active.id))} is where it was.`
        : `${called(String(active.id))} is put down.`,
    onDragCancel: ({ active }) => `${called(String(active.id))} is where it was.`,
  };
}

/** Nothing is said: the area does it itself, for every way of moving alike. */
export const QUIET: Announcements = {
  onDragStart: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: () => undefined,
  onDragCancel: () => undefined,
};

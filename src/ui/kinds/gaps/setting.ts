import { type Gap, type GapsSetup, MOST_GAPS, MOST_TILES } from '@/core/kinds/gaps/gaps';
import { moveAlong, type Stretch } from '@/core/content/gapped-text';
import { freshPart } from '@/core/rules/placing/placed';
import type { Row } from '../../parts/rows';

const wordsAt = (text: string, { from, to }: Stretch): string => text.slice(from, to);

/** The tile that stands for the words of a gap: the first that it accepts. */
const ownTile = ({ tiles }: GapsSetup, { accepts: [first] }: Gap): Row | undefined =>
  tiles.find(({ id }) => id === first);

/** The text written otherwise. Gaps move along; words that change in a gap change on its tile, too. */
export function withText(setup: GapsSetup, text: string): GapsSetup {
  const moved = moveAlong(setup.gaps, setup.text, text);
  const left = new Set(moved.map(({ id }) => id));
  const gone = setup.gaps.filter(({ id }) => !left.has(id));
  let next: GapsSetup = gone.reduce((all, { id }) => withoutGap(all, id), setup);
  for (const gap of moved) {
    const before = setup.gaps.find(({ id }) => id === gap.id);
    const tile = ownTile(next, gap);
    const followed = before && tile?.text === wordsAt(setup.text, before) && !sharedTile(next, gap.id, tile.id);
    const words = wordsAt(text, gap).slice(0, 300);
    if (followed)
      next = { ...next, tiles: next.tiles.map((one) => (one.id === tile.id ? { ...one, text: words } : one)) };
  }
  return { ...next, text, gaps: moved };
}

const sharedTile = ({ gaps }: GapsSetup, gap: string, tile: string): boolean =>
  gaps.some(({ id, accepts }) => id !== gap && accepts.includes(tile));

/** Words taken out of the text; they become a tile, or the one that says the same. Gaps that lay there go. */
export function withGap(setup: GapsSetup, { from, to }: Stretch): GapsSetup {
  const chosen = setup.text.slice(from, to);
  const start = from + (chosen.length - chosen.trimStart().length);
  const stretch = { from: start, to: start + chosen.trim().length };
  if (stretch.to <= stretch.from) return setup;
  const over = setup.gaps.filter((gap) => gap.from < stretch.to && gap.to > stretch.from);
  const cleared = over.reduce((all, { id }) => withoutGap(all, id), setup);
  const words = wordsAt(setup.text, stretch).slice(0, 300);
  const there = cleared.tiles.find(({ text, media }) => text === words && !media);
  if (cleared.gaps.length >= MOST_GAPS || (!there && cleared.tiles.length >= MOST_TILES)) return setup;
  const tile = there ?? { id: freshPart(cleared.tiles, 't'), text: words };
  const gap: Gap = { id: freshPart(cleared.gaps, 'p'), ...stretch, accepts: [tile.id], feedback: '' };
  return {
    ...cleared,
    tiles: there ? cleared.tiles : [...cleared.tiles, tile],
    gaps: [...cleared.gaps, gap].sort((a, b) => a.from - b.from),
  };
}

/** The words stand in the text again, and the tile that only this gap wanted goes. */
export function withoutGap(setup: GapsSetup, id: string): GapsSetup {
  const gap = setup.gaps.find((one) => one.id === id);
  if (!gap) return setup;
  const tile = ownTile(setup, gap);
  const own = tile !== undefined && !sharedTile(setup, id, tile.id);
  return {
    ...setup,
    gaps: setup.gaps.filter((one) => one !== gap),
    tiles: own ? setup.tiles.filter((one) => one.id !== tile.id) : setup.tiles,
  };
}

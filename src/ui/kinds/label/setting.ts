import {
  inReadingOrder,
  lineFor,
  linedUp,
  snapped,
  spread,
  within,
  type Margin,
  type Spot,
} from '@/core/content/board';
import type { ShownMedia } from '@/core/content/shown';
import { type LabelName, type LabelPlace, type LabelSetup, MOST_NAMES, MOST_PLACES } from '@/core/kinds/label/label';
import { lineWords } from '../../parts/rows';
import { freshPart } from '@/core/rules/placing/placed';

/** The name that is placed next: the first one that no place accepts. */
export function nextName({ places, names }: LabelSetup): LabelName | null {
  const placed = new Set(places.flatMap(({ accepts }) => accepts));
  return names.find(({ id, text }) => text.trim() !== '' && !placed.has(id)) ?? null;
}

/** The names as lines of text, and the setup with such lines: a line that stood there keeps its name's id, wherever it stands now. */
export const linesOf = ({ names }: LabelSetup): string => names.map(({ text }) => text).join('\n');

export function withNameLines(setup: LabelSetup, typed: string): LabelSetup {
  const lines = typed.split('\n').slice(0, MOST_NAMES);
  const texts = lines.map((line) => (lines.length > setup.names.length + 1 ? lineWords(line) : line).slice(0, 300));
  const left = [...setup.names];
  const take = (fits: (name: LabelName) => boolean): LabelName | undefined => {
    const at = left.findIndex(fits);
    return at < 0 ? undefined : left.splice(at, 1)[0];
  };
  const same = texts.map((text) => take((name) => name.text === text));
  // What is left over was written otherwise, where it stood.
  const names: LabelName[] = [];
  texts.forEach((text, i) => {
    const before = same[i] ?? take((name) => setup.names[i]?.id === name.id);
    names.push({ ...before, id: before?.id ?? freshPart([...setup.names, ...names], 'n'), text });
  });
  const kept = names.length === 1 && names[0]?.text === '' ? [] : names;
  const known = new Set(kept.map(({ id }) => id));
  const places = setup.places.map((place) => ({ ...place, accepts: place.accepts.filter((id) => known.has(id)) }));
  return { ...setup, names: kept, places };
}

/** One more name, or one of them, as a picture or a sound; without media it is words again. */
export function withNameMedia(
  setup: LabelSetup,
  id: string | null,
  media: ShownMedia | undefined,
  text: string,
): LabelSetup {
  const { names } = setup;
  if (id !== null) return { ...setup, names: names.map((name) => (name.id === id ? { ...name, media, text } : name)) };
  if (names.length >= MOST_NAMES) return setup;
  return { ...setup, names: [...names, { id: freshPart(names, 'n'), text: text.slice(0, 300), media }] };
}

/** A place where somebody clicked on the picture, with the next name as its key. */
export function withPlace(setup: LabelSetup, clicked: Spot): LabelSetup {
  const { places, margin } = setup;
  if (places.length >= MOST_PLACES) return setup;
  const { at, foot } = lineFor(within(clicked, margin), margin);
  const name = nextName(setup);
  const place: LabelPlace = {
    id: freshPart(places, 'p'),
    at: snapped(at, lines(places)),
    foot,
    accepts: name ? [name.id] : [],
    description: '',
    feedback: '',
  };
  const next = [...places, place];
  const spots = spread(lines(next), margin, setup.picture?.ratio ?? 1);
  return { ...setup, places: inReadingOrder(next.map((one, i) => ({ ...one, at: spots[i] ?? one.at }))) };
}

const lines = (places: readonly LabelPlace[]): Spot[] => places.map(({ at }) => at);

export function withoutPlace(setup: LabelSetup, id: string): LabelSetup {
  return { ...setup, places: setup.places.filter((place) => place.id !== id) };
}

/** One end of a place somewhere else; its line snaps to the others, and its foot stays on the picture. */
export function withEnd(setup: LabelSetup, id: string, end: 'at' | 'foot', to: Spot): LabelSetup {
  const { places, margin } = setup;
  const others = lines(places.filter((place) => place.id !== id));
  const onPicture = { top: 0, right: 0, bottom: 0, left: 0 };
  const spot = end === 'at' ? snapped(within(to, margin), others) : within(to, onPicture);
  const next = places.map((place) => (place.id === id ? { ...place, [end]: spot } : place));
  return { ...setup, places: inReadingOrder(next) };
}

/** Other white beside the picture; what stood on white that is gone comes in to its edge. */
export function withMargin(setup: LabelSetup, margin: Margin): LabelSetup {
  const places = setup.places.map((place) => ({ ...place, at: within(place.at, margin) }));
  return { ...setup, margin, places: inReadingOrder(places) };
}

export function withLinesUp(setup: LabelSetup): LabelSetup {
  const spots = spread(linedUp(lines(setup.places), setup.margin), setup.margin, setup.picture?.ratio ?? 1);
  const places = setup.places.map((place, i) => ({ ...place, at: spots[i] ?? place.at }));
  return { ...setup, places: inReadingOrder(places) };
}

import { type ReactNode, useMemo } from 'react';
import type { Shown } from '@/core/content/shown';
import type { DrawnFormulas } from '../sheet/formulas';
import { PlaySound, ShownThing, spokenThing } from '../sheet/ShownThing';
import type { Named } from './use-placing';

/** What can be placed, as it is said and as it is drawn, by its id. */
export interface Things {
  named: Named[];
  draw: (id: string) => ReactNode;
  /** What stands beside it in the list: the button of a sound. */
  beside: (id: string) => ReactNode;
}

/** `thingsOf`, the same as long as these are the same. */
export const useThings = (things: readonly Shown[], drawn: DrawnFormulas): Things =>
  useMemo(() => thingsOf(things, drawn), [things, drawn]);

export function thingsOf(things: readonly Shown[], drawn: DrawnFormulas): Things {
  const at = new Map(things.map((thing, i) => [thing.id, i]));
  const of = (id: string, draw: (thing: Shown, i: number) => ReactNode): ReactNode => {
    const i = at.get(id) ?? -1;
    const thing = things[i];
    return thing ? draw(thing, i) : null;
  };
  return {
    named: things.map((thing, i) => ({ id: thing.id, name: spokenThing(thing, i) })),
    draw: (id) => of(id, (thing, i) => <ShownThing thing={thing} at={i} drawn={drawn} />),
    beside: (id) => of(id, (thing, i) => <PlaySound thing={thing} at={i} />),
  };
}

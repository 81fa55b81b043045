import type { CSSProperties, ReactNode } from 'react';
import { smallLetterAt } from '@/core/base/letters';
import type { Shown } from '@/core/content/shown';
import type { DrawnFormulas } from '../sheet/formulas';
import { ShownThing } from '../sheet/ShownThing';

/** A line to write on, so many signs long. */
export function WritingLine({ signs, children }: { signs: number; children?: ReactNode }) {
  return (
    <span className="writing-line" style={{ '--signs': `${signs}ch` } as CSSProperties}>
      {children}
    </span>
  );
}

/** So many lines below one another. */
export function WritingLines({ count }: { count: number }) {
  return (
    <span className="writing-lines">
      {Array.from({ length: count }, (_, i) => (
        <span key={i} />
      ))}
    </span>
  );
}

/** Things with their letters, to be written elsewhere. */
export function LetteredThings({ things, drawn }: { things: readonly Shown[]; drawn: DrawnFormulas }) {
  return (
    <ul className="lettered-things">
      {things.map((thing, i) => (
        <li key={thing.id}>
          <b>{smallLetterAt(i)}</b> <ShownThing thing={thing} at={i} drawn={drawn} />
        </li>
      ))}
    </ul>
  );
}

'use client';
import { useRef, useState } from 'react';
import type { LabelResponse, LabelSheet } from '@/core/kinds/label/label';
import type { StudentProps } from '../contract';
import { Board, lineAt } from './Board';
import { Larger } from './Larger';
import { spoken } from './spoken';

/** A picture at whose places names are typed. */
export function TypedLabels({ label, sheet, response, onChange }: StudentProps<LabelSheet, LabelResponse>) {
  const { picture, margin, places } = sheet;
  const area = useRef<HTMLDivElement>(null);
  const [large, setLarge] = useState(false);
  const typed = response?.typed ?? [];
  const textAt = (place: string): string => typed.find((one) => one.place === place)?.text ?? '';
  const write = (place: string, text: string): void => {
    const others = typed.filter((one) => one.place !== place);
    onChange({ placed: [], typed: text === '' ? others : [...others, { place, text }] });
  };
  if (!picture) return <p className="soft">There is no picture here.</p>;
  return (
    <div ref={area} role="group" aria-label={label} className="label-typed">
      <Board
        picture={picture}
        margin={margin}
        places={places}
        length={sheet.length}
        large={large}
        mark={({ id }, number, style) => (
          // On a narrow sheet: the spot on the picture leads to its line; keys and screen readers have that.
          <button
            key={id}
            type="button"
            tabIndex={-1}
            aria-hidden="true"
            className={`mark ${textAt(id).trim() === '' ? '' : 'taken'}`}
            style={style}
            onClick={() => area.current?.querySelector<HTMLElement>(`[data-line="${id}"]`)?.focus()}
          >
            <span>{number}</span>
          </button>
        )}
      >
        {places.map((place, i) => (
          <span key={place.id} className="name-line" style={lineAt(place, margin)}>
            <span className="number">{i + 1}</span>
            <input
              data-line={place.id}
              aria-label={spoken(i, place.description)}
              value={textAt(place.id)}
              maxLength={300}
              autoComplete="off"
              spellCheck={false}
              onChange={(e) => write(place.id, e.target.value)}
            />
          </span>
        ))}
      </Board>
      <Larger large={large} onChange={setLarge} />
    </div>
  );
}

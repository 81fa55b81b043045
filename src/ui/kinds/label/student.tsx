'use client';
import { type CSSProperties, useState } from 'react';
import { placeName } from '@/core/content/board';
import type { LabelSheet } from '@/core/kinds/label/label';
import type { PlacedResponse } from '@/core/rules/placing/placed';
import { ItemList } from '../../placing/ItemList';
import { Place } from '../../placing/Place';
import { PlacingArea } from '../../placing/PlacingArea';
import { useBoard, usePlacing } from '../../placing/use-placing';
import { TextWithFormulas } from '../../sheet/Formula';
import type { ReviewProps, StudentProps } from '../contract';
import { besideBoard, Board, lineAt, lineLength } from './Board';

/** How a place is said: its number, and what it points at where the teacher described that. */
const spoken = (at: number, description: string): string =>
  description === '' ? placeName(at) : `${placeName(at)}, ${description}`;

export function Student({ label, sheet, response, onChange, drawn }: StudentProps<LabelSheet, PlacedResponse>) {
  const { picture, margin, places, names, again } = sheet;
  const [large, setLarge] = useState(false);
  const placing = usePlacing({
    items: names.map(({ id, text }) => ({ id, name: text })),
    places: places.map(({ id, description }, i) => ({ id, name: spoken(i, description) })),
    most: 1,
    again,
    placed: response?.placed ?? [],
    onChange: (placed) => onChange({ placed }),
  });
  const text = new Map(names.map((name) => [name.id, name.text]));
  const draw = (item: string) => <TextWithFormulas text={text.get(item) ?? ''} drawn={drawn} />;
  if (!picture) return <p className="soft">There is no picture here.</p>;
  return (
    <PlacingArea placing={placing} label={label} draw={draw} className={`label-slot ${besideBoard(picture, margin)}`}>
      <div>
        <Board
          picture={picture}
          margin={margin}
          places={places}
          length={lineLength(names)}
          large={large}
          mark={({ id }, number, style) => <Mark key={id} place={id} number={number} style={style} />}
        >
          {places.map((place, i) => (
            <Place
              key={place.id}
              place={place.id}
              name={spoken(i, place.description)}
              draw={draw}
              number={i + 1}
              style={lineAt(place, margin)}
            />
          ))}
        </Board>
        <p className="picture-tools">
          <button type="button" className="picture-act" aria-pressed={large} onClick={() => setLarge(!large)}>
            {large ? 'Smaller' : 'Larger'}
          </button>
        </p>
      </div>
      <ItemList title="Names" draw={draw} />
    </PlacingArea>
  );
}

/** A spot on the picture of a narrow sheet: the same place by a finger; keys and screen readers have its line. */
function Mark({ place, number, style }: { place: string; number: number; style: CSSProperties }) {
  const { placed, hand, putOn, take } = useBoard();
  const stands = placed.find((one) => one.place === place)?.item ?? null;
  return (
    <button
      type="button"
      tabIndex={-1}
      aria-hidden="true"
      className={`mark ${stands === null ? '' : 'taken'}`}
      style={style}
      onClick={() => {
        if (hand) putOn(place);
        else if (stands !== null) take({ item: stands, from: place });
      }}
    >
      <span>{number}</span>
    </button>
  );
}

export function Review({ sheet, response, drawn }: ReviewProps<LabelSheet, PlacedResponse>) {
  const { picture, margin, places, names } = sheet;
  const text = new Map(names.map((name) => [name.id, name.text]));
  if (!picture) return <p className="soft">There is no picture here.</p>;
  return (
    <div className="mb-2">
      <Board
        picture={picture}
        margin={margin}
        places={places}
        length={lineLength(names)}
        mark={({ id }, number, style) => (
          <span key={id} className="mark" style={style}>
            <span>{number}</span>
          </span>
        )}
      >
        {places.map((place, i) => {
          const given = response?.placed.find((one) => one.place === place.id);
          return (
            <span key={place.id} className="name-line" style={lineAt(place, margin)}>
              <span className="number">{i + 1}</span>
              {given ? (
                <TextWithFormulas text={text.get(given.item) ?? ''} drawn={drawn} />
              ) : (
                <span className="visually-hidden">nothing</span>
              )}
            </span>
          );
        })}
      </Board>
    </div>
  );
}

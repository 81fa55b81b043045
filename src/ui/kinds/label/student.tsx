'use client';
import { type CSSProperties, useMemo, useState } from 'react';
import type { LabelResponse, LabelSheet } from '@/core/kinds/label/label';
import { ItemList } from '../../placing/ItemList';
import { Place } from '../../placing/Place';
import { PlacingArea } from '../../placing/PlacingArea';
import { useBoard, usePlacing } from '../../placing/use-placing';
import { thingsOf, useThings } from '../../placing/things';
import type { ReviewProps, StudentProps } from '../contract';
import { besideBoard, Board, lineAt } from './Board';
import { Larger } from './Larger';
import { spoken } from './spoken';
import { TypedLabels } from './TypedLabels';

export function Student(props: StudentProps<LabelSheet, LabelResponse>) {
  return props.sheet.typed ? <TypedLabels {...props} /> : <PlacedLabels {...props} />;
}

function PlacedLabels({ label, sheet, response, onChange, drawn }: StudentProps<LabelSheet, LabelResponse>) {
  const { picture, margin, places, names, again } = sheet;
  const [large, setLarge] = useState(false);
  const stands = useMemo(() => places.map((place) => lineAt(place, margin)), [places, margin]);
  const { named, draw, beside } = useThings(names, drawn);
  const placing = usePlacing({
    items: named,
    places: places.map(({ id, description }, i) => ({ id, name: spoken(i, description) })),
    most: 1,
    again,
    placed: response?.placed ?? [],
    onChange: (placed) => onChange({ placed }),
  });
  if (!picture) return <p className="soft">There is no picture here.</p>;
  return (
    <PlacingArea placing={placing} label={label} draw={draw} className={`label-slot ${besideBoard(picture, margin)}`}>
      <div>
        <Board
          picture={picture}
          margin={margin}
          places={places}
          length={sheet.length}
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
              {...(stands[i] ? { style: stands[i] } : {})}
            />
          ))}
        </Board>
        <Larger large={large} onChange={setLarge} />
      </div>
      <ItemList title="Names" draw={draw} beside={beside} />
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

export function Review({ sheet, response, drawn }: ReviewProps<LabelSheet, LabelResponse>) {
  const { picture, margin, places, names } = sheet;
  const { draw } = thingsOf(names, drawn);
  if (!picture) return <p className="soft">There is no picture here.</p>;
  return (
    <div className="mb-2">
      <Board
        picture={picture}
        margin={margin}
        places={places}
        length={sheet.length}
        mark={({ id }, number, style) => (
          <span key={id} className="mark" style={style}>
            <span>{number}</span>
          </span>
        )}
      >
        {places.map((place, i) => {
          const given = response?.placed.find((one) => one.place === place.id);
          const typed = response?.typed?.find((one) => one.place === place.id)?.text ?? '';
          return (
            <span key={place.id} className="name-line" style={lineAt(place, margin)}>
              <span className="number">{i + 1}</span>
              {given ? draw(given.item) : typed || <span className="visually-hidden">nothing</span>}
            </span>
          );
        })}
      </Board>
    </div>
  );
}

'use client';
import type { CSSProperties, ReactNode } from 'react';
import { gapName } from '@/core/content/gapped-text';
import type { GapsSheet } from '@/core/kinds/gaps/gaps';
import type { PlacedResponse } from '@/core/rules/placing/placed';
import { ItemList } from '../../placing/ItemList';
import { Place } from '../../placing/Place';
import { PlacingArea } from '../../placing/PlacingArea';
import { thingsOf, useThings } from '../../placing/things';
import { usePlacing } from '../../placing/use-placing';
import { TextWithFormulas } from '../../sheet/Formula';
import type { DrawnFormulas } from '../../sheet/formulas';
import type { ReviewProps, StudentProps } from '../contract';
import './gaps.scss';

interface TextProps {
  sheet: GapsSheet;
  drawn: DrawnFormulas;
  /** A gap, by its id and where it stands among the others. */
  gap: (id: string, at: number) => ReactNode;
}

/** The text with its gaps, all of one length, that of the longest tile. */
function GapText({ sheet: { pieces, tiles }, drawn, gap }: TextProps) {
  const longest = Math.min(24, Math.max(4, ...tiles.map(({ text, media }) => (media ? 6 : text.length))));
  const ids = pieces.flatMap(({ id }) => (id === null ? [] : [id]));
  return (
    <p className="gap-text" style={{ '--gap': `${longest}ch` } as CSSProperties}>
      {pieces.map((piece, i) =>
        piece.id === null ? (
          <TextWithFormulas key={i} text={piece.text} drawn={drawn} />
        ) : (
          gap(piece.id, ids.indexOf(piece.id))
        ),
      )}
    </p>
  );
}

export function Student({ label, sheet, response, onChange, drawn }: StudentProps<GapsSheet, PlacedResponse>) {
  const { named, draw, beside } = useThings(sheet.tiles, drawn);
  const places = sheet.pieces.flatMap(({ id }) => (id === null ? [] : [id]));
  const placing = usePlacing({
    items: named,
    places: places.map((id, at) => ({ id, name: gapName(at) })),
    most: 1,
    again: sheet.again,
    placed: response?.placed ?? [],
    onChange: (placed) => onChange({ placed }),
  });
  return (
    <PlacingArea placing={placing} label={label} draw={draw}>
      <GapText
        sheet={sheet}
        drawn={drawn}
        gap={(id, at) => <Place key={id} place={id} name={gapName(at)} draw={draw} number={at + 1} />}
      />
      <ItemList title="To be put in" draw={draw} beside={beside} />
    </PlacingArea>
  );
}

export function Review({ sheet, response, drawn }: ReviewProps<GapsSheet, PlacedResponse>) {
  const { draw } = thingsOf(sheet.tiles, drawn);
  return (
    <GapText
      sheet={sheet}
      drawn={drawn}
      gap={(id) => {
        const given = response?.placed.find(({ place }) => place === id);
        return (
          <span key={id} className="given">
            {given ? draw(given.item) : <span className="visually-hidden">nothing</span>}
          </span>
        );
      }}
    />
  );
}

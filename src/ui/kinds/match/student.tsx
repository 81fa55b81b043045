'use client';
import type { Shown } from '@/core/content/shown';
import type { MatchSheet } from '@/core/kinds/match/match';
import type { PlacedResponse } from '@/core/rules/placing/placed';
import { ItemList } from '../../placing/ItemList';
import { Place } from '../../placing/Place';
import { PlacingArea } from '../../placing/PlacingArea';
import { usePlacing } from '../../placing/use-placing';
import { thingsOf, useThings } from '../../placing/things';
import { PlaySound, ShownThing, spokenThing } from '../../sheet/ShownThing';
import type { DrawnFormulas } from '../../sheet/formulas';
import type { ReviewProps, StudentProps } from '../contract';
import './match.scss';

function Prompt({ prompt, at, drawn }: { prompt: Shown; at: number; drawn: DrawnFormulas }) {
  return (
    <span className="prompt">
      <ShownThing thing={prompt} at={at} drawn={drawn} />
      <PlaySound thing={prompt} at={at} />
    </span>
  );
}

export function Student({ label, sheet, response, onChange, drawn }: StudentProps<MatchSheet, PlacedResponse>) {
  const { prompts, partners, again } = sheet;
  const { named, draw, beside } = useThings(partners, drawn);
  const placing = usePlacing({
    items: named,
    places: prompts.map((prompt, i) => ({ id: prompt.id, name: spokenThing(prompt, i) })),
    most: 1,
    again,
    placed: response?.placed ?? [],
    onChange: (placed) => onChange({ placed }),
  });
  return (
    <PlacingArea placing={placing} label={label} draw={draw}>
      <ul className="match-rows">
        {prompts.map((prompt, i) => (
          <li key={prompt.id}>
            <Prompt prompt={prompt} at={i} drawn={drawn} />
            <Place place={prompt.id} name={spokenThing(prompt, i)} draw={draw} />
          </li>
        ))}
      </ul>
      <ItemList title="To be matched" draw={draw} beside={beside} />
    </PlacingArea>
  );
}

export function Review({ sheet, response, drawn }: ReviewProps<MatchSheet, PlacedResponse>) {
  const { draw, beside } = thingsOf(sheet.partners, drawn);
  return (
    <ul className="match-rows mb-2">
      {sheet.prompts.map((prompt, i) => {
        const given = response?.placed.find(({ place }) => place === prompt.id);
        return (
          <li key={prompt.id}>
            <Prompt prompt={prompt} at={i} drawn={drawn} />
            <span className="given">
              {given ? draw(given.item) : <span className="soft">nothing</span>}
              {given && beside(given.item)}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

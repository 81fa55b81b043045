'use client';
import type { MatchSheet } from '@/core/kinds/match/match';
import type { PlacedResponse } from '@/core/rules/placing/placed';
import { ItemList } from '../../placing/ItemList';
import { Place } from '../../placing/Place';
import { PlacingArea } from '../../placing/PlacingArea';
import { usePlacing } from '../../placing/use-placing';
import { TextWithFormulas } from '../../sheet/Formula';
import type { ReviewProps, StudentProps } from '../contract';
import './match.scss';

export function Student({ label, sheet, response, onChange, drawn }: StudentProps<MatchSheet, PlacedResponse>) {
  const { prompts, partners, again } = sheet;
  const placing = usePlacing({
    items: partners.map(({ id, text }) => ({ id, name: text })),
    places: prompts.map(({ id, text }) => ({ id, name: text })),
    most: 1,
    again,
    placed: response?.placed ?? [],
    onChange: (placed) => onChange({ placed }),
  });
  const text = new Map(partners.map((partner) => [partner.id, partner.text]));
  const draw = (item: string) => <TextWithFormulas text={text.get(item) ?? ''} drawn={drawn} />;
  return (
    <PlacingArea placing={placing} label={label} draw={draw}>
      <ul className="match-rows">
        {prompts.map((prompt) => (
          <li key={prompt.id}>
            <span className="prompt">
              <TextWithFormulas text={prompt.text} drawn={drawn} />
            </span>
            <Place place={prompt.id} name={prompt.text} draw={draw} />
          </li>
        ))}
      </ul>
      <ItemList title="To be matched" draw={draw} />
    </PlacingArea>
  );
}

export function Review({ sheet, response, drawn }: ReviewProps<MatchSheet, PlacedResponse>) {
  const text = new Map(sheet.partners.map((partner) => [partner.id, partner.text]));
  return (
    <ul className="match-rows mb-2">
      {sheet.prompts.map((prompt) => {
        const given = response?.placed.find(({ place }) => place === prompt.id);
        return (
          <li key={prompt.id}>
            <span className="prompt">
              <TextWithFormulas text={prompt.text} drawn={drawn} />
            </span>
            <span className="given">
              {given ? (
                <TextWithFormulas text={text.get(given.item) ?? ''} drawn={drawn} />
              ) : (
                <span className="soft">nothing</span>
              )}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

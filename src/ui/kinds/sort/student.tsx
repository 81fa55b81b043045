'use client';
import type { Shown } from '@/core/content/shown';
import type { SortSheet } from '@/core/kinds/sort/sort';
import type { PlacedResponse } from '@/core/rules/placing/placed';
import { ItemList } from '../../placing/ItemList';
import { GroupPlace } from '../../placing/Place';
import { PlacingArea } from '../../placing/PlacingArea';
import { usePlacing } from '../../placing/use-placing';
import { thingsOf, useThings } from '../../placing/things';
import { PlaySound, ShownThing, spokenThing } from '../../sheet/ShownThing';
import type { DrawnFormulas } from '../../sheet/formulas';
import type { ReviewProps, StudentProps } from '../contract';

function Heading({ group, at, drawn }: { group: Shown; at: number; drawn: DrawnFormulas }) {
  return (
    <>
      <ShownThing thing={group} at={at} drawn={drawn} />
      {group.media?.medium === 'picture' && <span className="caption">{group.text}</span>}
      <PlaySound thing={group} at={at} />
    </>
  );
}

export function Student({ label, sheet, response, onChange, drawn }: StudentProps<SortSheet, PlacedResponse>) {
  const { groups, items } = sheet;
  const { named, draw, beside } = useThings(items, drawn);
  const placing = usePlacing({
    items: named,
    places: groups.map((group, i) => ({ id: group.id, name: spokenThing(group, i) })),
    most: null,
    again: false,
    placed: response?.placed ?? [],
    onChange: (placed) => onChange({ placed }),
  });
  return (
    <PlacingArea placing={placing} label={label} draw={draw}>
      <ItemList title="To be sorted" draw={draw} beside={beside} />
      <div className="group-places">
        {groups.map((group, i) => (
          <GroupPlace key={group.id} place={group.id} name={spokenThing(group, i)} draw={draw}>
            <Heading group={group} at={i} drawn={drawn} />
          </GroupPlace>
        ))}
      </div>
    </PlacingArea>
  );
}

export function Review({ sheet, response, drawn }: ReviewProps<SortSheet, PlacedResponse>) {
  const placed = response?.placed ?? [];
  const { named, draw, beside } = thingsOf(sheet.items, drawn);
  const left = named.filter(({ id }) => !placed.some(({ item }) => item === id));
  return (
    <>
      <div className="group-places mb-2">
        {sheet.groups.map((group, i) => (
          <div key={group.id} className="group-place review">
            <h4>
              <Heading group={group} at={i} drawn={drawn} />
            </h4>
            <ul>
              {placed
                .filter(({ place }) => place === group.id)
                .map(({ item }) => (
                  <li key={item}>
                    {draw(item)}
                    {beside(item)}
                  </li>
                ))}
            </ul>
          </div>
        ))}
      </div>
      {left.length > 0 && <p className="soft">In no group: {left.map(({ name }) => name).join(', ')}</p>}
    </>
  );
}

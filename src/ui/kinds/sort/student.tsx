'use client';
import type { SortSheet } from '@/core/kinds/sort/sort';
import type { PlacedResponse } from '@/core/rules/placing/placed';
import { ItemList } from '../../placing/ItemList';
import { GroupPlace } from '../../placing/Place';
import { PlacingArea } from '../../placing/PlacingArea';
import { usePlacing } from '../../placing/use-placing';
import { TextWithFormulas } from '../../sheet/Formula';
import type { ReviewProps, StudentProps } from '../contract';

export function Student({ label, sheet, response, onChange, drawn }: StudentProps<SortSheet, PlacedResponse>) {
  const { groups, items } = sheet;
  const placing = usePlacing({
    items: items.map(({ id, text }) => ({ id, name: text })),
    places: groups.map(({ id, text }) => ({ id, name: text })),
    most: null,
    again: false,
    placed: response?.placed ?? [],
    onChange: (placed) => onChange({ placed }),
  });
  const text = new Map(items.map((item) => [item.id, item.text]));
  const draw = (item: string) => <TextWithFormulas text={text.get(item) ?? ''} drawn={drawn} />;
  return (
    <PlacingArea placing={placing} label={label} draw={draw}>
      <ItemList title="To be sorted" draw={draw} />
      <div className="group-places">
        {groups.map((group) => (
          <GroupPlace key={group.id} place={group.id} name={group.text} draw={draw}>
            <TextWithFormulas text={group.text} drawn={drawn} />
          </GroupPlace>
        ))}
      </div>
    </PlacingArea>
  );
}

export function Review({ sheet, response, drawn }: ReviewProps<SortSheet, PlacedResponse>) {
  const placed = response?.placed ?? [];
  const text = new Map(sheet.items.map((item) => [item.id, item.text]));
  const left = sheet.items.filter(({ id }) => !placed.some(({ item }) => item === id));
  return (
    <>
      <div className="group-places mb-2">
        {sheet.groups.map((group) => (
          <div key={group.id} className="group-place">
            <h4>
              <TextWithFormulas text={group.text} drawn={drawn} />
            </h4>
            <ul>
              {placed
                .filter(({ place }) => place === group.id)
                .map(({ item }) => (
                  <li key={item}>
                    <TextWithFormulas text={text.get(item) ?? ''} drawn={drawn} />
                  </li>
                ))}
            </ul>
          </div>
        ))}
      </div>
      {left.length > 0 && <p className="soft">In no group: {left.map((item) => item.text).join(', ')}</p>}
    </>
  );
}

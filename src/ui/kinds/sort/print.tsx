import type { SortSheet } from '@/core/kinds/sort/sort';
import { LetteredThings, WritingLines } from '../../print/parts';
import { ShownThing } from '../../sheet/ShownThing';
import type { PrintProps } from '../contract';

/** What is to be sorted with its letters, and room for letters under each group. */
export function Print({ sheet: { groups, items }, drawn }: PrintProps<SortSheet>) {
  return (
    <>
      <LetteredThings things={items} drawn={drawn} />
      <div className="print-groups">
        {groups.map((group, i) => (
          <div key={group.id}>
            <b>{i + 1}</b> <ShownThing thing={group} at={i} drawn={drawn} />
            <WritingLines count={2} />
          </div>
        ))}
      </div>
    </>
  );
}

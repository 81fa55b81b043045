'use client';
import { Plus, X } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { MOST_GROUPS, MOST_ITEMS, sort, type SortItem, type SortSetup } from '@/core/kinds/sort/sort';
import { LineRows } from '../../parts/LineRows';
import { RowMedia } from '../../parts/RowMedia';
import { emptyRow, type Row } from '../../parts/rows';
import { freshPart } from '@/core/rules/placing/placed';
import { schemeSentence } from '../../placing/scheme-sentence';
import { PartNote } from '../../placing/PartNote';
import { PlaceRulesNote } from '../../placing/PlaceRulesNote';
import { SchemeSelect } from '../../parts/SchemeSelect';
import type { EditorProps, EditorSide } from '../contract';

/** The groups side by side, each with what belongs to it; last what belongs nowhere. */
function Place({ setup, onChange, letter, onLeave }: EditorProps<SortSetup>) {
  const { groups, items } = setup;
  /** Items are listed under the first group that takes them. */
  const listed = (group: string | null): SortItem[] => items.filter((item) => (item.groups[0] ?? null) === group);
  const fresh = (group: string | null) => (rows: readonly SortItem[], text: string) => ({
    id: freshPart([...items, ...rows], 'i'),
    text,
    groups: group === null ? [] : [group],
    feedback: '',
  });
  const keep = (group: string | null, rows: SortItem[]): void => {
    const others = items.filter((item) => (item.groups[0] ?? null) !== group);
    // A lone empty row is only where one begins to write.
    const written = rows.filter((row) => rows.length > 1 || !emptyRow(row));
    onChange({ ...setup, items: [...others, ...written] });
  };
  const column = (group: string | null, what: string) => {
    const rows = listed(group);
    const shown = rows.length > 0 ? rows : [fresh(group)([], '')];
    return (
      <LineRows
        rows={shown}
        what="item"
        label={`Slot ${letter}: items of ${what}`}
        most={MOST_ITEMS - items.length + shown.length}
        least={1}
        longest={500}
        placeholder={() => (group === null ? 'Belongs to no group' : 'Belongs here')}
        fresh={fresh(group)}
        onChange={(next) => keep(group, next)}
        onLeave={onLeave}
      />
    );
  };
  const changeGroup = (id: string, part: Partial<Row>): void =>
    onChange({ ...setup, groups: groups.map((group) => (group.id === id ? { ...group, ...part } : group)) });
  return (
    <div className="group-places edit">
      {groups.map((group, i) => (
        <div key={group.id} className="group-place">
          <div className="d-flex gap-1">
            <input
              className="form-control form-control-sm fw-bold"
              aria-label={`Group ${i + 1}`}
              placeholder={`Group ${i + 1}`}
              value={group.text}
              maxLength={200}
              onChange={(e) => changeGroup(group.id, { text: e.target.value })}
            />
            <RowMedia
              name={`Group ${i + 1}`}
              text={group.text}
              longest={200}
              media={group.media}
              onChange={(media, text) => changeGroup(group.id, { media, text })}
            />
            <Button
              variant="quiet"
              aria-label={`Take group ${i + 1} out`}
              disabled={groups.length <= 2}
              onClick={() =>
                onChange({
                  ...setup,
                  groups: groups.filter((g) => g !== group),
                  items: items.map((item) => ({ ...item, groups: item.groups.filter((g) => g !== group.id) })),
                })
              }
            >
              <X size={15} />
            </Button>
          </div>
          {column(group.id, group.text || `group ${i + 1}`)}
        </div>
      ))}
      <div className="group-place">
        <p className="m-0 soft">Belongs nowhere</p>
        {column(null, 'no group')}
        <Button
          variant="quiet"
          disabled={groups.length >= MOST_GROUPS}
          onClick={() => onChange({ ...setup, groups: [...groups, { id: freshPart(groups, 'g'), text: '' }] })}
        >
          <Plus size={15} /> group
        </Button>
      </div>
    </div>
  );
}

function Note({ setup, onChange }: EditorProps<SortSetup>) {
  const { groups, items } = setup;
  const change = (item: SortItem, part: Partial<SortItem>): void =>
    onChange({ ...setup, items: items.map((one) => (one === item ? { ...item, ...part } : one)) });
  return (
    <div className="rule-edit">
      <SchemeSelect scheme={setup.scheme} onChange={(scheme) => onChange({ ...setup, scheme })} />
      {items.map((item) => (
        <PartNote key={item.id} summary={item.text || 'item'}>
          {() => (
            <PlaceRulesNote
              name={item.text || 'this item'}
              rules={{ ...item, accepts: item.groups }}
              things={groups}
              onChange={({ accepts, ...part }) => change(item, { ...part, ...(accepts ? { groups: accepts } : {}) })}
            />
          )}
        </PartNote>
      ))}
    </div>
  );
}

function sentence(setup: SortSetup): string {
  const { groups, items, scheme } = setup;
  const worth = sort.marked.worth?.(setup) ?? [];
  if (worth.length === 0) return 'Nothing belongs to a group yet.';
  const nowhere = items.length - worth.length;
  const left = nowhere === 0 ? '' : ` ${nowhere} ${nowhere === 1 ? 'belongs' : 'belong'} to none.`;
  return `${schemeSentence({ scheme, worth, what: `item in one of its ${groups.length} groups` })}${left}`;
}

export const sortEditor: EditorSide<SortSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Sort as a student would',
  presets: [
    {
      name: 'Sort into groups',
      about: 'Items that belong to one group or another',
      setup: (fresh) => fresh,
      example: {
        asks: 'Solid, liquid or gas, at room temperature?',
        setup: (setup) => ({
          ...setup,
          groups: ['solid', 'liquid', 'gas'].map((text, i) => ({ id: `g${i + 1}`, text })),
          items: ['steel', 'glass', 'milk', 'oil', 'air', 'helium'].map((text, i) => ({
            id: `i${i + 1}`,
            text,
            groups: [`g${Math.floor(i / 2) + 1}`],
            feedback: '',
          })),
        }),
      },
    },
  ],
};

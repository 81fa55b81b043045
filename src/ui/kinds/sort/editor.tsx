'use client';
import { Plus, X } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { MOST_GROUPS, MOST_ITEMS, type SortItem, type SortSetup } from '@/core/kinds/sort/sort';
import { CheckLine } from '../../parts/CheckLine';
import { LineRows } from '../../parts/LineRows';
import { lineWords, withLines } from '../../parts/rows';
import { freshPart } from '@/core/rules/placing/placed';
import { SchemeLine, schemeSentence } from '../../placing/scheme';
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
    const written = rows.length === 1 && rows[0]?.text === '' ? [] : rows;
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
        pasted={(at, text) =>
          withLines(shown, at, {
            text,
            most: MOST_ITEMS - items.length + shown.length,
            write: (line, empty, all) => ({ ...(empty ?? fresh(group)(all, '')), text: lineWords(line).slice(0, 500) }),
          })
        }
        onChange={(next) => keep(group, next)}
        onLeave={onLeave}
      />
    );
  };
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
              onChange={(e) =>
                onChange({ ...setup, groups: groups.map((g) => (g === group ? { ...g, text: e.target.value } : g)) })
              }
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

function Note({ setup, onChange, marks }: EditorProps<SortSetup>) {
  const { groups, items } = setup;
  const change = (item: SortItem, part: Partial<SortItem>): void =>
    onChange({ ...setup, items: items.map((one) => (one === item ? { ...item, ...part } : one)) });
  const of = items.filter((item) => item.groups.length > 0).length;
  return (
    <div className="rule-edit">
      <SchemeLine scheme={setup.scheme} of={of} marks={marks} onChange={(scheme) => onChange({ ...setup, scheme })} />
      <p className="soft mb-1">Each item, its groups (any one of them is right), and what a student reads who errs:</p>
      {items.map((item) => (
        <fieldset key={item.id} className="mb-2">
          <legend className="fs-6 fw-bold mb-0">{item.text || 'item'}</legend>
          {groups.map((group) => (
            <CheckLine
              key={group.id}
              checked={item.groups.includes(group.id)}
              onChange={(on) =>
                change(item, {
                  groups: on ? [...item.groups, group.id] : item.groups.filter((one) => one !== group.id),
                })
              }
            >
              {group.text || 'group'}
            </CheckLine>
          ))}
          <input
            className="form-control form-control-sm"
            aria-label={`Feedback for ${item.text}`}
            placeholder="when it was put elsewhere"
            value={item.feedback}
            maxLength={1000}
            onChange={(e) => change(item, { feedback: e.target.value })}
          />
        </fieldset>
      ))}
    </div>
  );
}

function sentence({ groups, items, scheme }: SortSetup): string {
  const of = items.filter((item) => item.groups.length > 0).length;
  if (of === 0) return 'Nothing belongs to a group yet.';
  const nowhere = items.length - of;
  const left = nowhere === 0 ? '' : ` ${nowhere} ${nowhere === 1 ? 'belongs' : 'belong'} to none.`;
  return `${schemeSentence({ scheme, of, what: `item in one of its ${groups.length} groups` })}${left}`;
}

export const sortEditor: EditorSide<SortSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Sort as a student would',
  presets: [{ name: 'Sort into groups', about: 'Items that belong to one group or another', setup: (fresh) => fresh }],
};

'use client';
import { Plus, X } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { exact, stored } from '@/core/base/exact';
import type { KeywordGroup } from '@/core/rules/text/rules';
import { ShareInput } from '../parts/ShareInput';
import { WordsInput } from './WordsInput';
import { CheckLine } from '../parts/CheckLine';

interface Props {
  groups: KeywordGroup[];
  marks: string;
  onChange: (groups: KeywordGroup[]) => void;
}

const NEEDS: [value: string, words: string][] = [
  ['any', 'any of'],
  ['2', 'at least 2 of'],
  ['3', 'at least 3 of'],
  ['4', 'at least 4 of'],
  ['all', 'all of'],
  ['none', 'none of'],
];

function needFrom(value: string): KeywordGroup['need'] {
  return value === 'any' || value === 'all' || value === 'none' ? value : Number(value);
}

/** One more group. While all earn alike, they go on doing so: together they earn the marks. */
function withGroup(groups: readonly KeywordGroup[]): KeywordGroup[] {
  const earning = groups.filter(({ need }) => need !== 'none');
  const alike = earning.every(({ share }) => share === earning[0]?.share);
  const share = alike ? stored(exact(`1/${earning.length + 1}`)) : '1/2';
  return [
    ...groups.map((group) => (alike && group.need !== 'none' ? { ...group, share } : group)),
    { need: 'any', words: ['…'], share },
  ];
}

/** Groups of words that have to occur, or must not: how many of each, in which order, how near, for which marks. */
export function KeywordGroups({ groups, marks, onChange }: Props) {
  const edit = (g: number, part: Partial<KeywordGroup>): void =>
    onChange(groups.map((group, i) => (i === g ? { ...group, ...part } : group)));
  return (
    <>
      {groups.map((group, g) => (
        <div key={g} className="d-grid gap-1">
          <div className="line">
            <select
              className="form-select"
              aria-label={`How many of group ${g + 1}`}
              value={String(group.need)}
              onChange={(e) => edit(g, { need: needFrom(e.target.value) })}
            >
              {NEEDS.map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </select>
            {group.need !== 'none' && (
              <ShareInput
                share={group.share}
                marks={marks}
                label={`Marks of group ${g + 1}`}
                onChange={(share) => edit(g, { share })}
              />
            )}
            {groups.length > 1 && (
              <Button
                variant="quiet"
                aria-label={`Take group ${g + 1} out`}
                onClick={() => onChange(groups.filter((_, i) => i !== g))}
              >
                <X size={14} />
              </Button>
            )}
          </div>
          <WordsInput
            words={group.words}
            label={`Words of group ${g + 1}`}
            synonyms={group.need === 'any'}
            onChange={(words) => words.length > 0 && edit(g, { words })}
          />
          {group.words.length > 1 && group.need !== 'none' && group.need !== 'any' && (
            <div className="line">
              <CheckLine checked={group.ordered ?? false} onChange={(on) => edit(g, { ordered: on })}>
                in this order
              </CheckLine>
              <label className="line">
                within
                <input
                  type="number"
                  className="form-control narrow"
                  min={1}
                  max={100}
                  placeholder="any"
                  value={group.within ?? ''}
                  onChange={(e) =>
                    edit(g, {
                      within:
                        e.target.value === ''
                          ? undefined
                          : Math.min(100, Math.max(1, Math.round(Number(e.target.value)))),
                    })
                  }
                />
                words
              </label>
            </div>
          )}
        </div>
      ))}
      <div>
        <Button variant="quiet" onClick={() => onChange(withGroup(groups))}>
          <Plus size={14} /> group of words
        </Button>
      </div>
    </>
  );
}

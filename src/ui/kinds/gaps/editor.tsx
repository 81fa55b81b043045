'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { gapName } from '@/core/content/gapped-text';
import { type GapsSetup, MOST_TEXT, MOST_TILES } from '@/core/kinds/gaps/gaps';
import { piecesOf, stretches } from '@/core/kinds/select/units';
import { leftOver } from '@/core/rules/placing/placed';
import { CheckLine } from '../../parts/CheckLine';
import { Distractors } from '../../parts/Distractors';
import { SchemeSelect } from '../../parts/SchemeSelect';
import { PartNote } from '../../placing/PartNote';
import { PlaceRulesNote } from '../../placing/PlaceRulesNote';
import { worthOf } from '@/core/rules/placing/rules';
import { schemeSentence } from '../../placing/scheme-sentence';
import { plural } from '../../words/marks';
import type { EditorProps, EditorSide } from '../contract';
import { Units } from '../select/Units';
import { withGap, withoutGap, withText } from './setting';
import './gaps.scss';

/** What can be pressed below the text: its gaps, and the words between them by where they begin. */
function unitsOf({ text, gaps }: GapsSetup): { id: string; from: number; to: number }[] {
  const words = stretches(text, 'words')
    .filter(({ from, to }) => !gaps.some((gap) => gap.from < to && gap.to > from))
    .map((word) => ({ id: `at${word.from}`, ...word }));
  return [...gaps, ...words].sort((a, b) => a.from - b.from);
}

/** The text, below it the same to be clicked (what is marked is taken out), and what belongs nowhere. */
function Place({ setup, onChange, letter, onLeave }: EditorProps<GapsSetup>) {
  const { text, gaps, tiles } = setup;
  const [selected, select] = useState({ from: 0, to: 0 });
  const words = text.slice(selected.from, selected.to).trim();
  const units = unitsOf(setup);
  const press = (id: string): void => {
    const unit = units.find((one) => one.id === id);
    if (!unit) return;
    const isGap = gaps.some((gap) => gap.id === id);
    onChange(isGap ? withoutGap(setup, id) : withGap(setup, unit), 'apart');
  };
  return (
    <div className="gaps-edit">
      <textarea
        className="form-control"
        rows={4}
        aria-label={`Slot ${letter}: the text`}
        placeholder="The whole text, with the words that will be taken out"
        value={text}
        maxLength={MOST_TEXT}
        onChange={(e) => onChange(withText(setup, e.target.value))}
        onSelect={(e) => select({ from: e.currentTarget.selectionStart, to: e.currentTarget.selectionEnd })}
      />
      {text !== '' && (
        <>
          <p className="m-0 d-flex gap-2 flex-wrap align-items-center">
            <span className="soft">Click the words that are taken out, or select several above.</span>
            <Button variant="quiet" disabled={words === ''} onClick={() => onChange(withGap(setup, selected), 'apart')}>
              {words === '' ? 'Take the selection out' : `Take “${words.slice(0, 40)}” out`}
            </Button>
          </p>
          <Units
            label={`Slot ${letter}: what is taken out`}
            pieces={piecesOf(text, units)}
            on={gaps.map(({ id }) => id)}
            onPress={press}
          />
        </>
      )}
      <Distractors
        things={tiles}
        places={gaps}
        label={`Slot ${letter}: tiles that belong nowhere`}
        placeholder="A tile that belongs nowhere"
        most={MOST_TILES}
        longest={300}
        letter="t"
        onChange={(next) => onChange({ ...setup, tiles: next })}
        onLeave={onLeave}
      />
    </div>
  );
}

function Note({ setup, onChange }: EditorProps<GapsSetup>) {
  const { text, gaps, tiles } = setup;
  return (
    <div className="rule-edit">
      <SchemeSelect scheme={setup.scheme} onChange={(scheme) => onChange({ ...setup, scheme })} />
      <CheckLine checked={setup.again} onChange={(again) => onChange({ ...setup, again })}>
        a tile may be used again
      </CheckLine>
      {gaps.map((gap, i) => (
        <PartNote key={gap.id} summary={`${i + 1} ${text.slice(gap.from, gap.to)}`}>
          {() => (
            <PlaceRulesNote
              name={gapName(i)}
              rules={gap}
              things={tiles}
              onChange={(part) =>
                onChange({ ...setup, gaps: gaps.map((one) => (one === gap ? { ...gap, ...part } : one)) })
              }
            />
          )}
        </PartNote>
      ))}
    </div>
  );
}

function sentence(setup: GapsSetup): string {
  const worth = worthOf(setup.gaps);
  if (worth.length === 0) return 'The text has no gap yet.';
  const over = leftOver(setup.tiles, setup.gaps).length;
  const rest = over === 0 ? '' : ` ${plural(over, 'tile')} ${over === 1 ? 'belongs' : 'belong'} nowhere.`;
  return `${schemeSentence({ scheme: setup.scheme, worth, what: 'gap filled as it should be' })}${rest}`;
}

export const gapsEditor: EditorSide<GapsSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Fill the gaps as a student would',
  presets: [
    {
      name: 'Gaps with tiles',
      about: 'A text whose words are put in from a list',
      setup: (fresh) => fresh,
      example: {
        asks: 'Complete the sentence.',
        setup: (setup) =>
          [
            { from: 6, to: 11 },
            { from: 30, to: 37 },
          ].reduce(withGap, {
            ...withText(setup, 'Water boils at 100 °C, and it freezes below 0 °C.'),
            tiles: [{ id: 'x1', text: 'melts' }],
          }),
      },
    },
  ],
};

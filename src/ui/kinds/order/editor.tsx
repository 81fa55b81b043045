'use client';
import { MOST_EXTRA, MOST_IN_ORDER, order, type OrderLook, type OrderSetup } from '@/core/kinds/order/order';
import { ORDER_SCHEMES, type OrderScheme } from '@/core/rules/ordering/rules';
import { CheckLine } from '../../parts/CheckLine';
import { LineRows } from '../../parts/LineRows';
import { Distractors } from '../../parts/Distractors';
import type { Row } from '../../parts/rows';
import { freshPart } from '@/core/rules/placing/placed';
import { SplitLine } from './SplitLine';
import type { EditorProps, EditorSide } from '../contract';

/** The lines in the right order, and below them what does not belong. */
function Place({ setup, onChange, letter, onLeave }: EditorProps<OrderSetup>) {
  const { items, extra } = setup;
  const fresh = (rows: readonly Row[], text: string): Row => ({
    id: freshPart([...rows, ...(extra ?? [])], 'i'),
    text,
  });
  const lines = (
    <LineRows
      rows={items}
      what="line"
      label={`Slot ${letter}: in the right order`}
      most={MOST_IN_ORDER}
      least={1}
      longest={1000}
      placeholder={(at) => (at === 0 ? 'First, in the right order; students see them mixed' : 'Next')}
      fresh={fresh}
      onChange={(next) => onChange({ ...setup, items: next })}
      onLeave={onLeave}
    />
  );
  return (
    <>
      {lines}
      {setup.look === 'across' && <SplitLine setup={setup} onChange={onChange} />}
      {extra && (
        <Distractors
          things={[...items, ...extra]}
          places={[{ accepts: items.map(({ id }) => id) }]}
          label={`Slot ${letter}: what does not belong`}
          placeholder="does not belong, and is to be left out"
          most={items.length + MOST_EXTRA}
          longest={1000}
          letter="i"
          onChange={(things) => onChange({ ...setup, extra: things.slice(items.length) })}
          onLeave={onLeave}
        />
      )}
    </>
  );
}

const SCHEMES: Record<OrderScheme, string> = {
  place: 'each in exactly its place earns its part',
  neighbours: 'each pair of neighbours kept earns its part',
  run: 'the longest run in the right order counts',
  whole: 'the whole order, or nothing',
};
const LOOKS: Record<OrderLook, string> = { down: 'one below the other', across: 'in a row, as words or letters' };

function Note({ setup, onChange }: EditorProps<OrderSetup>) {
  return (
    <div className="rule-edit">
      <label className="line">
        marks:
        <select
          className="form-select"
          value={setup.scheme}
          onChange={(e) => onChange({ ...setup, scheme: e.target.value as OrderScheme })}
        >
          {ORDER_SCHEMES.map((one) => (
            <option key={one} value={one}>
              {SCHEMES[one]}
            </option>
          ))}
        </select>
      </label>
      <label className="line">
        they stand
        <select
          className="form-select"
          value={setup.look}
          onChange={(e) => onChange({ ...setup, look: e.target.value as OrderLook })}
        >
          {(Object.keys(LOOKS) as OrderLook[]).map((look) => (
            <option key={look} value={look}>
              {LOOKS[look]}
            </option>
          ))}
        </select>
      </label>
      <CheckLine
        checked={setup.extra !== undefined}
        onChange={(on) => onChange({ ...setup, extra: on ? [] : undefined }, 'apart')}
      >
        some do not belong and are to be left out
      </CheckLine>
      <input
        className="form-control"
        aria-label="Feedback for another order"
        placeholder="What a student with another order reads"
        value={setup.feedback}
        maxLength={1000}
        onChange={(e) => onChange({ ...setup, feedback: e.target.value })}
      />
    </div>
  );
}

function sentence({ items, extra = [], scheme }: OrderSetup): string {
  const of = items.length;
  const over = extra.length === 0 ? '' : ` ${extra.length} ${extra.length === 1 ? 'does' : 'do'} not belong.`;
  const sentences: Record<OrderScheme, string> = {
    place: `Each of the ${of} in exactly its place earns 1/${of} of the marks.`,
    neighbours: `Each of the ${of - 1} pairs that follow one another as they should earns 1/${of - 1} of the marks.`,
    run: `As many as stand in the right order among themselves earn 1/${of} of the marks each.`,
    whole: `All ${of} in their place: the marks; anything else earns nothing.`,
  };
  return sentences[scheme] + over;
}

export const orderEditor: EditorSide<OrderSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Type the numbers of the lines in another order, such as 2 1 3',
  keyHint: 'One line each, in the right order; under a line “left out:” what does not belong',
  presets: [
    {
      name: 'Put in order',
      about: 'Steps or events in their right order',
      setup: (setup) => setup,
      example: {
        asks: 'From the shortest to the longest.',
        setup: (setup) => order.typed.withKey(setup, 'a second\na minute\nan hour\na day'),
      },
    },
    {
      name: 'Words to a sentence',
      about: 'Words or letters in a row, to be put right',
      setup: (setup) => ({ ...setup, look: 'across', scheme: 'run' }),
      example: {
        asks: 'Make a sentence of the words.',
        setup: (setup) => order.typed.withKey(setup, 'Please\nclose\nthe\nwindow\nbehind you'),
      },
    },
    {
      name: 'Letters to a word',
      about: 'Letters in a row, with some that are too many',
      setup: (setup) => ({ ...setup, look: 'across', scheme: 'whole', extra: [] }),
      example: {
        asks: 'Write with these letters what a bicycle is stopped with. Not all of them belong.',
        setup: (setup) => order.typed.withKey(setup, 'b\nr\na\nk\ne\nleft out:\nt\no'),
      },
    },
  ],
};

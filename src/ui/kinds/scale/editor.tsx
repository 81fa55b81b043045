'use client';
import type { ScaleSetup } from '@/core/kinds/scale/scale';
import { CountInput } from '../../parts/CountInput';
import type { EditorProps, EditorSide } from '../contract';
import './scale.scss';

const MOST = 1_000_000;

interface EndProps {
  end: 'low' | 'high';
  letter: string;
  words: string;
  onChange: (words: string) => void;
}

function EndWords({ end, letter, words, onChange }: EndProps) {
  return (
    <input
      className="form-control"
      aria-label={`Slot ${letter}: what stands at the ${end} end`}
      placeholder={`${end} end, in words`}
      value={words}
      maxLength={200}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}

function Place({ setup, onChange, letter }: EditorProps<ScaleSetup>) {
  const change = (part: Partial<ScaleSetup>): void => onChange({ ...setup, ...part });
  const key = setup.key ?? { least: '', most: '' };
  const setKey = (part: Partial<typeof key>): void => {
    const next = { ...key, ...part };
    change({ key: next.least.trim() === '' && next.most.trim() === '' ? null : next });
  };
  return (
    <span className="scale-slot">
      <span className="scale-line">
        <EndWords end="low" letter={letter} words={setup.lowest} onChange={(lowest) => change({ lowest })} />
        <CountInput
          count={setup.from}
          least={-MOST}
          most={MOST}
          label={`Slot ${letter}: the lowest value`}
          onChange={(from) => from !== null && change({ from })}
        />
        <span aria-hidden="true">…</span>
        <CountInput
          count={setup.to}
          least={-MOST}
          most={MOST}
          label={`Slot ${letter}: the highest value`}
          onChange={(to) => to !== null && change({ to })}
        />
        <EndWords end="high" letter={letter} words={setup.highest} onChange={(highest) => change({ highest })} />
      </span>
      <span className="scale-line mt-1">
        right from
        <input
          className="key-input"
          aria-label={`Slot ${letter}: right from`}
          value={key.least}
          maxLength={40}
          onChange={(e) =>
            setKey({ least: e.target.value, ...(key.most === key.least ? { most: e.target.value } : {}) })
          }
        />
        to
        <input
          className="key-input"
          aria-label={`Slot ${letter}: right to`}
          value={key.most}
          maxLength={40}
          onChange={(e) => setKey({ most: e.target.value })}
        />
      </span>
    </span>
  );
}

function Note({ setup, onChange }: EditorProps<ScaleSetup>) {
  return (
    <div className="rule-edit">
      <span className="line">
        in steps of
        <CountInput
          count={setup.step}
          least={1}
          most={MOST}
          label="Step"
          onChange={(step) => step !== null && onChange({ ...setup, step })}
        />
      </span>
    </div>
  );
}

function sentence({ from, to, key }: ScaleSetup): string {
  if (!key) return `A value from ${from} to ${to}; none of them is right or wrong.`;
  const right = key.least === key.most ? key.least : `${key.least} to ${key.most}`;
  return `${right} earns the marks, any other value from ${from} to ${to} nothing.`;
}

export const scaleEditor: EditorSide<ScaleSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Move the slider as a student would',
  presets: [
    {
      name: 'Scale',
      about: 'A value between two ends, chosen with a slider',
      setup: (fresh) => fresh,
      example: {
        asks: 'How much of a right angle is 45 degrees, in per cent?',
        setup: (setup) => ({
          ...setup,
          from: 0,
          to: 100,
          step: 5,
          lowest: 'nothing',
          highest: 'all of it',
          key: { least: '50', most: '50' },
        }),
      },
    },
  ],
};

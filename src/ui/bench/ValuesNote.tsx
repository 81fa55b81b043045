'use client';
import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { PlacedSlot, QuestionBody } from '@/core/bank/question';
import { keyedValues, variantOf } from '@/core/bank/variant';
import type { NamedValue, Variation } from '@/core/bank/variation';
import { isStop, type Finding } from '@/core/base/finding';
import { ExactInput } from '../parts/ExactInput';
import { findingText } from '../words/findings';

interface Props {
  body: QuestionBody;
  placed: PlacedSlot[];
  findings: Finding[];
  changeBody: (part: (body: QuestionBody) => QuestionBody, tag: string) => void;
  /** Puts text where the cursor is on the sheet. */
  onPut: (text: string) => void;
}

const EMPTY: Variation = { values: [], conditions: [], each: 'attempt' };
const LETTERS = 'abcdfghkmnpqrstuvwxyz';

const FRESH: Record<NamedValue['from']['by'], (slot: string) => NamedValue['from']> = {
  range: () => ({ by: 'range', least: '1', most: '10', step: '1' }),
  list: () => ({ by: 'list', items: ['1', '2'] }),
  formula: () => ({ by: 'formula', formula: '', round: null }),
  answer: (slot) => ({ by: 'answer', slot }),
};
const BY: Record<NamedValue['from']['by'], string> = {
  range: 'from … to …',
  list: 'one of a list',
  formula: 'worked out',
  answer: 'the answer to a slot',
};

/** Values that vary and values that follow: named, drawn or worked out, and put in wherever <name> stands. */
export function ValuesNote({ body, placed, findings, changeBody, onPut }: Props) {
  const vary = body.vary ?? EMPTY;
  const change = (next: Variation, tag: string): void =>
    changeBody(({ vary: _, ...rest }) => (next.values.length === 0 ? rest : { ...rest, vary: next }), tag);
  const setValue = (at: number, value: NamedValue, tag: string): void =>
    change({ ...vary, values: vary.values.map((one, i) => (i === at ? value : one)) }, `${tag} ${at}`);
  const add = (): void => {
    const name = [...LETTERS].find((letter) => vary.values.every((one) => one.name !== letter)) ?? 'value';
    change({ ...vary, values: [...vary.values, { name, from: FRESH.range('') }] }, '');
  };
  const own = findings.filter(({ at }) => at[0] === 'vary');
  return (
    <section className="note values" aria-label="Numbers that vary">
      <h3>
        Numbers that vary <span className="end">each student has their own</span>
      </h3>
      {vary.values.map((value, at) => (
        // A value's name can be empty or twice while it is typed; its place is what it is.
        <ValueRow
          key={at}
          value={value}
          placed={placed}
          onChange={(next, tag) => setValue(at, next, tag)}
          onPut={() => onPut(`<${value.name}>`)}
          onRemove={() => change({ ...vary, values: vary.values.filter((_, i) => i !== at) }, '')}
        />
      ))}
      {vary.values.length > 0 && (
        <>
          {[...vary.conditions, ''].slice(0, 10).map((condition, at) => (
            <input
              key={at}
              className="form-control form-control-sm mb-1"
              aria-label={`Condition ${at + 1}`}
              placeholder={at === 0 ? 'a condition, such as a ≠ b' : 'one more'}
              maxLength={300}
              value={condition}
              onChange={(e) => {
                const next = [...vary.conditions];
                next[at] = e.target.value;
                change(
                  { ...vary, conditions: next.filter((text, i) => text !== '' || i < next.length - 1) },
                  `condition ${at}`,
                );
              }}
            />
          ))}
          <label className="d-flex gap-2 align-items-center my-1">
            drawn for
            <select
              className="form-select form-select-sm w-auto"
              value={vary.each}
              onChange={(e) => change({ ...vary, each: e.target.value as Variation['each'] }, '')}
            >
              <option value="attempt">each attempt anew</option>
              <option value="everybody">everybody alike</option>
            </select>
          </label>
          {own.map((finding) => (
            <p key={JSON.stringify(finding)} className={isStop(finding) ? 'wrong' : 'hand'}>
              {findingText(finding)}
            </p>
          ))}
          {!own.some(isStop) && <Variants body={body} />}
        </>
      )}
      <Button variant="quiet" onClick={({ detail }) => detail < 2 && add()}>
        + a value
      </Button>
    </section>
  );
}

/** Pages through variants: what one student after the other gets. */
function Variants({ body }: { body: QuestionBody }) {
  const [seed, setSeed] = useState(1);
  const values = useMemo(() => keyedValues(variantOf(body, seed)), [body, seed]);
  return (
    <p className="d-flex align-items-baseline gap-1">
      <Button
        variant="quiet"
        className="small-act"
        aria-label="Variant before"
        disabled={seed === 1}
        onClick={() => setSeed(seed - 1)}
      >
        ‹
      </Button>
      <span role="status">
        <span className="soft">variant {seed}:</span>{' '}
        {[...(values ?? [])].map(([name, text]) => `${name} = ${text}`).join(', ')}
      </span>
      <Button variant="quiet" className="small-act ms-auto" aria-label="Next variant" onClick={() => setSeed(seed + 1)}>
        ›
      </Button>
    </p>
  );
}

interface RowProps {
  value: NamedValue;
  placed: PlacedSlot[];
  onChange: (value: NamedValue, tag: string) => void;
  onPut: () => void;
  onRemove: () => void;
}

function ValueRow({ value, placed, onChange, onPut, onRemove }: RowProps) {
  const { name, from } = value;
  return (
    <div className="value">
      <span className="line">
        <input
          className="form-control form-control-sm name"
          aria-label="Name of the value"
          maxLength={20}
          value={name}
          onChange={(e) => onChange({ ...value, name: e.target.value }, 'name')}
        />
        <select
          className="form-select form-select-sm"
          aria-label={`How ${name} comes about`}
          value={from.by}
          onChange={(e) =>
            onChange({ ...value, from: FRESH[e.target.value as NamedValue['from']['by']](placed[0]?.id ?? 's1') }, '')
          }
        >
          {Object.entries(BY).map(([by, words]) => (
            <option key={by} value={by}>
              {words}
            </option>
          ))}
        </select>
        <Button variant="quiet" className="small-act" title={`Put <${name}> where the cursor is`} onClick={onPut}>
          &lt;{name}&gt;
        </Button>
        <Button variant="quiet" className="small-act" aria-label={`Take ${name} out`} onClick={onRemove}>
          <X size={13} />
        </Button>
      </span>
      <From value={value} placed={placed} onChange={onChange} />
    </div>
  );
}

function From({ value, placed, onChange }: Pick<RowProps, 'value' | 'placed' | 'onChange'>) {
  const { name, from } = value;
  if (from.by === 'range') {
    const set = (part: Partial<typeof from>): void => onChange({ ...value, from: { ...from, ...part } }, 'range');
    return (
      <span className="line">
        from <ExactInput value={from.least} label={`Least ${name}`} onChange={(least) => set({ least })} />
        to <ExactInput value={from.most} label={`Most ${name}`} onChange={(most) => set({ most })} />
        in steps of <ExactInput value={from.step} label={`Step of ${name}`} onChange={(step) => set({ step })} />
      </span>
    );
  }
  if (from.by === 'list') return <ListOf value={value} onChange={onChange} />;
  if (from.by === 'answer') {
    return (
      <span className="line">
        slot
        <select
          className="form-select form-select-sm w-auto"
          aria-label={`Slot that ${name} is the answer to`}
          value={from.slot}
          onChange={(e) => onChange({ ...value, from: { by: 'answer', slot: e.target.value } }, '')}
        >
          {placed.map(({ id, letter }) => (
            <option key={id} value={id}>
              {letter}
            </option>
          ))}
        </select>
        <span className="soft">the key, or what the student answered</span>
      </span>
    );
  }
  const { round } = from;
  return (
    <span className="line">
      =
      <input
        className="form-control form-control-sm"
        aria-label={`Formula of ${name}`}
        placeholder="such as m v^2 / 2"
        maxLength={500}
        value={from.formula}
        onChange={(e) => onChange({ ...value, from: { ...from, formula: e.target.value } }, 'formula')}
      />
      <select
        className="form-select form-select-sm w-auto"
        aria-label={`How ${name} is rounded`}
        value={round ? `${round.to} ${round.n}` : ''}
        onChange={(e) => {
          const [to, n] = e.target.value.split(' ');
          const next = e.target.value === '' ? null : { to: to as 'places' | 'figures', n: Number(n) };
          onChange({ ...value, from: { ...from, round: next } }, '');
        }}
      >
        <option value="">exact</option>
        {[0, 1, 2, 3].map((n) => (
          <option key={`p${n}`} value={`places ${n}`}>
            {n} decimal {n === 1 ? 'place' : 'places'}
          </option>
        ))}
        {[2, 3, 4].map((n) => (
          <option key={`f${n}`} value={`figures ${n}`}>
            {n} figures
          </option>
        ))}
      </select>
    </span>
  );
}

function ListOf({ value, onChange }: Pick<RowProps, 'value' | 'onChange'>) {
  const items = value.from.by === 'list' ? value.from.items : [];
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <span className="line">
      <input
        className="form-control form-control-sm"
        aria-label={`The values of ${value.name}, with semicolons between them`}
        placeholder="2; 3; 5, numbers or words"
        value={typed ?? items.join('; ')}
        onChange={(e) => {
          setTyped(e.target.value);
          const read = e.target.value.split(';').map((item) => item.trim().slice(0, 200));
          onChange({ ...value, from: { by: 'list', items: read.filter((item) => item !== '').slice(0, 200) } }, 'list');
        }}
        onBlur={() => setTyped(null)}
      />
    </span>
  );
}

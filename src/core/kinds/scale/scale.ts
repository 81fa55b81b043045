import { z } from 'zod';
import { type Finding, stops, warns } from '../../base/finding';
import { ONE, ZERO } from '../../base/exact';
import { marked, type Marking, waits } from '../../rules/marking';
import type { KindWith } from '../contract';

const end = z.int().min(-1_000_000).max(1_000_000);
/** A bound of the key as it is typed: a whole number, or a named value. */
const bound = z.string().trim().max(40);

const setup = z.object({
  version: z.literal(1),
  from: end,
  to: end,
  step: z.int().min(1).max(1_000_000),
  /** What stands at its two ends. */
  lowest: z.string().max(200),
  highest: z.string().max(200),
  /** The values that are right, ends included; null where none is, as in a survey. */
  key: z.object({ least: bound, most: bound }).nullable(),
});
export type ScaleSetup = z.infer<typeof setup>;

/** The value chosen; null after it was taken back. */
const response = z.object({ value: z.int().nullable() });
export type ScaleResponse = z.infer<typeof response>;

export type ScaleSheet = Pick<ScaleSetup, 'from' | 'to' | 'step' | 'lowest' | 'highest'>;

const isOn = ({ from, to, step }: ScaleSetup, value: number): boolean =>
  Number.isInteger(value) && value >= from && value <= to && (value - from) % step === 0;

/** The bounds of the key as numbers; null while one of them is none. */
function keyOf({ key }: ScaleSetup): { least: number; most: number } | null {
  if (!key || ![key.least, key.most].every((typed) => /^[-−]?\d{1,7}$/.test(typed))) return null;
  const [least = 0, most = 0] = [key.least, key.most].map((typed) => Number(typed.replace('−', '-')));
  return { least, most };
}

function readiness(setup: ScaleSetup): Finding[] {
  if (setup.from >= setup.to) return [stops('scale-without-length', ['to'], { from: setup.from, to: setup.to })];
  const findings: Finding[] = [];
  if ((setup.to - setup.from) % setup.step !== 0)
    findings.push(stops('scale-steps-miss-end', ['step'], { to: setup.to }));
  if (!setup.key) return [...findings, warns('scale-no-key', ['key'])];
  const key = keyOf(setup);
  if (!key || key.least > key.most || !isOn(setup, key.least) || !isOn(setup, key.most))
    findings.push(stops('scale-key-off', ['key'], setup.key));
  return findings;
}

function mark(setup: ScaleSetup, { value }: ScaleResponse): Marking {
  const key = keyOf(setup);
  if (!key || value === null) return waits([{ code: 'by-a-person' }]);
  const right = value >= key.least && value <= key.most;
  return marked(right ? ONE : ZERO, [{ code: right ? 'scale-right' : 'scale-off', values: { value } }]);
}

/** The middle of the key, on a step. */
function middle(setup: ScaleSetup): number | null {
  const key = keyOf(setup);
  if (!key) return null;
  const steps = Math.round((key.least + key.most - 2 * setup.from) / 2 / setup.step);
  return setup.from + steps * setup.step;
}

/** The key, the values just outside it, and the ends of the scale. */
function tryouts(setup: ScaleSetup): ScaleResponse[] {
  const [key, right] = [keyOf(setup), middle(setup)];
  const tried = [right, key && key.least - setup.step, key && key.most + setup.step, setup.from, setup.to];
  const different = new Set(tried.filter((value) => value !== null && isOn(setup, value)));
  return [...different].map((value) => ({ value }));
}

const text = ({ value }: ScaleResponse): string => (value === null ? '' : String(value));

/** A value chosen on a scale between two ends. */
export const scale: KindWith<'marked' | 'valued', ScaleSetup, ScaleSheet, ScaleResponse> = {
  name: 'scale',
  placement: 'block',
  setup: { name: 'scale setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'scale response', version: 1, schema: response, migrations: [] },
  accepts: (setup, { value }) => value === null || isOn(setup, value),
  fresh: () => ({ version: 1, from: 1, to: 5, step: 1, lowest: '', highest: '', key: null }),
  blank: ({ value }) => value === null,
  sheet: ({ from, to, step, lowest, highest }) => ({ from, to, step, lowest, highest }),
  readiness,
  describe: ({ from, to, lowest, highest }) =>
    [lowest, `${from} … ${to}`, highest].filter((part) => part !== '').join(' '),
  describeResponse: (_, given) => text(given),
  gist: (_, given) => text(given),
  put: (setup, put) => ({
    ...setup,
    lowest: put(setup.lowest, 'words'),
    highest: put(setup.highest, 'words'),
    key: setup.key && { least: put(setup.key.least, 'words'), most: put(setup.key.most, 'words') },
  }),
  marked: {
    mark,
    key(setup) {
      const value = middle(setup);
      return value === null ? null : { value };
    },
    describeKey({ key }) {
      if (!key) return '';
      return key.least === key.most ? key.least : `${key.least} to ${key.most}`;
    },
    fixedKeyPlace: () => null,
    tryouts,
  },
  valued: { value: (_, given) => text(given) || null },
};

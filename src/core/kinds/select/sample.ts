import type { KindSample } from '../contract';
import { select, type SelectSetup } from './select';
import { resplit } from './units';

const TEXT = 'She locked the switch. She climbed without a helmet. He wore gloves.';

const keyed = (...keys: number[]): SelectSetup => {
  const fresh = select.fresh();
  const units = resplit(fresh, TEXT, 'sentences', 10);
  return {
    ...fresh,
    text: TEXT,
    size: 'sentences',
    units: units.map((unit, i) => ({ ...unit, key: keys.includes(i), feedback: i === 0 ? 'Secret feedback' : '' })),
  };
};

export const sample: KindSample<SelectSetup> = { setup: keyed(1), otherKeys: [keyed(0), keyed(1, 2)] };

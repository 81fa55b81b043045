import type { KindSample } from '../contract';
import { gaps, type GapsSetup } from './gaps';

const TEXT = 'The rotor turns a shaft, and the shaft turns a generator.';

const keyed = (first: string, second: string): GapsSetup => ({
  ...gaps.fresh(),
  text: TEXT,
  gaps: [
    { id: 'p1', from: 4, to: 9, accepts: [first], feedback: 'Secret feedback' },
    { id: 'p2', from: 47, to: 56, accepts: [second], feedback: '' },
  ],
  tiles: ['hub', 'machine', 'tower'].map((text, i) => ({ id: `t${i + 1}`, text })),
});

export const sample: KindSample<GapsSetup> = {
  setup: keyed('t1', 't2'),
  otherKeys: [keyed('t2', 't1'), keyed('t3', 't1')],
};

import type { KindSample } from '../contract';
import { sort, type SortSetup } from './sort';

const keyed = (one: string, other: string): SortSetup => ({
  ...sort.fresh(),
  groups: [
    { id: 'g1', text: 'steady loads' },
    { id: 'g2', text: 'changing loads' },
  ],
  items: [
    { id: 'i1', text: 'weight', groups: [one], feedback: 'Secret feedback' },
    { id: 'i2', text: 'gusts', groups: [other], feedback: '' },
    { id: 'i3', text: 'tower shadow', groups: [other], feedback: '' },
    { id: 'i4', text: 'price', groups: [], feedback: '' },
  ],
});

export const sample: KindSample<SortSetup> = {
  setup: keyed('g1', 'g2'),
  otherKeys: [keyed('g2', 'g1'), keyed('g1', 'g1')],
};

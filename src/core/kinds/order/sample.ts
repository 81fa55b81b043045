import type { KindSample } from '../contract';
import { order, type OrderSetup } from './order';

const STEPS: Record<string, string> = { p1: 'stop', p2: 'brake', p3: 'lock', p4: 'climb' };

const keyed = (...ids: string[]): OrderSetup => ({
  ...order.fresh(),
  items: ids.map((id) => ({ id, text: STEPS[id] ?? '' })),
  feedback: 'Secret feedback',
});

export const sample: KindSample<OrderSetup> = {
  setup: keyed('p1', 'p2', 'p3', 'p4'),
  otherKeys: [keyed('p4', 'p2', 'p3', 'p1'), keyed('p2', 'p1', 'p3', 'p4')],
};

import type { KindSample } from '../contract';
import { order, type OrderSetup } from './order';

const STEPS: Record<string, string> = { p1: 'stop', p2: 'brake', p3: 'lock', p4: 'climb', p5: 'sing' };
const named = (id: string): OrderSetup['items'][number] => ({ id, text: STEPS[id] ?? '' });

/** The last one does not belong. */
const keyed = (...ids: string[]): OrderSetup => ({
  ...order.fresh(),
  items: ids.slice(0, -1).map(named),
  extra: ids.slice(-1).map(named),
  feedback: 'Secret feedback',
});

export const sample: KindSample<OrderSetup> = {
  setup: keyed('p1', 'p2', 'p3', 'p4', 'p5'),
  otherKeys: [keyed('p4', 'p2', 'p3', 'p1', 'p5'), keyed('p2', 'p5', 'p3', 'p4', 'p1')],
};

import type { KindSample } from '../contract';
import { label, type LabelSetup } from './label';

const keyed = (...names: string[]): LabelSetup => ({
  ...label.fresh(),
  picture: { media: 'a'.repeat(64), ratio: 1.5, description: 'A nacelle, opened' },
  margin: { top: 0, right: 40, bottom: 0, left: 0 },
  places: names.map((name, i) => ({
    id: `p${i + 1}`,
    at: { x: 120, y: 20 + 30 * i },
    foot: { x: 40 + 10 * i, y: 50 },
    accepts: [name],
    description: '',
    feedback: i === 0 ? 'Secret feedback' : '',
  })),
  names: ['gearbox', 'brake', 'generator', 'ladder'].map((text, i) => ({ id: `n${i + 1}`, text })),
});

export const sample: KindSample<LabelSetup> = {
  setup: keyed('n1', 'n2', 'n3'),
  otherKeys: [keyed('n3', 'n2', 'n1'), keyed('n4', 'n1', 'n2')],
};

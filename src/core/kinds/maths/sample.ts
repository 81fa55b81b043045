import { rulesFromKey } from '../../rules/maths/rules';
import type { KindSample } from '../contract';
import { maths, type MathsSetup } from './maths';

const keyed = (key: string): MathsSetup => ({ ...maths.fresh(), rules: rulesFromKey(key) });

export const sample: KindSample<MathsSetup> = {
  setup: keyed('73219x+1'),
  otherKeys: ['x', 'sqrt(x)/2'].map(keyed),
};

import { rulesFromKey } from '../../rules/number/rules';
import type { KindSample } from '../contract';
import { number, type NumberSetup } from './number';

const keyed = (key: string): NumberSetup => ({ ...number.fresh(), rules: rulesFromKey(key) });

export const sample: KindSample<NumberSetup> = {
  setup: keyed('73219 kW'),
  otherKeys: ['12 kW', '-0.0012 m/s'].map(keyed),
};

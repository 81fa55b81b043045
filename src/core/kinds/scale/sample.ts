import type { KindSample } from '../contract';
import { scale, type ScaleSetup } from './scale';

const keyed = (least: string, most = least): ScaleSetup => ({
  ...scale.fresh(),
  from: 73_000,
  to: 74_000,
  lowest: 'low',
  highest: 'high',
  key: { least, most },
});

export const sample: KindSample<ScaleSetup> = {
  setup: keyed('73219'),
  otherKeys: [keyed('73000'), keyed('73900', '74000')],
};

import type { KindSample } from '../contract';
import { type HandedPage, handIn, type HandInSetup } from './hand-in';

const page = (digit: string): HandedPage => ({
  hash: digit.repeat(64),
  name: `${digit}.jpg`,
  size: 1000,
  attempt: '',
  turn: 1,
  corners: null,
});
const keyed = (example: string): HandInSetup => ({ ...handIn.fresh(), example });

export const sample: KindSample<HandInSetup> = {
  setup: keyed('secretkeyword'),
  otherKeys: [keyed('the sum is carried'), keyed('')],
  responses: [{ pages: [page('a')] }, { pages: [page('b'), page('a')] }],
};

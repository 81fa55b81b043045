import type { KindSample } from '../contract';
import { formulaWithPlaces, type PlacesSetup } from './formula-with-places';

const keyed = (first: string, second: string): PlacesSetup =>
  formulaWithPlaces.typed.withKey(formulaWithPlaces.fresh(), `y = ?(${first})x + ?(${second})`);

export const sample: KindSample<PlacesSetup> = {
  setup: keyed('73219', 'b/2'),
  otherKeys: [keyed('1', '0'), keyed('a^2', 'b')],
};

import type { KindSample } from '../contract';
import { places, type PlacesSetup } from './places';

const keyed = (first: string, second: string): PlacesSetup =>
  places.typed.withKey(places.fresh(), `y = ?(${first})x + ?(${second})`);

export const sample: KindSample<PlacesSetup> = {
  setup: keyed('73219', 'b/2'),
  otherKeys: [keyed('1', '0'), keyed('a^2', 'b')],
};

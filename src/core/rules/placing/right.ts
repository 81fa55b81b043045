import type { PlacedResponse, Putting } from './placed';

/** What stands where it belongs; the rest is taken away. */
export function whatIsRight<R extends PlacedResponse>(response: R, belongs: (putting: Putting) => boolean): R {
  return { ...response, placed: response.placed.filter(belongs) };
}

/** Whether something stands on a place that accepts it. */
export const onPlaces =
  (places: readonly { id: string; accepts: readonly string[] }[]) =>
  ({ item, place }: Putting): boolean =>
    places.find(({ id }) => id === place)?.accepts.includes(item) ?? false;

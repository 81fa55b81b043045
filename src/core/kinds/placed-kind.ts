import {
  type Arrangement,
  canStand,
  placedGist,
  placedResponse,
  type PlacedResponse,
  renamed,
  spokenOf,
} from '../rules/placing/placed';
import type { Kind, Parts } from './contract';

/** What every kind in which something is placed has in common: its responses, and the names that stand in them. */
export function placedKind<Setup>(
  name: string,
  arrangement: (setup: Setup) => Arrangement,
): Pick<Kind<Setup, unknown, PlacedResponse>, 'name' | 'response' | 'accepts' | 'blank' | 'gist'> & {
  inResponses: Pick<Parts<Setup, unknown, PlacedResponse>, 'spokenOf' | 'inNames'>;
} {
  return {
    name,
    response: { name: `${name} response`, version: 1, schema: placedResponse, migrations: [] },
    accepts: (setup, { placed }) => canStand(arrangement(setup), placed),
    blank: ({ placed }) => placed.length === 0,
    gist: (_, given) => placedGist(given),
    inResponses: { spokenOf, inNames: renamed },
  };
}

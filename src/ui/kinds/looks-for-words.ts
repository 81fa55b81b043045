import type { FindingSentence } from './contract';

/** Where nothing says what a person should look for. */
export const nothingToLookFor: Readonly<Record<string, FindingSentence>> = {
  'no-example': () => 'Nothing says yet what whoever marks should look for. A few words help everybody to mark alike.',
};

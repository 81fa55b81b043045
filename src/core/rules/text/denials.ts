import type { LanguageWords } from '../../text/languages';
import type { Reading, Token } from './reading';
import type { PhrasePlace } from './words';

/** How many words, and how many of them with a matter of their own, may stand between a denial and what it denies. */
const REACH = 6;
const REACH_OF_MATTER = 2;

/**
 * The denial of a place in an answer; null when there is none. It reaches
 * forward over a few words of its own stretch ("does not need any energy"), and
 * back over an auxiliary ("energy is not needed"); never over a comma, a "but"
 * or the end of a sentence. What belongs to the phrase itself is no denial, nor
 * is "not only".
 */
function denialOf({ tokens }: Reading, place: PhrasePlace, words: LanguageWords): Token | null {
  return before(tokens, place, words) ?? behind(tokens, place, words);
}

/** The denials of an answer: for each place the word that denies it, looked up once. */
export function denialsIn(reading: Reading, words: LanguageWords): (place: PhrasePlace) => Token | null {
  const { tokens } = reading;
  if (!tokens.some(({ bare }, at) => words.lessening.has(bare) || denies(tokens, at, words))) return () => null;
  const known = new Map<number, Token | null>();
  return (place) => {
    const key = place.from * 10_000 + place.to;
    let found = known.get(key);
    if (found === undefined) {
      found = denialOf(reading, place, words);
      known.set(key, found);
    }
    return found;
  };
}

function before(tokens: readonly Token[], { from }: PhrasePlace, words: LanguageWords): Token | null {
  const segment = tokens[from]?.segment;
  if (tokens[from - 1]?.segment === segment && words.lessening.has(tokens[from - 1]?.bare ?? ''))
    return tokens[from - 1] ?? null;
  let matter = 0;
  for (let at = from - 1; at >= 0 && from - at <= REACH; at--) {
    const token = tokens[at];
    if (!token || token.segment !== segment) return null;
    if (denies(tokens, at, words)) return token;
    if (!words.function.has(token.bare) && ++matter > REACH_OF_MATTER) return null;
  }
  return null;
}

function behind(tokens: readonly Token[], { from, to }: PhrasePlace, words: LanguageWords): Token | null {
  const segment = tokens[from]?.segment;
  let verb = false;
  for (let at = to; at < to + 3; at++) {
    const token = tokens[at];
    if (!token || token.segment !== segment) return null;
    if (denies(tokens, at, words))
      return verb || CONTRACTED.test(token.bare) || !ENGLISH_LATE.has(token.bare) ? token : null;
    if (words.auxiliaries.has(token.bare)) verb = true;
    else if (!words.function.has(token.bare)) return null;
  }
  return null;
}

/** "isn't", "doesn't": the verb is in it. */
const CONTRACTED = /^(?:is|are|was|were|does|do|did|ca|wo|would|should|could|must|have|has|had|need|ai)nt$|^cannot$/;
/** Without a verb before them these deny what follows, not what came before. */
const ENGLISH_LATE = new Set([
  'not',
  'no',
  'without',
  'never',
  'neither',
  'nor',
  'none',
  'hardly',
  'instead',
  'lacks',
  'lacking',
  'lack',
  'fail',
  'fails',
  'failed',
  'failing',
  'unable',
  'nothing',
  'nobody',
  'sin',
  'sans',
  'ohne',
  'kein',
  'keine',
  'keinen',
  'ni',
  'falta',
  'rather',
  'opposed',
  'vez',
  'lugar',
  'lieu',
  'plutot',
]);

/** Of two words, what follows is not meant: "the brake rather than the pitch". */
const INSTEAD = new Set(['rather than', 'opposed to', 'vez de', 'lugar de', 'lieu de', 'plutot que']);

function denies(tokens: readonly Token[], at: number, { denials }: LanguageWords): boolean {
  const [word, next] = [tokens[at]?.bare ?? '', tokens[at + 1]?.bare ?? ''];
  if (INSTEAD.has(`${word} ${next}`)) return true;
  return denials.has(word) && !(word === 'not' && (next === 'only' || next === 'just'));
}

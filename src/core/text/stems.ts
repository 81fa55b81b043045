import snowball, { type Stemmer } from 'snowball-stemmers';

/** Languages whose word endings can be taken off. */
export const STEM_LANGUAGES = ['en', 'es', 'fr', 'de'] as const;
export type StemLanguage = (typeof STEM_LANGUAGES)[number];

const NAMES: Record<StemLanguage, string> = { en: 'english', es: 'spanish', fr: 'french', de: 'german' };
const stemmers = new Map<StemLanguage, Stemmer>();

/** The stem of a word in small letters, by the Snowball algorithm of its language (Porter 2001; as libstemmer 2.2). */
export function stemOf(word: string, language: StemLanguage): string {
  let stemmer = stemmers.get(language);
  if (!stemmer) {
    stemmer = snowball.newStemmer(NAMES[language]);
    stemmers.set(language, stemmer);
  }
  return stemmer.stem(word);
}

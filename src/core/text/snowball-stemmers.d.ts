declare module 'snowball-stemmers' {
  export interface Stemmer {
    stem(word: string): string;
  }
  const snowball: { newStemmer(language: string): Stemmer };
  export default snowball;
}

import { readFileSync, writeFileSync } from 'node:fs';

/**
 * Makes `src/core/text/lists/english.ts` from word lists with one word a line:
 * `word-list.ts FILE …`. Used with american-english-large and british-english-large
 * of SCOWL (Debian's wamerican-large and wbritish-large).
 */
const words = [...new Set(process.argv.slice(2).flatMap((file) => readFileSync(file, 'utf8').split('\n')))]
  .filter((word) => /^[a-z]{3,20}$/.test(word))
  .sort();
let before = '';
let folded = '';
for (const word of words) {
  let shared = 0;
  while (shared < 25 && shared < before.length && before[shared] === word[shared]) shared += 1;
  folded += String.fromCharCode(65 + shared) + word.slice(shared);
  before = word;
}
writeFileSync(
  'src/core/text/lists/english.ts',
  `/**
 * English words of three to twenty small letters, in order, each as a letter
 * that says how many letters it shares with the one before (A: none, B: one …)
 * and the rest of it. Made by scripts/word-list.ts; source and licence stand
 * in english.license.txt.
 */
export const ENGLISH_WORDS =
  '${folded}';
`,
);
console.log(`${words.length} words`);

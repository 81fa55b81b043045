import { readFileSync } from 'node:fs';
import path from 'node:path';
import { spokenWords, wordErrors, wordsCorrectPerMinute } from '@/core/text/word-errors';
import { type Row, within } from './compare';

interface Heard {
  reference: string;
  hypothesis: string;
  reference_words: number;
  errors: number;
  wer: number;
  optimal_sub_del_ins: [number, number, number][];
  char_errors: number;
  cer: number;
}

interface ReadingRate {
  words_attempted: number;
  errors: number;
  seconds: number;
  words_correct_per_minute: number;
}

/** Word and character error counts with their splits, and reading rates, as the core has them. */
export function speechRows(file: string): Row[] {
  const source = file.endsWith('.json') ? file : path.join(file, 'speech.json');
  const { word_error_rate, reading_rate } = JSON.parse(readFileSync(source, 'utf8')) as {
    word_error_rate: Heard[];
    reading_rate: ReadingRate[];
  };
  const heard = word_error_rate.map((row): Row => {
    const words = wordErrors(spokenWords(row.reference), spokenWords(row.hypothesis));
    const signs = wordErrors([...row.reference], [...row.hypothesis]);
    const split = [words.substitutions, words.deletions, words.insertions].join('-');
    const splits = row.optimal_sub_del_ins.map((one) => one.join('-'));
    return {
      name: `“${row.reference}” heard as “${row.hypothesis}”`,
      expected: [row.reference_words, row.errors, row.wer, row.char_errors, row.cer, 'a best split'].join(' '),
      got: [
        words.reference,
        words.errors,
        within(row.wer, words.rate),
        signs.errors,
        within(row.cer, signs.rate),
        splits.includes(split) ? 'a best split' : split,
      ].join(' '),
    };
  });
  const rates = reading_rate.map((row): Row => {
    const got = wordsCorrectPerMinute(row.words_attempted, row.errors, row.seconds);
    return {
      name: `${row.words_attempted} words in ${row.seconds} s`,
      expected: String(row.words_correct_per_minute),
      got: within(row.words_correct_per_minute, got),
    };
  });
  return [...heard, ...rates];
}

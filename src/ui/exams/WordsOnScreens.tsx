import type { StudentWords, Worded } from '@/core/exams/student-words';
import { WORDED } from '@/core/exams/student-words';
import { LineInput } from '../parts/LineInput';

/** Where each word stands, for whoever chooses another. */
const PLACES: Record<Worded, string> = {
  begin: 'begins the exam',
  handIn: 'hands it in',
  goOn: 'leaves a part for good',
  later: 'marks a question for later',
  hint: 'asks for a hint',
  check: 'has an answer checked',
  again: 'tries again',
  key: 'looks at the key',
  right: 'an answer is right',
  part: 'an answer is partly right',
  wrong: 'an answer is not right',
  passed: 'somebody passed',
  notPassed: 'somebody did not pass',
};

interface Props {
  words: StudentWords;
  /** What stands there where nothing is said. */
  otherwise: Record<Worded, string>;
  onChange: (words: StudentWords) => void;
}

/** The words on the student's buttons, and how it is said that something came out well or not. */
export function WordsOnScreens({ words, otherwise, onChange }: Props) {
  const changed = Object.keys(words).length;
  return (
    <details className="words-on-screens">
      <summary>
        Words on the student’s screens <span className="soft">{changed > 0 ? `${changed} changed` : 'as usual'}</span>
      </summary>
      {WORDED.map((word) => (
        <label key={word}>
          <span className="soft">{PLACES[word]}</span>
          <LineInput
            value={words[word] ?? ''}
            placeholder={otherwise[word]}
            most={40}
            onChange={(typed) => {
              const { [word]: _, ...rest } = words;
              onChange(typed === '' ? rest : { ...rest, [word]: typed });
            }}
          />
        </label>
      ))}
    </details>
  );
}

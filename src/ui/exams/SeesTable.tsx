import { ASPECTS, MOMENTS, type Sees } from '@/core/exams/sees';
import { ASPECT_WORDS, MOMENT_WORDS, seesSentence } from '../words/sees';

/** What students see when: a small table, and the same as a sentence. */
export function SeesTable({ sees, onChange }: { sees: Sees; onChange: (sees: Sees) => void }) {
  return (
    <>
      <table className="sees-table">
        <caption className="visually-hidden">What students see, and when</caption>
        <thead>
          <tr>
            <td />
            {MOMENTS.map((moment) => (
              <th key={moment} scope="col">
                {MOMENT_WORDS[moment]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ASPECTS.map((aspect) => (
            <tr key={aspect}>
              <th scope="row">{ASPECT_WORDS[aspect]}</th>
              {MOMENTS.map((moment) => (
                <td key={moment}>
                  <input
                    type="radio"
                    className="form-check-input"
                    name={`sees-${aspect}`}
                    aria-label={`${ASPECT_WORDS[aspect]}: ${MOMENT_WORDS[moment]}`}
                    checked={sees[aspect] === moment}
                    onChange={() => onChange({ ...sees, [aspect]: moment })}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p>{seesSentence(sees)}</p>
    </>
  );
}

import type { WatchedSitting } from '@/server/sittings/watch';

/** How many of those who have begun have worked at each question. */
export function HowFar({ questions, begun }: { questions: WatchedSitting['questions']; begun: number }) {
  return (
    <details className="how-far">
      <summary>How far they are, by question</summary>
      <table>
        <tbody>
          {questions.map(({ number, label, worked }) => (
            <tr key={number}>
              <th scope="row">{number}</th>
              <td className="soft">{label}</td>
              <td>
                <span className="line" aria-hidden="true">
                  <span style={{ width: `${begun === 0 ? 0 : (worked / begun) * 100}%` }} />
                </span>
              </td>
              <td>
                {worked} of {begun}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

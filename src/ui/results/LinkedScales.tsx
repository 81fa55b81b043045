import type { Linked } from '@/server/results/linked';
import { Link } from '../parts/Link';
import { figureText } from '../words/analysis';
import { plural } from '../words/marks';
import { dayOnly } from '../words/time';

/** Earlier sittings on the scale of this one: whether students are abler now, and which questions have moved. */
export function LinkedScales({ linked }: { linked: readonly Linked[] }) {
  if (linked.length === 0) return null;
  return (
    <section className="sheet plain" aria-labelledby="linked">
      <h2 id="linked" className="fs-6 fw-bold">
        Earlier students on the same scale
      </h2>
      {linked.map(({ sitting, title, opensAt, common, abler, error, drifting }) => (
        <p key={sitting} className="mb-1">
          <Link href={`/sittings/${sitting}/analysis`}>
            {title}, {dayOnly(opensAt)}
          </Link>
          , by {plural(common, 'question')} that both had: {ablerText(abler, error)} ({figureText(abler)} logits ±{' '}
          {error.toFixed(2)}).{' '}
          {drifting.length > 0 &&
            `Moved against the others, and left out of this: ${drifting
              .map(({ number, label, harder }) => `${number}. ${label} (${harder > 0 ? 'harder' : 'easier'} now)`)
              .join('; ')}.`}
        </p>
      ))}
      <p className="soft mb-0">
        What moved by half a logit and two standard errors or more has perhaps been changed, taught, or told on.
      </p>
    </section>
  );
}

/** In words, as far as the link is sure of it. */
function ablerText(abler: number, error: number): string {
  if (Math.abs(abler) < 2 * error || Math.abs(abler) < 0.1) return 'students now are about as able';
  return abler > 0 ? 'students now are abler' : 'students now are less able';
}

import { Fragment, lazy, type ReactNode, Suspense, useState } from 'react';
import type { CalculatorKind } from '@/core/aids/calculator';
import type { Gloss } from '@/core/exams/plan';
import type { Content } from '@/core/content/document';
import { ContentView } from '../sheet/ContentView';
import type { DrawnFormulas } from '../sheet/formulas';

const Calculator = lazy(() => import('./Calculator').then((module) => ({ default: module.Calculator })));

/** The formula sheet of an exam with its formulas drawn. */
export interface DrawnFormulaSheet {
  content: Content;
  drawn: DrawnFormulas;
}

interface Props {
  calculator: CalculatorKind | null;
  formulas: DrawnFormulaSheet | null;
  /** Words that are explained. */
  glosses?: readonly Gloss[];
  /** Nobody hears its buttons. */
  disabled?: boolean;
}

type Aid = 'calculator' | 'formulas' | 'glosses';
const NAMES: Record<Aid, string> = { calculator: 'Calculator', formulas: 'Formulas', glosses: 'Words' };

/** The aids that the exam allows. They lie over the room, and keep what is in them when they are put away. */
export function RoomAids({ calculator, formulas, glosses = [], disabled = false }: Props) {
  const [out, setOut] = useState<Aid | null>(null);
  /** Fetched when it is first taken out. */
  const [taken, setTaken] = useState(false);
  if (!calculator && !formulas && glosses.length === 0) return null;
  const take = (aid: Aid): void => {
    setOut(out === aid ? null : aid);
    if (aid === 'calculator') setTaken(true);
  };
  const button = (aid: Aid): ReactNode => (
    <button
      type="button"
      className="btn btn-quiet"
      disabled={disabled}
      aria-expanded={out === aid}
      aria-controls={`aid-${aid}`}
      onClick={() => take(aid)}
    >
      {NAMES[aid]}
    </button>
  );
  const lay = (aid: Aid, inside: ReactNode): ReactNode => (
    <section
      id={`aid-${aid}`}
      className={`room-aid ${aid}`}
      aria-label={NAMES[aid]}
      hidden={out !== aid}
      onKeyDown={(e) => e.key === 'Escape' && setOut(null)}
    >
      <button type="button" className="btn btn-quiet away" onClick={() => setOut(null)}>
        Put away
      </button>
      {inside}
    </section>
  );
  return (
    <div className="room-aids">
      {calculator && button('calculator')}
      {formulas && button('formulas')}
      {glosses.length > 0 && button('glosses')}
      {calculator &&
        lay(
          'calculator',
          taken && (
            <Suspense fallback={null}>
              <Calculator kind={calculator} shown={out === 'calculator'} />
            </Suspense>
          ),
        )}
      {formulas &&
        lay(
          'formulas',
          <div className="prose">
            <ContentView content={formulas.content} drawn={formulas.drawn} slot={() => null} />
          </div>,
        )}
      {glosses.length > 0 &&
        lay(
          'glosses',
          <dl>
            {glosses.map(({ word, meaning }) => (
              <Fragment key={word}>
                <dt>{word}</dt>
                <dd>{meaning}</dd>
              </Fragment>
            ))}
          </dl>,
        )}
    </div>
  );
}

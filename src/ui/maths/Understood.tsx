'use client';
import { useEffect, useState } from 'react';
import type { MathsSheet } from '@/core/kinds/maths/maths';
import type { Understood as Reading } from '@/core/rules/maths/understood';

interface Props {
  typed: string;
  /** How it is read where that is open. */
  reading: Pick<MathsSheet, 'variables' | 'decimalComma'> & Partial<Pick<MathsSheet, 'logBase' | 'tightDenominators'>>;
  /** Puts the brackets of the other reading. */
  onChoose: (latex: string) => void;
}

/** How a typed formula was understood, drawn; where it can be read in two ways, both, to choose from. */
export function Understood({ typed, reading: way, onChoose }: Props) {
  const [reading, setReading] = useState<Reading | null>(null);
  useEffect(() => {
    let stale = false;
    // The reader of formulas comes only to those who answer with one.
    void import('@/core/rules/maths/understood').then(({ understood }) => {
      if (!stale) setReading(typed.trim() === '' ? null : understood(typed, way));
    });
    return () => {
      stale = true;
    };
  }, [typed, way]);
  return (
    <span className="understood" role="status">
      {reading?.ok === false && <span className="hand">Not readable yet: {reading.why}</span>}
      {reading?.ok && (
        <>
          <span className="soft">read as</span> <Drawn latex={reading.latex} />
          {reading.orElse && (
            <>
              <span className="hand">or do you mean</span> <Drawn latex={reading.orElse} />
              <button type="button" className="btn btn-quiet btn-sm" onClick={() => onChoose(reading.orElse ?? '')}>
                Yes, put the brackets
              </button>
            </>
          )}
        </>
      )}
    </span>
  );
}

/** A formula drawn in the browser; the engine for that is fetched by those who need it. */
function Drawn({ latex }: { latex: string }) {
  const [html, setHtml] = useState('');
  useEffect(() => {
    let stale = false;
    void import('../sheet/formulas').then(({ drawFormula }) => {
      if (!stale) setHtml(drawFormula(latex, false));
    });
    return () => {
      stale = true;
    };
  }, [latex]);
  // The HTML comes from the formula engine with trust switched off.
  return <span className="formula" dangerouslySetInnerHTML={{ __html: html }} />;
}

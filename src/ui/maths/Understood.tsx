'use client';
import { useEffect, useRef, useState } from 'react';
import type { Understood as Reading } from '@/core/rules/maths/understood';

interface Props {
  typed: string;
  variables: readonly string[];
  decimalComma: boolean;
  /** Puts the brackets of the other reading. */
  onChoose: (latex: string) => void;
}

/** How a typed formula was understood, drawn; where it can be read in two ways, both, to choose from. */
export function Understood({ typed, variables, decimalComma, onChoose }: Props) {
  const [reading, setReading] = useState<Reading | null>(null);
  useEffect(() => {
    let stale = false;
    // The reader of formulas comes only to those who answer with one.
    void import('@/core/rules/maths/understood').then(({ understood }) => {
      if (!stale) setReading(typed.trim() === '' ? null : understood(typed, { variables, decimalComma }));
    });
    return () => {
      stale = true;
    };
  }, [typed, variables, decimalComma]);
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

/** A formula drawn in the browser by the maths field's own engine. */
function Drawn({ latex }: { latex: string }) {
  const place = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    let stale = false;
    void import('mathlive').then(({ MathfieldElement: Element }) => {
      if (stale || !place.current) return;
      Element.fontsDirectory = null;
      const drawn = new Element();
      drawn.readOnly = true;
      drawn.tabIndex = -1;
      drawn.setValue(latex, { silenceNotifications: true });
      place.current.replaceChildren(drawn);
    });
    return () => {
      stale = true;
    };
  }, [latex]);
  return <span className="understood-formula" ref={place} aria-label={latex} />;
}

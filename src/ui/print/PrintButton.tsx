'use client';

/** Prints the page as it is. */
export function PrintButton() {
  return (
    <button type="button" className="btn btn-quiet" onClick={() => window.print()}>
      Print
    </button>
  );
}

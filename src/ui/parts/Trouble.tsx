import type { ReactNode } from 'react';

/** What is wrong, said beside the place where it is. Nothing stands there while nothing is. */
export function Trouble({ children, className = '' }: { children: ReactNode; className?: string }) {
  if (children === null || children === undefined || children === false || children === '') return null;
  return (
    <p role="alert" className={`trouble ${className}`.trim()}>
      {children}
    </p>
  );
}

/** Our sign: three gusts and a still point. */
export function Sign({ size = 20 }: { size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 20 20"
      aria-hidden="true"
      fill="none"
      strokeWidth="1.9"
      strokeLinecap="round"
    >
      <path d="M1.5 7 H11 a2.4 2.4 0 1 0 -2.3 -3.2" stroke="currentColor" />
      <path d="M1.5 10.6 H16 a2.6 2.6 0 1 0 -2.5 -3.3" stroke="var(--gust)" />
      <path d="M1.5 14.2 H9.4 a2.2 2.2 0 1 1 -2 3" stroke="currentColor" />
    </svg>
  );
}

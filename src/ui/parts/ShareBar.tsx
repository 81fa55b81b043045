/** A share from 0 to 1 as a bar; what it means stands beside it. */
export function ShareBar({ share }: { share: number }) {
  return (
    <span className="share-bar" aria-hidden="true">
      <i style={{ width: `${Math.round(100 * Math.min(1, Math.max(0, share)))}%` }} />
    </span>
  );
}

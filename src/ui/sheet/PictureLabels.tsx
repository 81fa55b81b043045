import type { PictureLabel } from '@/core/content/document';

/** Words over a picture and the lines from them to what they mean; stands inside the picture's face. */
export function PictureLabels({ labels }: { labels: readonly PictureLabel[] }) {
  if (labels.length === 0) return null;
  return (
    <>
      <svg className="picture-labels" viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
        {labels.map(({ at, to }, n) => to && <line key={n} x1={at.x} y1={at.y} x2={to.x} y2={to.y} />)}
      </svg>
      {labels.map(({ text, at }, n) => (
        <span key={n} className="picture-label" style={{ left: `${at.x}%`, top: `${at.y}%` }}>
          {text}
        </span>
      ))}
    </>
  );
}

import type { PageAttributes } from '@/core/content/document';

/** A web page or simulation in a sheet, shut off from the page around it; its description says what it is when it stays empty. */
export function PageView({ address, description, height }: PageAttributes) {
  const outside = /^https:/.test(address);
  return (
    <figure className="page-in">
      <iframe
        src={address}
        title={description || 'Page'}
        height={height}
        loading="lazy"
        referrerPolicy="no-referrer"
        sandbox="allow-scripts allow-same-origin allow-forms"
      />
      <figcaption>
        {description}{' '}
        {outside && (
          <a href={address} target="_blank" rel="noreferrer">
            Open it in a window of its own
          </a>
        )}
      </figcaption>
    </figure>
  );
}

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useOrigin } from '../parts/use-origin';

/** The link by which people without an account get in, to be handed on. */
export function OpenLink({ sitting }: { sitting: string }) {
  const [copied, setCopied] = useState(false);
  const link = `${useOrigin()}/open/${sitting}`;
  return (
    <div className="open-link">
      <input
        className="form-control mono"
        aria-label="The link"
        readOnly
        value={link}
        onFocus={(e) => e.currentTarget.select()}
      />
      <Button
        variant="outline-primary"
        onClick={async () => {
          await navigator.clipboard.writeText(link).catch(() => undefined);
          setCopied(true);
        }}
      >
        {copied ? 'Copied' : 'Copy the link'}
      </Button>
    </div>
  );
}

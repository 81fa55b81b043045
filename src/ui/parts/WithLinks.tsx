import { addressesIn } from './addresses';

/** A text in which addresses of the web can be followed. */
export function WithLinks({ text }: { text: string }) {
  return (
    <span dir="auto">
      {addressesIn(text).map(({ text: part, address }, i) =>
        address === null ? (
          part
        ) : (
          <a key={i} href={address} target="_blank" rel="noreferrer">
            {part}
          </a>
        ),
      )}
    </span>
  );
}

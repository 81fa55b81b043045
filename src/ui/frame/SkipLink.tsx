'use client';

/** The first stop of the Tab key: past the bar and the lists, to the sheet that is written on, or else to the page. */
export function SkipLink() {
  return (
    <a
      className="skip"
      href="#main"
      onClick={(event) => {
        event.preventDefault();
        const sheet =
          document.querySelector<HTMLElement>('main .ProseMirror') ?? document.querySelector<HTMLElement>('#main');
        sheet?.focus();
      }}
    >
      To the sheet
    </a>
  );
}

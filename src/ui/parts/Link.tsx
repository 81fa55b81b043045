import NextLink from 'next/link';
import type { ComponentProps, ReactNode } from 'react';

/** A link inside the application. Nothing is fetched before somebody follows it: each page is made at that moment for whoever asks, so that what was fetched before would only cost the server and a slow line. */
export function Link(props: Omit<ComponentProps<typeof NextLink>, 'prefetch'>): ReactNode {
  return <NextLink {...props} prefetch={false} />;
}

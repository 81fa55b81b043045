/** How large a file is, in words. */
export const fileSize = (bytes: number): string =>
  bytes < 1048576 ? `${Math.ceil(bytes / 1024)} kB` : `${(bytes / 1048576).toFixed(1)} MB`;

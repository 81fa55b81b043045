/**
 * A line in which work stands and is never done twice at once: each waits for those before it. Work that has nothing to
 * do any more when its turn comes is to return at once.
 */
export function oneAtATime(): (work: () => Promise<void>) => Promise<void> {
  let running: Promise<void> | null = null;
  return async (work) => {
    // Each turn of the loop looks again: another that waited may have begun meanwhile.
    while (running) await running.catch(() => undefined);
    running = work().finally(() => {
      running = null;
    });
    await running;
  };
}

/** Such a line in which only the newest work is done of all that waits: it says, or asks for, whatever that before it would. */
export function newestAtATime(): (work: () => Promise<void>) => Promise<void> {
  const line = oneAtATime();
  let newest = 0;
  return (work) => {
    newest += 1;
    const mine = newest;
    return line(async () => {
      if (mine === newest) await work();
    });
  };
}

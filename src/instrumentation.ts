/** Runs once when a server process starts: settings checked, the door watched, database brought up to date, the clock's work begun. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const [{ startClock }, { watchTheDoor }, { readEnv }] = await Promise.all([
    import('./server/jobs/clock'),
    import('./server/door/watch'),
    import('./server/env'),
  ]);
  watchTheDoor(readEnv().proxy);
  await startClock();
}

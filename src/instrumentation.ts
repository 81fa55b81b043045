/** Runs once when a server process starts: settings checked, database brought up to date, the clock's work begun. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { startClock } = await import('./server/jobs/clock');
  await startClock();
}

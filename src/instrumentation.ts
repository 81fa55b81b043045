/** Runs once when a server process starts: settings checked, database brought up to date, the clock's work begun; and how to begin is said where nobody is yet. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { startClock } = await import('./server/jobs/clock');
  await startClock();
  const { wordToSetUp } = await import('./server/people/set-up-here');
  const word = await wordToSetUp();
  if (word !== null) console.log(`No department is set up here yet. Open /set-up in a browser; the word is ${word}`);
}

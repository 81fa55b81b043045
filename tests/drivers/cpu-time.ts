/** Milliseconds of work that this process has done: on a busy machine the clock on the wall says something else. */
export function cpuTime(): number {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
}

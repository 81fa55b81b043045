/** How long the yardstick takes on the machine that the bounds of the tests were set on, in milliseconds of its processor. */
const USUAL = 40;

/** Some work that is always the same: numbers, strings and a table of them. */
function yardstick(): number {
  const from = process.cpuUsage();
  const table = new Map<string, number>();
  let sum = 0;
  for (let i = 0; i < 300_000; i++) {
    sum = (sum * 31 + Math.sqrt(i)) % 1_000_003;
    const word = `w${Math.floor(sum) % 5000}`;
    table.set(word, (table.get(word) ?? 0) + i);
  }
  const { user, system } = process.cpuUsage(from);
  if (table.size === 0) throw new Error('It has words');
  return (user + system) / 1000;
}

/** How long a measured yardstick is believed, in milliseconds: the speed of a machine does not change faster. */
const BELIEVED = 3000;
// The first time it would measure how it is compiled.
yardstick();
let known = { took: yardstick(), at: performance.now() };

function speed(): number {
  if (performance.now() - known.at > BELIEVED) known = { took: yardstick(), at: performance.now() };
  return known.took;
}

/**
 * Begins to measure work. What it returns tells how much was done since by this process, in milliseconds of the processor
 * of a usual machine: neither a busy machine nor a slow one changes it much.
 */
export function measureWork(): () => number {
  const before = speed();
  const from = process.cpuUsage();
  return () => {
    const { user, system } = process.cpuUsage(from);
    return (((user + system) / 1000) * 2 * USUAL) / (before + speed());
  };
}

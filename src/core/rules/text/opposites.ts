const pairs = (text: string): (readonly [string, string])[] =>
  text
    .trim()
    .split(/\s*\n\s*/)
    .map((line) => line.split(' ') as [string, string]);

const PAIRS = pairs(`
increase decrease
increases decreases
increasing decreasing
increased decreased
rise fall
rises falls
higher lower
high low
more less
more fewer
greater smaller
larger smaller
bigger smaller
faster slower
hot cold
hotter colder
warm cold
warmer colder
warmer cooler
open closed
opens closes
positive negative
parallel series
clockwise anticlockwise
clockwise counterclockwise
left right
up down
upwind downwind
before after
above below
inside outside
inward outward
attract repel
attracts repels
gain loss
gains loses
input output
stall feather
accelerates brakes
expand contract
expands contracts
widen narrow
widens narrows
dilate constrict
dilates constricts
thick thin
thicker thinner
heavier lighter
longer shorter
wider narrower
strong weak
stronger weaker
same different
constant variable
direct alternating
rotor stator
always never
first last
wet dry
near far
closer further
safe dangerous
cheap expensive
cheaper dearer
aumenta disminuye
aumentar disminuir
mayor menor
mas menos
alto bajo
subir bajar
arriba abajo
nuevo viejo
seco mojado
sube baja
augmente diminue
augmenter diminuer
plus moins
haut bas
dessus dessous
grand petit
chaud froid
steigt sinkt
steigen sinken
mehr weniger
hoch niedrig
warm kalt
grosser kleiner`);

/** Words of which both cannot hold of one thing, each with its opposites; small letters, without accents (common practice, no source). */
export const OPPOSITES: ReadonlyMap<string, readonly string[]> = (() => {
  const found = new Map<string, string[]>();
  for (const [a, b] of [...PAIRS, ...PAIRS.map(([a, b]) => [b, a] as const)])
    found.set(a, [...(found.get(a) ?? []), b]);
  return found;
})();

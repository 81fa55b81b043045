/** Drawings of our own, as SVG. Colours are of the printed page. */
const INK = '#1C2E4A';
const LINE = `stroke="${INK}" stroke-width="2.5" fill="none" stroke-linejoin="round" stroke-linecap="round"`;
const PALE = '#DDE4EA';
const PAPER = '#F4F6F8';

function svg(width: number, height: number, body: string): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="sans-serif" font-size="16"><rect width="${width}" height="${height}" fill="#fff"/>${body}</svg>`;
}

function label(x: number, y: number, text: string, anchor = 'middle'): string {
  return `<text x="${x}" y="${y}" fill="${INK}" text-anchor="${anchor}">${text}</text>`;
}

const nacelle = svg(
  720,
  400,
  `
<path d="M150 150 Q110 165 108 200 Q110 235 150 250 Z" fill="#E6ECF3" ${LINE.replace('fill="none"', '')}/>
<path d="M128 160 L100 20 Q118 16 122 40 L146 152" fill="${PAPER}" ${LINE.replace('fill="none"', '')}/>
<path d="M128 240 L100 380 Q118 384 122 360 L146 248" fill="${PAPER}" ${LINE.replace('fill="none"', '')}/>
<path d="M150 140 H560 Q610 145 612 200 V250 H150 Z" fill="${PAPER}" ${LINE.replace('fill="none"', '')}/>
<rect x="165" y="186" width="120" height="26" fill="#fff" ${LINE.replace('fill="none"', '')}/>
<rect x="285" y="160" width="92" height="74" fill="${PALE}" ${LINE.replace('fill="none"', '')}/>
<rect x="377" y="192" width="50" height="14" fill="#fff" ${LINE.replace('fill="none"', '')}/>
<rect x="427" y="166" width="120" height="62" fill="${PALE}" ${LINE.replace('fill="none"', '')}/>
<path d="M580 140 V108 M566 108 H594" ${LINE}/><circle cx="562" cy="108" r="7" ${LINE}/><circle cx="598" cy="108" r="7" ${LINE}/>
<rect x="300" y="250" width="80" height="18" fill="${PALE}" ${LINE.replace('fill="none"', '')}/>
<path d="M296 268 H384 L396 400 H284 Z" fill="${PAPER}" ${LINE.replace('fill="none"', '')}/>
${label(225, 130, '1')}${label(331, 130, '2')}${label(487, 130, '3')}${label(625, 100, '4')}${label(420, 264, '5')}`,
);
/** The same without numbers, to be labelled. */
const nacelleBare = nacelle.replace(/<text[^>]*>[^<]*<\/text>/g, '');

const blade = [0, 120, 240]
  .map(
    (angle) =>
      `<path transform="rotate(${angle} 240 210)" d="M232 200 Q222 120 236 30 Q246 40 250 130 L250 200 Z" fill="${PAPER}" ${LINE.replace('fill="none"', '')}/>`,
  )
  .join('');
const rotor = svg(
  480,
  420,
  `
<circle cx="240" cy="210" r="180" stroke="${INK}" stroke-width="1.5" fill="none" stroke-dasharray="6 6"/>${blade}
<circle cx="240" cy="210" r="16" fill="${PALE}" ${LINE.replace('fill="none"', '')}/>
<path d="M240 210 L420 210 M410 204 L420 210 L410 216" stroke="#B2322B" stroke-width="2" fill="none"/>${label(330, 200, 'R')}`,
);

/** Power of a 2 MW turbine of 90 m: cubic from 3.5 m/s up to rated at 12 m/s, flat to 25 m/s. */
function powerAt(speed: number): number {
  if (speed < 3.5 || speed > 25) return 0;
  return Math.min(2, (2 * (speed ** 3 - 3.5 ** 3)) / (12 ** 3 - 3.5 ** 3));
}
const X = (speed: number): number => 70 + speed * 20;
const Y = (power: number): number => 300 - power * 110;
const curve = Array.from({ length: 251 }, (_, i) => i / 10)
  .map((v, i) => `${i === 0 ? 'M' : 'L'}${X(v).toFixed(1)} ${Y(powerAt(v)).toFixed(1)}`)
  .join(' ');
const powerCurve = svg(
  640,
  370,
  `
${[0, 5, 10, 15, 20, 25].map((v) => `<path d="M${X(v)} 300 V60" stroke="${PALE}"/>${label(X(v), 322, String(v))}`).join('')}
${[0, 0.5, 1, 1.5, 2].map((p) => `<path d="M70 ${Y(p)} H590" stroke="${PALE}"/>${label(60, Y(p) + 5, String(p), 'end')}`).join('')}
<path d="M70 60 V300 H590" ${LINE}/><path d="${curve} L${X(25)} ${Y(0)}" ${LINE}/>
${label(330, 352, 'wind speed at hub height, m/s')}<text x="22" y="190" fill="${INK}" text-anchor="middle" transform="rotate(-90 22 190)">power, MW</text>`,
);

const bladeSection = svg(
  600,
  300,
  `
<path d="M120 170 Q150 110 260 112 Q400 118 500 176 Q380 176 260 186 Q150 196 120 170 Z" fill="${PAPER}" ${LINE.replace('fill="none"', '')}/>
<path d="M40 230 L112 182 M100 182 L112 182 L108 193" stroke="#B2322B" stroke-width="2.5" fill="none"/>${label(52, 250, 'wind seen by the blade', 'start')}
<path d="M250 110 L216 26 M212 40 L216 26 L228 34" ${LINE}/>${label(200, 36, '1', 'end')}
<path d="M250 150 L330 104 M317 104 L330 104 L324 116" ${LINE}/>${label(344, 100, '2', 'start')}
<path d="M120 170 H540" stroke="${INK}" stroke-dasharray="5 5"/>${label(548, 175, 'chord', 'start')}`,
);

const singleLine = svg(
  640,
  220,
  `
<circle cx="80" cy="110" r="34" fill="${PAPER}" ${LINE.replace('fill="none"', '')}/>${label(80, 116, 'G')}
<path d="M114 110 H190 M250 110 H310 M390 110 H450 M510 110 H590" ${LINE}/>
<rect x="190" y="84" width="60" height="52" fill="${PALE}" ${LINE.replace('fill="none"', '')}/><path d="M190 136 L250 84" ${LINE}/>
<circle cx="336" cy="110" r="26" ${LINE}/><circle cx="364" cy="110" r="26" ${LINE}/>
<rect x="450" y="90" width="60" height="40" fill="#fff" ${LINE.replace('fill="none"', '')}/><path d="M458 120 L502 100" ${LINE}/>
<path d="M590 70 V150" stroke="${INK}" stroke-width="5"/>
${label(80, 176, '690 V')}${label(220, 176, '1')}${label(350, 176, '2')}${label(480, 176, '3')}${label(590, 176, '33 kV')}`,
);

const ladder = svg(
  420,
  420,
  `
<path d="M120 20 V400 M190 20 V400" ${LINE}/>${Array.from({ length: 12 }, (_, i) => `<path d="M120 ${40 + i * 32} H190" ${LINE}/>`).join('')}
<path d="M155 20 V400" stroke="#B2322B" stroke-width="4"/><rect x="145" y="186" width="20" height="30" fill="${PALE}" ${LINE.replace('fill="none"', '')}/>
<path d="M165 201 H216" ${LINE}/><path d="M230 170 Q262 170 262 204 Q262 262 236 262 Q214 262 214 204 Q214 170 230 170 Z" fill="${PAPER}" ${LINE.replace('fill="none"', '')}/>
<circle cx="238" cy="146" r="22" fill="${PAPER}" ${LINE.replace('fill="none"', '')}/>
<path d="M262 320 H400 M262 336 H400" ${LINE}/>${label(330, 312, 'rest platform')}${label(204, 190, '1')}${label(276, 226, '2')}`,
);

const singleLineBare = singleLine.replace(/<text[^>]*>[^<]*<\/text>/g, '');
const ladderBare = ladder.replace(/<text[^>]*>[^<]*<\/text>/g, '');

/**
 * A wind as weather maps draw it (WMO, Manual on the Global Data-processing and
 * Forecasting System, from memory): a short feather is 5 knots, a long one 10, a
 * flag 50, from the outer end inwards, at the side of low pressure; calm is a
 * second ring. Here the wind comes from the east, on the northern half of the earth.
 */
function barb(knots: number): string {
  const signs = [
    ...Array.from({ length: Math.floor(knots / 50) }, () => 'flag'),
    ...Array.from({ length: Math.floor((knots % 50) / 10) }, () => 'long'),
    ...(knots % 10 >= 5 ? ['short'] : []),
  ];
  let x = signs[0] === 'short' ? 132 : 150;
  const feathers = signs.map((sign) => {
    const at = x;
    x -= sign === 'flag' ? 22 : 14;
    if (sign === 'flag') return `<path d="M${at} 60 L${at} 104 L${at - 20} 60 Z" fill="${INK}"/>`;
    return `<path d="M${at} 60 L${at + (sign === 'long' ? 14 : 7)} ${sign === 'long' ? 104 : 82}" ${LINE}/>`;
  });
  const staff = knots === 0 ? `<circle cx="40" cy="60" r="16" ${LINE}/>` : `<path d="M40 60 H150" ${LINE}/>`;
  return svg(
    180,
    120,
    `${staff}<circle cx="40" cy="60" r="8" fill="#fff" stroke="${INK}" stroke-width="2.5"/>${feathers.join('')}`,
  );
}

/** A site from above: turbines on a ridge, a road, the substation, the mast, and a yard at one turbine. */
const sitePlan = svg(
  640,
  360,
  `
<path d="M40 300 Q160 200 320 190 T600 70" fill="none" stroke="${PALE}" stroke-width="70" stroke-linecap="round"/>
<path d="M20 345 Q180 320 250 250 T420 175 T600 110" fill="none" stroke="${INK}" stroke-width="7" stroke-dasharray="14 8"/>
${[
  [150, 235],
  [330, 165],
  [500, 95],
]
  .map(
    ([x = 0, y = 0]) =>
      `<circle cx="${x}" cy="${y}" r="9" fill="${INK}"/>${[90, 210, 330].map((turn) => `<path transform="rotate(${turn} ${x} ${y})" d="M${x} ${y} h34" ${LINE}/>`).join('')}`,
  )
  .join('')}
<rect x="352" y="188" width="58" height="40" fill="${PAPER}" ${LINE.replace('fill="none"', '')}/>
<rect x="86" y="88" width="70" height="48" fill="${PAPER}" ${LINE.replace('fill="none"', '')}/><path d="M98 124 L121 100 L144 124 M121 100 V88" ${LINE}/>
<path d="M560 250 L548 292 H572 Z M560 210 V292 M546 222 H574" ${LINE}/>`,
);

export const DRAWINGS = {
  sitePlan,
  calm: barb(0),
  barb5: barb(5),
  barb15: barb(15),
  barb30: barb(30),
  barb65: barb(65),
  nacelle,
  nacelleBare,
  singleLineBare,
  ladderBare,
  rotor,
  powerCurve,
  bladeSection,
  singleLine,
  ladder,
};
export type DrawingName = keyof typeof DRAWINGS;

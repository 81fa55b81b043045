/** Density of air at sea level and 15 °C, kg/m³ (ISO 2533:1975). */
const AIR = 1.225;

/**
 * The share of the wind's power that a rotor takes, from its tip-speed ratio
 * (about 1 to 15) and the pitch of its blades in degrees (0 to 30): the
 * approximation of Heier, "Grid Integration of Wind Energy Conversion Systems",
 * 1998, with the coefficients in common use. Never below 0.
 */
export function powerCoefficient(tipSpeedRatio: number, pitch: number): number {
  const inner = 1 / (1 / (tipSpeedRatio + 0.08 * pitch) - 0.035 / (pitch ** 3 + 1));
  const cp = 0.5176 * (116 / inner - 0.4 * pitch - 5) * Math.exp(-21 / inner) + 0.0068 * tipSpeedRatio;
  return Math.max(0, cp);
}

export interface RotorState {
  /** Wind speed in m/s. */
  wind: number;
  /** Pitch of the blades in degrees. */
  pitch: number;
  /** Turns of the rotor a minute. */
  turns: number;
  /** Radius of the rotor in metres. */
  radius: number;
}

/** Power of a rotor in watts, with the coefficient and tip-speed ratio behind it. */
export function rotorPower({ wind, pitch, turns, radius }: RotorState): { watts: number; cp: number; ratio: number } {
  const ratio = (turns * 2 * Math.PI * radius) / 60 / wind;
  const cp = powerCoefficient(ratio, pitch);
  return { watts: 0.5 * AIR * Math.PI * radius ** 2 * wind ** 3 * cp, cp, ratio };
}

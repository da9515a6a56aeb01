export const measuredEveryMs = 100;
/** A programme meter falls back 20 dB in 1.5 s (IEC 60268-10, type I: 1.7 s ± 0.3), so that a syllable can be seen. */
const fallPerStep = 0.1 ** (measuredEveryMs / 1500);

/** What a meter shows next, measured ten times a second: up at once, down slowly. Both 0–1. */
export function meterStep(shown: number, measured: number): number {
  const next = Math.max(measured, shown * fallPerStep);
  return next < 0.01 ? 0 : Math.min(1, next);
}

/** A quarter of full scale fills the meter: speech is seen. */
export const meterGain = 4;
export const lowestDbfs = -100;
/** Level of an RMS between 0 and 1 (AES17 aside: a full-scale square wave is 0). */
export const dbfsOf = (rms: number): number => (rms <= 0 ? lowestDbfs : Math.max(lowestDbfs, 20 * Math.log10(rms)));
/** What a meter's 0–100 stands for. */
export const dbfsOfMeter = (level: number): number => dbfsOf(level / 100 / meterGain);

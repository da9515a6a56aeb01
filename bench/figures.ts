/** Median and 99th percentile of a list of milliseconds. */
export function spread(values: readonly number[]): { median: number; p99: number } {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
  return { median: at(0.5), p99: at(0.99) };
}

export const show = (what: string, values: readonly number[], aim: string): void => {
  const { median, p99 } = spread(values);
  console.log(
    `${what.padEnd(64)} median ${median.toFixed(1)} ms, 99th ${p99.toFixed(1)} ms  (aim ${aim}; n ${values.length})`,
  );
};

/** A figure in words. */
export const say = (words: string): void => console.log(words);

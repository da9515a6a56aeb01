import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";

export interface Spread {
  readonly median: number;
  readonly p99: number;
}
/** What one bench came to, in milliseconds; `cpu`: processor time of the server. */
export interface BenchResult extends Spread {
  readonly name: string;
  readonly n: number;
  readonly cpu: number | null;
  /** a bare server doing the same work in the same run */
  readonly bare: (Spread & { readonly cpu: number | null }) | null;
}

/** Median and 99th percentile of a list of milliseconds. */
export function spread(values: readonly number[]): Spread {
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

/** Processor time that a process has used so far, in milliseconds, as the kernel counts it. */
export function cpuOf(pid: number): number {
  const fields = readFileSync(`/proc/${pid}/stat`, "utf8").split(") ")[1]!.split(" ");
  const ticksPerSecond = 100;
  return ((Number(fields[11]) + Number(fields[12])) * 1000) / ticksPerSecond;
}

const words = ({ median, p99 }: Spread, cpu: number | null): string =>
  `median ${median.toFixed(1)}, 99th ${p99.toFixed(1)}${cpu === null ? "" : `, cpu ${cpu.toFixed(0)}`} ms`;

/** Prints a figure beside the bare one, with the ratio that counts, and keeps both. */
export function record(result: BenchResult, aim: string): void {
  const { name, n, cpu, bare } = result;
  console.log(`${name} (n ${n}): ${words(result, cpu)}`);
  if (bare) {
    const ratio = (result.median / bare.median).toFixed(2);
    console.log(
      `  bare: ${words(bare, bare.cpu)}; ratio of medians ${ratio}, of 99ths ${(result.p99 / bare.p99).toFixed(2)}`,
    );
  }
  console.log(`  aim: ${aim}`);
  const folder = join(import.meta.dirname, "results");
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, `${name}.json`), `${JSON.stringify(result, null, 2)}\n`);
}

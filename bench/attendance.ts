import { houseCurve, presenceByPerson, type Connection } from "../src/core/attendance";
import { makeChance } from "../scripts/demo/chance";

const show = [{ start: 0, end: 3_600_000 }];

function connections(people: number): Connection[] {
  const chance = makeChance(1);
  return Array.from({ length: people * 5 }, (_, i) => {
    const inAt = chance.between(-600_000, 3_000_000);
    const outAt = inAt + chance.between(1000, 900_000);
    return { personKey: `p${i % people}`, device: "computer", inAt, outAt, lastSignAt: outAt };
  });
}

function measure(people: number): number {
  const rows = connections(people);
  const once = () => houseCurve([...presenceByPerson(rows, show).values()], show);
  for (let i = 0; i < 5; i += 1) once();
  const times = Array.from({ length: 15 }, () => {
    const from = performance.now();
    once();
    return performance.now() - from;
  });
  // the best of several: what the garbage collector adds at random is not the cost of the rule
  return Math.min(...times);
}

/** Rule 13: 10,000 people with five intervals each, and twice as many. */
export function attendanceBench(): void {
  const [once, twice] = [measure(10_000), measure(20_000)];
  console.log(
    `attendance of 10,000 people × 5 intervals: ${once.toFixed(1)} ms (aim 300); 20,000: ${twice.toFixed(1)} ms, ×${(twice / once).toFixed(2)} (aim 2.3)`,
  );
}

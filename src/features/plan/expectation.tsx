import { Bar } from "@/ui";
import { oddsOf, type ExpectedHouse } from "@/core/seats";

/** The expected house in a sentence, its figure one step away. */
export function Expectation({
  registered,
  houseSize,
  past,
  expected,
}: {
  registered: number;
  houseSize: number;
  past: { registered: number; attended: number; dates: number; peakShare: number | null };
  expected: ExpectedHouse;
}) {
  const odds = oddsOf(expected.fullChance);
  const words = odds
    ? `about ${odds.n} in ${odds.m}`
    : expected.fullChance > 0.5
      ? "all but certain"
      : "hardly to be expected";
  return (
    <section aria-label="Audience to expect" className="bg-sheet p-3">
      <h2 className="text-label font-medium text-ink-2">Audience to expect</h2>
      <p className="mt-1">
        <span className="mono text-head">{Math.round(expected.peak)}</span> at the peak,{" "}
        <span className="mono">{registered}</span> registered
      </p>
      <Bar value={expected.peak} most={houseSize} label={`about ${Math.round(expected.peak)} of ${houseSize} seats`} />
      <p className="mt-1 text-label text-ink-2">
        All {houseSize} seats taken: {words}.
      </p>
      <details className="mt-1 text-label">
        <summary className="cursor-pointer text-ink-2">How this is reckoned</summary>
        <p className="mt-1 text-ink-2">
          {(expected.fullChance * 100).toFixed(1)} %, from {past.attended} of {past.registered} registered who came to{" "}
          {past.dates} past dates
          {past.peakShare === null ? "" : `, ${Math.round(past.peakShare * 100)} % of them there at the peak`}, with a
          prior of 40 % (Beta 8, 12).
        </p>
      </details>
    </section>
  );
}

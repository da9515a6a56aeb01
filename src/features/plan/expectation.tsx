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
    <details className="mb-4 max-w-3xl border-l-2 border-rule pl-3">
      <summary className="cursor-pointer">
        <span className="mono">{registered}</span> registered: about{" "}
        <span className="mono">{Math.round(expected.peak)}</span> at the peak. A full house of{" "}
        <span className="mono">{houseSize}</span>: {words}.
      </summary>
      <p className="mt-1 text-label text-ink-2">
        {(expected.fullChance * 100).toFixed(1)} %, from {past.attended} of {past.registered} registered who came to{" "}
        {past.dates} past dates
        {past.peakShare === null ? "" : `, ${Math.round(past.peakShare * 100)} % of them there at the peak`}, with a
        prior of 40 % (Beta 8, 12).
      </p>
    </details>
  );
}

import type { Series } from "@/contracts";
import { Bar } from "@/ui";

const timesWords = (times: number, of: number): string =>
  times === of ? `every one of the ${of}` : times === 1 ? "one of them" : `${times} of them`;

/** Who comes again: how many people came how often, and the most faithful by name. */
export function Regulars({ people, byTimes, regulars, dates }: Series) {
  const most = Math.max(1, ...byTimes);
  return (
    <div className="grid items-start gap-8 lg:grid-cols-2">
      <section>
        <h2 className="text-head font-semibold">How often people came</h2>
        <ol className="mt-1">
          {byTimes.map((count, i) =>
            count === 0 ? null : (
              <li key={i} className="grid grid-cols-[10rem_1fr_6rem] items-center gap-3 py-0.5">
                <span className="text-ink-2">{timesWords(i + 1, dates.length)}</span>
                <Bar label={timesWords(i + 1, dates.length)} value={count} most={most} />
                <span className="mono text-end">
                  {count} <span className="text-ink-2">of {people}</span>
                </span>
              </li>
            ),
          )}
        </ol>
      </section>
      <section>
        <h2 className="text-head font-semibold">Came most often</h2>
        {regulars.length === 0 ? (
          <p className="text-ink-2">Nobody came twice.</p>
        ) : (
          <ul className="mt-1 columns-2 gap-6">
            {regulars.map((one, i) => (
              <li key={i} className="flex break-inside-avoid justify-between gap-2 border-b border-rule py-0.5">
                <bdi className="truncate">{one.name}</bdi>
                <span className="mono text-ink-2">{one.times}</span>
              </li>
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}

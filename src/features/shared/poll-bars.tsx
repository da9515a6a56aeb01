import { tallyOneChoice } from "@/core/polls";

/** A one-choice result as bars: the figure always in text too. */
export function PollBars(props: {
  options: readonly { id: string; label: string }[];
  votes: Readonly<Record<string, number>>;
  mine?: string | undefined;
  words?: { rounded: string; voters: string } | undefined;
}) {
  const result = tallyOneChoice(
    props.options.map((option) => option.id),
    props.votes,
  );
  return (
    <div className="flex flex-col gap-1.5">
      {props.options.map((option, i) => {
        const line = result.options[i]!;
        return (
          <div key={option.id} className="relative min-h-7 overflow-hidden border border-rule bg-sheet">
            <div className="absolute inset-y-0 left-0 bg-raised" style={{ width: `${line.percent}%` }} />
            <div className="relative flex justify-between gap-3 px-2 py-1">
              <span>
                {option.label}
                {props.mine === option.id && <span className="text-ink-2"> · yours</span>}
              </span>
              <span className="mono whitespace-nowrap">
                {line.votes} · {line.percent} %
              </span>
            </div>
          </div>
        );
      })}
      <p className="text-label text-ink-2">
        {props.words?.voters ?? `${result.voters} voted`}
        {result.isRounded && ` · ${props.words?.rounded ?? "rounded"}`}
      </p>
    </div>
  );
}

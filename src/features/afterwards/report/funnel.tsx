import type { FunnelCut, FunnelLine, FunnelStep } from "@/core/reports";
import { Bar, Table, Td, Th } from "@/ui";

const stepWords: Readonly<Record<FunnelStep, string>> = {
  invited: "Invited",
  registered: "Registered",
  came: "Came",
  stayed: "Stayed",
  "took-part": "Took part",
  watched: "Watched on demand",
};
const baseWords: Readonly<Record<FunnelStep, string>> = {
  invited: "who were invited",
  registered: "who registered",
  came: "who came",
  stayed: "who stayed",
  "took-part": "who took part",
  watched: "who watched",
};

/** Rule 29: each step a part of the people of the one before, with both figures. Visits are counts, no people. */
export function FunnelLines(props: {
  lines: readonly FunnelLine[];
  visits: number;
  /** screens that watched without a seat; null where there were none */
  overflow: { readonly screens: number; readonly mostAtOnce: number } | null;
  stayedPercent: number;
}) {
  const { overflow } = props;
  const widest = Math.max(1, ...props.lines.map((one) => one.all));
  return (
    <section aria-labelledby="funnel">
      <h2 id="funnel" className="text-head font-semibold">
        From invitation to recording
      </h2>
      <ul className="mt-1">
        {props.lines.map(({ step, count, all, base, rate }) => (
          <li
            key={step}
            className="grid grid-cols-[9.5rem_minmax(2.5rem,1fr)] items-center gap-x-3 border-t border-rule py-1 sm:grid-cols-[9.5rem_minmax(2.5rem,1fr)_16.5rem]"
          >
            <span>
              {stepWords[step]}
              {step === "stayed" && <span className="text-ink-2"> ≥ {props.stayedPercent} %</span>}
            </span>
            <Bar value={all} most={widest} label={`${stepWords[step]}: ${all}`} />
            <span className="col-span-2 text-end sm:col-span-1 sm:whitespace-nowrap">
              <span className="mono">{all}</span>
              <span className="text-label text-ink-2">
                {base === null
                  ? ""
                  : rate === null
                    ? ""
                    : ` · ${count} of ${base.count} ${baseWords[base.step]}, ${Math.round(rate * 100)} %`}
              </span>
            </span>
          </li>
        ))}
      </ul>
      <p className="border-t border-rule pt-1 text-label text-ink-2">
        The public page was visited <span className="mono">{props.visits}</span> times: once a visitor and day, so these
        are visits, not people. Taking part is asking, voting, raising a hand.
      </p>
      {overflow && (
        <p className="pt-1 text-label text-ink-2">
          Without a seat the programme was watched on <span className="mono">{overflow.screens}</span>{" "}
          {overflow.screens === 1 ? "screen" : "screens"}, <span className="mono">{overflow.mostAtOnce}</span> of them
          at the same time at most: screens, not people, and in no figure above.
        </p>
      )}
    </section>
  );
}

const share = (count: number, base: number): string =>
  base === 0 ? "–" : `${count} · ${Math.round((count / base) * 100)} %`;

/**
 * The same by where people came from, each share of the step before it.
 * @param nameless what an empty group is called @param nameOf what the others are, where their own word is none
 */
export function FunnelCuts(props: {
  head: string;
  nameless: string;
  cuts: readonly FunnelCut[];
  nameOf?: (group: string) => string;
}) {
  const { nameless, nameOf = (group) => group } = props;
  // one group alone is everybody: the steps say it already
  if (props.cuts.length < 2) return null;
  return (
    <Table aria-label={`From registration on, by ${props.head.toLowerCase()}`}>
      <thead>
        <tr>
          <Th>{props.head}</Th>
          <Th className="text-end">Registered</Th>
          <Th className="text-end">Came</Th>
          <Th className="text-end">Stayed</Th>
          <Th className="text-end">Took part</Th>
        </tr>
      </thead>
      <tbody>
        {props.cuts.slice(0, 12).map((cut) => (
          <tr key={cut.group}>
            <Td>
              <bdi>{cut.group ? nameOf(cut.group) : nameless}</bdi>
            </Td>
            <Td className="mono text-end whitespace-nowrap">{cut.registered}</Td>
            <Td className="mono text-end whitespace-nowrap">{share(cut.came, cut.registered)}</Td>
            <Td className="mono text-end whitespace-nowrap">{share(cut.stayed, cut.came)}</Td>
            <Td className="mono text-end whitespace-nowrap">{share(cut.tookPart, cut.stayed)}</Td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

/** Mailings that asked people in: whom each reached, and who of them registered after it and came. */
export function FunnelMailings(props: {
  mailings: readonly {
    readonly subject: string;
    readonly reached: number;
    readonly registered: number;
    readonly came: number;
  }[];
}) {
  if (props.mailings.length === 0) return null;
  return (
    <Table aria-label="By mailing">
      <thead>
        <tr>
          <Th>Mailing</Th>
          <Th className="text-end">Reached</Th>
          <Th className="text-end">Registered after it</Th>
          <Th className="text-end">Came, of those</Th>
        </tr>
      </thead>
      <tbody>
        {props.mailings.map((one, i) => (
          <tr key={i}>
            <Td>
              <bdi>{one.subject}</bdi>
            </Td>
            <Td className="mono text-end whitespace-nowrap">{one.reached}</Td>
            <Td className="mono text-end whitespace-nowrap">{share(one.registered, one.reached)}</Td>
            <Td className="mono text-end whitespace-nowrap">{share(one.came, one.registered)}</Td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

import type { WhatIf } from "@/core/attendance";
import { Table, Td, Th, classes } from "@/ui";

/** What each threshold would come to, before anything is issued. */
export function WhatIfTable(props: { lines: readonly WhatIf[]; thresholdPercent: number; isPartial: boolean }) {
  const most = Math.max(1, ...props.lines.map((one) => one.all + one.part + one.none));
  return (
    <Table aria-label="What each threshold would come to">
      <thead>
        <tr>
          <Th>There for at least</Th>
          <Th className="w-1/2">
            <span className="sr-only">Drawn</span>
          </Th>
          <Th className="text-end">All points</Th>
          {props.isPartial && <Th className="text-end">A part</Th>}
          <Th className="text-end">None</Th>
        </tr>
      </thead>
      <tbody>
        {props.lines.map((line) => {
          const isSet = line.thresholdPercent === props.thresholdPercent;
          return (
            <tr key={line.thresholdPercent} className={classes(isSet && "bg-raised font-medium")}>
              <Td className="mono">
                {line.thresholdPercent} % {isSet && <span className="font-sans text-label">as it is set</span>}
              </Td>
              <Td>
                <span className="flex h-4 w-full" aria-hidden>
                  <span className="bg-action" style={{ width: `${(100 * line.all) / most}%` }} />
                  <span className="bg-action/40" style={{ width: `${(100 * line.part) / most}%` }} />
                </span>
              </Td>
              <Td className="mono text-end">{line.all}</Td>
              {props.isPartial && <Td className="mono text-end">{line.part}</Td>}
              <Td className="mono text-end">{line.none}</Td>
            </tr>
          );
        })}
      </tbody>
    </Table>
  );
}

"use client";
import { useEffect, useState } from "react";
import type { OutletLine } from "@/contracts";
import type { OutletState } from "@/core/programme";
import { useSay } from "@/features/shared/say/say";

const lookEveryMs = 5000;
/** Where there are none, one may still be added while the hour is on. */
const lookWithoutAnyMs = 60_000;

/** Places that are on, read again every few seconds; what was known last stays while the line is away. */
function useOutlets(url: string): readonly OutletLine[] {
  const [outlets, setOutlets] = useState<readonly OutletLine[]>([]);
  const everyMs = outlets.length > 0 ? lookEveryMs : lookWithoutAnyMs;
  useEffect(() => {
    const gone = new AbortController();
    const look = () =>
      void fetch(url, { signal: gone.signal })
        .then((answer) => (answer.ok ? (answer.json() as Promise<readonly OutletLine[]>) : null))
        .then((found) => found && setOutlets(found.filter((one) => one.isOn)))
        .catch(() => {});
    look();
    const timer = setInterval(look, everyMs);
    return () => {
      clearInterval(timer);
      gone.abort();
    };
  }, [url, everyMs]);
  return outlets;
}

/** How it goes with the other places that the programme is sent to; nothing where there are none. */
export function OutletStates({ url }: { url: string }) {
  const say = useSay();
  const on = useOutlets(url);
  const words: Readonly<Record<OutletState, string>> = {
    waits: say`nothing is sent there now`,
    begins: say`it begins`,
    sends: say`gets the programme`,
    refused: say`does not take it; tried again`,
    unable: say`the server lacks the program that sends`,
  };
  if (on.length === 0) return null;
  return (
    <section aria-label={say`Sent to other places`} className="border-t border-rule py-2">
      <h2 className="text-label font-medium text-ink-2">{say`Sent to other places`}</h2>
      <ul>
        {on.map((one) => (
          <li key={one.id} className={one.state === "refused" || one.state === "unable" ? "text-attention" : ""}>
            <bdi className="font-medium">{one.name}</bdi>: {words[one.state]}
          </li>
        ))}
      </ul>
    </section>
  );
}

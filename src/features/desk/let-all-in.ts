import type { CommandBody } from "@/contracts";
import { mostLetInAtOnce, type TrayItem } from "@/core/room";

/** Those at the door whom a picture shows, in as many acts as it takes: nobody who came since. */
export function lettingIn(items: readonly TrayItem[]): {
  readonly count: number;
  readonly acts: readonly CommandBody[];
} {
  const waiting = items.flatMap((item) => (item.kind === "door" ? [item.ticketId] : []));
  const acts: CommandBody[] = [];
  for (let at = 0; at < waiting.length; at += mostLetInAtOnce)
    acts.push({ type: "hour.let-in", ticketIds: waiting.slice(at, at + mostLetInAtOnce) });
  return { count: waiting.length, acts };
}

import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from "react";
import type { InkRow } from "@/contracts";
import { sideBoardOf, sideInkTopicOf } from "@/core/room";
import type { AnyView, InkAct, Surface } from "@/core/room";
import type { RoomLink } from "../room-link/use-room";
import { InkStore } from "./ink-store";

type Link = Pick<RoomLink<AnyView>, "logs" | "state">;
/** two feeds come one after the other: what seems to be missing may be on its way */
const patienceMs = 400;
/** after an answer that did not come */
const againMs = 2000;

async function readSurface(occurrenceId: string, as: string | null, { id, page }: Surface): Promise<InkAct[] | null> {
  const asked = new URLSearchParams({ id, page: String(page), ...(as ? { as } : {}) });
  const answer = await fetch(`/live/${occurrenceId}/surface?${asked}`).catch(() => null);
  return answer?.ok ? ((await answer.json()) as { acts: InkAct[] }).acts : null;
}

/** Of a seat, what reading needs. */
interface Reader {
  readonly link: Link;
  readonly occurrenceId: string;
  readonly as: string | null;
  readonly spreadMs?: number;
}

/** Follows one surface: read when it comes up and whenever the line was away, grown by the feeds between. */
export function useSurface(reader: Reader, { id, page }: Surface): InkStore {
  const { link, occurrenceId, as, spreadMs = 0 } = reader;
  const store = useMemo(() => new InkStore({ id, page }), [id, page]);
  const [asked, setAsked] = useState(0);
  const isLive = link.state === "live";
  useEffect(() => {
    if (!isLive) return;
    let isGone = false;
    let timer = setTimeout(() => {
      void readSurface(occurrenceId, as, store.surface).then((acts) => {
        if (isGone) return;
        if (acts) store.read(acts);
        else timer = setTimeout(() => setAsked((n) => n + 1), againMs);
      });
    }, Math.random() * spreadMs);
    return () => {
      isGone = true;
      clearTimeout(timer);
    };
  }, [store, occurrenceId, as, isLive, asked, spreadMs]);
  const side = sideBoardOf({ id, page });
  const topics = side ? [sideInkTopicOf(side.room)] : ["board:shown", "board:behind"];
  const [shown, behind] = topics.map((topic) => link.logs.get(topic)?.rows);
  useEffect(() => {
    const rows = [...(shown ?? []), ...(behind ?? [])].map(({ row }) => row as InkRow);
    if (!store.take(rows)) return;
    const timer = setTimeout(() => setAsked((n) => n + 1), patienceMs);
    return () => clearTimeout(timer);
  }, [store, shown, behind]);
  return store;
}

/** How often the surface changed: for what is worded beside the picture. */
export function useInkVersion(store: InkStore): number {
  const listen = useCallback((tell: () => void) => store.listen(tell), [store]);
  return useSyncExternalStore(
    listen,
    () => store.version,
    () => 0,
  );
}

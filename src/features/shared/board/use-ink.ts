import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { doesTouch, inkSize, inkSpan, type AnyView, type InkBody, type Mark } from "@/core/room";
import type { RoomLink } from "../room-link/use-room";
import { inParts, type At } from "./hand";
import type { InkStore } from "./ink-store";
import { useInkVersion } from "./use-surface";

/** The eraser's own width, in the size that marks are drawn in. */
export const eraserWidth = 24;
const traceEveryMs = 200;
const mostTracePoints = 200;
/** one act wipes out so many */
const mostErased = 300;

type Link = Pick<RoomLink<AnyView>, "send" | "whisper">;
interface Pending {
  readonly id: string;
  readonly mark: Mark;
}
const inSize = ({ x, y }: At): At => ({ x: (x * inkSize.width) / inkSpan, y: (y * inkSize.height) / inkSpan });

/** Acts on one surface. What was drawn shows at once and stays until its row has come, or it was refused. */
export function useInk(link: Link, store: InkStore) {
  const { send, whisper } = link;
  const [pending, setPending] = useState<readonly Pending[]>([]);
  const version = useInkVersion(store);
  const waiting = useMemo(() => {
    const here = new Set(store.standing().map((one) => one.id));
    return pending.filter((one) => !here.has(one.id));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the store changes under its version
  }, [pending, version, store]);
  const { surface } = store;
  const act = useCallback(
    (body: InkBody, id?: string) => send({ type: "board.draw", surface, body }, id),
    [send, surface],
  );
  const draw = useCallback(
    async (mark: Mark) => {
      let continues: string | null = null;
      for (const part of inParts(mark)) {
        const id = crypto.randomUUID();
        setPending((before) => [...before.slice(-50), { id, mark: part }]);
        const receipt = await act({ do: "draw", mark: part, continues }, id);
        continues = id;
        if (receipt.ok) continue;
        setPending((before) => before.filter((one) => one.id !== id));
        return;
      }
    },
    [act],
  );
  /** marks that the eraser has touched on its way: sent together, each once */
  const touched = useRef(new Set<string>());
  const rub = useCallback(
    (from: At, to: At) => {
      for (const { id, mark } of store.standing()) {
        if (!touched.current.has(id) && doesTouch(mark, inSize(from), inSize(to), eraserWidth)) touched.current.add(id);
      }
    },
    [store],
  );
  const lift = useCallback(() => {
    const ids = [...touched.current];
    touched.current = new Set();
    for (let from = 0; from < ids.length; from += mostErased) {
      void act({ do: "erase", ids: ids.slice(from, from + mostErased) });
    }
  }, [act]);
  const traced = useRef(0);
  const trace = useCallback(
    ({ x, y }: At, mark: Mark | null) => {
      const now = Date.now();
      if (now - traced.current < traceEveryMs) return;
      traced.current = now;
      const short = mark && { ...mark, points: mark.points.slice(-mostTracePoints * 2) };
      // on which feed it goes is the room's to say
      whisper({ type: "board.trace", surface, mark: short, x, y });
    },
    [whisper, surface],
  );
  return { drafts: waiting.map(({ mark }) => mark), act, draw, rub, lift, trace, version };
}
export type Ink = ReturnType<typeof useInk>;

/** Whether there is something to take back and to bring back, asked again as the surface changes and a minute passes. */
export function useMayUndo(store: InkStore, ticketId: string) {
  const version = useInkVersion(store);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 5000);
    return () => clearInterval(timer);
  }, []);
  return useMemo(
    () => store.mayUndo(ticketId, now),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the store changes under its version
    [store, ticketId, now, version],
  );
}

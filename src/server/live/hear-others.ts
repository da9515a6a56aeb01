import type { RoomNotice } from "../db/notify";
import type { AsideParts } from "./asides";
import type { LiveRoom } from "./live-room";
import { recountEveryMs } from "./pace-of-rooms";
import type { Said } from "./whispers";

type FromOthers = Extract<RoomNotice, { readonly by: string }>;

/** What another process counted, and what was said in passing there. */
export function hearOthers(room: LiveRoom, notice: FromOthers, asides: AsideParts, now: number): void {
  if ("whispers" in notice) return room.hear(notice.whispers as readonly Said[]);
  if ("aside" in notice) {
    const aside = asides.take(notice.aside);
    return aside ? room.tell(...aside) : undefined;
  }
  if (!("facts" in notice)) return;
  room.areFiguresDirty = true;
  for (const topic of notice.logs) room.logs.get(topic)?.fallBehind();
  room.figuresReadAt = Math.min(room.figuresReadAt, now - recountEveryMs + 1000);
}

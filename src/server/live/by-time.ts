import { live } from "@/core/people";
import { overduePolls, screeningActs } from "@/core/room";
import { isDatabaseAway } from "../db/away";
import type { HubPorts } from "./hub-ports";
import { spaceReadEveryMs } from "./pace-of-rooms";
import type { LiveRoom } from "./live-room";

/** What fails for one room holds up no other: a date may have been deleted in this moment. */
async function forRoom(ports: HubPorts, room: LiveRoom, what: string, run: () => Promise<void>): Promise<void> {
  try {
    await run();
  } catch (error) {
    if (isDatabaseAway(error)) throw error;
    ports.log.error(what, error, { date: room.occurrenceId });
  }
}

/** What time alone brings about in a room that somebody follows. */
export async function doneByTime(ports: HubPorts, room: LiveRoom, now: number): Promise<void> {
  await closeOverdue(ports, room, now);
  await runScreening(ports, room, now);
  await lookAtSpace(ports, room, now);
}

/** Polls close when their time is over. */
async function closeOverdue(ports: HubPorts, room: LiveRoom, now: number): Promise<void> {
  const overdue = overduePolls(room.state.polls, now);
  if (overdue.length === 0) return;
  await forRoom(ports, room, "polls not closed", () => ports.closePolls(room.occurrenceId, overdue));
}

const spaceReadAt = new WeakMap<LiveRoom, number>();
/** How much longer the hour can be kept is looked at now and then, for the desk. */
async function lookAtSpace(ports: HubPorts, room: LiveRoom, now: number): Promise<void> {
  if (
    !live.some((phase) => phase === room.state.hour.phase) ||
    now - (spaceReadAt.get(room) ?? -Infinity) < spaceReadEveryMs
  )
    return;
  spaceReadAt.set(room, now);
  await forRoom(ports, room, "space not looked at", async () => {
    const space = await ports.spaceFor(room.occurrenceId);
    const was = room.figures.space;
    if (was?.recordableMs === space.recordableMs && was.isFull === space.isFull) return;
    room.figures = { ...room.figures, space };
    room.areFiguresDirty = true;
  });
}

/** A recording that is watched together begins and ends by itself. */
async function runScreening(ports: HubPorts, room: LiveRoom, now: number): Promise<void> {
  const { screening, times } = room.words.event;
  if (!screening) return;
  const about = { startAt: times.startAt, lengthMs: screening.lengthMs };
  if (screeningActs(room.state.hour, about, now).length === 0) return;
  await forRoom(ports, room, "a screening did not go on", () => ports.runScreening(room.occurrenceId));
}

/** Hands and the floor of whoever has been away for long come back. */
export async function dismissLongAway(ports: HubPorts, room: LiveRoom, now: number): Promise<void> {
  const away = room.awayVoices.overdue(room.state, room.figures, now);
  if (away.length === 0) return;
  await forRoom(ports, room, "voices not dismissed", () => ports.dismissAway(room.occurrenceId, away));
}

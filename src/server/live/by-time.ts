import { overduePolls } from "@/core/room";
import { isDatabaseAway } from "../db/away";
import type { HubPorts } from "./hub-ports";
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

/** Polls close when their time is over. */
export async function closeOverdue(ports: HubPorts, room: LiveRoom, now: number): Promise<void> {
  const overdue = overduePolls(room.state.polls, now);
  if (overdue.length === 0) return;
  await forRoom(ports, room, "polls not closed", () => ports.closePolls(room.occurrenceId, overdue));
}

/** Hands and the floor of whoever has been away for long come back. */
export async function dismissLongAway(ports: HubPorts, room: LiveRoom, now: number): Promise<void> {
  const away = room.awayVoices.overdue(room.state, room.figures, now);
  if (away.length === 0) return;
  await forRoom(ports, room, "voices not dismissed", () => ports.dismissAway(room.occurrenceId, away));
}

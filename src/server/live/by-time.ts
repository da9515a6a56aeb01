import { overduePolls } from "@/core/room";
import type { HubPorts } from "./hub-ports";
import type { LiveRoom } from "./live-room";

/** Polls close when their time is over. */
export async function closeOverdue(ports: HubPorts, room: LiveRoom, now: number): Promise<void> {
  const overdue = overduePolls(room.state.polls, now);
  if (overdue.length > 0) await ports.closePolls(room.occurrenceId, overdue);
}

/** Hands and the floor of whoever has been away for long come back. */
export async function dismissLongAway(ports: HubPorts, room: LiveRoom, now: number): Promise<void> {
  const away = room.awayVoices.overdue(room.state, room.figures, now);
  if (away.length > 0) await ports.dismissAway(room.occurrenceId, away);
}

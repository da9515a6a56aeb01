import { isStageRole } from "@/core/people";
import type { OwnParts } from "@/core/room";
import { outcomeOf, Together } from "../platform/together";
import type { Db } from "../db/client";
import { ownParts } from "../room";
import type { LiveRoom } from "./live-room";

interface Asked {
  readonly room: LiveRoom;
  readonly ticketId: string;
}
const size = { atOnce: 400, waiting: 20_000 };

/**
 * What those who come in one moment have of their own, read together: each gets theirs with the first picture, and a
 * house that comes at once is written to once instead of twice.
 */
export class OwnAtJoining {
  private readonly reads: Together<Asked, OwnParts | null>;

  constructor(db: Db) {
    this.reads = new Together(async (asked) => {
      const found = new Map<LiveRoom, ReadonlyMap<string, OwnParts>>();
      for (const room of new Set(asked.map((one) => one.room))) {
        const ids = asked.flatMap((one) => (one.room === room ? [one.ticketId] : []));
        const parts = await outcomeOf(() => ownParts(db, room.occurrenceId, ids, room.state));
        if (parts.ok) found.set(room, parts.value);
      }
      return asked.map(({ room, ticketId }) => ({ ok: true, value: found.get(room)?.get(ticketId) ?? null }));
    }, size);
  }

  /** @returns null where it cannot be read now: it follows with the next tick */
  async of(room: LiveRoom, ticketId: string): Promise<OwnParts | null> {
    const role = room.words.people.get(ticketId)?.role;
    // whoever works here has nothing of the kind
    if (role && isStageRole(role)) return {};
    const asked = { room, ticketId };
    room.coming.add(asked);
    try {
      return await this.reads.run(asked);
    } finally {
      room.coming.delete(asked);
    }
  }
}

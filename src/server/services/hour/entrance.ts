import { Together } from "../../platform/together";
import type { Context } from "../ground/context";
import type { FactActor } from "./facts";
import { holdersOfTokens, type HolderClaim } from "./holders";
import { closeConnections, openConnections, type NewConnection, type Opened } from "./presence";

/** The room in this process's memory, as far as who comes asks it. */
export interface RoomAtTheDoor {
  /** @param before how many others come in at this instant before them */
  hasRoomFor(ticketId: string, before: number): boolean | "ask";
  stagePlaceOf(ticketId: string): NewConnection["stagePlace"];
}
/** Somebody who comes: where they stand is found out at their turn. */
export type Comer = Omit<NewConnection, "mayReturn" | "stagePlace"> & { readonly room: RoomAtTheDoor | null };

// a house of thousands may come back within seconds after a restart: all of them are let wait
// and a moment's waiting for one another spares the database most of its round trips
const size = { atOnce: 200, waiting: 20_000, gatherMs: 10 };

/** Who comes into the rooms of one process and goes: a full house does at once, and is looked up and written together. */
export class Entrance {
  private readonly holders: Together<HolderClaim, FactActor>;
  private readonly comers: Together<Comer, Opened>;
  private readonly leavers: Together<string, void>;

  constructor(context: Context) {
    this.holders = new Together((claims) => holdersOfTokens(context, claims), size);
    this.comers = new Together(async (some) => {
      const opened = await openConnections(context, atTheirTurn(some));
      return opened.map((value) => ({ ok: true, value }));
    }, size);
    this.leavers = new Together<string, void>(async (ids) => {
      await closeConnections(context, ids);
      return ids.map(() => ({ ok: true, value: undefined }));
    }, size);
  }

  /** Whom a link's token belongs to. @throws a refusal */
  holder(claim: HolderClaim): Promise<FactActor> {
    return this.holders.run(claim);
  }
  /** A device comes in. */
  open(comer: Comer): Promise<Opened> {
    return this.comers.run(comer);
  }
  /** A device goes: when an hour ends, all of them do within a second. */
  close(connectionId: string): Promise<void> {
    return this.leavers.run(connectionId);
  }
}

function atTheirTurn(some: readonly Comer[]): readonly NewConnection[] {
  const before = new Map<RoomAtTheDoor, number>();
  return some.map(({ room, ...comer }) => {
    if (!room) return { ...comer, mayReturn: "ask", stagePlace: "ask" };
    const others = before.get(room) ?? 0;
    before.set(room, others + 1);
    return {
      ...comer,
      mayReturn: room.hasRoomFor(comer.ticketId, others),
      stagePlace: room.stagePlaceOf(comer.ticketId),
    };
  });
}

import type { StreamEvent, StreamMessages } from "@/contracts";
import { Hub } from "@/server/live/hub";
import { ProgrammeFeeds } from "@/server/programme/feeds";
import { silentLog } from "@/server/platform/log";
import { closePolls } from "@/server/services/hour/close-polls";
import { recordingSpace } from "@/server/services/hour/recording-space";
import { runScreening } from "@/server/services/hour/run-screening";
import { dismissAway } from "@/server/services/hour/dismiss-away";
import { admitToHouse, openConnection } from "@/server/services/hour/presence";
import type { MadeEvent, World } from "./world";

/** What one process passes on of sound and picture. */
export const makeFeeds = ({ context, clock }: World, storage = context.storage): ProgrammeFeeds =>
  new ProgrammeFeeds({
    db: context.db,
    storage,
    log: silentLog,
    id: context.ids.id(),
    now: () => clock.now(),
  });

export const makeHub = (world: World, feeds = makeFeeds(world)): Hub =>
  new Hub({
    db: world.context.db,
    databaseUrl: world.databaseUrl,
    clock: world.clock,
    ids: world.context.ids,
    log: silentLog,
    feeds,
    admit: (id) => admitToHouse(world.context, id),
    dismissAway: (id, ticketIds) => dismissAway(world.context, id, ticketIds),
    closePolls: (id, pollIds) => closePolls(world.context, id, pollIds),
    spaceFor: (id) => recordingSpace(world.context, id),
    runScreening: (id) => runScreening(world.context, id),
    rightsChanged: () => {},
    flushPresence: async () => {},
    databaseBack: () => {},
  });

type Heard = { [E in StreamEvent]: { event: E; data: StreamMessages[E] } }[StreamEvent];

/** A stream's far end that keeps what it was sent, with the bytes as they came. */
export function ear() {
  const heard: Heard[] = [];
  const writes: Uint8Array[] = [];
  const wire = {
    writableLength: 0,
    write(bytes: Uint8Array) {
      writes.push(bytes);
      for (const block of new TextDecoder().decode(bytes).split("\n\n")) {
        const event = /^(?:[0-9a-f]+\r\n)?event: (.*)$/m.exec(block)?.[1];
        if (event) heard.push({ event, data: JSON.parse(/^data: (.*)$/m.exec(block)![1]!) } as Heard);
      }
      return true;
    },
    begin(own: Uint8Array, shared: Uint8Array) {
      wire.write(Buffer.concat([own, shared]));
    },
    end: () => {},
  };
  const until = async (what: (one: Heard) => boolean): Promise<Heard> => {
    for (let i = 0; i < 200; i += 1) {
      const hit = heard.find(what);
      if (hit) return hit;
      await new Promise((done) => setTimeout(done, 25));
    }
    throw new Error(`never heard; got ${heard.map((one) => one.event).join(" ")}`);
  };
  return { heard, writes, wire, until };
}

/** Somebody's stream at a hub: the connection, the ear, and how to leave. */
export async function joinAs(
  world: World,
  hub: Hub,
  event: MadeEvent,
  ticketId: string,
  role: "attendee" | "panelist" | "producer",
  options: { wantsDesk?: boolean; have?: ReadonlyMap<string, { epoch: string; n: number }> } = {},
) {
  const { organisationId } = world;
  const { occurrenceId } = event;
  const about = {
    organisationId,
    occurrenceId,
    ticketId,
    role,
    device: "computer",
    mayReturn: "ask" as const,
    stagePlace: "ask" as const,
  };
  const { connectionId, isInside } = await openConnection(world.context, about);
  const end = ear();
  const { wantsDesk = false, have = new Map() } = options;
  const leave = await hub.join({ occurrenceId, connectionId, ticketId, wantsDesk, isInside, have, wire: end.wire });
  return { ...end, leave, connectionId };
}

import { LRUCache } from "lru-cache";
import { surfaceInput } from "@/contracts";
import { isInHouse, isOfTheStage, isSideSurfaceOf, isSurfaceShown } from "@/core/room";
import { Refusal } from "@/core/shared";
import { parse } from "../services/ground/context";
import { drawnOn } from "../services/hour/boards";
import type { Ask } from "./ask";
import { roomOfAsker } from "./access";
import { sendJsonBytes } from "./request";

/**
 * A full house asks at once for what has just opened: read once, sent to all. What was drawn since comes by the feeds,
 * and a screen that finds a gap between the two asks again.
 */
const freshMs = 500;
const reads = new LRUCache<string, Promise<Buffer>>({ max: 50, ttl: freshMs });

/** Everything that was drawn on one surface: for the stage any, for the house what it sees now. */
export async function sendSurface(ask: Ask): Promise<void> {
  const { app, response, query } = ask;
  const { room, standing } = await roomOfAsker(ask);
  const surface = parse(surfaceInput, { id: query.get("id"), page: query.get("page") });
  const isShown =
    isSurfaceShown(room.state, surface) || isSideSurfaceOf(room.state.sideRooms, standing?.sideRoom ?? null, surface);
  const maySee = standing && (isOfTheStage(standing) || (isInHouse(standing) && isShown));
  if (!maySee) throw new Refusal({ code: "not-found", what: "board" });
  const key = `${room.roomId} ${surface.id} ${surface.page}`;
  const reading =
    reads.get(key) ?? drawnOn(app.context, room.roomId, surface).then((acts) => Buffer.from(JSON.stringify({ acts })));
  reads.set(key, reading, { noUpdateTTL: true });
  // what failed is asked anew
  reading.catch(() => reads.delete(key));
  sendJsonBytes(response, 200, await reading);
}

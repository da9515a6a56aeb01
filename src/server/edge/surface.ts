import type { IncomingMessage, ServerResponse } from "node:http";
import { surfaceInput } from "@/contracts";
import { isInHouse, isOfTheStage, isSurfaceShown } from "@/core/room";
import { Refusal } from "@/core/shared";
import type { App } from "../compose";
import { parse } from "../services/ground/context";
import { drawnOn } from "../services/hour/boards";
import { whoAsks } from "./access";
import { sendJson } from "./request";

/** Everything that was drawn on one surface: for the stage any, for the house what it sees now. */
export async function sendSurface(
  app: App,
  request: IncomingMessage,
  response: ServerResponse,
  occurrenceId: string,
  query: URLSearchParams,
): Promise<void> {
  const as = query.get("as");
  const who = await whoAsks(app, request, occurrenceId, as);
  const surface = parse(surfaceInput, { id: query.get("id"), page: query.get("page") });
  const room = await app.hub.openRoom(occurrenceId, who.actorId);
  const standing = room.standing(who.actorId, as === null);
  const maySee = standing && (isOfTheStage(standing) || (isInHouse(standing) && isSurfaceShown(room.state, surface)));
  if (!maySee) throw new Refusal({ code: "not-found", what: "board" });
  sendJson(response, 200, { acts: await drawnOn(app.context, room.roomId, surface) });
}

import type { IncomingMessage, ServerResponse } from "node:http";
import { earlierInput } from "@/contracts";
import { Refusal } from "@/core/shared";
import type { App } from "../compose";
import { parse } from "../services/ground/context";
import { earlierLines } from "../services/hour/earlier-lines";
import { whoAsks } from "./access";
import { sendJson } from "./request";

/** A page of a log feed before what a screen holds, for whoever follows that feed now. */
export async function sendEarlier(
  app: App,
  request: IncomingMessage,
  response: ServerResponse,
  occurrenceId: string,
  query: URLSearchParams,
): Promise<void> {
  const as = query.get("as");
  const who = await whoAsks(app, request, occurrenceId, as);
  const { topic, before } = parse(earlierInput, { topic: query.get("topic"), before: query.get("before") });
  const room = await app.hub.openRoom(occurrenceId, who.actorId);
  const standing = room.standing(who.actorId, as === null);
  if (!standing || !room.logs.has(topic) || !room.topicsFor(standing).includes(topic)) {
    throw new Refusal({ code: "not-found", what: "lines" });
  }
  sendJson(response, 200, { ...(await earlierLines(app.context, room.roomId, { topic, before })) });
}

import { earlierInput } from "@/contracts";
import { Refusal } from "@/core/shared";
import { parse } from "../services/ground/context";
import { earlierLines } from "../services/hour/earlier-lines";
import type { Ask } from "./ask";
import { roomOfAsker } from "./access";
import { sendJson } from "./request";

/** A page of a log feed before what a screen holds, for whoever follows that feed now. */
export async function sendEarlier(ask: Ask): Promise<void> {
  const { app, response, query } = ask;
  const { room, standing } = await roomOfAsker(ask);
  const { topic, before } = parse(earlierInput, { topic: query.get("topic"), before: query.get("before") });
  if (!standing || !room.logs.has(topic) || !room.topicsFor(standing).includes(topic)) {
    throw new Refusal({ code: "not-found", what: "lines" });
  }
  sendJson(response, 200, { ...(await earlierLines(app.context, room.roomId, { topic, before })) });
}

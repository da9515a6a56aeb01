import { earlierPage, type EarlierPage } from "@/contracts";
import { logReader } from "../../room";
import type { Context } from "../ground/context";

/** A page of a log feed's rows before one of them. That the feed is the reader's to follow was asked before. */
export async function earlierLines(
  context: Context,
  roomId: string,
  { topic, before }: { readonly topic: string; readonly before: number },
): Promise<EarlierPage> {
  const rows = await logReader(topic).before(context.db, roomId, topic, before, earlierPage);
  return { rows, isWhole: rows.length < earlierPage };
}

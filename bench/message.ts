import { randomUUID } from "node:crypto";
import { serve } from "../scripts/lib/run.mjs";
import { record } from "./figures";
import { actsInTurn, broadcasterHouse, pause } from "./house";

/** How the product's processes are run, their program left out. */
const asServed = serve.slice(0, -1);
const messages = 40;
/** What an act to a house weighs, and what somebody begins with. */
const [bytes, firstBytes] = [450, 12_000];

/** One message to so many streams that are open: the product's own pieces, and a server that does nothing else. */
export async function messageBench(listeners: number): Promise<void> {
  const members = Array.from({ length: listeners }, () => ({
    ticketId: randomUUID(),
    token: "none",
    occurrenceId: randomUUID(),
  }));
  const own = await broadcasterHouse([...asServed, "bench/own-broadcaster.ts"], members, { firstBytes });
  const bare = await broadcasterHouse(["bench/bare-broadcaster.mjs"], members, { firstBytes });
  await own.house.come();
  await bare.house.come();
  await pause(4000);
  const done = await actsInTurn(messages, { house: own.house, act: () => own.say(bytes), bytes }, { bare });
  await Promise.all([own.close(), bare.close()]);
  const aim = "server time and median at most the bare one's, 99th at most 1.5 times";
  record({ name: `message-${listeners}`, ...done.own, bare: done.bare }, aim);
}

import { wholeSwitches, type Switches } from "@/core/people";
import type { events } from "../schema";

/** The audience switches as an event's row has them. */
export const switchesOf = ({ switches }: Pick<typeof events.$inferSelect, "switches">): Switches =>
  wholeSwitches(switches);

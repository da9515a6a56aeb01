import { z } from "zod";

const seconds = z.number().min(0).max(86_400);
export const mostPlaysAtOnce = 50;

/** What a player has played since it last told: each stretch by an id of its own, so that it may be told again. */
export const playsInput = z.object({
  viewId: z.uuid(),
  plays: z
    .array(z.object({ id: z.uuid(), fromSeconds: seconds, toSeconds: seconds }))
    .min(1)
    .max(mostPlaysAtOnce),
});
export type PlaysInput = z.infer<typeof playsInput>;

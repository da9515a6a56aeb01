import { z } from "zod";
import { firstShares, holdingSounds, leastShare, mostShare, sceneKinds, type SharedKind } from "@/core/room";
import { id } from "./shared";

const seen = z.int().min(0);
export const scenesCommands = [
  z.object({
    type: z.literal("scenes.set"),
    kind: z.enum(sceneKinds).nullable(),
    personIds: z.array(id).max(2).readonly(),
    seen,
  }),
  z.object({ type: z.literal("scenes.undo"), seen }),
  z.object({
    type: z.literal("scenes.resize"),
    kind: z.enum(Object.keys(firstShares) as SharedKind[]),
    share: z.number().min(leastShare).max(mostShare),
  }),
  z.object({ type: z.literal("scenes.put-speaker"), personId: id, seen: id.nullable() }),
  z.object({
    type: z.literal("scenes.set-holding"),
    message: z
      .string()
      .max(200)
      .regex(/^[^\0]*$/)
      .trim(),
    countsDown: z.boolean(),
    sound: z.enum(holdingSounds),
    showsPicture: z.boolean(),
  }),
] as const;

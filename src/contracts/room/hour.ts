import { z } from "zod";
import { mostLetInAtOnce } from "@/core/room";
import { switchSeen, switchTurned } from "../switches-input";
import { id } from "./shared";

export const hourCommands = [
  z.object({ type: z.literal("hour.open-backstage") }),
  z.object({ type: z.literal("hour.close-backstage") }),
  z.object({ type: z.literal("hour.open-doors") }),
  z.object({ type: z.literal("hour.hold-doors") }),
  z.object({ type: z.literal("hour.release-doors") }),
  z.object({ type: z.literal("hour.raise-curtain"), moves: z.int().min(0).optional() }),
  z.object({ type: z.literal("hour.drop-curtain") }),
  z.object({ type: z.literal("hour.strike-curtain"), index: z.int().min(0), isStruck: z.boolean() }),
  z.object({ type: z.literal("hour.set-switch"), set: switchTurned, seen: switchSeen }),
  z.object({ type: z.literal("hour.show-out"), ticketId: id }),
  z.object({ type: z.literal("hour.let-back"), ticketId: id }),
  z.object({ type: z.literal("hour.let-in"), ticketIds: z.array(id).min(1).max(mostLetInAtOnce) }),
  z.object({ type: z.literal("hour.end") }),
] as const;

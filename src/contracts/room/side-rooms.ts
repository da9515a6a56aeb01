import { z } from "zod";
import { mostCountdownSeconds, mostSideRooms } from "@/core/room";
import { id, words } from "./shared";

const room = z.int().min(1).max(mostSideRooms);
const countdown = z.int().min(0).max(mostCountdownSeconds);
/** People by ticket; a command carries 16 kB at most. */
const people = z.array(z.array(id).max(50).readonly()).max(20).readonly();
const oneLine = z
  .string()
  .regex(/^[^\0\n]*$/)
  .trim();

export const sideRoomsCommands = [
  z.object({
    type: z.literal("sideRooms.make"),
    count: z.int().min(0).max(mostSideRooms),
    /** in their order; a room without one is called by its number */
    names: z.array(oneLine.max(60)).max(mostSideRooms),
  }),
  z.object({
    type: z.literal("sideRooms.shuffle"),
    seed: z
      .int()
      .min(0)
      .max(2 ** 31 - 1),
    together: people,
    apart: people,
  }),
  z.object({
    type: z.literal("sideRooms.place"),
    places: z
      .array(z.tuple([id, room.nullable()]).readonly())
      .min(1)
      .max(200)
      .readonly(),
  }),
  z.object({ type: z.literal("sideRooms.let-choose"), isChoice: z.boolean() }),
  z.object({ type: z.literal("sideRooms.open"), inSeconds: countdown }),
  z.object({ type: z.literal("sideRooms.call-back"), inSeconds: countdown }),
  z.object({ type: z.literal("sideRooms.tell"), text: z.union([z.literal(""), words(300)]) }),
  z.object({ type: z.literal("sideRooms.visit"), room: room.nullable() }),
  z.object({ type: z.literal("sideRooms.help-came"), room }),
  z.object({ type: z.literal("sideRooms.go"), room: room.nullable() }),
  z.object({ type: z.literal("sideRooms.step-out") }),
  z.object({ type: z.literal("sideRooms.ask-help") }),
] as const;

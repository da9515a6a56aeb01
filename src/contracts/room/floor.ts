import { z } from "zod";
import { floorParts } from "@/core/room";
import { id, words } from "./shared";

export const floorCommands = [
  z.object({ type: z.literal("floor.raise-hand") }),
  z.object({ type: z.literal("floor.lower-hand") }),
  z.object({ type: z.literal("floor.lower-for"), ticketId: id }),
  z.object({ type: z.literal("floor.lower-all") }),
  z.object({ type: z.literal("floor.rename"), ticketId: id, name: words(120) }),
  z.object({ type: z.literal("floor.rename-self"), name: words(120) }),
  z.object({ type: z.literal("floor.offer"), ticketId: id, parts: z.array(z.enum(floorParts)).min(1).max(3) }),
  z.object({ type: z.literal("floor.accept") }),
  z.object({ type: z.literal("floor.give-back") }),
  z.object({ type: z.literal("floor.set-microphone"), isOpen: z.boolean() }),
  z.object({ type: z.literal("floor.share-screen"), overId: id.nullable() }),
  z.object({ type: z.literal("floor.withdraw"), ticketId: id }),
  z.object({ type: z.literal("floor.bring-on-stage"), ticketId: id }),
  z.object({ type: z.literal("floor.close-microphone"), ticketId: id }),
  z.object({ type: z.literal("floor.let-everyone-speak") }),
  z.object({ type: z.literal("floor.end-everyone") }),
] as const;

export const floorWhispers = [z.object({ type: z.literal("floor.level"), level: z.int().min(0).max(100) })] as const;

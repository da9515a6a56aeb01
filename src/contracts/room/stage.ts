import { z } from "zod";
import { id } from "./shared";

export const stageCommands = [
  z.object({ type: z.literal("stage.enter") }),
  z.object({ type: z.literal("stage.move"), ticketId: id, place: z.enum(["backstage", "standby", "stage"]) }),
  z.object({ type: z.literal("stage.set-microphone"), isOpen: z.boolean() }),
  z.object({ type: z.literal("stage.close-microphones"), exceptId: id.nullable() }),
  z.object({ type: z.literal("stage.close-microphone"), ticketId: id }),
  z.object({ type: z.literal("stage.ask-to-open"), ticketId: id.nullable() }),
  z.object({ type: z.literal("stage.keep-closed") }),
  z.object({ type: z.literal("stage.set-camera"), isOpen: z.boolean() }),
  z.object({ type: z.literal("stage.close-cameras"), exceptId: id.nullable() }),
  z.object({ type: z.literal("stage.close-camera"), ticketId: id }),
  z.object({ type: z.literal("stage.ask-for-camera"), ticketId: id.nullable() }),
  z.object({ type: z.literal("stage.keep-camera-closed") }),
  z.object({ type: z.literal("stage.share-screen"), overId: id.nullable() }),
  z.object({ type: z.literal("stage.end-screen") }),
  z.object({ type: z.literal("stage.close-screen"), ticketId: id }),
] as const;

export const stageWhispers = [z.object({ type: z.literal("stage.level"), level: z.int().min(0).max(100) })] as const;

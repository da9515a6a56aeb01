import { helpedSettings } from "@/core/room";
import { z } from "zod";
import { id, words } from "./shared";

export const helpCommands = [
  z.object({ type: z.literal("help.ask") }),
  z.object({ type: z.literal("help.end") }),
  z.object({ type: z.literal("help.take"), ticketId: id }),
  z.object({ type: z.literal("help.close"), ticketId: id }),
] as const;

const value = z.string().max(200).nullable();
const line = z.string().max(160);
const permission = z.enum(["granted", "denied", "prompt", "unknown"]);
const setting = z.enum(helpedSettings);
const sight = z.object({
  place: z.enum(["foyer", "house", "backstage", "standby", "stage"]),
  width: z.int().min(0).max(20_000),
  height: z.int().min(0).max(20_000),
  zoom: z.number().min(0.1).max(20),
  language: z.string().max(20),
  browser: z.string().max(80),
  isOnline: z.boolean(),
  microphone: permission,
  camera: permission,
  lines: z.array(line).max(30).readonly(),
  settings: z
    .array(
      z.object({
        setting,
        value,
        choices: z
          .array(z.object({ value, words: line }))
          .max(20)
          .readonly(),
      }),
    )
    .max(helpedSettings.length)
    .readonly(),
});
export const helpWhispers = [
  z.object({ type: z.literal("help.sight"), to: id, sight }),
  z.object({
    type: z.literal("help.offer"),
    to: id,
    offerId: id,
    change: z.object({ setting, value, words: words(160) }),
  }),
  z.object({ type: z.literal("help.answer"), to: id, offerId: id, isLet: z.boolean() }),
] as const;

import { z } from "zod";
import { id } from "./shared";

const device = z.uuid();
const signal = z.union([
  z.object({ want: z.literal(true) }),
  z.object({
    description: z.object({
      type: z.enum(["offer", "answer", "pranswer", "rollback"]),
      // as long as a description of eight people's media may be; the body's own bound is 16 kB
      sdp: z.string().max(15_000),
    }),
  }),
  z.object({
    candidate: z
      .object({
        candidate: z.string().max(1000),
        sdpMid: z.string().max(40).nullable(),
        sdpMLineIndex: z.int().min(0).max(100).nullable(),
      })
      .nullable(),
  }),
]);
export const programmeWhispers = [
  z.object({
    type: z.literal("programme.here"),
    device,
    hasSound: z.boolean(),
    hasPicture: z.boolean(),
    screenDevice: device.nullable().default(null),
  }),
  z.object({
    type: z.literal("programme.health"),
    framesPerSecond: z.number().min(0).max(120),
    kilobitsPerSecond: z.number().min(0).max(100_000),
    waiting: z.int().min(0).max(10_000),
    links: z
      .array(z.object({ id, lostPercent: z.number().min(0).max(100), isLive: z.boolean() }))
      .max(40)
      .readonly(),
  }),
  z.object({ type: z.literal("programme.signal"), to: id, device, forDevice: device, signal }),
] as const;

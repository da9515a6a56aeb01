import { z } from "zod";
import { signalKinds } from "@/core/room";

export const signalsFacts = [z.object({ type: z.literal("signals.give"), kind: z.enum(signalKinds) })] as const;

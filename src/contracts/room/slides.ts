import { z } from "zod";
import { id } from "./shared";

const page = z.int().min(1).max(500);
const shown = z.object({ deckId: id, page });

export const slidesCommands = [
  z.object({ type: z.literal("slides.show"), deckId: id, page, seen: shown.nullable() }),
  z.object({ type: z.literal("slides.turn"), deckId: id, page, seen: shown.nullable() }),
  z.object({ type: z.literal("slides.put-away") }),
  z.object({ type: z.literal("slides.name-turner"), turnerId: id.nullable() }),
  z.object({ type: z.literal("slides.follow"), segmentId: id }),
] as const;

import { z } from "zod";
import { id } from "./shared";

const seen = z.int().min(0);
const place = z.int().min(0).max(10_000);
export const pageCommands = [
  z.object({
    type: z.literal("page.show"),
    what: z.union([z.literal("event"), z.object({ fileId: id })]),
    seen,
  }),
  z.object({ type: z.literal("page.hand-over"), leaderId: id, seen }),
  z.object({ type: z.literal("page.rest"), place, seen }),
  z.object({ type: z.literal("page.put-away"), seen }),
] as const;
export const pageWhispers = [z.object({ type: z.literal("page.scrolling"), place, seen })] as const;

import { z } from "zod";

const seen = z.int().min(0);
export const lookCommands = [
  z.object({
    type: z.literal("look.wear"),
    dressing: z
      .object({
        colour: z.string().regex(/^#[0-9a-fA-F]{6}$/),
        isTinted: z.boolean(),
        showsPicture: z.boolean(),
      })
      .nullable(),
    seen,
  }),
  z.object({ type: z.literal("look.undo"), seen }),
] as const;

import { z } from "zod";
import { issue } from "@/core/shared";

/** The largest file for the audience, and how many a date has. */
export const mostHandOutBytes = 100_000_000;
export const mostHandOuts = 50;

/** What may stand in a file's name everywhere it is kept: no path, no control character, no mark that turns the reading direction. */
export const handOutName = z
  .string()
  .max(1000)
  .transform((name) =>
    name
      .normalize("NFC")
      .replace(/[\p{Cc}\p{Cf}/\\:*?"<>|]+/gu, " ")
      .replace(/\s+/g, " ")
      .replace(/^[. ]+|[. ]+$/g, "")
      .slice(-160)
      .trim(),
  )
  .refine((name) => name !== "", issue("file-unnamed"));

/** What is changed of a file: whether the audience sees it, or its place in the list. */
export const handOutChange = z.union([
  z.object({ isShown: z.boolean() }),
  z.object({ step: z.union([z.literal(-1), z.literal(1)]) }),
]);
export type HandOutChange = z.infer<typeof handOutChange>;

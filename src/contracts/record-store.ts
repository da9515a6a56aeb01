import { issue } from "@/core/shared";
import { z } from "zod";

/** Where a record store takes statements, and as whom; an empty address takes the store away. */
export const recordStoreInput = z
  .object({
    url: z
      .string()
      .trim()
      .max(500)
      .refine(
        (url) => url === "" || (/^https?:\/\/[^\s]+$/i.test(url) && URL.canParse(url)),
        issue("not-a-store-address"),
      ),
    userName: z.string().trim().max(200),
    /** "": the one that was kept stays */
    password: z.string().max(400),
  })
  .refine(({ url, userName }) => url === "" || userName !== "", { message: issue("needed"), path: ["userName"] });
export type RecordStoreInput = z.infer<typeof recordStoreInput>;

/** How the posting of a date's statements stands. */
export interface StatementPost {
  readonly state: "on-its-way" | "posted" | "refused" | "given-up" | "waits";
  readonly sent: number;
  readonly total: number | null;
  readonly askedAt: number;
}

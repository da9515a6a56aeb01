import { outletAddress, type OutletState } from "@/core/programme";
import { issue } from "@/core/shared";
import { z } from "zod";

export const mostOutlets = 5;

/** Another place to send the programme to. */
export const outletInput = z.object({
  name: z.string().trim().min(1, issue("needed")).max(80, issue("too-long")),
  address: z
    .string()
    .trim()
    .max(300, issue("too-long"))
    .refine((text) => outletAddress(text) !== null, issue("not-a-live-address")),
  key: z
    .string()
    .trim()
    .min(1, issue("needed"))
    .max(300, issue("too-long"))
    .regex(/^[\x21-\x7e]+$/, issue("unreadable")),
});
export type OutletInput = z.infer<typeof outletInput>;

/** One of an event's other places, as the team sees it: its key is shown to nobody again. */
export interface OutletLine {
  readonly id: string;
  readonly name: string;
  readonly address: string;
  readonly isOn: boolean;
  readonly state: OutletState;
}

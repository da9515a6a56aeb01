import { z } from "zod";
import { issue } from "@/core/shared";

export const mostSideRoomsFileBytes = 200_000;

/** A file of side rooms as text: `room,email` (surface). */
export const sideRoomsFileInput = z.object({
  text: z.string().min(1, issue("no-words")).max(mostSideRoomsFileBytes),
});

/** What a file of side rooms came to: bad rows with their line and why. */
export interface SideRoomsRead {
  readonly placed: number;
  readonly rooms: number;
  readonly bad: readonly { readonly line: number; readonly why: "no-room" | "unknown-address" | "twice" }[];
}

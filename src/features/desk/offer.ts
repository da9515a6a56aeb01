import type { CommandBody } from "@/contracts";

/** One act as the command line offers it. */
export interface Offer {
  readonly words: string;
  readonly command: CommandBody;
}

import type { CommandBody } from "@/contracts";

/** One act as the command line offers it. */
export interface Offer {
  readonly words: string;
  readonly command: CommandBody;
}
/** One that a key does as well. */
export interface KeyedOffer extends Offer {
  readonly keys?: string;
}

/** Those in whose words all the letters are; where they begin words, first: that was meant. */
export function bestOf<O extends Offer>(offers: readonly O[], text: string): readonly O[] {
  const parts = text.toLowerCase().split(/\s+/).filter(Boolean);
  const all = offers.filter(({ words }) => parts.every((part) => words.toLowerCase().includes(part)));
  const isMeant = ({ words }: Offer) => parts.every((part) => ` ${words.toLowerCase()}`.includes(` ${part}`));
  return [...all.filter(isMeant), ...all.filter((one) => !isMeant(one))];
}

"use client";
import { createContext, useContext, type ReactNode } from "react";

/** The few words that the kit says by itself. */
export interface KitWords {
  readonly close: string;
  readonly loading: string;
  readonly typeToFind: string;
  readonly nothingFound: string;
  readonly notNow: string;
  /** "and {count} more" */
  readonly more: string;
}
const Context = createContext<KitWords | null>(null);
/** The kit's words for all that lies below: English around every page, another language where a part is read in one. */
export const KitIn = ({ words, children }: { words: KitWords; children: ReactNode }) => (
  <Context value={words}>{children}</Context>
);
export function useKitWords(): KitWords {
  const words = useContext(Context);
  if (!words) throw new Error("the kit was drawn outside of KitIn");
  return words;
}
/** Put in where a component would need a hook for one word. */
export const KitWord = ({ of }: { of: Exclude<keyof KitWords, "more"> }) => useKitWords()[of];

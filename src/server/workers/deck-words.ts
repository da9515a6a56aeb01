/** Widths of a page's pictures (rule 20). */
export const pageWidths = [1600, 800] as const;

/** One page as it was made. */
export interface MadePage {
  readonly number: number;
  /** WebP, one for each of `pageWidths` */
  readonly pictures: readonly Uint8Array[];
  /** for screen readers */
  readonly text: string;
  /** from the deck's own annotations; empty where there are none */
  readonly notes: string;
  /** fonts that it is written in and the file does not hold: others were drawn in their place */
  readonly missingFonts: readonly string[];
}

/** What is said of a deck while it is made, in this order: how many pages there are, then each; or why there is none. */
export type DeckWord =
  | { readonly kind: "pages"; readonly count: number }
  | { readonly kind: "page"; readonly page: MadePage }
  | { readonly kind: "page-failed"; readonly number: number }
  | { readonly kind: "failed"; readonly failure: "locked-pdf" | "broken-pdf" | "too-many-pages" };

/** Makes every page of the PDF at this path. */
export type DeckMaker = (path: string) => AsyncIterable<DeckWord>;

import type { AsideBody } from "@/contracts";
import type { AsidePart } from "../db/notify";

/** What one person said to another alone. */
export type Aside = readonly [from: string, said: AsideBody];

/** Base64 letters, so that a piece never cuts a character; with its frame it stays under the 8,000 bytes of a notice. */
const mostLetters = 7000;
/** pieces whose rest never came are forgotten with the oldest */
const mostOpen = 200;

/** In pieces that each fit a notice. */
export function inParts(id: string, aside: Aside): readonly AsidePart[] {
  const text = Buffer.from(JSON.stringify(aside)).toString("base64");
  const of = Math.ceil(text.length / mostLetters);
  return Array.from({ length: of }, (_, part) => ({
    id,
    part,
    of,
    text: text.slice(part * mostLetters, (part + 1) * mostLetters),
  }));
}

/** Lays pieces together again; notices of one sender come in order. */
export class AsideParts {
  private readonly open = new Map<string, string[]>();

  /** @returns what was said, once its last piece is here */
  take({ id, part, of, text }: AsidePart): Aside | null {
    const parts = this.open.get(id) ?? [];
    parts[part] = text;
    this.open.set(id, parts);
    if (Object.keys(parts).length < of) {
      if (this.open.size > mostOpen) this.open.delete(this.open.keys().next().value!);
      return null;
    }
    this.open.delete(id);
    return JSON.parse(Buffer.from(parts.join(""), "base64").toString()) as Aside;
  }
}

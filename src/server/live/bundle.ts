import type { Follower } from "./follower";
import { framed } from "./frame";

/** Streams that follow the same feeds: they get the very same bytes. */
export interface Bundle {
  readonly topics: readonly string[];
  readonly followers: Set<Follower>;
  /** the pictures that the last newcomer got, ready for the next one while none of them changes */
  greeting: { readonly pictures: readonly string[]; readonly bytes: Buffer } | null;
}

/** Below this a newcomer's pictures are not worth keeping for the next one. */
const leastGreeting = 2000;

/** A house comes all at once and gets the very same pictures: they are encoded once, and copied. */
export function greetingOf(bundle: Bundle, pictures: readonly string[]): Buffer {
  const kept = bundle.greeting;
  if (kept && pictures.every((text, i) => text === kept.pictures[i])) return kept.bytes;
  const text = pictures.join("");
  const bytes = text === "" ? Buffer.alloc(0) : framed(text);
  if (text.length >= leastGreeting) bundle.greeting = { pictures, bytes };
  return bytes;
}

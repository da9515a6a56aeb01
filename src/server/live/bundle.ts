import type { Follower } from "./follower";
import { framed } from "./frame";
import type { FollowedFeeds } from "./known-topics";

/** Streams that follow the same feeds: they get the very same bytes. */
export interface Bundle {
  readonly feeds: FollowedFeeds;
  readonly followers: Set<Follower>;
  /** the pictures that the last newcomer got, ready for the next one while none of them changes */
  greeting: { readonly pictures: readonly string[]; readonly bytes: Buffer } | null;
}

/** The streams of a room by what they follow; each is in one bundle. */
export class Bundles {
  private readonly byKey = new Map<string, Bundle>();
  private readonly byFollower = new Map<Follower, Bundle>();

  largestFirst(): readonly Bundle[] {
    return [...this.byKey.values()].sort((a, b) => b.followers.size - a.followers.size);
  }
  /** Whether a stream follows just these already. */
  has(follower: Follower, { key }: FollowedFeeds): boolean {
    return this.byFollower.get(follower)?.feeds.key === key;
  }
  put(follower: Follower, feeds: FollowedFeeds): Bundle {
    this.remove(follower);
    const bundle = this.byKey.get(feeds.key) ?? { feeds, followers: new Set<Follower>(), greeting: null };
    this.byKey.set(feeds.key, bundle);
    this.byFollower.set(follower, bundle);
    bundle.followers.add(follower);
    return bundle;
  }
  remove(follower: Follower): void {
    const bundle = this.byFollower.get(follower);
    if (!bundle) return;
    this.byFollower.delete(follower);
    bundle.followers.delete(follower);
    if (bundle.followers.size === 0) this.byKey.delete(bundle.feeds.key);
  }
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

import type { Switches } from "@/core/people";
import { switchesNow, topicsOf, type RoomState, type Standing } from "@/core/room";

type Hour = RoomState["hour"];
const mostKept = 200;

/** What somebody follows, with what a whole house would make of it anew for each. */
export interface FollowedFeeds {
  readonly topics: readonly string[];
  /** the same for the same topics */
  readonly key: string;
  /** the list as JSON */
  readonly json: string;
}

/** Which feeds somebody follows is a pure function of standing and switches; a whole house asks it at once, so answers are kept. */
export class KnownTopics {
  private readonly known = new Map<string, FollowedFeeds>();
  private turned: Hour["turned"] | null = null;
  private event: Switches | null = null;

  of(standing: Standing, hour: Hour, event: Switches): FollowedFeeds {
    if (hour.turned !== this.turned || event !== this.event || this.known.size > mostKept) {
      this.known.clear();
      [this.turned, this.event] = [hour.turned, event];
    }
    const key = `${standing.role} ${standing.place} ${standing.isAtDesk} ${standing.duties.join()} ${standing.sideRoom ?? ""} ${standing.hasFloor}`;
    const known = this.known.get(key);
    if (known) return known;
    const { views, logs, whispers } = topicsOf(standing, switchesNow(hour, event));
    const topics = [...views, ...logs, ...whispers];
    const feeds = { topics, key: topics.join(" "), json: JSON.stringify(topics) };
    this.known.set(key, feeds);
    return feeds;
  }
}

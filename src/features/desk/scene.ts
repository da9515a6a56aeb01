import type { Say } from "@/contracts/say";
import type { Action } from "@/core/rights";
import type { DeskView } from "@/core/room";
import type { LiveClock } from "@/core/run-sheet";
import type { OrderedSegment } from "@/features/shared/segments";
import type { RoomLink } from "@/features/shared/room-link/use-room";

export interface DeskScene {
  /** the words of this screen in its reader's language */
  readonly say: Say;
  readonly view: DeskView;
  readonly send: RoomLink<DeskView>["send"];
  /** how loud people of the stage are, 0–100 */
  readonly levels: RoomLink<DeskView>["levels"];
  readonly now: number;
  readonly zone: string;
  readonly segments: readonly OrderedSegment[];
  readonly currentIndex: number;
  readonly clock: LiveClock | null;
  /** what this person may do now, by the permission table */
  readonly may: (action: Action) => boolean;
}

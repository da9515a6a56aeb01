import type { FloorPart, FloorState } from "./state";

export type FloorCommand =
  | { type: "floor.raise-hand" }
  /** one's own; `ticketId`: somebody's, by the desk */
  | { type: "floor.lower-hand" }
  | { type: "floor.lower-for"; ticketId: string }
  /** every hand; `withSegment`: only where hands end with their segment */
  | { type: "floor.lower-all"; withSegment?: boolean }
  /** how somebody is called in this room; the words stand beside the journal */
  | { type: "floor.rename"; ticketId: string }
  | { type: "floor.rename-self" }
  | { type: "floor.offer"; ticketId: string; parts: FloorPart[] }
  | { type: "floor.accept" }
  | { type: "floor.give-back" }
  | { type: "floor.set-microphone"; isOpen: boolean }
  /** where the floor was given with it; `overId`: whose screen gives way */
  | { type: "floor.share-screen"; overId: string | null }
  | { type: "floor.withdraw"; ticketId: string }
  /** back to the house again by `floor.withdraw`, or by giving the floor back */
  | { type: "floor.bring-on-stage"; ticketId: string }
  | { type: "floor.close-microphone"; ticketId: string }
  | { type: "floor.let-everyone-speak" }
  | { type: "floor.end-everyone" };

export type FloorEntry =
  | { type: "floor.hand-raised"; ticketId: string }
  | { type: "floor.hand-lowered"; ticketId: string; why: "owner" | "desk" | "away" | "segment" }
  | { type: "floor.offered"; ticketId: string; parts: FloorPart[] }
  | { type: "floor.accepted"; ticketId: string }
  | { type: "floor.microphone-set"; ticketId: string; isOpen: boolean }
  /** given back or declined by its holder, withdrawn by the desk, or its holder left */
  | { type: "floor.ended"; ticketId: string; why: "holder" | "desk" | "away" }
  | { type: "floor.brought-on-stage"; ticketId: string }
  | { type: "floor.screen-begun"; ticketId: string; overId: string | null }
  | { type: "floor.renamed"; ticketId: string }
  | { type: "floor.everyone-let-speak" }
  | { type: "floor.everyone-ended" };

export interface FloorShape {
  state: FloorState;
  command: FloorCommand;
  fact: never;
  /** how loud somebody on the floor is, 0–100, measured in their own browser */
  whisper: { type: "floor.level"; level: number };
  entry: FloorEntry;
}

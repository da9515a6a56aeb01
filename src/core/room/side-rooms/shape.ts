import type { AllotRules } from "./allot";
import type { SideRoomsState } from "./state";

export type SideRoomsCommand =
  /** so many rooms; whoever was in one beyond them is in none */
  | { type: "sideRooms.make"; count: number }
  | ({ type: "sideRooms.shuffle"; seed: number } & AllotRules)
  /** null: in none */
  | { type: "sideRooms.place"; places: readonly (readonly [ticketId: string, room: number | null])[] }
  | { type: "sideRooms.let-choose"; isChoice: boolean }
  | { type: "sideRooms.open"; inSeconds: number }
  | { type: "sideRooms.call-back"; inSeconds: number }
  | { type: "sideRooms.tell"; isTold: boolean }
  | { type: "sideRooms.visit"; room: number | null }
  | { type: "sideRooms.help-came"; room: number }
  /** null: the smallest */
  | { type: "sideRooms.go"; room: number | null }
  | { type: "sideRooms.step-out" }
  | { type: "sideRooms.ask-help" };

export type SideRoomsEntry =
  | { type: "sideRooms.made"; count: number }
  | { type: "sideRooms.placed"; places: readonly (readonly [ticketId: string, room: number | null])[] }
  | { type: "sideRooms.choice-set"; isChoice: boolean }
  | { type: "sideRooms.opened"; opensAt: number }
  | { type: "sideRooms.called-back"; closesAt: number }
  | { type: "sideRooms.told"; isTold: boolean }
  | { type: "sideRooms.visited"; ticketId: string; room: number | null }
  | { type: "sideRooms.stepped-out"; ticketId: string }
  | { type: "sideRooms.help-asked"; room: number; ticketId: string }
  | { type: "sideRooms.help-given"; room: number };

export interface SideRoomsShape {
  state: SideRoomsState;
  command: SideRoomsCommand;
  fact: never;
  whisper: never;
  entry: SideRoomsEntry;
}

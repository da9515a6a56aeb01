import type { OwnFiles } from "@/features/shared/rooms/stage-documents";
import type { Done } from "@/contracts";
import { type Locale, type Messages } from "@/contracts/messages";
import type { DeskView } from "@/core/room";
import type { OwnSlidesActs } from "@/features/shared/slides/stage-slides";
import type { HourWords } from "@/features/shared/times";

export interface EntranceProps {
  readonly occurrenceId: string;
  readonly ticketId: string;
  readonly isStage: boolean;
  readonly name: string;
  readonly title: string;
  readonly zone: string;
  readonly startAt: number;
  readonly opensAt: number;
  readonly isOpen: boolean;
  /** there is no foyer: the doors let in when they open */
  readonly isByDoors: boolean;
  readonly isOver: boolean;
  /** another device came in by this ticket before, and this one never did */
  readonly isOtherDevice: boolean;
  readonly frontDoor: string;
  /** this browser came in by this very link before */
  readonly hasEntered: boolean;
  readonly backstage: readonly string[];
  /** how to come in by phone, line by line */
  readonly phone: readonly (readonly [label: string, value: string])[];
  /** null where nobody is called */
  readonly callMe: ((number: string) => Promise<Done<unknown>>) | null;
  /** of whoever may share files of their own; null for others */
  readonly handOuts: OwnFiles | null;
  /** slides of their own, of whoever may bring some; null for others */
  readonly slides: { readonly acts: OwnSlidesActs; readonly decks: DeskView["decks"] } | null;
  /** where one may watch without a seat; null where nobody may */
  readonly overflowHref: string | null;
  /** where one is asked how it was, once it is over; null: nothing is asked */
  readonly surveyHref: string | null;
  readonly soundBy: "computer" | "phone" | "both";
  readonly now: number;
  readonly words: Messages;
  readonly locale: Locale;
  /** the words around an hour of the event */
  readonly hour: HourWords;
  readonly look: { readonly colour: string; readonly bannerId: string | null };
  /** @param hasTriedDevices a real microphone and camera were tried: the tech check is done */
  readonly enter: (name: string, hasTriedDevices: boolean) => Promise<Done<unknown>>;
}

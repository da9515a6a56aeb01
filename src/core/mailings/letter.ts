import type { Standing } from "../people";

/** What a letter to one of the team says, as data: its words are made when it leaves. */
export type Letter =
  | {
      readonly kind: "team-invitation";
      readonly invitationId: string;
      readonly standing: Standing;
      /** who asks; "" where the recipient asked for it themself */
      readonly by: string;
    }
  | { readonly kind: "password-reset"; readonly resetId: string }
  | {
      readonly kind: "booking";
      readonly what: "made" | "moved" | "given-back";
      readonly title: string;
      readonly guest: string;
      /** the hour that it is about, the new one of a move */
      readonly startAt: number;
      readonly zone: string;
    }
  | {
      readonly kind: "seats-decided";
      readonly eventId: string;
      readonly title: string;
      readonly wantedSize: number;
      readonly isGranted: boolean;
      readonly answer: string;
    }
  /** what the room recorded is one file now, or could not be made one */
  | {
      readonly kind: "recording-made";
      readonly eventId: string;
      readonly occurrenceId: string;
      readonly title: string;
      readonly isReady: boolean;
      readonly minutes: number;
    }
  /** to whoever asked for everything that is kept of them, in their language */
  | { readonly kind: "own-file"; readonly proofId: string; readonly locale: string }
  /** to a registrant's old address, in their language */
  | {
      readonly kind: "address-changed";
      readonly title: string;
      readonly slug: string;
      readonly locale: string;
    };

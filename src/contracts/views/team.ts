import type { Standing } from "@/core/people";

/** Somebody who signs in here. */
export interface TeamLine {
  readonly userId: string;
  readonly name: string;
  readonly email: string;
  readonly standing: Standing;
  readonly isMe: boolean;
}

/** Somebody who was asked into the team and has not come yet. */
export interface InvitationLine {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly standing: Standing;
  readonly expiresAt: number;
  readonly letter: "planned" | "sent" | "failed";
}

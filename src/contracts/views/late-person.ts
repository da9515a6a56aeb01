import type { Role } from "@/core/people";

/** Somebody who may be late: with a ticket of this date, or a contact without one. */
export interface LatePerson {
  readonly personId: string;
  readonly ticketId: string | null;
  readonly name: string;
  readonly email: string;
  readonly role: Role | null;
}

/** What was done for somebody late, and what can be read out or pasted to them. */
export interface LetIn {
  readonly name: string;
  readonly email: string;
  readonly isNew: boolean;
  /** join details for copying; null for whoever may not see personal links */
  readonly details: string | null;
}

import type { MailingKind } from "@/core/mailings";

/** One mail's place in the track: what goes, when, to how many, in what state. */
export interface TrackMark {
  readonly key: string;
  readonly kind: MailingKind;
  readonly at: number;
  /** by state; the whole where nothing is planned yet */
  readonly counts: Readonly<Record<string, number>>;
  /** minutes before the start (positive) of a reminder, after the end of a follow-up */
  readonly move:
    | { readonly kind: "reminder"; readonly offsetMinutes: number }
    | { readonly kind: "follow-up"; readonly mailingId: string; readonly afterMinutes: number }
    | null;
  readonly isOff: boolean;
  readonly mailingId: string | null;
}

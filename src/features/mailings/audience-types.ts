import type { Done, MailingInput } from "@/contracts";
import type { Contact } from "@/features/shared/contact-search";

export interface AudienceList {
  readonly total: number;
  readonly people: readonly { readonly name: string; readonly email: string }[];
  readonly leftOut: readonly {
    readonly name: string;
    readonly email: string;
    readonly why: "already" | "unsubscribed" | "failed" | "by-hand";
  }[];
}

export interface AudienceChoices {
  /** of an event that has several */
  readonly dates: readonly { readonly id: string; readonly words: string }[];
  readonly groups: readonly { readonly name: string; readonly count: number }[];
  readonly tags: readonly { readonly name: string; readonly count: number }[];
  /** the single contacts that the audience holds already */
  readonly contacts: readonly Contact[];
  readonly pastEvents: readonly { readonly id: string; readonly title: string; readonly day: string }[];
}

export type ReadAudience = (
  kind: string,
  audience: MailingInput["audience"],
  words: string,
) => Promise<Done<AudienceList>>;

import type { MailingInput } from "@/contracts";
import { docFromTemplate, nobody } from "@/core/mailings";

/** A mailing that may be kept; tests change what they are about. */
export const composed = (kind: MailingInput["kind"], part: Partial<MailingInput> = {}): MailingInput => ({
  kind,
  subject: "About {{event}}",
  doc: docFromTemplate("Hello {{name}},\n\n{{join_details}}\n\nBest") as MailingInput["doc"],
  versions: [],
  audience: nobodyBut({}),
  senderName: "",
  replyTo: "",
  afterMinutes: kind.startsWith("follow-up") ? 60 : null,
  ...part,
});

/** An audience of these alone. */
export const nobodyBut = (part: Partial<MailingInput["audience"]>): MailingInput["audience"] => ({
  ...nobody,
  standing: [],
  groups: [],
  tags: [],
  personIds: [],
  except: [],
  past: [],
  ...part,
});

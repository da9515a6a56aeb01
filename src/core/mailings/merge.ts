import { fail, ok, type Result } from "../shared";
import { traitsOf, type MailingKind } from "./kinds";

export const mergeFields = [
  "name",
  "event",
  "when",
  "starts_in",
  "producer",
  "join_details",
  "question",
  "answer",
  "entry_link",
  "event_link",
  "recording_link",
  "place_in_line",
  "ticket_link",
  "survey_link",
  "reason",
] as const;

/** Fields that one kind of mail alone has. */
const fieldsOfOneKind: Readonly<Record<string, MailingKind>> = {
  question: "answer",
  answer: "answer",
  entry_link: "entry-link",
  recording_link: "recording-ready",
  place_in_line: "waiting-list",
  reason: "cancellation",
};
export type MergeField = (typeof mergeFields)[number];

/** A value in both of its forms; `html` is already escaped. */
export interface MergeValue {
  readonly text: string;
  readonly html: string;
}
export type MergeValues = Readonly<Record<MergeField, MergeValue>>;

export const mergeFieldPattern = /\{\{\s*([^{}]*?)\s*\}\}/g;
export const isMergeField = (name: string): name is MergeField => (mergeFields as readonly string[]).includes(name);

/** Line and column (both from 1) of an offset in a text. */
function placeOf(text: string, offset: number): { line: number; column: number } {
  const before = text.slice(0, offset).split("\n");
  return { line: before.length, column: before.at(-1)!.length + 1 };
}

/** A mailing's words as they may be saved: known fields only, and the join block where it is needed. */
export function checkTemplate(kind: MailingKind, subject: string, body: string): Result<void> {
  for (const text of [subject, body]) {
    for (const match of text.matchAll(mergeFieldPattern)) {
      const field = match[1]!;
      const isWrong =
        !isMergeField(field) ||
        (text === subject && field === "join_details") ||
        (fieldsOfOneKind[field] ?? kind) !== kind;
      if (isWrong) return fail({ code: "unknown-merge-field", field, ...placeOf(text, match.index) });
    }
  }
  const hasJoinBlock = [...body.matchAll(mergeFieldPattern)].some((match) => match[1] === "join_details");
  if (traitsOf(kind).needsJoinBlock && !hasJoinBlock) return fail({ code: "join-block-missing" });
  return ok(undefined);
}

export function escapeHtml(text: string): string {
  return text
    .replaceAll("&", "&amp;")
    .replaceAll("<", "&lt;")
    .replaceAll(">", "&gt;")
    .replaceAll('"', "&quot;")
    .replaceAll("'", "&#39;");
}

/** A value whose HTML form is its escaped text. */
export const plainValue = (text: string): MergeValue => ({ text, html: escapeHtml(text) });

/** Fields of a subject replaced. */
function mergeText(template: string, values: MergeValues): string {
  return template.replace(mergeFieldPattern, (whole, field: string) =>
    isMergeField(field) ? values[field].text : whole,
  );
}

/** One subject line: no breaks can enter it, whatever a value holds. */
export const mergeSubject = (template: string, values: MergeValues): string =>
  mergeText(template, values)
    .replace(/[\u0000-\u001f\u007f]+/g, " ")
    .trim();

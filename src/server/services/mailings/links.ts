import type { RenderedMessage } from "../../db/schema";
import { calendarText } from "@/core/calendar";
import { escapeHtml } from "@/core/mailings";
import type { Context } from "../ground/context";

/** Stands in a rendered message where a secret goes, a personal link, a code, a PIN: it is put in when the mail leaves. */
export const placeholder = {
  enter: "https://link.invalid/enter",
  ticket: "https://link.invalid/ticket",
  survey: "https://link.invalid/survey",
  register: "https://link.invalid/register",
  unsubscribe: "https://link.invalid/unsubscribe",
  proof: "https://link.invalid/proof",
  reply: "https://link.invalid/reply",
  event: "https://link.invalid/event",
  recording: "https://link.invalid/recording",
  /** where answers by calendar go */
  mailbox: "mailbox@link.invalid",
  accessCode: "[[the access code]]",
  pin: "[[the PIN]]",
} as const;
export type LinkKind = keyof typeof placeholder;
export interface Links extends Readonly<Record<LinkKind, string>> {
  /** the ways in of further tickets, by their ids */
  readonly enterOf: ReadonlyMap<string, string>;
}

const furtherStart = "https://link.invalid/enter-of/";
/** Stands where the way in of a further ticket goes. */
export const furtherPlaceholder = (ticketId: string): string => `${furtherStart}${ticketId}`;
const furtherPattern = /https:\/\/link\.invalid\/enter-of\/([0-9a-f-]{36})/g;

export interface LinkOwner {
  readonly ticketId: string | null;
  readonly linkVersion: number;
  readonly inviteeId: string | null;
  /** the open one-time link, in the mail that carries it */
  readonly proofId: string | null;
  /** of the recording that a mail is about */
  readonly recordingSlug: string | null;
  /** it opens to people who registered alone: their ticket goes along */
  readonly isRecordingTheirs?: boolean;
  readonly personId: string;
  readonly slug: string;
  readonly mailbox: string;
  readonly accessCode: string | null;
  readonly pin: string | null;
  /** tickets for further dates of a mail about several */
  readonly further?: readonly { readonly id: string; readonly linkVersion: number }[];
}

/** Somebody's own links, derived anew. */
export function linksOf(context: Context, owner: LinkOwner): Links {
  const origin = context.environment.STAGE_CALL_URL;
  const token = owner.ticketId ? context.secrets.tokenFor(owner.ticketId, owner.linkVersion) : null;
  const register = `${origin}/front/${owner.slug}?via=invitation`;
  const enterOf = (owner.further ?? []).map(
    ({ id, linkVersion }) => [id, `${origin}/enter/${context.secrets.tokenFor(id, linkVersion)}`] as const,
  );
  return {
    enterOf: new Map(enterOf),
    enter: token ? `${origin}/enter/${token}` : register,
    ticket: token ? `${origin}/ticket/${token}` : register,
    survey: token ? `${origin}/survey/${token}` : register,
    proof:
      token && owner.proofId
        ? `${origin}/enter/${token}?proof=${context.secrets.tokenFor(owner.proofId, 0)}`
        : register,
    reply: token
      ? `${origin}/reply/${token}`
      : owner.inviteeId
        ? `${origin}/reply/${context.secrets.tokenFor(owner.inviteeId, 0)}`
        : register,
    event: `${origin}/front/${owner.slug}`,
    recording: owner.recordingSlug
      ? `${origin}/on-demand/${owner.recordingSlug}${owner.isRecordingTheirs && token ? `?ticket=${token}` : ""}`
      : `${origin}/front/${owner.slug}`,
    register: owner.inviteeId ? `${register}&for=${context.secrets.tokenFor(owner.inviteeId, 0)}` : register,
    unsubscribe: `${origin}/unsubscribe/${context.secrets.tokenFor(owner.personId, 0)}`,
    mailbox: owner.mailbox,
    accessCode: owner.accessCode ?? "",
    pin: owner.pin ?? "",
  };
}

/** What somebody without the right to personal links sees in their place. */
export const redactedLinks: Links = {
  enterOf: new Map(),
  enter: "[personal link]",
  ticket: "[personal link]",
  survey: "[personal link]",
  register: "[personal link]",
  unsubscribe: "[personal link]",
  proof: "[personal link]",
  reply: "[personal link]",
  event: "[event link]",
  recording: "[recording link]",
  mailbox: "answers@example.invalid",
  accessCode: "[access code]",
  pin: "[PIN]",
};

export interface FinishedMessage {
  readonly subject: string;
  readonly text: string;
  readonly html: string;
  readonly calendar: { readonly method: string; readonly content: string } | null;
}

/** The message as its recipient gets it: links put in, calendar lines folded. */
export function finish(rendered: RenderedMessage, links: Links): FinishedMessage {
  const put = (text: string, written: (value: string) => string = (value) => value): string =>
    (Object.keys(placeholder) as LinkKind[]).reduce(
      // a function: a code may hold what a replacement would read as a pattern
      (out, kind) =>
        out.replaceAll(placeholder[kind], () => (kind === "accessCode" ? written(links[kind]) : links[kind])),
      text.replace(furtherPattern, (_, id: string) => links.enterOf.get(id) ?? redactedLinks.enter),
    );
  return {
    subject: rendered.subject,
    text: put(rendered.text),
    html: put(rendered.html, escapeHtml),
    calendar: rendered.calendar
      ? { method: rendered.calendar.method, content: calendarText(rendered.calendar.lines.map((line) => put(line))) }
      : null,
  };
}

import type { Messages } from "@/contracts/messages";
import { escapeHtml, type MergeValue } from "@/core/mailings";
import { phoneRows, type PhoneDetails } from "../way-in/phone-details";
import { placeholder } from "./links";

export interface JoinFacts {
  readonly audience: "holder" | "stage" | "invitee";
  readonly when: string;
  readonly callTime: string | null;
  readonly accessCode: string | null;
  readonly phone: PhoneDetails | null;
  /** by name, for the stage; "" for none */
  readonly duties: string;
  /** "" where there is none besides the link */
  readonly place: string;
  /** the languages by name, "" where there is no interpretation */
  readonly interpretedInto: string;
  /** invitees and stage people are asked whether they come */
  readonly asksForReply: boolean;
  /** the event's own, readable on white */
  readonly colour: string;
}

/** The join details: the block every invitation carries, in both of its forms, saying the same. */
export function joinBlock(words: Messages["joinBlock"], facts: JoinFacts): MergeValue {
  const link = facts.audience === "invitee" ? placeholder.register : placeholder.enter;
  const rows: [label: string, value: string, isLink: boolean][] = [
    [words.when, facts.when, false],
    [facts.audience === "invitee" ? words.register : words.join, link, true],
  ];
  if (facts.callTime) rows.splice(1, 0, [words.call, facts.callTime, false]);
  if (facts.duties) rows.push([words.duties, facts.duties, false]);
  if (facts.place) rows.push([words.place, facts.place, false]);
  if (facts.interpretedInto) rows.push([words.interpreted, facts.interpretedInto, false]);
  if (facts.audience === "holder") rows.push([words.ticket, placeholder.ticket, true]);
  if (facts.asksForReply) rows.push([words.reply, placeholder.reply, true]);
  if (facts.accessCode) rows.push([words.code, facts.accessCode, false]);
  rows.push(...phoneRows(words, facts.phone).map(([label, value]): [string, string, boolean] => [label, value, false]));
  const cell = (value: string, isLink: boolean) => (isLink ? `<a href="${value}">${value}</a>` : escapeHtml(value));
  const html = rows
    .map(
      ([label, value, isLink]) =>
        `<tr><th align="left" style="padding:2px 16px 2px 0;font-weight:600">${escapeHtml(label)}</th><td style="padding:2px 0">${cell(value, isLink)}</td></tr>`,
    )
    .join("");
  return {
    text: rows.map(([label, value]) => `${label}: ${value}`).join("\n"),
    html: `<table role="presentation" style="border-left:3px solid ${facts.colour};padding-left:12px;margin:16px 0">${html}</table>`,
  };
}

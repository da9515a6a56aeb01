import type ICAL from "ical.js";
import type { EventDraft } from "@/contracts";
import { readAddresses } from "@/core/mailings";
import { Refusal } from "@/core/shared";
import { readMoment } from "@/core/time";
import { escapeHtml } from "@/core/mailings";
import { componentsOf, durationOf, momentsOf, ruleOf, textOf } from "./read";

const paragraphs = (text: string): string =>
  text
    .split(/\n{2,}/)
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => `<p>${escapeHtml(part).replaceAll("\n", "<br>")}</p>`)
    .join("");

/** People of an entry: organizer and attendees with a mail address. */
function peopleOf(event: ICAL.Component): EventDraft["people"] {
  const properties = [...event.getAllProperties("organizer"), ...event.getAllProperties("attendee")];
  const found = properties.flatMap((property) => {
    const email = String(property.getFirstValue() ?? "")
      .replace(/^mailto:/i, "")
      .trim()
      .toLowerCase();
    const name = String(property.getFirstParameter("cn") ?? "")
      .replace(/^"|"$/g, "")
      .trim();
    return email.includes("@") ? [{ name: name || email.split("@")[0]!, email }] : [];
  });
  return [...new Map(found.map((one) => [one.email, one])).values()].slice(0, 100);
}

function fromEvent(event: ICAL.Component, others: number, floating: string): EventDraft {
  const unread: string[] = [];
  const moments = momentsOf(event.getFirstProperty("dtstart"), floating);
  const start = moments?.[0] ?? null;
  if (!start)
    unread.push(
      moments === null ? `Time zone: ${String(event.getFirstProperty("dtstart")?.getFirstParameter("tzid"))}` : "Start",
    );
  if (start?.isDate) unread.push("The hour: the entry is for a whole day");
  const rule = start ? ruleOf(event, start.zone) : { rule: null, unread: null };
  if (rule.unread) unread.push(`Repetition: ${rule.unread}`);
  const skipped = ["exdate", "rdate"].filter((name) => event.getFirstProperty(name));
  if (skipped.length > 0 && rule.rule) unread.push("Single dates taken out of or put into the series");
  if (event.getFirstProperty("attach")) unread.push("Attachments");
  if (others > 0)
    unread.push(`${others} more ${others === 1 ? "entry" : "entries"} of the file: only the first is taken`);
  const minutes = start ? durationOf(event, start) : null;
  return {
    title: textOf(event, "summary").slice(0, 200),
    descriptionHtml: paragraphs(textOf(event, "description")),
    startLocal: start?.local ?? null,
    zone: start && start.zone !== "UTC" ? start.zone : start ? "UTC" : null,
    durationMinutes: minutes !== null && minutes >= 5 && minutes <= 1440 ? minutes : null,
    rule: rule.rule,
    people: peopleOf(event),
    unread,
  };
}

/** The first event of a calendar file as the beginning of a plan. */
export function draftFromCalendar(bytes: Uint8Array, floating: string): EventDraft {
  const events = componentsOf(bytes).filter((one) => one.name === "vevent" && !one.getFirstProperty("recurrence-id"));
  const first = events[0];
  if (!first) throw new Refusal({ code: "bad-calendar", reason: "nothing-in-it" });
  return fromEvent(first, events.length - 1, floating);
}

/**
 * A plan's beginning from pasted text: the first line is the title, a line with a date and hour the
 * start, "60 min" or "1 h 30" the length, addresses the people; the rest is the description.
 */
export function draftFromText(text: string, todayLocal: string, zone: string): EventDraft {
  const lines = text
    .slice(0, 50_000)
    .split(/\r?\n/)
    .map((line) => line.trim());
  const title = lines.find(Boolean) ?? "";
  const body = lines.slice(lines.indexOf(title) + 1);
  const whenIndex = body.findIndex((line) => "local" in readMoment(line, todayLocal));
  const when = whenIndex >= 0 ? readMoment(body[whenIndex]!, todayLocal) : null;
  const length = /(\d{1,2})\s*h(?:ours?)?(?:\s*(\d{1,2})\s*(?:min)?)?\b|(\d{2,3})\s*min/i.exec(
    body.filter((_, i) => i !== whenIndex).join("\n"),
  );
  const minutes = length ? (length[3] ? Number(length[3]) : Number(length[1]) * 60 + Number(length[2] ?? 0)) : null;
  const rest = body.filter((line, i) => i !== whenIndex && !/@/.test(line) && !(length && line === length[0].trim()));
  const people = readAddresses(body.filter((line) => line.includes("@")).join("\n")).addresses.map((one) => ({
    name: one.name || one.email.split("@")[0]!,
    email: one.email,
  }));
  return {
    title: title.slice(0, 200),
    descriptionHtml: paragraphs(rest.join("\n")),
    startLocal: when && "local" in when ? when.local : null,
    zone,
    durationMinutes: minutes !== null && minutes >= 5 && minutes <= 1440 ? minutes : null,
    rule: null,
    people,
    unread: when ? [] : ["A date and hour: none was found"],
  };
}

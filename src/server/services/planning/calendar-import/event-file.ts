import type ICAL from "ical.js";
import type { EventDraft, UnreadPart } from "@/contracts";
import { Refusal } from "@/core/shared";
import { escapeHtml } from "@/core/mailings";
import { componentsOf, durationOf, momentsOf, ruleOf, textOf } from "./read";

export const paragraphs = (text: string): string =>
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

/** LOCATION where it names a place: a link in it is the entry's old way in. */
function placeOf(event: ICAL.Component): string {
  const location = textOf(event, "location");
  return /^[a-z]+:\/\//i.test(location) ? "" : location.slice(0, 300);
}

function fromEvent(event: ICAL.Component, others: number, floating: string): EventDraft {
  const unread: UnreadPart[] = [];
  const moments = momentsOf(event.getFirstProperty("dtstart"), floating);
  const start = moments?.[0] ?? null;
  if (!start) {
    const zone = event.getFirstProperty("dtstart")?.getFirstParameter("tzid");
    unread.push(moments === null ? { part: "zone", detail: String(zone) } : { part: "start" });
  }
  if (start?.isDate) unread.push({ part: "hour-of-whole-day" });
  const rule = start ? ruleOf(event, start.zone) : { rule: null, unread: null };
  if (rule.unread) unread.push({ part: "repetition", detail: rule.unread });
  const skipped = ["exdate", "rdate"].filter((name) => event.getFirstProperty(name));
  if (skipped.length > 0 && rule.rule) unread.push({ part: "single-dates" });
  if (event.getFirstProperty("attach")) unread.push({ part: "attachments" });
  if (others > 0) unread.push({ part: "more-entries", detail: String(others) });
  const minutes = start ? durationOf(event, start) : null;
  return {
    title: textOf(event, "summary").slice(0, 200),
    descriptionHtml: paragraphs(textOf(event, "description")),
    startLocal: start?.local ?? null,
    zone: start && start.zone !== "UTC" ? start.zone : start ? "UTC" : null,
    durationMinutes: minutes !== null && minutes >= 5 && minutes <= 1440 ? minutes : null,
    rule: rule.rule,
    place: placeOf(event),
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

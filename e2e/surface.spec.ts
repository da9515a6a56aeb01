import { expect, test, type APIRequestContext, type APIResponse, type Page } from "./support/test";
import { parse } from "csv-parse/sync";
import ICAL from "ical.js";
import { demoLinks } from "../scripts/demo/links";
import { signIn } from "./support/team";

/** Addresses and formats that others rely on (shared/surface.md), through the real server. */
const nobody = "00000000-0000-4000-8000-000000000000";
const eventFiles = {
  "registrants.csv": "name,email,status,registered_at,source,time_zone,date_start",
  "invitees.csv": "name,email,reply,invited_at,replied_at,registered",
};
const dateFiles = {
  "attendance.csv":
    "person,name,email,role,registered,first_in,last_out,minutes_present,percent_present,devices,entries,questions,votes,hands,credit_points",
  "entries.csv": "person,name,email,role,device,in,out",
  "polls.csv": "poll,kind,question,option,votes,percent,voters,mean,median,points,right,low,high",
  "ballots.csv": "poll,question,name,email,choice,at",
  "questions.csv": "asked_at,name,email,text,votes,state,answer,answered_by,answered_at,visibility",
  "chat.csv": "at,name,to,text,state",
  "signals.csv": "at,signal,count",
  "side-rooms.csv": "room,name,email,in,out",
  "viewers.csv": "name,email,watched_seconds,coverage_percent,is_complete,first_at,last_at,views",
  "floor.csv": "name,email,offered_at,accepted_at,ended_at,seconds_open",
  "credit.csv": "email,points,out_of",
};
const links = () => demoLinks(process.env);
const component = (text: string) => new ICAL.Component(ICAL.parse(text) as never);
const entriesOf = (text: string) => component(text).getAllSubcomponents("vevent");

async function expectFile(answer: APIResponse, type: RegExp): Promise<string> {
  expect(answer.status()).toBe(200);
  expect(answer.headers()["content-type"]).toMatch(type);
  return answer.text();
}

test("team files: exact headers for the team, nothing for anybody else", async ({ page, request }) => {
  const { past } = await links();
  const paths = [
    ...Object.keys(eventFiles).map((name) => `/events/${past.eventId}/${name}`),
    ...Object.keys(dateFiles).map((name) => `/events/${past.eventId}/dates/${past.occurrenceId}/${name}`),
    "/contacts/contacts.csv",
    "/contacts/contacts.vcf",
  ];
  for (const path of paths) {
    const answer = await request.get(path);
    expect([path, answer.status()]).toEqual([path, 401]);
    expect(await answer.text()).not.toContain("@example");
  }
  await signIn(page);
  const read = async (path: string, header: string) => {
    const answer = await page.request.get(path);
    const text = await expectFile(answer, /^text\/csv/);
    expect(answer.headers()).toMatchObject({
      "content-disposition": expect.stringContaining("attachment"),
      "cache-control": "no-store",
    });
    expect(text.startsWith("\ufeff")).toBe(true);
    // answers to the event's own questions and later columns stand at the end
    expect(text.slice(1, text.indexOf("\r\n")).startsWith(header)).toBe(true);
    expect(text.replaceAll("\r\n", "")).not.toMatch(/[\r]/);
    return parse(text, { bom: true, columns: true }) as Record<string, string>[];
  };
  for (const [name, header] of Object.entries(eventFiles))
    expect((await read(`/events/${past.eventId}/${name}`, header)).length).toBeGreaterThanOrEqual(0);
  const rows = Object.fromEntries(
    await Promise.all(
      Object.entries(dateFiles).map(
        async ([name, header]) =>
          [name, await read(`/events/${past.eventId}/dates/${past.occurrenceId}/${name}`, header)] as const,
      ),
    ),
  );
  // one line a person, one a connection, and the same people in both
  const people = rows["attendance.csv"]!.filter((row) => Number(row["entries"]) > 0);
  expect(new Set(rows["entries.csv"]!.map((row) => row["person"])).size).toBe(people.length);
  expect(people.reduce((sum, row) => sum + Number(row["entries"]), 0)).toBe(rows["entries.csv"]!.length);
  for (const row of rows["entries.csv"]!.slice(0, 50)) {
    expect(row["in"]).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/);
    if (row["out"]) expect(Date.parse(row["out"])).toBeGreaterThanOrEqual(Date.parse(row["in"]!));
  }
  for (const path of [
    `/events/${nobody}/registrants.csv`,
    `/events/${past.eventId}/dates/${nobody}/attendance.csv`,
    `/events/${past.eventId}/dates/${past.occurrenceId}/secrets.csv`,
    `/events/x/dates/y/attendance.csv`,
  ])
    expect([path, (await page.request.get(path)).status()]).toEqual([path, 404]);
});

test("calendars and feeds: public ones without anybody's link, a ticket's with its own", async ({ request }) => {
  const { results, soonAttendee } = await links();
  const own = await expectFile(await request.get(`/front/${results.slug}/calendar.ics`), /^text\/calendar/);
  expect(component(own).getFirstPropertyValue("method")).toBe("PUBLISH");
  expect(entriesOf(own)).toHaveLength(1);
  const all = await expectFile(await request.get("/calendar.ics"), /^text\/calendar/);
  expect(entriesOf(all).length).toBeGreaterThan(3);
  // each date once: a series has one UID and a RECURRENCE-ID for each
  const names = entriesOf(all).map(
    (entry) =>
      `${String(entry.getFirstPropertyValue("uid"))} ${String(entry.getFirstPropertyValue("recurrence-id") ?? "")}`,
  );
  expect(new Set(names).size).toBe(names.length);
  const feed = await expectFile(await request.get("/feed.xml"), /xml/);
  for (const text of [own, all, feed]) {
    expect(text).not.toMatch(/\/(enter|ticket|reply|unsubscribe)\//);
    expect(text).not.toContain("Briefing for ringing crews");
  }
  const answer = await request.get(`/ticket/${soonAttendee}/calendar.ics`);
  const ticket = await expectFile(answer, /^text\/calendar/);
  expect(answer.headers()).toMatchObject({ "cache-control": "no-store", "referrer-policy": "no-referrer" });
  expect(component(ticket).getFirstPropertyValue("method")).toBe("REQUEST");
  expect(String(entriesOf(ticket)[0]!.getFirstPropertyValue("url"))).toContain(`/enter/${soonAttendee}`);
  expect((await request.get("/ticket/nonsense/calendar.ics")).status()).toBe(404);
});

test("a public page is the same whatever a link brings along; slots lead to their booking", async ({ request }) => {
  const { results, bookingSlug } = await links();
  const plain = await request.get(`/front/${results.slug}`);
  const marked = await request.get(`/front/${results.slug}?utm_source=letter&x=${"y".repeat(200)}`);
  expect([plain.status(), marked.status()]).toEqual([200, 200]);
  expect(await marked.text()).not.toContain("yyyyy");
  const slots = await request.get(`/front/${bookingSlug}`, { maxRedirects: 0 });
  expect(slots.status()).toBe(307);
  expect(slots.headers()["location"]).toContain(`/book/${bookingSlug}`);
});

async function feedOf(
  page: Page,
): Promise<{ root: string; entries: { id: string; title: string; link: string; updated: string }[] }> {
  return page.evaluate(async () => {
    const xml = new DOMParser().parseFromString(await (await fetch("/feed.xml")).text(), "application/xml");
    const text = (of: Element, name: string) => of.getElementsByTagName(name)[0]?.textContent ?? "";
    return {
      root: xml.documentElement.namespaceURI + xml.documentElement.localName,
      entries: [...xml.getElementsByTagName("entry")].map((one) => ({
        id: text(one, "id"),
        title: text(one, "title"),
        link: one.getElementsByTagName("link")[0]?.getAttribute("href") ?? "",
        updated: text(one, "updated"),
      })),
    };
  });
}

test("the public page says what it is to machines (schema.org, Open Graph), the feed what is new (RFC 4287)", async ({
  page,
}) => {
  const { results } = await links();
  await page.goto(`/front/${results.slug}`);
  const said = JSON.parse((await page.locator('script[type="application/ld+json"]').textContent())!) as Record<
    string,
    unknown
  >;
  expect(said).toMatchObject({
    "@context": "https://schema.org",
    "@type": "Event",
    name: "Annual results night",
    // people may also come in person
    eventAttendanceMode: "https://schema.org/MixedEventAttendanceMode",
    location: [{ "@type": "VirtualLocation" }, { "@type": "Place", name: "Assembly room, Brinewold" }],
  });
  expect(Date.parse(String(said["startDate"]))).toBeLessThan(Date.parse(String(said["endDate"])));
  const image = await page.locator('meta[property="og:image"]').getAttribute("content");
  const picture = await page.request.get(new URL(image!).pathname + new URL(image!).search);
  expect([picture.status(), picture.headers()["content-type"]?.startsWith("image/")]).toEqual([200, true]);
  await expect(page.locator('meta[property="og:title"]')).toHaveAttribute("content", /Annual results night/);
  await page.goto("/");
  const { root, entries } = await feedOf(page);
  expect(root).toBe("http://www.w3.org/2005/Atomfeed");
  expect(entries.length).toBeGreaterThan(3);
  expect(new Set(entries.map((one) => one.id)).size).toBe(entries.length);
  for (const one of entries) {
    expect(one.id).toMatch(/^urn:uuid:[0-9a-f-]{36}$/);
    expect(Number.isNaN(Date.parse(one.updated))).toBe(false);
    expect(one.title).not.toBe("");
  }
  for (const one of entries.slice(0, 5))
    expect([one.link, (await page.request.get(one.link)).status()]).toEqual([one.link, 200]);
});

test("health, recordings by range, and ways that are closed", async ({ request, page }) => {
  const { recordingSlug, live } = await links();
  expect(await (await request.get("/health")).json()).toEqual({ ok: true });
  const media = `/on-demand/${recordingSlug}/media`;
  const ranged = (range: string) => request.get(media, { headers: { range } });
  const size = Number(
    (await request.head(media)).headers()["content-length"] ??
      (await ranged("bytes=0-0")).headers()["content-range"]!.split("/")[1],
  );
  const last = await ranged("bytes=-4");
  expect([last.status(), last.headers()["content-range"], (await last.body()).length]).toEqual([
    206,
    `bytes ${size - 4}-${size - 1}/${size}`,
    4,
  ]);
  expect((await ranged(`bytes=${size}-`)).status()).toBe(416);
  const chapters = await expectFile(await request.get(`/on-demand/${recordingSlug}/chapters.vtt`), /^text\/vtt/);
  expect(chapters).toMatch(/^WEBVTT\n\n/);
  await expectClosed(request, live.occurrenceId);
  for (const path of [
    "/season",
    "/contacts",
    "/outbox",
    "/organisation",
    "/recordings",
    `/events/${live.eventId}/plan`,
  ]) {
    await page.goto(path);
    await expect(page).toHaveURL(/\/sign-in$/);
  }
});

async function expectClosed(request: APIRequestContext, occurrenceId: string): Promise<void> {
  expect((await request.get(`/live/${occurrenceId}/stream`)).status()).toBe(401);
  expect((await request.get(`/live/${occurrenceId}/stream?as=${nobody}`)).status()).toBe(401);
  expect([401, 403, 404]).toContain((await request.post(`/live/${occurrenceId}/commands`, { data: {} })).status());
  const own = { data: "x", headers: { origin: process.env["STAGE_CALL_URL"]! } };
  for (const path of ["/upload/contacts", `/upload/picture/${nobody}`, `/upload/file/${nobody}`]) {
    expect([path, (await request.post(path, own)).status()]).toEqual([path, 401]);
    expect([
      path,
      (await request.post(path, { data: "x", headers: { origin: "https://elsewhere.example.com" } })).status(),
    ]).toEqual([path, 403]);
  }
  expect((await request.put(`/upload/recording/${nobody}/${nobody}`, own)).status()).toBe(401);
}

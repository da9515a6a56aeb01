import sharp from "sharp";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { FrontDoorInput } from "@/contracts";
import { minuteMs } from "@/core/time";
import { eventPictures, events, organisations, people, tickets } from "@/server/db/schema";
import { addFile, fileBody, filesOf, removeFile } from "@/server/services/way-in/front/files";
import { organisationFeed } from "@/server/services/outside/feed";
import { frontDoorDraft, saveFrontDoor } from "@/server/services/way-in/front/look";
import { addPicture, pictureBody } from "@/server/services/way-in/front/pictures";
import { frontDoor } from "@/server/services/way-in/front-door";
import { sendDue } from "@/server/services/mailings/deliver";
import { register } from "@/server/services/way-in/registration";
import { cancelRegistration, comeBack } from "@/server/services/way-in/registration-changes";
import { holderById } from "@/server/services/way-in/tickets";
import { addStagePerson } from "@/server/services/people/stage-people";
import { makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let organisation: typeof organisations.$inferSelect;
beforeAll(async () => {
  world = await makeWorld();
  organisation = (await world.context.db.select().from(organisations))[0]!;
});
afterAll(() => world.close());
beforeEach(async () => {
  event = await makeEvent(world);
});

const row = async () => (await world.context.db.select().from(events).where(eq(events.id, event.eventId)))[0]!;
const door = async () => {
  const found = await frontDoor(world.context, organisation, (await row()).slug, { cookie: null, isInvited: false });
  if (found.isLocked) throw new Error("locked");
  return found.door;
};
const save = async (part: Partial<FrontDoorInput>) => {
  const { version, input } = await frontDoorDraft(world.context, world.owner, event.eventId);
  return saveFrontDoor(world.context, world.owner, event.eventId, version, { ...input, ...part });
};
let calls = 0;
const signUp = async (email: string, answers: Record<string, string> = {}, locale = "en") =>
  register(
    world.context,
    await door(),
    { name: "Guest", email, zone: null, hasConsented: true, source: null, locale, answers },
    `r${(calls += 1)}`,
  );
const ticketOf = async (email: string) =>
  (
    await world.context.db
      .select({ ticket: tickets })
      .from(tickets)
      .innerJoin(people, eq(people.id, tickets.personId))
      .where(eq(people.email, email))
  )[0]!.ticket;

describe("pictures", () => {
  const png = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: "#0E5A5A" } })
      .png()
      .toBuffer();

  it("are made anew as WebP within bounds, whatever came", async () => {
    const { id, width, height } = await addPicture(world.context, world.owner, event.eventId, await png(3200, 800));
    expect([width, height]).toEqual([1600, 400]);
    const bytes = Buffer.from(await new Response(await pictureBody(world.context, id)).arrayBuffer());
    expect((await sharp(bytes).metadata()).format).toBe("webp");
  });
  it("that are none, hold a script, or have 50 megapixels are refused, and nothing stays", async () => {
    const svg = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10"><script>alert(1)</script></svg>',
    );
    for (const bytes of [svg, Buffer.from("no picture"), Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3])])
      await expect(addPicture(world.context, world.owner, event.eventId, bytes)).rejects.toMatchObject({
        failure: { code: "bad-file", reason: "not-a-picture" },
      });
    await expect(addPicture(world.context, world.owner, event.eventId, await png(10_000, 5_000))).rejects.toMatchObject(
      { failure: { code: "bad-file" } },
    );
    expect(await world.context.db.$count(eventPictures, eq(eventPictures.eventId, event.eventId))).toBe(0);
  });
  it("of another event cannot be taken", async () => {
    const other = await makeEvent(world);
    const { id } = await addPicture(world.context, world.owner, other.eventId, await png(10, 10));
    await expect(save({ look: { colour: "#0E5A5A", bannerId: id, logoId: null } })).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
  });
});

describe("the look and the people of the page", () => {
  it("are kept, shown, and refused to the second of two editors", async () => {
    await addStagePerson(world.context, world.owner, event.eventId, {
      name: "Ilka Varn",
      email: "ilka@example.org",
      role: "panelist",
      duties: [],
      languages: null,
    });
    const { version, input } = await frontDoorDraft(world.context, world.owner, event.eventId);
    const wanted = {
      ...input,
      look: { ...input.look, colour: "#7A1F5C" },
      agendaShown: false,
      stage: input.stage.map((one) => ({ ...one, aboutLine: "Counts\r\ngodwits" })),
    };
    await saveFrontDoor(world.context, world.owner, event.eventId, version, wanted);
    await expect(saveFrontDoor(world.context, world.owner, event.eventId, version, wanted)).rejects.toMatchObject({
      failure: { code: "edited-meanwhile" },
    });
    const shown = await door();
    expect(shown.stage).toMatchObject([{ name: "Ilka Varn", aboutLine: "Counts godwits" }]);
    expect(shown.event.look.colour).toBe("#7A1F5C");
    await expect(
      save({ look: { colour: "red;background:url(x)", bannerId: null, logoId: null } }),
    ).rejects.toMatchObject({ failure: { code: "invalid-input" } });
    await signUp("dressed@example.org");
    await sendDue(world.context);
    expect(world.sent.find((mail) => mail.to.address === "dressed@example.org")!.html).toContain("#7A1F5C");
  });
});

describe("files for visitors", () => {
  it("go in and out whole; pages and scripts come out as plain bytes", async () => {
    const body = (text: string) => new Blob([text]).stream();
    const { id } = await addFile(
      world.context,
      world.owner,
      event.eventId,
      "map/../<b>.html",
      body("<script>alert(1)</script>"),
      null,
    );
    const out = await fileBody(world.context, event.eventId, id);
    expect(out).toMatchObject({ mediaType: "application/octet-stream", name: "map .. <b>.html" });
    expect(await new Response(out.body).text()).toBe("<script>alert(1)</script>");
    await expect(addFile(world.context, world.owner, event.eventId, "cut.pdf", body("abc"), 10)).rejects.toMatchObject({
      failure: { code: "upload-cut" },
    });
    expect(await filesOf(world.context, event.eventId)).toHaveLength(1);
    await removeFile(world.context, world.owner, event.eventId, id);
    await expect(fileBody(world.context, event.eventId, id)).rejects.toMatchObject({ failure: { code: "not-found" } });
  });
});

describe("registration", () => {
  it("asks what the form asks, in the visitor's language from then on", async () => {
    await save({
      formFields: [{ id: "site", label: "Site", kind: "choice", isRequired: true, options: ["north", "south"] }],
    });
    await expect(signUp("x@example.org", { site: "west" })).rejects.toMatchObject({
      failure: { code: "invalid-input", issues: [{ path: "answers.site" }] },
    });
    await signUp("layla@example.org", { site: "north" }, "ar");
    await sendDue(world.context);
    const mail = world.sent.findLast((one) => one.to.address === "layla@example.org")!;
    expect(mail.subject).toBe("تذكرتك: Tides and the saltmarsh");
    expect(mail.html).toContain('dir="rtl"');
  });
  it("takes addresses of named domains at once though the others wait", async () => {
    await world.context.db
      .update(events)
      .set({ approval: "by-hand", approvedDomains: ["brinewold.example.org"] })
      .where(eq(events.id, event.eventId));
    await signUp("own@brinewold.example.org");
    await signUp("other@example.com");
    expect([
      (await ticketOf("own@brinewold.example.org")).status,
      (await ticketOf("other@example.com")).status,
    ]).toEqual(["registered", "pending"]);
  });
  it("comes back from the ticket, at the end of the line where the places are gone", async () => {
    await world.context.db.update(events).set({ registrationLimit: 1 }).where(eq(events.id, event.eventId));
    await signUp("first@example.org");
    await signUp("second@example.org");
    const first = await ticketOf("first@example.org");
    await cancelRegistration(world.context, await holderById(world.context, first.id));
    expect((await ticketOf("second@example.org")).status).toBe("registered");
    world.clock.advance(minuteMs);
    await comeBack(world.context, await holderById(world.context, first.id));
    expect((await ticketOf("first@example.org")).status).toBe("waiting");
    await expect(comeBack(world.context, await holderById(world.context, first.id))).rejects.toMatchObject({
      failure: { code: "wrong-state" },
    });
  });
});

describe("the feed (RFC 4287)", () => {
  it("lists public events, escaped, with ids that stay; private ones are not in it", async () => {
    await world.context.db.update(events).set({ title: 'Tides <script> & "co"' }).where(eq(events.id, event.eventId));
    const hidden = await makeEvent(world, { title: "Hidden", isPrivate: true, accessCode: "spoonbill-44" });
    const feed = await organisationFeed(world.context, organisation);
    expect(feed).toContain("<title>Tides &lt;script&gt; &amp; &quot;co&quot;</title>");
    expect(feed).toContain(`<id>urn:uuid:${event.occurrenceId}</id>`);
    expect(feed).not.toContain("Hidden");
    expect(feed).not.toContain(hidden.occurrenceId);
    expect(feed).toMatch(/<updated>\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ<\/updated>/);
  });
});

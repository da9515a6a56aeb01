import { randomUUID } from "node:crypto";
import { mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { and, eq, isNull } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from "vitest";
import type { CommandBody } from "@/contracts";
import { mostPieceBytes } from "@/core/programme";
import { overflowWatchers, stays, tickets } from "@/server/db/schema";
import { makeEdge, type Edge } from "../support/edge";
import { openHour, type Hour } from "../support/hour";
import { composedPieces } from "../support/pieces";
import { addTicket, makeWorld, type World } from "../support/world";

let world: World;
let edge: Edge;
let hour: Hour;
let [anna, bo, livia] = ["", "", ""];
beforeAll(async () => {
  world = await makeWorld();
  edge = await makeEdge(world);
});
afterAll(async () => {
  await edge.close();
  await world.close();
});
beforeEach(async () => {
  hour = await openHour(world, ["Anna Weil", "Bo Lund"], [{ name: "Livia Aranda", role: "panelist" }]);
  [anna, bo] = hour.guests as [string, string];
  [livia] = hour.stage as [string];
});

const live = (part: string): string => `/live/${hour.event.occurrenceId}/${part}`;
const failing = (code: string) => ({ body: { ok: false, failure: { code } } });
async function command(by: string, body: CommandBody, commandId: string = randomUUID()) {
  const asked = { method: "POST", cookie: await edge.cookieOf(by), body: JSON.stringify({ commandId, command: body }) };
  return edge.ask(live(`commands?as=${by}`), asked);
}

/** Opens a stream and reads until its first picture is there. */
async function opened(as: string) {
  const incoming = await edge.open(live(`stream?as=${as}`), { cookie: await edge.cookieOf(as) });
  let text = "";
  incoming.setEncoding("utf8");
  incoming.on("data", (part: string) => (text += part));
  incoming.on("error", () => {});
  await vi.waitFor(() => expect(text).toContain("event: snapshot"));
  const follow = JSON.parse(/^event: follow\ndata: (.*)$/m.exec(text)![1]!) as { now: number; connectionId: string };
  return { incoming, follow };
}

describe("an address of the live edge", () => {
  it("that is none says so as data, whatever it looks like", async () => {
    for (const path of [
      "/live/",
      "/live/nothing/stream",
      live(""),
      live("streams"),
      live("piece-x.m4s"),
      `${live("stream")}/more`,
    ])
      expect(await edge.ask(path), path).toMatchObject({ status: 404, ...failing("not-found") });
  });
  it("takes the methods that it is there for", async () => {
    for (const [part, method] of [
      ["commands", "GET"],
      ["stream", "POST"],
      ["programme.m3u8", "POST"],
      ["watching", "GET"],
      ["lease", "DELETE"],
    ] as const)
      expect((await edge.ask(live(part), { method })).status, `${method} ${part}`).toBe(405);
  });
  it("of a date that nobody made opens to nobody", async () => {
    const cookie = await edge.cookieOf(anna);
    const path = `/live/${randomUUID()}/stream?as=${anna}`;
    expect(await edge.ask(path, { cookie })).toMatchObject({ status: 404, ...failing("not-found") });
  });
});

describe("who asks", () => {
  const stream = (as: string, cookie?: string) =>
    edge.ask(live(`stream?as=${as}`), cookie === undefined ? {} : { cookie });
  it("is whoever has the ticket's own cookie, and nobody else", async () => {
    expect(await stream(anna)).toMatchObject({ status: 401, ...failing("not-signed-in") });
    expect(await stream(anna, `sc-${anna}=forged`)).toMatchObject({ status: 404, ...failing("not-found") });
    const ofBo = (await edge.cookieOf(bo)).split("=")[1]!;
    expect(await stream(anna, `sc-${anna}=${ofBo}`)).toMatchObject({ status: 404, ...failing("not-found") });
    expect(await stream("not-an-id", "sc-not-an-id=x")).toMatchObject({ status: 404 });
    // without a ticket it is the team's own desk
    expect((await edge.ask(live("stream"))).status).toBe(401);
  });
  it("is refused with a link of before it was replaced, with one that was withdrawn, and once shown out", async () => {
    const cookie = await edge.cookieOf(anna);
    const set = (id: string, to: Partial<typeof tickets.$inferInsert>) =>
      world.context.db.update(tickets).set(to).where(eq(tickets.id, id));
    await set(anna, { linkVersion: 2 });
    expect(await stream(anna, cookie)).toMatchObject({ status: 404 });
    const again = await edge.cookieOf(anna);
    await set(anna, { revokedAt: world.clock.now() });
    expect(await stream(anna, again)).toMatchObject({ status: 404 });
    await set(bo, { barredAt: world.clock.now() });
    expect(await stream(bo, await edge.cookieOf(bo))).toMatchObject({ status: 404 });
  });
});

describe("a stream", () => {
  const isOpen = async (ticketId: string) => {
    const open = await world.context.db
      .select()
      .from(stays)
      .where(and(eq(stays.ticketId, ticketId), isNull(stays.toAt)));
    return open.length;
  };
  it("begins with what is followed and how it stands, and its end is a going", async () => {
    const before = await isOpen(livia);
    const { incoming, follow } = await opened(livia);
    expect(incoming.statusCode).toBe(200);
    expect(incoming.headers).toMatchObject({
      "content-type": "text/event-stream",
      "cache-control": "no-store, no-transform",
      "x-accel-buffering": "no",
    });
    expect(incoming.headers.date).toMatch(/ GMT$/);
    expect(follow.now).toBe(world.clock.now());
    expect(await isOpen(livia)).toBe(before + 1);
    incoming.destroy();
    await vi.waitFor(async () => expect(await isOpen(livia)).toBe(before));
  });
  it("is one of four at most of a ticket; when one of them ends there is room again", async () => {
    const four = await Promise.all([1, 2, 3, 4].map(() => opened(livia)));
    const path = live(`stream?as=${livia}`);
    const cookie = await edge.cookieOf(livia);
    expect(await edge.ask(path, { cookie })).toMatchObject({ status: 429, ...failing("too-many-streams") });
    four[0]!.incoming.destroy();
    const fifth = await vi.waitFor(async () => {
      const incoming = await edge.open(path, { cookie });
      if (incoming.statusCode !== 200) incoming.resume();
      expect(incoming.statusCode).toBe(200);
      return incoming;
    });
    for (const one of [...four.map(({ incoming }) => incoming), fifth]) one.destroy();
  });
});

describe("a command", () => {
  const raise = { type: "hour.raise-curtain" } as const;
  it("is refused from another site, unread where it is too large, and as data where it is none", async () => {
    const cookie = await edge.cookieOf(hour.producerId);
    const path = live(`commands?as=${hour.producerId}`);
    const body = JSON.stringify({ commandId: randomUUID(), command: raise });
    for (const origin of [null, "https://elsewhere.example"])
      expect(await edge.ask(path, { method: "POST", cookie, origin, body })).toMatchObject({
        status: 403,
        ...failing("wrong-origin"),
      });
    const large = { method: "POST", cookie, body: "x".repeat(16_385) };
    expect(await edge.ask(path, large)).toMatchObject({ status: 413, ...failing("too-large") });
    for (const bad of ["", "{", "[]", '{"commandId":"x"}', JSON.stringify({ commandId: randomUUID(), command: {} })])
      expect(await edge.ask(path, { method: "POST", cookie, body: bad }), bad).toMatchObject({
        status: 422,
        ...failing("invalid-input"),
      });
  });
  it("is carried out once, however often it is sent, and answered alike", async () => {
    const id = randomUUID();
    const first = await command(hour.producerId, raise, id);
    expect(first).toMatchObject({ status: 200, body: { ok: true } });
    expect((await command(hour.producerId, raise, id)).body).toEqual(first.body);
    expect(await command(hour.producerId, raise)).toMatchObject({ status: 409, ...failing("already-done") });
  });
  it("of the desk is none of the audience's or the stage's; one of the house's needs a seat in it", async () => {
    for (const id of [anna, livia])
      expect(await command(id, raise)).toMatchObject({ status: 403, ...failing("not-allowed") });
    const ask: CommandBody = { type: "questions.ask", text: "How deep is the well?", segmentId: null };
    expect(await command(anna, ask)).toMatchObject({ status: 200 });
    const outside = await addTicket(world, hour.event, "attendee", "Tarn Holm");
    expect(await command(outside, ask)).toMatchObject({ status: 403, ...failing("not-inside") });
  });
  it("that is a sign of life costs no look at who sends it, and carries the stay on", async () => {
    const { incoming, follow } = await opened(livia);
    world.clock.advance(5000);
    const body = JSON.stringify({
      commandId: randomUUID(),
      command: { type: "sign", connectionId: follow.connectionId },
    });
    expect(await edge.ask(live("commands"), { method: "POST", body })).toMatchObject({
      status: 200,
      body: { ok: true, seq: 0 },
    });
    await edge.app.signs.flush();
    const own = eq(stays.connectionId, follow.connectionId);
    const [stay] = await world.context.db.select().from(stays).where(own);
    expect(stay!.lastSignAt).toBe(world.clock.now());
    incoming.destroy();
  });
});

describe("pieces of the programme", () => {
  const folder = mkdtempSync(join(tmpdir(), "edge-"));
  let [init, piece]: Uint8Array[] = [];
  beforeAll(async () => {
    const { initPath, piecePaths } = await composedPieces(folder, "p", 2);
    [init, piece] = [readFileSync(initPath), readFileSync(piecePaths[0]!)];
  });
  const device = randomUUID();
  const post = async (by: string, body: Uint8Array, of: { device?: string; feed?: string } = {}) =>
    edge.ask(live(`pieces?feed=${of.feed ?? "programme"}&device=${of.device ?? device}&holding=0&ms=1000&as=${by}`), {
      method: "POST",
      cookie: await edge.cookieOf(by),
      body,
    });
  const lease = async (by: string, of: { device?: string; release?: boolean } = {}) =>
    edge.ask(live(`lease?feed=programme&device=${of.device ?? device}&as=${by}${of.release ? "&release=1" : ""}`), {
      method: "POST",
      cookie: await edge.cookieOf(by),
    });
  const got = async (part: string, by: string) =>
    edge.ask(live(`${part}?as=${by}`), { cookie: await edge.cookieOf(by) });

  it("are taken from whoever holds the lease, one at a time, and from nobody of the audience", async () => {
    expect(await lease(anna)).toMatchObject({ status: 403, ...failing("not-allowed") });
    expect(await post(anna, init!)).toMatchObject({ status: 403, ...failing("not-allowed") });
    expect(await lease(livia)).toMatchObject({ status: 200 });
    const other = randomUUID();
    expect(await lease(hour.producerId, { device: other })).toMatchObject({ status: 409, ...failing("no-lease") });
    expect(await post(hour.producerId, init!, { device: other })).toMatchObject({
      status: 409,
      ...failing("no-lease"),
    });
    // another page of the same person is another maker
    expect(await lease(livia, { device: other })).toMatchObject({ status: 409 });
    await lease(livia, { release: true });
    expect(await lease(hour.producerId, { device: other })).toMatchObject({ status: 200 });
  });
  it("are refused where they are none, or too large, or of a feed that is none", async () => {
    await lease(livia);
    expect(await post(livia, new Uint8Array(40).fill(7))).toMatchObject({ status: 415, ...failing("not-media") });
    expect(await post(livia, new Uint8Array(mostPieceBytes + 1))).toMatchObject({ status: 413 });
    for (const feed of ["screen", "programme:9000", "sound:"])
      expect(await post(livia, init!, { feed }), feed).toMatchObject({ status: 404 });
    // nobody interprets: nobody makes that sound
    expect(await post(livia, init!, { feed: "sound:es" })).toMatchObject({ status: 403 });
  });
  it("reach the house while the curtain is up; once it falls no address gives one of them out", async () => {
    await hour.run({ type: "hour.raise-curtain" });
    // a room that nobody follows keeps nothing
    const { incoming } = await opened(anna);
    await lease(livia);
    expect(await post(livia, init!)).toMatchObject({ body: { ok: true, number: 1 } });
    expect(await post(livia, piece!)).toMatchObject({ body: { ok: true, number: 1 } });
    const list = await got("programme.m3u8", anna);
    expect([list.status, list.headers["content-type"]]).toEqual([200, "application/vnd.apple.mpegurl"]);
    expect(list.body).toContain("piece-1.m4s");
    expect(await got("piece-1.m4s", anna)).toMatchObject({ status: 200 });
    expect((await got("init-1.mp4", anna)).headers["content-type"]).toBe("video/mp4");
    const outside = await addTicket(world, hour.event, "attendee", "Tarn Holm");
    expect(await got("programme.m3u8", outside)).toMatchObject({ status: 403, ...failing("not-inside") });

    expect((await command(hour.producerId, { type: "hour.drop-curtain" })).status).toBe(200);
    await vi.waitFor(async () => expect((await got("programme.m3u8", anna)).body).not.toContain("piece-1.m4s"));
    for (const part of ["piece-1.m4s", "piece-270-1.m4s", "piece-sound-1.m4s", "piece-0.m4s"])
      expect(await got(part, anna), part).toMatchObject({ status: 404 });
    // what is made meanwhile is held back too
    expect(await post(livia, piece!)).toMatchObject({ body: { ok: true, number: null } });
    incoming.destroy();
  });
  it("are watched without a seat by the date's pass alone; a screen that says so is counted", async () => {
    const { secrets, clock } = world.context;
    const pass = secrets.programmePass(hour.event.occurrenceId, clock.now());
    const other = secrets.programmePass(randomUUID(), clock.now());
    expect((await edge.ask(live(`programme.m3u8?pass=${pass}`))).status).toBe(200);
    for (const wrong of ["", "x", other, `${pass}x`])
      expect((await edge.ask(live(`programme.m3u8?pass=${wrong}`))).status, wrong).toBe(404);
    const watcher = randomUUID();
    const say = (by: string, body: unknown, origin?: string) =>
      edge.ask(live(`watching?pass=${by}`), {
        method: "POST",
        body: JSON.stringify(body),
        ...(origin ? { origin } : {}),
      });
    expect((await say(pass, { watcher })).status).toBe(200);
    expect((await say(other, { watcher })).status).toBe(404);
    expect((await say(pass, { watcher: "me" })).status).toBe(422);
    expect((await say(pass, { watcher }, "https://elsewhere.example")).status).toBe(403);
    await edge.app.overflow.flush();
    const of = eq(overflowWatchers.occurrenceId, hour.event.occurrenceId);
    const rows = await world.context.db.select().from(overflowWatchers).where(of);
    expect(rows.map((row) => row.watcher)).toEqual([watcher]);
  });
});

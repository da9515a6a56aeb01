import { randomUUID } from "node:crypto";
import { createReadStream } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { Readable } from "node:stream";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { recordings } from "@/server/db/schema";
import type { App } from "@/server/compose";
import { sendOnDemand } from "@/server/edge/on-demand";
import { sendFailure } from "@/server/edge/request";
import { BriefCache } from "@/server/platform/brief-cache";
import { deleteRecording } from "@/server/services/afterwards/bin-recording";
import { makeSounds } from "@/server/services/afterwards/make-sounds";
import { publishRecording, takeOffRecording } from "@/server/services/afterwards/publish-recording";
import { fileTag } from "@/server/services/afterwards/own-recording";
import { replaceRecording } from "@/server/services/afterwards/replace-recording";
import type { RecordingAt } from "@/server/services/afterwards/recordings";
import { openHour, type Hour } from "../support/hour";
import { keptRecording, worldWithFilm } from "../support/kept-recording";
import type { World } from "../support/world";

let world: World;
let film: string;
let server: Server;
let hour: Hour;
let id: string;
beforeAll(async () => {
  ({ world, film } = await worldWithFilm());
  const recordingsNamed = new BriefCache<RecordingAt>(world.clock, 1000, 500);
  const app = { context: world.context, recordings: recordingsNamed } as unknown as App;
  server = createServer((request, response) => {
    const { pathname, searchParams: query } = new URL(request.url!, "http://live");
    const [, , occurrenceId, part] = pathname.split("/") as [string, string, string, string];
    sendOnDemand({ app, request, response, occurrenceId, part, query, as: null }).catch((error: unknown) =>
      sendFailure(response, error, world.context.log),
    );
  });
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
});
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await world.close();
});
beforeEach(async () => {
  hour = await openHour(world, ["Ines Marl"]);
  await hour.run({ type: "hour.end" });
  id = await keptRecording(world, film, hour.event.occurrenceId);
});

const publish = (audience: "everyone" | "registrants") =>
  publishRecording(world.context, world.owner, id, { from: null, until: null, audience, tells: false });
const ask = (query = "", headers: Record<string, string> = {}, occurrenceId = hour.event.occurrenceId) => {
  const { port } = server.address() as AddressInfo;
  return fetch(`http://127.0.0.1:${port}/live/${occurrenceId}/on-demand?slug=${id}${query}`, { headers });
};
const statusOf = async (...of: Parameters<typeof ask>) => {
  const answer = await ask(...of);
  await answer.arrayBuffer();
  return answer.status;
};
const tokenOf = () => world.context.secrets.tokenFor(hour.guests[0]!, 1);

describe("a recording's bytes", () => {
  it("come whole and by range (RFC 9110 §14), as what they are", async () => {
    await publish("everyone");
    const whole = await ask();
    const all = Buffer.from(await whole.arrayBuffer());
    expect([whole.status, whole.headers.get("content-type"), whole.headers.get("content-length")]).toEqual([
      200,
      "video/mp4",
      String(all.length),
    ]);
    const { port } = server.address() as AddressInfo;
    const head = await fetch(`http://127.0.0.1:${port}/live/${hour.event.occurrenceId}/on-demand?slug=${id}`, {
      method: "HEAD",
    });
    expect([head.status, head.headers.get("content-length")]).toEqual([200, String(all.length)]);
    const part = await ask("", { range: "bytes=100-299" });
    expect([part.status, part.headers.get("content-range")]).toEqual([206, `bytes 100-299/${all.length}`]);
    expect(Buffer.from(await part.arrayBuffer()).equals(all.subarray(100, 300))).toBe(true);
    expect(await statusOf("", { range: `bytes=${all.length}-` })).toBe(416);
  });
  it("are nothing before it is published, under another date, and a second after it was taken off or deleted", async () => {
    expect(await statusOf()).toBe(404);
    await publish("everyone");
    world.clock.advance(1000);
    expect(await statusOf()).toBe(200);
    expect(await statusOf("", {}, randomUUID())).toBe(404);
    await takeOffRecording(world.context, world.owner, id);
    world.clock.advance(1000);
    expect(await statusOf()).toBe(404);
    await publish("everyone");
    world.clock.advance(1000);
    expect(await statusOf()).toBe(200);
    await deleteRecording(world.context, world.owner, id);
    world.clock.advance(1000);
    expect(await statusOf()).toBe(404);
  });
  it("of a file that was replaced are given to nobody who began with it; the new one's at once", async () => {
    await publish("everyone");
    world.clock.advance(1000);
    const tag = async () => {
      const [row] = await world.context.db.select().from(recordings).where(eq(recordings.id, id));
      return `&file=${fileTag(row!.fileName)}`;
    };
    const before = await tag();
    expect(await statusOf(before)).toBe(200);
    await replaceRecording(world.context, world.owner, id, {
      body: Readable.toWeb(createReadStream(film)) as ReadableStream<Uint8Array>,
      expectedBytes: null,
    });
    // what this process looked at a moment ago is the one before
    expect([await statusOf(await tag()), await statusOf(before)]).toEqual([200, 404]);
  });
  it("for people who registered need a ticket: of the mail's link, or one that the browser holds", async () => {
    await publish("registrants");
    world.clock.advance(1000);
    expect([await statusOf(), await statusOf(`&ticket=${"x".repeat(40)}`)]).toEqual([404, 404]);
    expect(await statusOf(`&ticket=${encodeURIComponent(tokenOf())}`)).toBe(200);
    expect(await statusOf("", { cookie: `sc-${hour.guests[0]!}=${tokenOf()}` })).toBe(200);
  });
  it("of the sound alone once it is made", async () => {
    await publish("everyone");
    world.clock.advance(1000);
    expect(await statusOf("&sound=1")).toBe(404);
    await makeSounds(world.context);
    world.clock.advance(1000);
    const sound = await ask("&sound=1");
    expect([sound.status, sound.headers.get("content-type")]).toEqual([200, "audio/mp4"]);
    const [row] = await world.context.db.select().from(recordings).where(eq(recordings.id, id));
    expect((await sound.arrayBuffer()).byteLength).toBe(row!.soundBytes);
  });
});

import { readFileSync } from "node:fs";
import { readdir } from "node:fs/promises";
import { resolve } from "node:path";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { eq, sql } from "drizzle-orm";
import { dayMs } from "@/core/time";
import { occurrences, organisations } from "@/server/db/schema";
import { folderStorage } from "@/server/files/folder-storage";
import { sendDue } from "@/server/services/mailings/deliver";
import { publishRecording, takeOffRecording } from "@/server/services/afterwards/publish-recording";
import { onDemand, recordingsOfDate, uploadRecording } from "@/server/services/afterwards/recordings";
import { organisationFeed } from "@/server/services/outside/feed";
import { publicRecordings } from "@/server/services/way-in/front/public-lists";
import { addFile, removeFile } from "@/server/services/way-in/front/files";
import { codeOf } from "../support/code-of";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

let world: World;
let event: MadeEvent;
let folder: string;
const video = readFileSync(resolve(import.meta.dirname, "../../scripts/demo/shore.webm"));

beforeAll(async () => {
  world = await makeWorld();
  folder = mkdtempSync(join(tmpdir(), "recordings-"));
  world = {
    ...world,
    context: {
      ...world.context,
      storage: folderStorage(folder),
      environment: { ...world.context.environment, STAGE_CALL_UPLOAD_LIMIT_MB: 2 },
    },
  };
});
afterAll(() => world.close());
beforeEach(async () => {
  event = await makeEvent(world);
  await world.context.db.update(occurrences).set({ phase: "ended" }).where(eq(occurrences.id, event.occurrenceId));
});

const bodyOf = (bytes: Uint8Array) =>
  new Blob([bytes as Uint8Array<ArrayBuffer>]).stream() as ReadableStream<Uint8Array>;
const upload = (bytes: Uint8Array, expected: number | null = bytes.length) =>
  uploadRecording(world.context, world.owner, event.eventId, event.occurrenceId, bodyOf(bytes), expected);
const noProof = { proofOf: () => null, tokens: [] };
const publish = (id: string, from: number, tells = false) =>
  publishRecording(world.context, world.owner, id, { from, until: null, audience: "everyone", tells });
const takeOff = (id: string) => takeOffRecording(world.context, world.owner, id);
const kept = () => recordingsOfDate(world.context, world.owner, event.eventId, event.occurrenceId);

describe("a recording comes in whole or not at all", () => {
  it("is checked by content, kept byte for byte, and published from its hour on", async () => {
    const id = await upload(video);
    const [row] = await kept();
    expect(row).toMatchObject({ id, mediaType: "video/webm", sizeBytes: video.length });
    expect(readFileSync(join(folder, row!.fileName)).equals(video)).toBe(true);
    const [organisation] = await world.context.db
      .select()
      .from(organisations)
      .where(eq(organisations.id, world.organisationId));
    await expect(onDemand(world.context, organisation!, row!.slug, noProof)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    const from = world.clock.now() + dayMs;
    await publish(id, from);
    expect(await onDemand(world.context, organisation!, row!.slug, noProof)).toEqual({
      ...{ isLocked: true, why: "later", eventSlug: expect.any(String) as string, title: row!.title },
      ...{ zone: "Europe/Lisbon", publishedFrom: from },
    });
    world.clock.advance(dayMs);
    expect(await onDemand(world.context, organisation!, row!.slug, noProof)).toMatchObject({ recording: { id } });
  });

  it("is for whom and until when the team says: by its address, by a ticket of its event, never a moment longer", async () => {
    const tokenOf = (ticketId: string) => world.context.secrets.tokenFor(ticketId, 1);
    const registered = tokenOf(await addTicket(world, event, "attendee", "Registered"));
    const other = tokenOf(await addTicket(world, await makeEvent(world), "attendee", "Of another event"));
    const id = await upload(video);
    const [row] = await kept();
    const [house] = await world.context.db
      .select()
      .from(organisations)
      .where(eq(organisations.id, world.organisationId));
    const listed = async () =>
      (await publicRecordings(world.context, house!, 50)).some((one) => one.slug === row!.slug);
    const seen = async (...tokens: string[]) => {
      const item = await onDemand(world.context, house!, row!.slug, { ...noProof, tokens });
      return item.isLocked ? item.why : "seen";
    };
    const until = world.clock.now() + dayMs;
    const open = { from: null, until, tells: false };
    const publishFor = (audience: string) => publishRecording(world.context, world.owner, id, { ...open, audience });
    const inFeed = async () => (await organisationFeed(world.context, house!)).includes(`/on-demand/${row!.slug}`);
    await publishFor("everyone");
    expect([await listed(), await inFeed(), await seen()]).toEqual([true, true, "seen"]);
    await publishFor("link");
    expect([await listed(), await inFeed(), await seen()]).toEqual([false, false, "seen"]);
    await publishFor("registrants");
    expect([await listed(), await seen(), await seen("forged"), await seen(other)]).toEqual([
      false,
      ...["registrants", "registrants", "registrants"],
    ]);
    expect(await seen(other, registered)).toBe("seen");
    await publishRecording(world.context, world.owner, id, { ...open, audience: "registrants", tells: true });
    world.sent.splice(0);
    await sendDue(world.context);
    expect(world.sent[0]!.text).toContain(`/on-demand/${row!.slug}?ticket=${registered}`);
    world.clock.advance(dayMs - 1);
    expect(await seen(registered)).toBe("seen");
    world.clock.advance(1);
    expect(await seen(registered)).toBe("over");
    const wrong = { from: until, until, audience: "everyone", tells: false };
    for (const input of [wrong, { ...open, audience: "nobody" }, { ...open, from: "soon" }, null])
      expect(await codeOf(publishRecording(world.context, world.owner, id, input))).toBe("invalid-input");
  });

  it("tells those registered once it can be watched, where that is asked for; taken back, nobody hears of it", async () => {
    await addTicket(world, event, "attendee", "Waits for it");
    const id = await upload(video);
    expect(await publish(id, world.clock.now() + dayMs)).toBe(0);
    expect(await publish(id, world.clock.now() + dayMs, true)).toBe(1);
    await takeOff(id);
    world.clock.advance(2 * dayMs);
    world.sent.splice(0);
    await sendDue(world.context);
    expect(world.sent).toEqual([]);
    await publish(id, world.clock.now(), true);
    await sendDue(world.context);
    expect(world.sent).toMatchObject([
      {
        subject: "The recording is ready: Tides and the saltmarsh",
        text: expect.stringMatching(/\/on-demand\/[\w-]+/),
      },
    ]);
    // taken back and published again: only somebody who came since hears of it
    await addTicket(world, event, "attendee", "Came later");
    await takeOff(id);
    world.clock.advance(60_000);
    expect(await publish(id, world.clock.now(), true)).toBe(1);
    expect(await publish(id, world.clock.now(), true)).toBe(1);
    await sendDue(world.context);
    expect(world.sent).toHaveLength(2);
  });

  it.each([
    [
      "something else that is named .mp4",
      () => upload(new TextEncoder().encode("PK not a film at all".repeat(50))),
      "bad-file",
    ],
    ["an upload cut in the middle", () => upload(video.subarray(0, 40_000), video.length), "upload-cut"],
    ["one over the limit", () => upload(new Uint8Array(2_000_001).fill(0x1a)), "file-too-large"],
  ])("refuses %s and keeps nothing", async (_what, act, code) => {
    const before = await readdir(folder);
    await expect(act()).rejects.toMatchObject({ failure: { code } });
    expect(await kept()).toEqual([]);
    expect(await readdir(folder)).toEqual(before);
  });

  it("refuses what the organisation has no room for, of recordings and visitors' files together", async () => {
    await upload(video);
    const file = new TextEncoder().encode("Tide table".repeat(100));
    const small = async (spareBytes: number) => {
      const [row] = await world.context.db
        .select({ bytes: sql<string>`(select coalesce(sum(size_bytes), 0) from recordings)` })
        .from(organisations);
      const STAGE_CALL_STORE_LIMIT_GB = (Number(row!.bytes) + spareBytes) / 1e9;
      return { ...world.context, environment: { ...world.context.environment, STAGE_CALL_STORE_LIMIT_GB } };
    };
    const full = await small(file.length + 1);
    const add = () => addFile(full, world.owner, event.eventId, "tides.txt", bodyOf(file), file.length);
    await expect(
      uploadRecording(full, world.owner, event.eventId, event.occurrenceId, bodyOf(video), video.length),
    ).rejects.toMatchObject({ failure: { code: "store-full" } });
    const first = await add();
    const before = await readdir(folder);
    await expect(add()).rejects.toMatchObject({ failure: { code: "store-full" } });
    expect(await readdir(folder)).toEqual(before);
    await removeFile(full, world.owner, event.eventId, first.id);
    await expect(add()).resolves.toMatchObject({ sizeBytes: file.length });
  });

  it("refuses a date that is not over", async () => {
    await world.context.db.update(occurrences).set({ phase: "open" }).where(eq(occurrences.id, event.occurrenceId));
    await expect(upload(video)).rejects.toMatchObject({ failure: { code: "wrong-state" } });
  });
});

import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { captionLines, organisations, recordings } from "@/server/db/schema";
import { mainRoomOf } from "@/server/db/queries/journal";
import { captionsText } from "@/server/services/afterwards/caption-files";
import { cutRecordings } from "@/server/services/afterwards/cut-recordings";
import { editOf, saveEdit } from "@/server/services/afterwards/edit-recording";
import { servedOf, servedSeconds } from "@/server/services/afterwards/own-recording";
import { publishRecording } from "@/server/services/afterwards/publish-recording";
import { onDemand } from "@/server/services/afterwards/recordings";
import { keepPlays, watchingOfDate } from "@/server/services/afterwards/watching";
import { codeOf } from "../support/code-of";
import { openHour, type Hour } from "../support/hour";
import { readMedia } from "../support/pieces";
import { keptRecording, worldWithFilm } from "../support/kept-recording";
import type { World } from "../support/world";

let world: World;
let hour: Hour;
let id: string;
let original: string;
beforeAll(async () => {
  ({ world, film: original } = await worldWithFilm());
});
afterAll(() => world.close());
beforeEach(async () => {
  hour = await openHour(world, ["Ines Marl"]);
  await hour.run({ type: "hour.end" });
  id = await keptRecording(world, original, hour.event.occurrenceId);
});
const row = async () => (await world.context.db.select().from(recordings).where(eq(recordings.id, id)))[0]!;
type Cut = readonly [number, number];
const edit = (cuts: readonly Cut[], chapters: { title: string; startSeconds: number }[] | null = null) =>
  saveEdit(world.context, world.owner, id, {
    title: "Tides",
    cuts: cuts.map(([fromSeconds, toSeconds]) => ({ fromSeconds, toSeconds })),
    chapters,
  });
const watched = async () => {
  await publishRecording(world.context, world.owner, id, {
    ...{ from: null, until: null, audience: "everyone", tells: false },
  });
  const [organisation] = await world.context.db
    .select()
    .from(organisations)
    .where(eq(organisations.id, world.organisationId));
  const item = await onDemand(world.context, organisation!, id, { proofOf: () => null, tokens: [] });
  if (item.isLocked) throw new Error("locked");
  return item;
};

describe("a recording is edited as a list over its original", () => {
  it("a cut makes a file of what stays; without a cut the original is watched again, byte for byte", async () => {
    const before = await row();
    await edit([
      [0, 10],
      [30, 40],
    ]);
    expect((await row()).editState).toBe("waiting");
    // until it is made, it is watched as it was
    expect(servedOf(await row())).toMatchObject({ fileName: before.fileName, kept: null });
    expect(await cutRecordings(world.context)).toBe(1);
    expect(await cutRecordings(world.context)).toBe(0);
    const made = await row();
    expect(servedOf(made).kept).toEqual([
      { from: 10_000, to: 30_000 },
      { from: 40_000, to: 60_000 },
    ]);
    expect(servedSeconds(made)).toBeCloseTo(40, 1);
    const file = await world.context.storage.withPaths([servedOf(made).fileName], ([path]) => readMedia(path!));
    expect(file.duration).toBeCloseTo(40, 1);
    expect(await world.context.storage.size(made.editedFile!)).toBe(made.editedBytes);

    await edit([]);
    expect(servedOf(await row())).toEqual({ fileName: before.fileName, sizeBytes: before.sizeBytes, kept: null });
    await expect(world.context.storage.size(made.editedFile!)).rejects.toThrow();
    expect(await world.context.storage.size(before.fileName)).toBe(before.sizeBytes);
  });

  it("chapters placed by hand stand where they belong in what stays; the hour's come back when they are let go", async () => {
    await edit(
      [[0, 10]],
      [
        { title: "The count", startSeconds: 40 },
        { title: "Welcome", startSeconds: 5 },
      ],
    );
    await cutRecordings(world.context);
    expect((await watched()).chapters).toEqual([
      { title: "Welcome", startSeconds: 0, endSeconds: 30 },
      { title: "The count", startSeconds: 30, endSeconds: 50 },
    ]);
    await edit([[0, 10]]);
    // the same cuts are not made anew
    expect((await row()).editState).toBe("none");
    expect((await watched()).chapters).toEqual([]);
    expect((await editOf(world.context, world.owner, id)).edit.chapters).toBeNull();
  });

  it("captions move along, and what was said in a cut is not in them", async () => {
    const startAt = (await watched()).recordedAt;
    const at = (seconds: number) => startAt + seconds * 1000;
    const { occurrenceId } = hour.event;
    const lines = [
      [5, "before"],
      [20, "after the beginning"],
      [50, "at the end"],
    ] as const;
    const roomId = (await mainRoomOf(world.context.db, occurrenceId))!.id;
    await world.context.db.insert(captionLines).values(
      lines.map(([seconds, text], i) => ({
        ...{ roomId, seq: i + 1, rev: i + 1, organisationId: world.organisationId, lineId: randomUUID() },
        ...{ language: "en", authorTicketId: hour.guests[0]!, text, at: at(seconds) },
      })),
    );
    const kept = [
      { from: 10_000, to: 30_000 },
      { from: 40_000, to: 60_000 },
    ];
    const text = await captionsText(world.context, occurrenceId, "en", { startAt, durationMs: 60_000, kept });
    expect(text).not.toContain("before");
    expect(text).toMatch(/00:00:10\.000 --> .*\nafter the beginning/);
    expect(text).toMatch(/00:00:30\.000 --> .*\nat the end/);
  });

  it("what was watched before and after a cut is counted on one clock", async () => {
    const browser = (name: string) => ({ browser: name });
    const play = (fromSeconds: number, toSeconds: number) => ({
      viewId: randomUUID(),
      plays: [{ id: randomUUID(), fromSeconds, toSeconds }],
    });
    const came = async () =>
      (
        await watchingOfDate(world.context.db, hour.event.occurrenceId, [
          { id, durationSeconds: servedSeconds(await row()) },
        ])
      )[0]!;
    await keepPlays(world.context, await row(), browser("a"), play(0, 60));
    await edit([[20, 50]]);
    await cutRecordings(world.context);
    // whoever saw all of the original has seen all of what stays
    expect(await came()).toMatchObject({ completeCount: 1, meanCoverage: 1 });
    // the second half of what stays: 20 to 50 is not in it
    await keepPlays(world.context, await row(), browser("b"), play(15, 30));
    expect((await came()).meanCoverage).toBeCloseTo((1 + 0.5) / 2, 2);
  });

  it("an edit that came while another was being made is the one that stays", async () => {
    await edit([[0, 10]]);
    const { makeMedia } = world.context;
    const slow = {
      ...world.context,
      async *makeMedia(job: Parameters<typeof makeMedia>[0]) {
        for await (const word of makeMedia(job)) {
          if (word.kind === "done") await edit([[0, 20]]);
          yield word;
          if (word.kind === "done") return;
        }
      },
    };
    await cutRecordings({ ...slow, makeMedia: once(slow.makeMedia, makeMedia) });
    expect(servedSeconds(await row())).toBeCloseTo(40, 1);
  });

  it("that leaves nothing, ends before it begins or is none is refused, and nothing changes", async () => {
    await edit([[0, 10]], [{ title: "Welcome", startSeconds: 12 }]);
    const before = await row();
    for (const cuts of [
      [[0, 61]],
      [[0, 60]],
      [
        [0, 20],
        [20, 59.5],
      ],
      [[10, 5]],
      [[-1, 5]],
    ] as Cut[][])
      expect(await codeOf(edit(cuts))).toBe("invalid-input");
    expect(await codeOf(edit([], [{ title: " ", startSeconds: 3 }]))).toBe("invalid-input");
    expect(await row()).toEqual(before);
    await world.context.db.update(recordings).set({ state: "joining" }).where(eq(recordings.id, id));
    expect(await codeOf(edit([[0, 5]]))).toBe("wrong-state");
  });

  it("that cannot be made says so, keeps what was watched, and is tried again when it is saved again", async () => {
    await edit([[0, 10]]);
    const broken = {
      ...world.context,
      async *makeMedia() {
        yield { kind: "failed", why: "no picture in the file" } as const;
      },
    };
    await cutRecordings(broken);
    expect(await row()).toMatchObject({ editState: "failed", editedFile: null });
    await edit([[0, 10]]);
    expect(await cutRecordings(world.context)).toBe(1);
    expect(servedSeconds(await row())).toBeCloseTo(50, 1);
  });
});

/** The first call goes to one, every later one to the other. */
function once<F extends (...given: never[]) => unknown>(first: F, later: F): F {
  let isFirst = true;
  return ((...given: Parameters<F>) => {
    const chosen = isFirst ? first : later;
    isFirst = false;
    return chosen(...given);
  }) as F;
}

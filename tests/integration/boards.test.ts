import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { hourMs } from "@/core/time";
import { boardPosts, organisations } from "@/server/db/schema";
import {
  boardFeed,
  boardPage,
  boardsOf,
  callHooks,
  makeBoard,
  postOnBoard,
  signHook,
} from "@/server/services/afterwards/boards";
import { publishEvent } from "@/server/services/planning/event-life";
import { startHookReceiver } from "@/stand-ins/hook-receiver";
import { addMember, addOrganisation, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let organisation: typeof organisations.$inferSelect;
let secret = "";
const port = 21_000 + (process.pid % 20_000);
const receiver = startHookReceiver({ port, secret: () => secret });
beforeAll(async () => {
  world = await makeWorld();
  organisation = (await world.context.db.select().from(organisations))[0]!;
  // a demo: its hooks are stand-ins on this machine
  const environment = { ...world.context.environment, STAGE_CALL_URL: "http://127.0.0.1:3000" };
  world = { ...world, context: { ...world.context, environment } };
  event = await makeEvent(world);
});
afterAll(async () => {
  receiver.close();
  await world.close();
});

const board = async (name: string, path: string | null) => {
  const made = await makeBoard(world.context, world.owner, {
    name,
    hookUrl: path === null ? "" : `http://127.0.0.1:${port}${path}`,
  });
  if (made.secret) secret = made.secret;
  const line = (await boardsOf(world.context, world.owner)).find((one) => one.slug === made.slug)!;
  return { ...made, id: line.id };
};

describe("boards", () => {
  it("carry a post on their page and in their feed, escaped, without anybody's own link", async () => {
    const { id, slug } = await board("Field course", null);
    await postOnBoard(world.context, world.owner, event.eventId, {
      boardId: id,
      text: "Come <b>along</b> & bring boots",
    });
    expect((await boardPage(world.context, organisation, slug)).posts).toMatchObject([
      { title: "Tides and the saltmarsh", text: "Come <b>along</b> & bring boots" },
    ]);
    const feed = await boardFeed(world.context, organisation, slug);
    expect(feed).toContain("Come &lt;b&gt;along&lt;/b&gt; &amp; bring boots");
    expect(feed).toMatch(/front\/[\w-]+\?via=board/);
    await publishEvent(world.context, world.owner, event.eventId, false);
    expect((await boardPage(world.context, organisation, slug)).posts).toEqual([]);
    await expect(
      postOnBoard(world.context, world.owner, event.eventId, { boardId: id, text: "x" }),
    ).rejects.toMatchObject({ failure: { code: "wrong-state" } });
    await publishEvent(world.context, world.owner, event.eventId, true);
  });

  it("call their hook with a signature that the receiver checks, once", async () => {
    const { id } = await board("Team page", "/hook");
    await postOnBoard(world.context, world.owner, event.eventId, { boardId: id, text: "Tonight" });
    expect([await callHooks(world.context), await callHooks(world.context)]).toEqual([1, 0]);
    expect(receiver.received).toHaveLength(1);
    expect(receiver.received[0]).toMatchObject({ isGenuine: true });
    expect(JSON.parse(receiver.received[0]!.body)).toMatchObject({
      type: "board.post",
      board: "Team page",
      text: "Tonight",
    });
    expect((await boardsOf(world.context, world.owner)).find((one) => one.id === id)!.lastHook).toEqual({
      how: "answered",
      tries: 1,
    });
  });

  it("sign as the open scheme's published example has it (Standard Webhooks, from memory)", () => {
    const signature = signHook(
      "whsec_MfKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw",
      "msg_p5jXN8AQM9LWM0D4loKWxJek",
      1614265330,
      '{"test": 2432232314}',
    );
    expect(signature).toBe("v1,g0hM9SsE+OTPJTGt/tmIKtSyZlE3uFJELVlNIOLJ1OE=");
  });

  it("try a broken hook again and again, then give it up and say so", async () => {
    const { id } = await board("Broken page", "/fail");
    await postOnBoard(world.context, world.owner, event.eventId, { boardId: id, text: "Lost?" });
    for (let i = 0; i < 12; i += 1) {
      expect(await callHooks(world.context)).toBe(0);
      world.clock.advance(7 * hourMs);
    }
    const [post] = await world.context.db.select().from(boardPosts).where(eq(boardPosts.boardId, id));
    expect(post).toMatchObject({ hookAttempts: 8, hookDueAt: null });
    expect((await boardsOf(world.context, world.owner)).find((one) => one.id === id)!.lastHook).toEqual({
      how: "given-up",
      tries: 8,
    });
  });

  it("refuse other addresses than web ones, crew, and other organisations", async () => {
    for (const hookUrl of ["file:///etc/passwd", "javascript:1", "ftp://example.org"])
      await expect(makeBoard(world.context, world.owner, { name: "x", hookUrl })).rejects.toMatchObject({
        failure: { code: "invalid-input" },
      });
    const crew = await addMember(world.context, world.organisationId, "crew", "Crew");
    await expect(makeBoard(world.context, crew, { name: "x", hookUrl: "" })).rejects.toMatchObject({
      failure: { code: "not-allowed" },
    });
    const stranger = await addMember(
      world.context,
      await addOrganisation(world.context, "far.example.org"),
      "owner",
      "Stranger",
    );
    expect(await boardsOf(world.context, stranger)).toEqual([]);
  });
});

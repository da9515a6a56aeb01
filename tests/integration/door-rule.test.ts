import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { boardPosts, boards, events, organisations, recordings } from "@/server/db/schema";
import { boardFeed, boardPage } from "@/server/services/afterwards/boards";
import { onDemand } from "@/server/services/afterwards/recordings";
import { organisationFeed } from "@/server/services/outside/feed";
import { doorStep, frontDoor, tryAccessCode } from "@/server/services/way-in/front-door";
import { publicDates, publicRecordings } from "@/server/services/way-in/front/public-lists";
import { makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const organisation = async () =>
  (await world.context.db.select().from(organisations).where(eq(organisations.id, world.organisationId)))[0]!;

/** An event with a recording that everybody may watch and a post on a board. */
async function shownEvent(title: string) {
  const { db, clock } = world.context;
  const event = await makeEvent(world, { title });
  const [row] = await db.select().from(events).where(eq(events.id, event.eventId));
  const { organisationId } = world;
  const slug = `film-${randomUUID()}`;
  await db.insert(recordings).values({
    id: randomUUID(),
    organisationId,
    occurrenceId: event.occurrenceId,
    slug,
    title: `${title}, the recording`,
    fileName: "x",
    mediaType: "video/webm",
    sizeBytes: 3,
    publishedFrom: clock.now() - 1,
    uploadedAt: clock.now() - 1,
  });
  const boardSlug = `board-${randomUUID()}`;
  const boardId = randomUUID();
  await db
    .insert(boards)
    .values({ id: boardId, organisationId, name: "Wardens", slug: boardSlug, createdAt: clock.now() } as never);
  await db.insert(boardPosts).values({
    id: randomUUID(),
    organisationId,
    boardId,
    eventId: event.eventId,
    text: "Come along",
    postedAt: clock.now(),
  } as never);
  return { event, pageSlug: row!.slug, slug, boardSlug };
}
type Shown = Awaited<ReturnType<typeof shownEvent>>;
const set = (event: MadeEvent, values: Partial<typeof events.$inferInsert>) =>
  world.context.db.update(events).set(values).where(eq(events.id, event.eventId));

/** Everything outside that could tell of an event: what each says of it. */
async function tells({ pageSlug, slug, boardSlug }: Shown, title: string) {
  const house = await organisation();
  const { context } = world;
  const code = (error: unknown) => (error as { failure?: { code: string } }).failure?.code ?? "defect";
  const none = { cookie: null, isInvited: false };
  const film = await onDemand(context, house, slug, { proofOf: () => null, tokens: [] }).catch(code);
  const page = await frontDoor(context, house, pageSlug, none).catch(code);
  return {
    page: typeof page === "string" ? page : page.isLocked ? "locked" : "open",
    registration: await doorStep(context, house, pageSlug, none).then((step) => (step ? "open" : "locked"), code),
    film: typeof film === "string" ? film : film.isLocked ? "locked" : "open",
    films: (await publicRecordings(context, house, 500)).some((one) => one.slug === slug),
    dates: (await publicDates(context, house, 500)).some((one) => one.slug === pageSlug),
    feed: (await organisationFeed(context, house)).includes(title),
    board: (await boardPage(context, house, boardSlug)).posts.length > 0,
    boardFeed: (await boardFeed(context, house, boardSlug)).includes(title),
  };
}
const nowhere = { films: false, dates: false, feed: false, board: false, boardFeed: false };

describe("one rule for everything that an event shows outside", () => {
  it("a published one is everywhere", async () => {
    const shown = await shownEvent("Knots and their names");
    expect(await tells(shown, "Knots and their names")).toEqual({
      page: "open",
      registration: "open",
      film: "open",
      films: true,
      dates: true,
      feed: true,
      board: true,
      boardFeed: true,
    });
  });

  it.each([
    ["not published", { publishedAt: null }],
    ["in the bin", { deletedAt: 1 }],
    ["in the bin and private", { deletedAt: 1, isPrivate: true }],
  ])("one that is %s is nowhere, as if there were none", async (_, values) => {
    const title = `Hidden ${randomUUID()}`;
    const shown = await shownEvent(title);
    await set(shown.event, values);
    const away = "not-found";
    expect(await tells(shown, title)).toEqual({ page: away, registration: away, film: away, ...nowhere });
    // and no code opens it: the answer is that of a page that never was
    const house = await organisation();
    for (const slug of [shown.pageSlug, "never-was"]) {
      await expect(tryAccessCode(world.context, house, slug, "any", "net")).rejects.toMatchObject({
        failure: { code: "not-found", what: "event" },
      });
    }
  });

  it("a private one is in no list, and its page and recording open by the same proof", async () => {
    const title = `Members only ${randomUUID()}`;
    const shown = await shownEvent(title);
    const accessCodeSealed = world.context.secrets.seal("spoonbill-44");
    await set(shown.event, { isPrivate: true, accessCodeSealed });
    expect(await tells(shown, title)).toEqual({ page: "locked", registration: "locked", film: "locked", ...nowhere });
    const house = await organisation();
    const proof = await tryAccessCode(world.context, house, shown.pageSlug, "spoonbill-44", "net");
    const pass = { cookie: proof, isInvited: false };
    expect((await frontDoor(world.context, house, shown.pageSlug, pass)).isLocked).toBe(false);
    const film = (of: string | null) => onDemand(world.context, house, shown.slug, { proofOf: () => of, tokens: [] });
    expect((await film(proof)).isLocked).toBe(false);
    expect((await film("forged")).isLocked).toBe(true);
    // another code, and the old proof is none
    await set(shown.event, { accessCodeSealed: world.context.secrets.seal("another-code-7") });
    expect((await film(proof)).isLocked).toBe(true);
  });
});

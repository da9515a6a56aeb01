import { createHmac } from "node:crypto";
import { and, asc, desc, eq, lte } from "drizzle-orm";
import { boardInput, hookOutcomeFrom, hookOutcomeText, postInput, type HookOutcome } from "@/contracts";
import { atomFeed } from "@/core/front-door";
import { retryAfterMinutes } from "@/core/mailings";
import { isLoopback, Refusal } from "@/core/shared";
import { minuteMs } from "@/core/time";
import { isPublicEvent } from "../../db/queries/public-events";
import { boardPosts, boards, events } from "../../db/schema";
import { postOutward, type OutwardAnswer } from "../../platform/outward";
import { accessFor, requireStanding, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, oneOf, parse, type Context } from "../ground/context";
import type { Organisation } from "../way-in/front-door";

export interface BoardLine {
  readonly id: string;
  readonly name: string;
  readonly slug: string;
  readonly hookUrl: string | null;
  /** how the last call of the hook went; null: none yet */
  readonly lastHook: HookOutcome | null;
}

const mostAttempts = 8;
const hookTimeoutMs = 5000;

/** The organisation's boards: pages of groups outside, which posts are put on. */
export async function boardsOf(context: Context, member: TeamMember): Promise<readonly BoardLine[]> {
  requireStanding(member, "contacts.read");
  const rows = await context.db
    .select()
    .from(boards)
    .where(eq(boards.organisationId, member.organisationId))
    .orderBy(asc(boards.name))
    .limit(100);
  return rows.map(({ id, name, slug, hookUrl, lastHook }) => ({
    id,
    name,
    slug,
    hookUrl,
    lastHook: hookOutcomeFrom(lastHook),
  }));
}

/** Makes a board. @returns the secret of its hook, told this once */
export async function makeBoard(
  context: Context,
  member: TeamMember,
  rawInput: unknown,
): Promise<{ slug: string; secret: string | null }> {
  requireStanding(member, "boards.edit");
  const { name, hookUrl } = parse(boardInput, rawInput);
  const slug = `${
    name
      .toLowerCase()
      .normalize("NFKD")
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-|-$/g, "")
      .slice(0, 40) || "board"
  }-${context.ids.code(4)}`;
  const secret = hookUrl ? `whsec_${Buffer.from(context.ids.code(32)).toString("base64")}` : null;
  await context.db.insert(boards).values({
    id: context.ids.id(),
    organisationId: member.organisationId,
    name,
    slug,
    hookUrl,
    hookSecretSealed: secret && context.secrets.seal(secret),
    createdAt: context.clock.now(),
  });
  return { slug, secret };
}

export async function removeBoard(context: Context, member: TeamMember, boardId: string): Promise<void> {
  requireStanding(member, "boards.edit");
  await context.db.delete(boards).where(and(eq(boards.id, boardId), eq(boards.organisationId, member.organisationId)));
}

/** Puts an event on a board. Its hook is called by the job process, so that a dead receiver holds nobody up. */
export async function postOnBoard(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawInput: unknown,
): Promise<void> {
  const { event } = await accessFor(context, member, eventId, "event.mailings");
  const { boardId, text } = parse(postInput, rawInput);
  const [board] = await context.db
    .select()
    .from(boards)
    .where(and(eq(boards.id, boardId), eq(boards.organisationId, event.organisationId)));
  if (!board) throw notFound("board");
  if (event.publishedAt === null)
    throw new Refusal({ code: "wrong-state", action: "board.post", state: "front door closed" });
  const now = context.clock.now();
  await context.db.transaction(async (tx) => {
    await tx.insert(boardPosts).values({
      id: context.ids.id(),
      organisationId: event.organisationId,
      boardId,
      eventId,
      text,
      postedAt: now,
      hookDueAt: board.hookUrl ? now : null,
    });
    await audit(context, tx, {
      organisationId: event.organisationId,
      actorId: member.userId,
      action: "board.post",
      eventId,
    });
  });
}

export interface BoardPage {
  readonly name: string;
  readonly posts: readonly {
    readonly id: string;
    readonly title: string;
    readonly text: string;
    readonly slug: string;
    readonly postedAt: number;
  }[];
}

/** What stands on a board, newest first. Deleted and withdrawn events are off it. */
export async function boardPage(context: Context, organisation: Organisation, slug: string): Promise<BoardPage> {
  const [board] = await context.db
    .select()
    .from(boards)
    .where(and(eq(boards.organisationId, organisation.id), eq(boards.slug, slug)));
  const { id, name } = oneOf(board ? [board] : [], "board");
  const rows = await context.db
    .select({ post: boardPosts, event: events })
    .from(boardPosts)
    .innerJoin(events, eq(events.id, boardPosts.eventId))
    .where(and(eq(boardPosts.boardId, id), isPublicEvent(organisation.id)))
    .orderBy(desc(boardPosts.postedAt))
    .limit(100);
  return {
    name,
    posts: rows.map(({ post, event }) => ({
      id: post.id,
      title: event.title,
      text: post.text,
      slug: event.slug,
      postedAt: post.postedAt,
    })),
  };
}

/** The same as an Atom feed. */
export async function boardFeed(context: Context, organisation: Organisation, slug: string): Promise<string> {
  const { name, posts } = await boardPage(context, organisation, slug);
  const origin = context.environment.STAGE_CALL_URL;
  const link = `${origin}/board/${slug}`;
  return atomFeed(
    { id: link, title: `${organisation.name}: ${name}`, link, self: `${link}/feed.xml`, author: organisation.name },
    posts.map((post) => ({
      id: `urn:uuid:${post.id}`,
      title: post.title,
      link: `${origin}/front/${post.slug}?via=board`,
      updatedAt: post.postedAt,
      summary: post.text,
    })),
  );
}

/** `v1,` and the HMAC-SHA256 of "id.timestamp.body" (the open Standard Webhooks scheme). */
export function signHook(secret: string, id: string, timestampSeconds: number, body: string): string {
  const key = Buffer.from(secret.replace(/^whsec_/, ""), "base64");
  return `v1,${createHmac("sha256", key).update(`${id}.${timestampSeconds}.${body}`).digest("base64")}`;
}

interface DueHook {
  readonly post: typeof boardPosts.$inferSelect;
  readonly board: typeof boards.$inferSelect;
  readonly event: typeof events.$inferSelect;
}

/** One call of one hook. */
function callHook(context: Context, { post, board, event }: DueHook): Promise<OutwardAnswer> {
  const body = JSON.stringify({
    type: "board.post",
    id: post.id,
    board: board.name,
    event: event.title,
    text: post.text,
    link: `${context.environment.STAGE_CALL_URL}/front/${event.slug}?via=board`,
    postedAt: new Date(post.postedAt).toISOString(),
  });
  const timestamp = Math.floor(context.clock.now() / 1000);
  const secret = board.hookSecretSealed ? (context.secrets.unseal(board.hookSecretSealed) ?? "") : "";
  const headers = {
    "content-type": "application/json",
    "webhook-id": post.id,
    "webhook-timestamp": String(timestamp),
    "webhook-signature": signHook(secret, post.id, timestamp, body),
  };
  const mayReachThisMachine = isLoopback(new URL(context.environment.STAGE_CALL_URL).hostname);
  return postOutward(board.hookUrl!, { headers, body, timeoutMs: hookTimeoutMs, mayReachThisMachine });
}

/** Calls the hooks that are due; each repeats with the same id until it is answered, or is given up. */
export async function callHooks(context: Context): Promise<number> {
  const now = context.clock.now();
  const due = await context.db
    .select({ post: boardPosts, board: boards, event: events })
    .from(boardPosts)
    .innerJoin(boards, eq(boards.id, boardPosts.boardId))
    .innerJoin(events, eq(events.id, boardPosts.eventId))
    .where(lte(boardPosts.hookDueAt, now))
    .orderBy(asc(boardPosts.hookDueAt))
    .limit(20);
  let answered = 0;
  for (const { post, board, event } of due) {
    const answer = await callHook(context, { post, board, event });
    const isDone = answer === "answered";
    const tries = post.hookAttempts + 1;
    const isGivenUp = !isDone && tries >= mostAttempts;
    const hookDueAt = isDone || isGivenUp ? null : now + retryAfterMinutes(tries) * minuteMs;
    await context.db.update(boardPosts).set({ hookAttempts: tries, hookDueAt }).where(eq(boardPosts.id, post.id));
    const lastHook = hookOutcomeText({ how: isGivenUp ? "given-up" : answer, tries });
    await context.db.update(boards).set({ lastHook }).where(eq(boards.id, board.id));
    if (isDone) answered += 1;
  }
  return answered;
}

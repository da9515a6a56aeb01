import { isStageRole } from "@/core/people";
import {
  durationMsOf,
  isFeedName,
  isProgrammeFeed,
  kindOfBytes,
  mostInitBytes,
  mostPieceBytes,
  programmeFeed,
  soundFeed,
  stamped,
  timescalesOf,
  type Piece,
} from "@/core/programme";
import { isCurtainUp, isRecorded, type RoomState } from "@/core/room";
import { Refusal } from "@/core/shared";
import type { App } from "../compose";
import { giveBackLease, nextNumber, takeLease, type Maker } from "../programme/lease";
import { notFound } from "../services/ground/context";
import type { Ask } from "./ask";
import { whoAsks } from "./access";
import { readBytes, requireOwnOrigin, sendJson } from "./request";

type OpenRoom = Awaited<ReturnType<App["hub"]["openRoom"]>>;
const uuid = /^[0-9a-f-]{36}$/;

/** Who may make a feed: the stage side the programme, on an interpreter's channel whoever speaks there (rule 26). */
function mayMake(room: RoomState, feed: string, ticketId: string, isStage: boolean): boolean {
  if (isProgrammeFeed(feed)) return isStage;
  return [...room.channels.channels].some(
    ([language, one]) => soundFeed(language) === feed && one.speakerId === ticketId,
  );
}

async function makerOf(ask: Ask): Promise<{ maker: Maker; room: OpenRoom }> {
  const { app, request, occurrenceId, query } = ask;
  requireOwnOrigin(request);
  const [feed, device] = [query.get("feed") ?? "", query.get("device") ?? ""];
  if (!isFeedName(feed) || !uuid.test(device)) throw notFound("feed");
  const who = await whoAsks(ask);
  const room = await app.hub.openRoom(occurrenceId, who.actorId);
  const isBarred = room.state.hour.barred.has(who.actorId);
  if (isBarred || !mayMake(room.state, feed, who.actorId, isStageRole(who.actor.role)))
    throw new Refusal({ code: "not-allowed", action: "programme.health" });
  const { roomId, organisationId } = room;
  return { maker: { roomId, organisationId, feed, holderId: who.actorId, device }, room };
}

/** Takes, renews or gives back the lease of a feed. */
export async function answerLease(ask: Ask): Promise<void> {
  const { app, response, query } = ask;
  const { maker } = await makerOf(ask);
  const { db, clock } = app.context;
  if (query.has("release")) {
    if (await giveBackLease(db, maker)) await app.feeds.giveBack(ask.occurrenceId, maker);
    return sendJson(response, 200, { ok: true });
  }
  if (!(await takeLease(db, maker, clock.now()))) throw new Refusal({ code: "no-lease" });
  sendJson(response, 200, { ok: true });
}

/** Takes the next bytes of a feed from whoever holds its lease; with the curtain down nothing of the stage goes on. */
export async function takePiece(ask: Ask): Promise<void> {
  const { app, request, response, occurrenceId, query } = ask;
  const { maker, room } = await makerOf(ask);
  const { context, feeds } = app;
  const bytes = await readBytes(request, mostPieceBytes);
  const kind = kindOfBytes(bytes);
  if (kind === null || (kind === "init" && bytes.length > mostInitBytes)) throw new Refusal({ code: "not-media" });
  const now = context.clock.now();
  const isHolding = query.get("holding") === "1";
  if (kind === "piece" && !isHolding && !isCurtainUp(room.state.hour)) {
    if (!(await takeLease(context.db, maker, now))) throw new Refusal({ code: "no-lease" });
    return sendJson(response, 200, { ok: true, number: null });
  }
  const held = await nextNumber(context.db, maker, kind, now);
  if (!held) throw new Refusal({ code: "no-lease" });
  if (kind === "init") {
    await feeds.takeInit(occurrenceId, maker, held.initNumber, bytes);
    return sendJson(response, 200, { ok: true, number: held.initNumber });
  }
  const init = feeds.of(occurrenceId, maker.feed).init(held.initNumber);
  const durationMs = (init && durationMsOf(bytes, timescalesOf(init))) ?? 1000;
  const piece: Piece = { number: held.pieceNumber, initNumber: held.initNumber, at: now, durationMs, isHolding };
  // every viewer learns from it when it was; of the programme's variants the whole one alone is kept
  const isKept = isRecorded(room.state.recording) && (maker.feed === programmeFeed || !isProgrammeFeed(maker.feed));
  await feeds.take(occurrenceId, maker, piece, stamped(bytes, now - durationMs), isKept);
  sendJson(response, 200, { ok: true, number: piece.number });
}

import type { ServerResponse } from "node:http";
import type { Socket } from "node:net";
import {
  feedOfVariant,
  isFeedName,
  masterPlaylistOf,
  playlistOf,
  programmeFeed,
  programmePartOf,
  soundFeed,
  typeOf,
  type ProgrammePart,
} from "@/core/programme";
import { isCurtainUp, isInHouse, isOfTheStage } from "@/core/room";
import { Refusal } from "@/core/shared";
import type { App } from "../compose";
import { lastChunk, type Wire } from "../platform/wire";
import { notFound } from "../services/ground/context";
import type { Ask } from "./ask";
import { roomOfAsker } from "./access";

type OpenRoom = Awaited<ReturnType<App["hub"]["openRoom"]>>;

/** Whoever may see and hear the programme: the house and the stage side by their own proof, others by the date's pass. */
async function requireViewer(ask: Ask): Promise<OpenRoom> {
  const { app, occurrenceId, query } = ask;
  const pass = query.get("pass");
  if (pass !== null) {
    if (!app.context.secrets.isProgrammePass(pass, occurrenceId, app.context.clock.now())) throw notFound("address");
    return app.hub.openRoom(occurrenceId, null);
  }
  const { room, standing } = await roomOfAsker(ask);
  if (!standing || !(isInHouse(standing) || isOfTheStage(standing))) throw new Refusal({ code: "not-inside" });
  return room;
}

/** So long a cache may give out a piece: no longer than a viewer notices that the curtain has fallen. */
const pieceKeptSeconds = 2;

/** Another process may have told of a piece, or of the curtain, what this one hears a moment later. */
const piecesOnTheirWay = 5;
const waitedMs = 2000;
async function soonHere<T>(read: () => T | null | undefined): Promise<T | null | undefined> {
  for (const until = Date.now() + waitedMs; ;) {
    const found = read();
    if (found || Date.now() > until) return found;
    await new Promise((done) => setTimeout(done, 50));
  }
}

const streamHead = (type: string): Buffer =>
  Buffer.from(
    [
      "HTTP/1.1 200 OK",
      `content-type: ${type}`,
      "cache-control: no-store, no-transform",
      "transfer-encoding: chunked",
      "x-accel-buffering: no",
      "x-content-type-options: nosniff",
      "connection: close",
      "",
      "",
    ].join("\r\n"),
  );

const wireOf = (socket: Socket): Wire => ({
  get writableLength() {
    return socket.writableLength;
  },
  write: (bytes) => socket.write(bytes),
  end: (bytes) => void socket.end(bytes),
});

function watch(app: App, response: ServerResponse, occurrenceId: string, feed: string): void {
  const { socket } = response;
  if (!socket || socket.destroyed) return;
  socket.setNoDelay(true);
  socket.setTimeout(0);
  socket.write(streamHead([programmeFeed, feedOfVariant("small")].includes(feed) ? "video/mp4" : "audio/mp4"));
  const wire = wireOf(socket);
  const leave = app.feeds.of(occurrenceId, feed).watch(wire);
  response.once("close", () => {
    leave();
    if (!socket.destroyed) socket.end(lastChunk);
  });
}

function sendBytes(response: ServerResponse, type: string, bytes: Uint8Array, cacheSeconds: number): void {
  response.writeHead(200, {
    "content-type": type,
    "content-length": bytes.length,
    "cache-control": `public, max-age=${cacheSeconds}`,
    "x-content-type-options": "nosniff",
  });
  response.end(bytes);
}

/** A list of lists or of pieces; whoever reads it by the pass reads what it names by it. */
function sendList(ask: Ask, text: string): void {
  const pass = ask.query.get("pass");
  const own = pass
    ? text.replace(/^(?:(?:piece|programme)[-.].*|)$|URI="([^"]+)"/gm, (line, uri?: string) =>
        uri ? `URI="${uri}?pass=${pass}"` : line && `${line}?pass=${pass}`,
      )
    : text;
  sendBytes(ask.response, "application/vnd.apple.mpegurl", Buffer.from(own), 1);
}

/** Every picture that comes just now. */
function sendAllLists(ask: Ask, room: OpenRoom): void {
  const pictures = (["full", "small"] as const)
    .filter((variant) => variant === "full" || room.figures.feeds.has(feedOfVariant(variant)))
    .map((variant) => {
      const feed = ask.app.feeds.of(ask.occurrenceId, feedOfVariant(variant));
      const init = feed.init(feed.pieces.at(-1)?.initNumber ?? 0);
      return { variant, codecs: /codecs="(.*)"/.exec((init && typeOf(init)) ?? "")?.[1] ?? null };
    });
  sendList(ask, masterPlaylistOf(pictures));
}

async function sendPart(ask: Ask, room: OpenRoom, part: Extract<ProgrammePart, { number: number }>): Promise<void> {
  const { app, response, occurrenceId } = ask;
  const { kind, number, variant } = part;
  const feed = app.feeds.of(occurrenceId, feedOfVariant(variant));
  const isSound = variant === "sound";
  if (kind === "init") {
    const bytes = await soonHere(() => feed.init(number));
    if (bytes) return sendBytes(response, isSound ? "audio/mp4" : "video/mp4", bytes, 3600);
    throw notFound("address");
  }
  // asked at each look: that it rose, or fell, may be told a moment later too
  const isUp = () => isCurtainUp(room.state.hour);
  const newest = feed.newest ?? number - 1;
  const mayCome = number > newest && number <= newest + piecesOnTheirWay;
  const read = () => {
    const kept = feed.piece(number);
    return kept && (isUp() || kept.piece.isHolding) ? kept : null;
  };
  const kept = mayCome ? await soonHere(read) : read();
  if (!kept) throw notFound("address");
  sendBytes(response, isSound ? "audio/mp4" : "video/iso.segment", kept.bytes, pieceKeptSeconds);
}

/** The programme as it is watched: chunked, as a playlist with its parts, or an interpreter's sound. */
export async function sendProgramme(ask: Ask): Promise<void> {
  const { app, response, occurrenceId } = ask;
  const room = await requireViewer(ask);
  const channel = /^sound\/(.+)$/.exec(ask.part)?.[1];
  if (channel) {
    if (!isFeedName(soundFeed(channel))) throw notFound("address");
    return watch(app, response, occurrenceId, soundFeed(channel));
  }
  const part = programmePartOf(ask.part);
  if (!part) throw notFound("address");
  if (part.kind === "all") return sendAllLists(ask, room);
  if ("number" in part) return sendPart(ask, room, part);
  if (part.kind === "feed") return watch(app, response, occurrenceId, feedOfVariant(part.variant));
  const feed = app.feeds.of(occurrenceId, feedOfVariant(part.variant));
  sendList(ask, playlistOf(feed.window(), part.variant));
}

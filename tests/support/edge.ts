import { createServer, request as httpRequest, type IncomingMessage } from "node:http";
import type { AddressInfo } from "node:net";
import { eq } from "drizzle-orm";
import type { App } from "@/server/compose";
import { tickets } from "@/server/db/schema";
import { liveHandler } from "@/server/edge/handler";
import { ActPace } from "@/server/edge/limits";
import { BriefCache } from "@/server/platform/brief-cache";
import { Entrance } from "@/server/services/hour/entrance";
import { HolderCache } from "@/server/services/hour/holder-cache";
import { OverflowBook } from "@/server/services/hour/overflow-watchers";
import { SignBook } from "@/server/services/hour/presence";
import { tokenOf } from "@/server/services/way-in/tickets";
import { Registrar } from "@/server/services/way-in/registrar";
import { makeFeeds, makeHub } from "./hub";
import type { World } from "./world";

/** What a request came to: its body as JSON where it is some, else as text. */
export interface Answered {
  readonly status: number;
  readonly headers: IncomingMessage["headers"];
  readonly body: unknown;
}
interface Asked {
  readonly method?: string;
  /** the cookies that a browser would send */
  readonly cookie?: string;
  /** another site's, or none; the address's own where it is left out */
  readonly origin?: string | null;
  readonly body?: string | Uint8Array;
}

/** The live edge on a port of its own, over the world's database and clock. */
export async function makeEdge(world: World) {
  const { context } = world;
  const feeds = makeFeeds(world);
  const hub = makeHub(world, feeds);
  await hub.listener.listening;
  const app: App = {
    context,
    database: world.database,
    hub,
    feeds,
    signs: new SignBook(context),
    overflow: new OverflowBook(context),
    roomCache: world.cache,
    holderCache: new HolderCache(world.clock),
    recordings: new BriefCache(world.clock, 1000, 500),
    pace: new ActPace(() => world.clock.now()),
    entrance: new Entrance(context),
    registrar: new Registrar(context),
    // members of the team sign in through the framework's pages: the browser's journeys do
    signIn: { api: { getSession: () => Promise.resolve(null) } } as never,
    close: async () => {},
  };
  const server = createServer(liveHandler(app));
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  const { port } = server.address() as AddressInfo;

  const open = (path: string, { method = "GET", cookie, origin, body }: Asked): Promise<IncomingMessage> =>
    new Promise((done, failed) => {
      const own = origin === undefined ? `http://127.0.0.1:${port}` : origin;
      const headers = {
        ...(cookie ? { cookie } : {}),
        ...(own === null ? {} : { origin: own }),
        ...(body ? { "content-length": String(Buffer.byteLength(body)) } : {}),
      };
      const outgoing = httpRequest({ host: "127.0.0.1", port, path, method, headers, agent: false }, done);
      outgoing.on("error", failed);
      outgoing.end(body);
    });
  const ask = async (path: string, asked: Asked = {}): Promise<Answered> => {
    const incoming = await open(path, asked);
    const parts: Buffer[] = [];
    for await (const part of incoming) parts.push(part as Buffer);
    const text = Buffer.concat(parts).toString("utf8");
    const isJson = incoming.headers["content-type"] === "application/json";
    return { status: incoming.statusCode!, headers: incoming.headers, body: isJson ? JSON.parse(text) : text };
  };
  const cookieOf = async (ticketId: string): Promise<string> => {
    const [ticket] = await context.db.select().from(tickets).where(eq(tickets.id, ticketId));
    return `sc-${ticketId}=${tokenOf(context, ticket!)}`;
  };
  const close = async () => {
    await hub.close();
    server.closeAllConnections();
    await new Promise((done) => server.close(done));
  };
  return { app, hub, ask, open, cookieOf, close };
}
export type Edge = Awaited<ReturnType<typeof makeEdge>>;

import { createServer, type IncomingMessage, type ServerResponse } from "node:http";
import { z } from "zod";

/** What a store asks of a statement at least (ADL, xAPI 1.0.3, part 2 §2): who did what with what. */
const statement = z.looseObject({
  id: z.uuid(),
  actor: z
    .looseObject({
      mbox: z.string().startsWith("mailto:").optional(),
      account: z.object({ homePage: z.url(), name: z.string() }).optional(),
    })
    .refine(({ mbox, account }) => (mbox === undefined) !== (account === undefined), "one way to tell who it is"),
  verb: z.looseObject({ id: z.url() }),
  object: z.looseObject({ id: z.url() }),
});
export type StoredStatement = z.infer<typeof statement>;

interface Options {
  readonly port: number;
  readonly userName: string;
  readonly password: string;
}

async function bodyOf(request: IncomingMessage): Promise<unknown> {
  const chunks: Buffer[] = [];
  for await (const chunk of request) chunks.push(chunk as Buffer);
  return JSON.parse(Buffer.concat(chunks).toString("utf8"));
}

/** Takes a list whole or not at all: a statement that is known under the same id with other words is a conflict. */
function keepAll(store: Map<string, StoredStatement>, raw: unknown): { status: number; body: unknown } {
  const list = z.array(statement).safeParse(Array.isArray(raw) ? raw : [raw]);
  if (!list.success) return { status: 400, body: { error: z.prettifyError(list.error) } };
  const differs = list.data.some((one) => {
    const known = store.get(one.id);
    return known !== undefined && JSON.stringify(known) !== JSON.stringify(one);
  });
  if (differs) return { status: 409, body: { error: "a statement with this id says something else" } };
  for (const one of list.data) store.set(one.id, one);
  return { status: 200, body: list.data.map(({ id }) => id) };
}

/** The stand-in of a learning record store: keeps statements in memory and gives them back. */
export function startRecordStore(options: Options): {
  readonly statements: () => readonly StoredStatement[];
  close(): void;
} {
  const store = new Map<string, StoredStatement>();
  const wanted = `Basic ${Buffer.from(`${options.userName}:${options.password}`).toString("base64")}`;
  const answer = async (request: IncomingMessage, response: ServerResponse) => {
    const say = (status: number, body: unknown) =>
      response
        .writeHead(status, { "content-type": "application/json", "x-experience-api-version": "1.0.3" })
        .end(JSON.stringify(body));
    const url = new URL(request.url ?? "/", "http://store");
    if (url.pathname !== "/xapi/statements") return say(404, { error: "nothing here" });
    if (request.headers.authorization !== wanted) return say(401, { error: "who are you?" });
    if (!request.headers["x-experience-api-version"]?.toString().startsWith("1.0"))
      return say(400, { error: "which version?" });
    if (request.method === "GET") {
      const id = url.searchParams.get("statementId");
      if (id === null) return say(200, { statements: [...store.values()], more: "" });
      return store.has(id) ? say(200, store.get(id)) : say(404, { error: "not known" });
    }
    if (request.method !== "POST") return say(405, { error: "post or get" });
    const { status, body } = keepAll(store, await bodyOf(request));
    return say(status, body);
  };
  const server = createServer((request, response) => {
    answer(request, response).catch(() => response.writeHead(400).end());
  });
  server.listen(options.port, "127.0.0.1");
  return { statements: () => [...store.values()], close: () => void server.close() };
}

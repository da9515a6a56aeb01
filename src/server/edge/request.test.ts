import { createServer, request as httpRequest, type IncomingMessage, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Log } from "../platform/log";
import { readBytes, readJson, requireOwnOrigin, sendFailure, sendJson } from "./request";

const quiet: Log = { info: () => {}, warn: () => {}, error: () => {} } as unknown as Log;
let server: Server;
let port = 0;

beforeAll(async () => {
  server = createServer((request, response) => {
    const run = async () => {
      if (request.url === "/origin") requireOwnOrigin(request);
      const body = request.url === "/json" ? await readJson(request) : (await readBytes(request, 1000)).length;
      sendJson(response, 200, { body });
    };
    run().catch((error: unknown) => sendFailure(response, error, quiet));
  });
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  port = (server.address() as AddressInfo).port;
});
afterAll(() => void server.close());

interface Sent {
  readonly path?: string;
  readonly parts: readonly string[];
  readonly headers?: Readonly<Record<string, string>>;
}
/** A body in parts, without its length unless a header says one (RFC 9112 §7.1). */
function post({ path = "/", parts, headers = {} }: Sent): Promise<{ status: number; body: unknown; closes: boolean }> {
  return new Promise((done, failed) => {
    const outgoing = httpRequest({ port, host: "127.0.0.1", path, method: "POST", headers }, (incoming) => {
      let text = "";
      incoming.on("data", (part: Buffer) => (text += part.toString()));
      incoming.on("end", () =>
        done({ status: incoming.statusCode!, body: JSON.parse(text), closes: incoming.headers.connection === "close" }),
      );
    });
    outgoing.on("error", failed);
    for (const part of parts) outgoing.write(part);
    outgoing.end();
  });
}

describe("a request's body", () => {
  it("is read whole, in however many parts it comes", async () => {
    expect(await post({ parts: ["a".repeat(600), "b".repeat(400)] })).toMatchObject({
      status: 200,
      body: { body: 1000 },
    });
    expect(await post({ parts: [] })).toMatchObject({ body: { body: 0 } });
    const json = await post({ path: "/json", parts: ['{"wörds":', '"ääkköset"}'] });
    expect(json.body).toEqual({ body: { wörds: "ääkköset" } });
    expect((await post({ path: "/json", parts: ["not json"] })).body).toEqual({ body: null });
  });
  it("is refused with words where it turns out too large, whatever it said of its length", async () => {
    const failure = { code: "too-large", limitBytes: 1000 };
    const unsaid = await post({ parts: ["a".repeat(600), "b".repeat(401)] });
    expect(unsaid).toMatchObject({ status: 413, body: { ok: false, failure }, closes: true });
    const said = await post({ parts: ["a".repeat(1001)], headers: { "content-length": "1001" } });
    expect(said).toMatchObject({ status: 413, body: { ok: false, failure } });
  });
  it("that breaks off in the middle leaves nothing waiting", async () => {
    const seen = new Promise<IncomingMessage>((done) => server.once("request", done));
    const outgoing = httpRequest({ port, host: "127.0.0.1", method: "POST", headers: { "content-length": "500" } });
    outgoing.on("error", () => {});
    outgoing.write("a".repeat(100));
    const request = await seen;
    const over = new Promise((done) => request.once("close", done));
    outgoing.destroy();
    await over;
    expect(await post({ parts: ["still there"] })).toMatchObject({ status: 200, body: { body: 11 } });
  });
});

describe("a request of another site", () => {
  const host = () => `127.0.0.1:${port}`;
  const from = (origin: string | null) =>
    post({ path: "/origin", parts: ["x"], headers: origin === null ? {} : { origin } });
  it("is refused; one of the address itself is not, by either scheme", async () => {
    expect((await from(`http://${host()}`)).status).toBe(200);
    // a proxy in front may end TLS
    expect((await from(`https://${host()}`)).status).toBe(200);
    expect((await from("http://elsewhere.example")).body).toMatchObject({ failure: { code: "wrong-origin" } });
    expect((await from(`http://${host()}.elsewhere.example`)).body).toMatchObject({
      failure: { code: "wrong-origin" },
    });
    expect((await from("null")).body).toMatchObject({ failure: { code: "wrong-origin" } });
    expect((await from(null)).body).toMatchObject({ failure: { code: "wrong-origin" } });
  });
});

import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { postOutward } from "./outward";

const received: string[] = [];
const server = createServer((request, response) => {
  received.push(`${request.method} ${request.url}`);
  if (request.url === "/moved") return void response.writeHead(302, { location: "/hook" }).end();
  if (request.url === "/broken") return void response.writeHead(500).end("x".repeat(100_000));
  response.writeHead(204).end();
});
let port = 0;
beforeAll(async () => {
  await new Promise<void>((done) => void server.listen(0, "0.0.0.0", done));
  port = (server.address() as AddressInfo).port;
});
afterAll(() => void server.close());

const call = { headers: {}, body: "{}", timeoutMs: 2000 };
const post = (address: string, mayReachThisMachine: boolean) => postOutward(address, { ...call, mayReachThisMachine });

describe("calls to addresses that somebody has typed", () => {
  it("in a demo reach this machine's own stand-ins, and tell no more than how it went", async () => {
    received.length = 0;
    expect(await post(`http://127.0.0.1:${port}/hook`, true)).toBe("answered");
    expect(await post(`http://localhost:${port}/broken`, true)).toBe("refused");
    expect(await post(`http://127.0.0.1:${port}/moved`, true)).toBe("refused");
    // a redirect is not followed
    expect(received).toEqual(["POST /hook", "POST /broken", "POST /moved"]);
  });

  it.each([
    ["this machine", (p: number) => `https://127.0.0.1:${p}/`],
    ["this machine by another of its names", (p: number) => `https://localhost:${p}/`],
    ["this machine in figures", (p: number) => `https://2130706433:${p}/`],
    ["this machine as IPv6", (p: number) => `https://[::1]:${p}/`],
    ["this machine as IPv4 in IPv6", (p: number) => `https://[::ffff:127.0.0.1]:${p}/`],
    ["every address", (p: number) => `https://0.0.0.0:${p}/`],
    ["a private network (RFC 1918)", () => "https://10.0.0.1/"],
    ["another (RFC 1918)", () => "https://192.168.1.1/"],
    ["a cloud's metadata (RFC 3927)", () => "https://169.254.169.254/latest/meta-data/"],
    ["no encryption", (p: number) => `http://192.0.2.1:${p}/`],
    ["a file", () => "file:///etc/passwd"],
    ["no address", () => "not an address"],
  ])("a house that others can reach never calls %s", async (_, address) => {
    received.length = 0;
    expect(await post(address(port), false)).toBe("silent");
    expect(received).toEqual([]);
  });

  it("even in a demo nothing but this machine is called without encryption", async () => {
    received.length = 0;
    expect(await post(`http://0.0.0.0:${port}/`, true)).toBe("silent");
    expect(await post("http://10.0.0.1/", true)).toBe("silent");
    expect(received).toEqual([]);
  });
});

import http from "node:http";
import https from "node:https";
import ipaddr from "ipaddr.js";
import { useAgent as filteringAgent } from "request-filtering-agent";
import { isLoopback } from "@/core/shared";

/** Whether an address is one of the open network, and neither this machine nor the inside of somebody's (RFC 6890). */
export const isPublicAddress = (address: string): boolean =>
  ipaddr.isValid(address) && ipaddr.process(address).range() === "unicast";

/** How a call outside went, no finer: what exactly answers at an address is nobody's to learn from us. */
export type OutwardAnswer = "answered" | "refused" | "silent";

export interface OutwardCall {
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string;
  readonly timeoutMs: number;
  /** demos and tests on one machine: its own stand-ins are reached, without TLS */
  readonly mayReachThisMachine: boolean;
}

/**
 * Posts to an address that somebody of the house has typed. Only by https, and only to addresses of the open
 * network: the name is resolved by the connection itself and the very address that was looked at is the one
 * connected to, so that a name cannot point elsewhere a moment later. Redirects are not followed.
 */
export function postOutward(address: string, call: OutwardCall): Promise<OutwardAnswer> {
  if (!URL.canParse(address)) return Promise.resolve("silent");
  const url = new URL(address);
  const isHere = call.mayReachThisMachine && isLoopback(url.hostname);
  if (url.protocol !== "https:" && !(isHere && url.protocol === "http:")) return Promise.resolve("silent");
  const agent = isHere ? undefined : filteringAgent(address);
  const { request } = url.protocol === "https:" ? https : http;
  return new Promise((done) => {
    const outgoing = request(
      url,
      {
        method: "POST",
        headers: { ...call.headers, "content-length": Buffer.byteLength(call.body) },
        signal: AbortSignal.timeout(call.timeoutMs),
        ...(agent && { agent }),
      },
      (incoming) => {
        const status = incoming.statusCode ?? 0;
        // what else it says is not read
        incoming.destroy();
        done(status >= 200 && status < 300 ? "answered" : "refused");
      },
    );
    outgoing.on("error", () => done("silent"));
    outgoing.end(call.body);
  });
}

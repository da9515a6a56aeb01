import { createHmac, timingSafeEqual } from "node:crypto";
import { createServer } from "node:http";

export interface ReceivedHook {
  readonly id: string;
  readonly isGenuine: boolean;
  readonly body: string;
}

/**
 * The stand-in of a course's or a team's page: takes web hooks, checks their signature with the secret it
 * was told, and keeps what came. A path of `/fail` answers 500, as a broken page would.
 */
export function startHookReceiver(options: { port: number; secret: () => string }): {
  readonly received: readonly ReceivedHook[];
  close(): void;
} {
  const received: ReceivedHook[] = [];
  const server = createServer((request, response) => {
    const chunks: Buffer[] = [];
    request.on("data", (chunk: Buffer) => chunks.push(chunk));
    request.on("end", () => {
      const body = Buffer.concat(chunks).toString("utf8");
      const header = (name: string) => String(request.headers[name] ?? "");
      const key = Buffer.from(options.secret().replace(/^whsec_/, ""), "base64");
      const wanted = Buffer.from(
        createHmac("sha256", key)
          .update(`${header("webhook-id")}.${header("webhook-timestamp")}.${body}`)
          .digest("base64"),
      );
      const given = Buffer.from(header("webhook-signature").replace(/^v1,/, ""));
      const isGenuine = wanted.length === given.length && timingSafeEqual(wanted, given);
      if (request.url === "/fail") response.writeHead(500).end();
      else {
        received.push({ id: header("webhook-id"), isGenuine, body });
        response.writeHead(isGenuine ? 204 : 401).end();
      }
    });
  });
  server.listen(options.port, "127.0.0.1");
  return { received, close: () => server.close() };
}

import { createHmac } from "node:crypto";
import type { Ask } from "./ask";
import { whoAsks } from "./access";
import { sendJson } from "./request";

/** a link outlives it; a new one asks again */
const holdsForSeconds = 12 * 3600;

interface IceServer {
  readonly urls: readonly string[];
  readonly username?: string;
  readonly credential?: string;
}

/**
 * Servers by which browsers find one another (RFC 8445): STUN as configured, TURN with credentials that hold for some
 * hours: a name that carries its end, and its HMAC-SHA1 by the secret that the server shares (the common "TURN REST"
 * scheme of coturn's `use-auth-secret`, from memory). None are needed on one machine.
 */
export function iceServers(
  configured: {
    readonly stun: readonly string[];
    readonly turn: readonly string[];
    readonly turnSecret: string | null;
  },
  ticketId: string,
  now: number,
): readonly IceServer[] {
  const { stun, turn, turnSecret } = configured;
  const username = `${Math.floor(now / 1000) + holdsForSeconds}:${ticketId}`;
  return [
    ...(stun.length > 0 ? [{ urls: stun }] : []),
    ...(turn.length > 0 && turnSecret !== null
      ? [{ urls: turn, username, credential: createHmac("sha1", turnSecret).update(username).digest("base64") }]
      : []),
  ];
}

export async function sendIceServers(ask: Ask): Promise<void> {
  const { app, response } = ask;
  const who = await whoAsks(ask);
  const { environment, clock } = app.context;
  const configured = {
    stun: environment.STAGE_CALL_STUN,
    turn: environment.STAGE_CALL_TURN,
    turnSecret: environment.STAGE_CALL_TURN_SECRET ?? null,
  };
  sendJson(response, 200, { iceServers: iceServers(configured, who.actorId, clock.now()) });
}

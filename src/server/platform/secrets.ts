import {
  createCipheriv,
  createDecipheriv,
  createHash,
  createHmac,
  hkdfSync,
  randomBytes,
  timingSafeEqual,
} from "node:crypto";

/** What a link's token says once its signature has been checked; the version is checked against the row. */
export interface TokenClaim {
  readonly ticketId: string;
  matches(linkVersion: number): boolean;
}

export interface Secrets {
  /** the token of a ticket's links, derived and never stored */
  tokenFor(ticketId: string, linkVersion: number): string;
  /** null for anything that cannot be a token */
  readToken(token: string): TokenClaim | null;
  /** nine digits that stand for the same ticket on a phone line */
  pinFor(ticketId: string, linkVersion: number): string;
  seal(text: string): string;
  unseal(sealed: string): string;
  /** a stable, unreadable key for counting tries */
  fingerprint(text: string): string;
  /** for the sign-in library */
  readonly signInSecret: string;
}

const keyId = "a";
const macBytes = 18;

const idBytes = (id: string): Buffer => Buffer.from(id.replaceAll("-", ""), "hex");
function idText(bytes: Buffer): string {
  const hex = bytes.toString("hex");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join("-");
}

/** Everything secret derives from one master by HKDF, one key a purpose. */
export function makeSecrets(master: string): Secrets {
  const derive = (purpose: string) => Buffer.from(hkdfSync("sha256", master, "stage-call", purpose, 32));
  const linkKey = derive("links");
  const sealKey = derive("seal");
  const pinKey = derive("phone-pins");
  const printKey = derive("fingerprints");
  const macOf = (ticketId: string, version: number) =>
    createHmac("sha256", linkKey).update(`${keyId}|${ticketId}|${version}`).digest().subarray(0, macBytes);

  return {
    signInSecret: derive("sign-in").toString("hex"),
    tokenFor: (ticketId, version) =>
      `${keyId}${Buffer.concat([idBytes(ticketId), macOf(ticketId, version)]).toString("base64url")}`,
    readToken(token) {
      if (!token.startsWith(keyId) || !/^[\w-]{40,60}$/.test(token)) return null;
      const bytes = Buffer.from(token.slice(1), "base64url");
      if (bytes.length !== 16 + macBytes) return null;
      const ticketId = idText(bytes.subarray(0, 16));
      const mac = bytes.subarray(16);
      return { ticketId, matches: (version) => timingSafeEqual(mac, macOf(ticketId, version)) };
    },
    pinFor(ticketId, version) {
      const mac = createHmac("sha256", pinKey).update(`${ticketId}|${version}`).digest();
      return String(100_000_000 + Number(mac.readBigUInt64BE(0) % 900_000_000n));
    },
    seal(text) {
      const iv = randomBytes(12);
      const cipher = createCipheriv("aes-256-gcm", sealKey, iv);
      const sealed = Buffer.concat([cipher.update(text, "utf8"), cipher.final()]);
      return Buffer.concat([iv, cipher.getAuthTag(), sealed]).toString("base64url");
    },
    unseal(sealed) {
      const bytes = Buffer.from(sealed, "base64url");
      const decipher = createDecipheriv("aes-256-gcm", sealKey, bytes.subarray(0, 12));
      decipher.setAuthTag(bytes.subarray(12, 28));
      return Buffer.concat([decipher.update(bytes.subarray(28)), decipher.final()]).toString("utf8");
    },
    fingerprint: (text) => createHmac("sha256", printKey).update(text).digest("base64url").slice(0, 24),
  };
}

/** A short public digest, for entity tags and import keys. */
export const digest = (text: string): string => createHash("sha256").update(text).digest("base64url").slice(0, 22);

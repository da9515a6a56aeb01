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
  /** null for anything that cannot be a token, or was made with a key that is gone */
  readToken(token: string): TokenClaim | null;
  /** nine digits that stand for the same ticket on a phone line */
  pinFor(ticketId: string, linkVersion: number): string;
  /** whether these are those digits, by the present key or the previous one */
  isPin(pin: string, ticketId: string, linkVersion: number): boolean;
  /** the secret part of the address to which answers and reports about one mail come */
  mailboxFor(messageId: string): string;
  /** whose it is; null for anything that was never given out */
  readMailbox(part: string): string | null;
  seal(text: string): string;
  /** null where it was changed, or sealed with a key that is gone: one bad item is no reason to stop */
  unseal(sealed: string): string | null;
  /** lets whoever has it watch a date's programme, for some hours: caches carry it in an address */
  programmePass(occurrenceId: string, at: number): string;
  isProgrammePass(pass: string, occurrenceId: string, at: number): boolean;
  /** a stable, unreadable key for counting tries */
  fingerprint(text: string): string;
  /** for the sign-in library */
  readonly signInSecret: string;
}

const macBytes = 18;
const mailboxMacBytes = 10;

const idBytes = (id: string): Buffer => Buffer.from(id.replaceAll("-", ""), "hex");
function idText(bytes: Buffer): string {
  const hex = bytes.toString("hex");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join("-");
}

/** The keys of one master, one a purpose (HKDF, RFC 5869), and the two letters by which what they made names them. */
function keysOf(master: string) {
  const derive = (purpose: string) => Buffer.from(hkdfSync("sha256", master, "stage-call", purpose, 32));
  return {
    id: derive("key-id").toString("base64url").slice(0, 2),
    link: derive("links"),
    seal: derive("seal"),
    pin: derive("phone-pins"),
    mailbox: derive("mailboxes"),
    print: derive("fingerprints"),
    programme: derive("programme-passes"),
    signIn: derive("sign-in"),
  };
}
type Keys = ReturnType<typeof keysOf>;

const macOf = (key: Buffer, text: string, bytes: number): Buffer =>
  createHmac("sha256", key).update(text).digest().subarray(0, bytes);

const mailboxHexDigits = 32 + mailboxMacBytes * 2;
const mailboxLetters = Math.ceil((mailboxHexDigits * 4) / Math.log2(36));

/** As short as letters go that every mail server keeps: a local part has 64 (RFC 5321 §4.5.3.1.1), in one case. */
const inLetters = (hex: string): string => BigInt(`0x${hex}`).toString(36).padStart(mailboxLetters, "0");
function fromLetters(text: string): string | null {
  if (!/^[0-9a-z]+$/.test(text) || text.length !== mailboxLetters) return null;
  let value = 0n;
  for (const letter of text) value = value * 36n + BigInt(parseInt(letter, 36));
  const hex = value.toString(16).padStart(mailboxHexDigits, "0");
  return hex.length === mailboxHexDigits ? hex : null;
}

/** Links from before keys had two letters say "a". */
const firstKeyId = "a";
const linkMac = ({ link }: Keys, keyId: string, ticketId: string, version: number): Buffer =>
  macOf(link, `${keyId}|${ticketId}|${version}`, macBytes);

/** A token's parts: the letters of its key, and what it carries. */
function partsOf(token: string): { readonly keyId: string; readonly bytes: Buffer } | null {
  if (!/^[\w-]{40,60}$/.test(token)) return null;
  for (const length of [2, 1]) {
    const bytes = Buffer.from(token.slice(length), "base64url");
    const keyId = token.slice(0, length);
    const isWhole = bytes.length === 16 + macBytes && bytes.toString("base64url") === token.slice(length);
    if (isWhole && (length === 2 || keyId === firstKeyId)) return { keyId, bytes };
  }
  return null;
}

function pinOf({ pin }: Keys, ticketId: string, version: number): string {
  const mac = createHmac("sha256", pin).update(`${ticketId}|${version}`).digest();
  return String(100_000_000 + Number(mac.readBigUInt64BE(0) % 900_000_000n));
}

function opened({ seal }: Keys, sealed: string): string | null {
  try {
    const bytes = Buffer.from(sealed, "base64url");
    const decipher = createDecipheriv("aes-256-gcm", seal, bytes.subarray(0, 12));
    decipher.setAuthTag(bytes.subarray(12, 28));
    return Buffer.concat([decipher.update(bytes.subarray(28)), decipher.final()]).toString("utf8");
  } catch {
    return null;
  }
}

/** A pass holds for the span it was given in and the next one: six hours at least, twelve at most. */
const passSpanMs = 6 * 3_600_000;
const passSpan = (at: number): number => Math.floor(at / passSpanMs);
const passOf = ({ programme }: Keys, occurrenceId: string, span: number): string =>
  macOf(programme, `${occurrenceId}|${span}`, macBytes).toString("base64url");
const isSame = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

/**
 * Everything secret derives from one master, one key a purpose. What was made with the previous master is still read:
 * whoever changes it gives both for as long as old links are to live.
 */
export function makeSecrets(master: string, previousMaster: string | null = null): Secrets {
  const now = keysOf(master);
  const all = previousMaster === null ? [now] : [now, keysOf(previousMaster)];
  const isKnownKey = (keyId: string): boolean => keyId === firstKeyId || all.some((keys) => keys.id === keyId);
  const macsFor = (keyId: string, ticketId: string, version: number): readonly Buffer[] =>
    all
      .filter((keys) => keyId === firstKeyId || keys.id === keyId)
      .map((keys) => linkMac(keys, keyId, ticketId, version));
  const mailboxMac = (keys: Keys, id: string) => macOf(keys.mailbox, id, mailboxMacBytes).toString("hex");

  return {
    signInSecret: now.signIn.toString("hex"),
    tokenFor: (ticketId, version) =>
      now.id + Buffer.concat([idBytes(ticketId), linkMac(now, now.id, ticketId, version)]).toString("base64url"),
    readToken(token) {
      const parts = partsOf(token);
      if (!parts) return null;
      const { keyId, bytes } = parts;
      const ticketId = idText(bytes.subarray(0, 16));
      const mac = bytes.subarray(16);
      if (!isKnownKey(keyId)) return null;
      return {
        ticketId,
        matches: (version) => macsFor(keyId, ticketId, version).some((one) => timingSafeEqual(mac, one)),
      };
    },
    pinFor: (ticketId, version) => pinOf(now, ticketId, version),
    isPin: (pin, ticketId, version) => all.some((keys) => pinOf(keys, ticketId, version) === pin),
    mailboxFor: (messageId) => inLetters(idBytes(messageId).toString("hex") + mailboxMac(now, messageId)),
    readMailbox(part) {
      const hex = fromLetters(part.toLowerCase());
      if (!hex) return null;
      const id = idText(Buffer.from(hex.slice(0, 32), "hex"));
      const mac = Buffer.from(hex.slice(32), "hex");
      return all.some((keys) => timingSafeEqual(mac, Buffer.from(mailboxMac(keys, id), "hex"))) ? id : null;
    },
    seal(text) {
      const iv = randomBytes(12);
      const cipher = createCipheriv("aes-256-gcm", now.seal, iv);
      const sealed = Buffer.concat([cipher.update(text, "utf8"), cipher.final()]);
      return Buffer.concat([iv, cipher.getAuthTag(), sealed]).toString("base64url");
    },
    // GCM tells whether a key fits: no letters are needed
    unseal: (sealed) => all.reduce<string | null>((out, keys) => out ?? opened(keys, sealed), null),
    programmePass: (occurrenceId, at) => passOf(now, occurrenceId, passSpan(at)),
    isProgrammePass: (pass, occurrenceId, at) =>
      all.some((keys) => [0, 1].some((ago) => isSame(pass, passOf(keys, occurrenceId, passSpan(at) - ago)))),
    fingerprint: (text) => createHmac("sha256", now.print).update(text).digest("base64url").slice(0, 24),
  };
}

/** A short public digest, for entity tags and import keys. */
export const digest = (text: string): string => createHash("sha256").update(text).digest("base64url").slice(0, 22);

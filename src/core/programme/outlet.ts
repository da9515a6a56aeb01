/**
 * How sending to another place stands. `waits`: there is nothing to send; `refused`: it did not take it, and is tried
 * again; `unable`: the server lacks the program that sends.
 */
export const outletStates = ["waits", "begins", "sends", "refused", "unable"] as const;
export type OutletState = (typeof outletStates)[number];

/** A process that has not renewed its lease for so long does not send any more. */
export const outletLeaseMs = 10_000;
/** It is looked at again so often, and the lease renewed. */
export const outletEveryMs = 2000;

export interface OutletAddress {
  readonly protocol: "rtmp" | "rtmps";
  readonly host: string;
  readonly port: number;
  /** the application, as the protocol calls what stands before the key */
  readonly app: string;
}

const ports = { rtmp: 1935, rtmps: 443 } as const;

/** Reads where a live service takes programmes (RTMP 1.0 §7.2.1.1); null for what is no such address. */
export function outletAddress(text: string): OutletAddress | null {
  const found = /^(rtmps?):\/\/([^/?#\s@:]+|\[[0-9a-f:]+\])(?::(\d{1,5}))?\/([\w.~/-]{1,200}?)\/?$/i.exec(text.trim());
  if (!found) return null;
  const protocol = found[1]!.toLowerCase() as "rtmp" | "rtmps";
  const port = found[3] ? Number(found[3]) : ports[protocol];
  if (port < 1 || port > 65_535) return null;
  return { protocol, host: found[2]!.toLowerCase().replace(/^\[|\]$/g, ""), port, app: found[4]! };
}

const firstRetryMs = 5000;
const mostRetryMs = 120_000;
/** After so many tries in a row that came to nothing the next one waits twice as long, up to two minutes. */
export const outletRetryMs = (failures: number): number =>
  failures === 0 ? 0 : Math.min(mostRetryMs, firstRetryMs * 2 ** (failures - 1));

/** Where ffmpeg finds what must stand on no command line, which every program of the machine can read. */
export const outletSecretsDescriptor = 3;
/** @returns options as ffmpeg reads them from a file: the key is the stream's name (RTMP 1.0 §7.2.2.6) */
export const outletSecrets = (key: string): string => `rtmp_playpath=${key}`;

/**
 * What ffmpeg is told: read the programme's own playlist at its pace, pass the picture on as it is, make the sound AAC,
 * which is what live services take, and send both as FLV over RTMP.
 * @param ip what the host's name was found to be: the very address that was looked at is the one connected to
 */
export function outletArguments(playlist: string, { protocol, host, port, app }: OutletAddress, ip: string): string[] {
  // of TLS the certificate is checked against the name, which therefore stays
  const where = protocol === "rtmps" ? host : ip;
  const bracketed = where.includes(":") ? `[${where}]` : where;
  return [
    ...["-hide_banner", "-nostdin", "-loglevel", "error", "-progress", "pipe:1"],
    ...["-protocol_whitelist", "http,https,tcp,tls,crypto", "-live_start_index", "-1", "-i", playlist],
    ...["-map", "0:v:0", "-map", "0:a:0?", "-c:v", "copy", "-c:a", "aac", "-b:a", "128k", "-ar", "48000"],
    ...(protocol === "rtmps" ? ["-tls_verify", "1"] : ["-rtmp_tcurl", `rtmp://${host}:${port}/${app}`]),
    ...["-rtmp_app", app, "-fpre", `/dev/fd/${outletSecretsDescriptor}`],
    ...["-f", "flv", "-flvflags", "no_duration_filesize", `${protocol}://${bracketed}:${port}/${app}`],
  ];
}

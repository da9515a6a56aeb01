/** Whether a host name means this very machine (RFC 6761 §6.3, RFC 5735 §3, RFC 4291 §2.5.3). */
export const isLoopback = (host: string): boolean =>
  /^(localhost|.*\.localhost|127\.\d{1,3}\.\d{1,3}\.\d{1,3}|\[?::1\]?)$/i.test(host);

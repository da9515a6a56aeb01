/**
 * Who sent a request. Each proxy adds the address it was asked from at the right of `X-Forwarded-For`; what stands
 * further left is the client's to write. So it is read from the right, past as many as we put there ourselves.
 * @param forwarded the header as it came
 * @param socketAddress whom the last hop connected from
 * @param trustedHops how many proxies of our own stand in front; 0: the header says nothing
 * @example clientAddress("203.0.113.9, 198.51.100.7", "10.0.0.2", 1) // "198.51.100.7": the first was made up
 */
export function clientAddress(
  forwarded: string | undefined,
  socketAddress: string | undefined,
  trustedHops: number,
): string {
  const said = (forwarded ?? "")
    .split(",")
    .map((one) => one.trim())
    .filter((one) => one !== "");
  const chain = [...said, socketAddress ?? "unknown"];
  return chain[Math.max(0, chain.length - 1 - trustedHops)]!.slice(0, 64);
}

const isV6 = (address: string): boolean => address.includes(":") && !/^::ffff:\d+\.\d+\.\d+\.\d+$/i.test(address);

function groupsOf(address: string): string[] {
  const [head = "", tail] = address.toLowerCase().split("::");
  const left = head === "" ? [] : head.split(":");
  if (tail === undefined) return left;
  const right = tail === "" ? [] : tail.split(":");
  return [...left, ...Array<string>(Math.max(0, 8 - left.length - right.length)).fill("0"), ...right];
}

/**
 * The network that limits count: an IPv4 address itself, of an IPv6 address its first 64 bits, since one household
 * is given all the rest (RFC 6177).
 * @example networkOf("2001:db8:1:2:3::9") // "2001:db8:1:2::/64"
 */
export function networkOf(address: string): string {
  if (!isV6(address)) return address.replace(/^::ffff:/i, "");
  const first = groupsOf(address.split("%")[0]!)
    .slice(0, 4)
    .map((group) => group.replace(/^0+(?=.)/, ""));
  return `${first.join(":")}::/64`;
}

import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { clientAddress, networkOf } from "./client-address";

/** Addresses of RFC 5737 and RFC 3849: for documentation alone. */
const proxy = "10.0.0.2";

describe("who sent a request", () => {
  it("without a proxy of ours it is who connected, whatever the header says", () => {
    expect(clientAddress("203.0.113.9", "198.51.100.7", 0)).toBe("198.51.100.7");
    expect(clientAddress(undefined, "198.51.100.7", 0)).toBe("198.51.100.7");
  });
  it("behind one proxy it is what that proxy added at the right", () => {
    expect(clientAddress("198.51.100.7", proxy, 1)).toBe("198.51.100.7");
    expect(clientAddress("203.0.113.9, 198.51.100.7", proxy, 1)).toBe("198.51.100.7");
  });
  it("behind two it is what the outer one added", () => {
    expect(clientAddress("203.0.113.9, 198.51.100.7, 192.0.2.1", proxy, 2)).toBe("198.51.100.7");
  });
  it("a chain shorter than promised gives its first", () => {
    expect(clientAddress(undefined, proxy, 2)).toBe(proxy);
    expect(clientAddress("198.51.100.7", proxy, 5)).toBe("198.51.100.7");
    expect(clientAddress(" , ", undefined, 1)).toBe("unknown");
  });
  it("nothing that a client writes changes who it is (500 headers)", () => {
    fc.assert(
      fc.property(
        fc.array(fc.string({ maxLength: 20 }), { maxLength: 6 }),
        fc.integer({ min: 0, max: 3 }),
        (lies, hops) => {
          // each proxy of ours adds whom it was asked by
          const added = ["198.51.100.7", "192.0.2.1", "192.0.2.2"].slice(0, hops);
          const header = [...lies, ...added].join(", ");
          expect(clientAddress(header, hops === 0 ? "198.51.100.7" : proxy, hops)).toBe("198.51.100.7");
        },
      ),
      { numRuns: 500 },
    );
  });
});

describe("the network that limits count", () => {
  it.each([
    ["198.51.100.7", "198.51.100.7"],
    ["::ffff:198.51.100.7", "198.51.100.7"],
    ["2001:db8:1:2:3:4:5:6", "2001:db8:1:2::/64"],
    ["2001:0db8:0001:0002::9", "2001:db8:1:2::/64"],
    ["2001:DB8::1", "2001:db8:0:0::/64"],
    ["fe80::1%eth0", "fe80:0:0:0::/64"],
    ["::1", "0:0:0:0::/64"],
    ["unknown", "unknown"],
  ])("%s counts as %s", (address, network) => expect(networkOf(address)).toBe(network));
  it("every address of one household counts as one", () => {
    const household = ["2001:db8:1:2::1", "2001:db8:1:2:ffff:ffff:ffff:ffff", "2001:db8:1:2:a::"];
    expect(new Set(household.map(networkOf)).size).toBe(1);
    expect(networkOf("2001:db8:1:3::1")).not.toBe(networkOf("2001:db8:1:2::1"));
  });
});

import { describe, expect, it } from "vitest";
import { connectionsOf } from ".";

const stay = (connectionId: string, place: string, fromAt: number, toAt: number | null) => ({
  connectionId,
  place,
  fromAt,
  toAt,
});

describe("stays as connections", () => {
  it("are one entry for as long as a device goes from place to place without leaving", () => {
    expect(
      connectionsOf([
        stay("laptop", "stage", 20, 30),
        stay("laptop", "house", 10, 20),
        stay("phone", "house", 12, 25),
        stay("laptop", "house", 30, null),
      ]),
    ).toEqual([stay("laptop", "house", 10, null), stay("phone", "house", 12, 25)]);
  });

  it("are two where the device was away in between, however short, and on its way nowhere", () => {
    expect(connectionsOf([stay("a", "house", 0, 10), stay("a", "house", 11, 20), stay("a", "stage", 20, 20)])).toEqual([
      stay("a", "house", 0, 10),
      stay("a", "stage", 11, 20),
    ]);
  });
});

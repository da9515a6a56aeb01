import { describe, expect, it } from "vitest";
import { groupsIn } from "./groups-in";

const people = [
  { ticketId: "t1", name: "Zoë Marsh" },
  { ticketId: "t2", name: "Ruta Lang" },
  { ticketId: "t3", name: "ليلى النورس" },
];

describe("groups as they are typed", () => {
  it("are one a line, names found whatever their accents and letters' size", () => {
    expect(groupsIn("zoe marsh, RUTA LANG\n\nليلى النورس , ruta lang", people)).toEqual({
      ok: true,
      groups: [
        ["t1", "t2"],
        ["t3", "t2"],
      ],
    });
  });
  it("say who is not found", () => {
    expect(groupsIn("Zoë Marsh, Nobody\nSomebody", people)).toEqual({ ok: false, unknown: ["Nobody", "Somebody"] });
  });
});

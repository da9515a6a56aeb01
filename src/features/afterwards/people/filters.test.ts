import { describe, expect, it } from "vitest";
import type { PersonOfDate } from "@/contracts";
import { filteredPeople, personMarks, sortedPeople, type PersonMark } from "./filters";

const row = (name: string, part: Partial<PersonOfDate> = {}): PersonOfDate => ({
  key: name,
  name,
  email: `${name.toLowerCase()}@example.org`,
  role: "attendee",
  personId: null,
  creditPoints: null,
  source: "",
  isRegistered: true,
  minutes: 30,
  percent: 50,
  presence: [100, 200],
  questions: 0,
  votes: 0,
  hands: 0,
  spoke: false,
  couldNotHear: false,
  leftEarly: false,
  cameBack: false,
  isReturning: false,
  ...part,
});
const people = [
  row("Ada", { questions: 2, votes: 1, isReturning: true }),
  row("Bo", { minutes: 0, presence: [] }),
  row("Cy", { role: "test-guest" }),
  row("Di", { leftEarly: true, couldNotHear: true, source: "poster", minutes: 12, presence: [50, 60] }),
  row("Ed", { isRegistered: false, minutes: 0, presence: [] }),
];
const names = (marks: readonly PersonMark[], words = "", source: string | null = null) =>
  filteredPeople(people, { words, marks, source }).map((one) => one.name);

describe("filtering the people of a date", () => {
  it("leaves out who only tried, unless they are asked for", () => {
    expect(names([])).toEqual(["Ada", "Bo", "Di", "Ed"]);
    expect(names(["test"])).toEqual(["Cy"]);
  });
  it("counts as missing only who had registered", () => expect(names(["missed"])).toEqual(["Bo"]));
  it("wants every mark to hold", () => {
    expect(names(["came"])).toEqual(["Ada", "Di"]);
    expect(names(["came", "left-early", "cannot-hear"])).toEqual(["Di"]);
    expect(names(["asked", "left-early"])).toEqual([]);
    expect(names(["new"])).toEqual(["Di"]);
  });
  it("finds words in name and address, and people by where they came from", () => {
    expect(names([], "  ADA@ex ")).toEqual(["Ada"]);
    expect(names([], "", "poster")).toEqual(["Di"]);
  });
  it("has an answer for every mark", () => {
    for (const mark of personMarks) expect(() => names([mark])).not.toThrow();
  });
  it("sorts by what was done, most first, and by who came first", () => {
    expect(
      sortedPeople(people, "minutes")
        .map((one) => one.name)
        .slice(0, 3),
    ).toEqual(["Ada", "Cy", "Di"]);
    expect(sortedPeople(people, "arrival")[0]!.name).toBe("Di");
  });
});

import { describe, expect, it } from "vitest";
import { defaultSwitches } from "../../people";
import { plainView } from "../changes";
import type { HouseView, StageView } from "../views";
import { bestVersion, project, type RoomCommand, type RoomState } from "..";
import { figures, open, play, refusal, words, type Act } from "../test-room";

const leader: Act = { by: "t1", scene: { actor: { role: "panelist", duties: [] } } };
const other: Act = { by: "t2", scene: { actor: { role: "panelist", duties: [] } } };
const show = (page: number, seen: number | null = null): RoomCommand => ({
  type: "slides.show",
  deckId: "d1",
  page,
  seen: seen === null ? null : { deckId: "d1", page: seen },
});
const turn = (page: number, seen: number | null): RoomCommand => ({
  type: "slides.turn",
  deckId: "d1",
  page,
  seen: seen === null ? null : { deckId: "d1", page: seen },
});
const up: [RoomCommand] = [{ type: "hour.raise-curtain" }];
const cue = (leavingSegmentId: string | null): [RoomCommand] => [{ type: "cues.next", leavingSegmentId }];
const house = (room: RoomState) =>
  (plainView(project("slides:house", room, words, figures)) as unknown as HouseView).slides["it"];
const team = (room: RoomState) => plainView(project("slides:team", room, words, figures)) as unknown as StageView;

describe("rule 20: everyone sees the page that the turner shows", () => {
  it("is the desk's to show and put away; a page that is none, or the same again, is refused", () => {
    const shown = play(open, up, [show(2)]);
    expect(house(shown)).toMatchObject({ deckId: "d1", page: 2, pageCount: 3 });
    expect(refusal(shown, show(4, 2))).toBe("not-found");
    expect(refusal(shown, show(2, 2))).toBe("already-done");
    expect(house(play(shown, [{ type: "slides.put-away" }]))).toBeUndefined();
    expect(refusal(open, { type: "slides.put-away" })).toBe("already-done");
  });
  it("names the page that was seen: of two who turn at once the second skips nothing", () => {
    const shown = play(open, [show(1)], [show(2, 1)]);
    expect(refusal(shown, show(2, 1))).toBe("page-turned");
    expect(refusal(shown, show(3, 1))).toBe("page-turned");
    expect(refusal(play(shown, [{ type: "slides.put-away" }]), show(3, 2))).toBe("page-turned");
  });
  it("is turned by the leader of the segment, by nobody else, until the desk names another", () => {
    const led = play(open, cue(null), [show(1)]);
    expect(team(led).turners["it"]).toMatchObject({ ids: ["t1"], namedId: null });
    expect(refusal(led, turn(2, 1), leader)).toBe("done");
    expect(refusal(led, turn(2, 1), other)).toBe("not-allowed");
    expect(refusal(led, show(2, 1), leader)).toBe("not-allowed");
    const named = play(led, [{ type: "slides.name-turner", turnerId: "p" }]);
    expect(refusal(named, turn(2, 1), leader)).toBe("not-allowed");
    expect(refusal(named, turn(2, 1), { by: "p" })).toBe("done");
    expect(refusal(led, { type: "slides.name-turner", turnerId: "a1" })).toBe("not-found");
    // named for a segment: with the next cue its leader turns again
    expect(team(play(named, cue("s1"))).turners["it"]).toMatchObject({ ids: ["t1"], namedId: null });
  });
  it("opens with the cue of the segment that it is tied to, at its page; a segment without leaves what is shown", () => {
    const second = play(open, up, cue(null), cue("s1"));
    expect(house(second)).toMatchObject({ deckId: "d1", page: 2 });
    const third = play(second, cue("s2"));
    expect(house(third)).toMatchObject({ page: 2 });
    const back = play(second, [show(3, 2)], cue("s2"), [{ type: "cues.back", leavingSegmentId: "s3" }]);
    expect(house(back)).toMatchObject({ page: 2 });
    // pages still being made are no page yet: the cue goes through all the same
    const empty = { scene: { deckPages: new Map([["d1", 1]]) } };
    expect(house(play(open, up, [cue(null)[0], empty], [cue("s1")[0], empty]))).toBeUndefined();
  });
});

describe("slides: who sees what", () => {
  const shown = play(open, up, [show(1)]);
  const text = (room: RoomState) => JSON.stringify(plainView(project("slides:house", room, words, figures)));
  it("gives the house the page that is on alone, and nothing before the curtain", () => {
    expect(text(shown)).toContain("d1-PICTURE-1");
    for (const hidden of ["PICTURE-2", "PICTURE-3", "NOTES"]) expect(text(shown)).not.toContain(hidden);
    expect(text(play(open, [show(1)]))).not.toContain("PICTURE");
    expect(text(play(shown, [{ type: "hour.drop-curtain" }]))).not.toContain("PICTURE");
  });
  it("gives every page to whoever may page for themselves, and never the notes", () => {
    const paging = play(shown, [
      { type: "hour.set-switch", set: { name: "paging", value: { on: true } }, seen: defaultSwitches.paging },
    ]);
    expect(text(paging)).toContain("d1-PICTURE-3");
    expect(text(paging)).not.toContain("NOTES");
  });
  it("has each page in every language, the first's where a version has no such page", () => {
    expect(house(shown)!.versions).toEqual([
      { language: "en", pictureId: "d1-PICTURE-1", handOutId: null },
      { language: "pt", pictureId: "d2-PICTURE-1", handOutId: null },
    ]);
    const given = new Map([...words.decks].map(([id, deck]) => [id, { ...deck, isHandOut: id === "d2" }]));
    const sight = { ...words, decks: given };
    const view = plainView(project("slides:house", shown, sight, figures)) as unknown as HouseView;
    expect(view.slides["it"]!.versions.map((one) => one.handOutId)).toEqual([null, "d2"]);
    expect(house(play(shown, [show(3, 1)]))!.versions[1]).toMatchObject({ language: "pt", pictureId: "d1-PICTURE-3" });
  });
});

describe("the version for a reader (RFC 4647 §3.4, lookup)", () => {
  const of = (...tags: string[]) => tags.map((language) => ({ language }));
  it.each([
    // the RFC's own range, cut step by step: …-x-private1-private2, …-x-private1, (x alone says nothing), -CN, zh-Hant, zh
    [["zh-Hant-CN-x-private1-private2"], of("en", "zh-Hant-CN-x-private1"), "zh-Hant-CN-x-private1"],
    [["zh-Hant-CN-x-private1-private2"], of("en", "zh-Hant-CN"), "zh-Hant-CN"],
    [["zh-Hant-CN-x-private1-private2"], of("en", "zh-Hant"), "zh-Hant"],
    [["zh-Hant-CN-x-private1-private2"], of("en", "zh"), "zh"],
    // the second wish before the default
    [["fr-FR", "pt-BR"], of("en", "pt"), "pt"],
    // a longer version than the wish is no match in lookup
    [["pt"], of("en", "pt-BR"), "en"],
    [["DE-at"], of("en", "de"), "de"],
    [["*"], of("es", "en"), "es"],
    [[], of("es", "en"), "es"],
  ])("%j among %j is %s", (wishes, versions, found) => {
    expect(bestVersion(versions, wishes)?.language).toBe(found);
  });
  it("is none where there is none", () => expect(bestVersion([], ["en"])).toBeNull());
});

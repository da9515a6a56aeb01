import { readdirSync, readFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { describe, expect, it } from "vitest";

const root = resolve(import.meta.dirname, "../../src/app");

function filesBelow(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesBelow(join(folder, entry.name)) : [join(folder, entry.name)],
  );
}

/** What each address asks for before it answers. A new route fails here until it is put in. */
const guards: Readonly<Record<string, string>> = {
  "(public)/page.tsx": "open",
  "ui-kit/page.tsx": "STAGE_CALL_UI_KIT",
  "(public)/front/[slug]/page.tsx": "frontDoor(",
  "(public)/front/[slug]/calendar.ics/route.ts": "frontDoor(",
  "(public)/front/[slug]/register/route.ts": "requireOwnOrigin(",
  "(public)/calendar.ics/route.ts": "open",
  "(public)/background/[file]/route.ts": "files[",
  "(public)/emoji/[locale]/[file]/route.ts": "locales.has(",
  "(public)/ticket/[token]/page.tsx": "holderOf(",
  "(public)/ticket/[token]/calendar.ics/route.ts": "holderOf(",
  "(public)/own-data/[token]/page.tsx": "ownFileOwner(",
  "(public)/own-data/[token]/person.json/route.ts": "takeOwnFile(",
  "(public)/enter/[token]/page.tsx": "holderOf(",
  "(public)/unsubscribe/[token]/page.tsx": "unsubscribePerson(",
  "(public)/watch/[slug]/page.tsx": "overflowPage(",
  "(public)/screening/[token]/page.tsx": "holderOf(",
  "(public)/on-demand/[slug]/page.tsx": "askedRecording(",
  "(public)/on-demand/[slug]/chapters.vtt/route.ts": "openWithChapters(",
  "(public)/on-demand/[slug]/[captions]/route.ts": "openWithChapters(",
  "(public)/on-demand/[slug]/media/route.ts": "openRecording(",
  "(public)/on-demand/[slug]/sound/route.ts": "openRecording(",
  "(public)/on-demand/[slug]/plays/route.ts": "openRecording(",
  "(public)/on-demand/[slug]/picture/route.ts": "openRecording(",
  "(team)/recordings/[id]/picture/route.ts": "currentMember(",
  "(team)/sign-in/page.tsx": "open",
  "(public)/join/[token]/page.tsx": "invitationFor(",
  "(public)/new-password/[token]/page.tsx": "requireOpenReset(",
  "(team)/sign-in/forgotten/page.tsx": "open",
  "(team)/contacts/page.tsx": "pageMember(",
  "(team)/contacts/[file]/route.ts": "currentMember(",
  "(team)/upload/contacts/route.ts": "currentMember(",
  "(team)/upload/board/[id]/[date]/route.ts": "currentMember(",
  "(team)/upload/hand-out/[date]/route.ts": "bringer(",
  "(public)/hand-outs/[id]/route.ts": "takeHandOut(",
  "(public)/hand-outs/[id]/picture/route.ts": "showPicture(",
  "(team)/upload/entries/[id]/[date]/route.ts": "currentMember(",
  "(team)/season/page.tsx": "pageMember(",
  "(team)/outbox/page.tsx": "pageMember(",
  "(team)/recordings/page.tsx": "pageMember(",
  "(team)/recordings/[id]/page.tsx": "editOf(",
  "(team)/recordings/[id]/media/route.ts": "editOf(",
  "(team)/help/page.tsx": "pageMember(",
  "(team)/organisation/page.tsx": "pageMember(",
  "(team)/events/new/page.tsx": "pageMember(",
  "(team)/events/[id]/plan/page.tsx": "workspace(",
  "(team)/events/[id]/people/page.tsx": "workspace(",
  "(team)/events/[id]/call-sheet/page.tsx": "workspace(",
  "(team)/events/[id]/run-sheet/page.tsx": "workspace(",
  "(team)/events/[id]/front-door/page.tsx": "workspace(",
  "(team)/events/[id]/mailings/page.tsx": "workspace(",
  "(team)/events/[id]/desk/[date]/page.tsx": "deskEntry(",
  "(team)/events/[id]/afterwards/[date]/page.tsx": "reportPage(",
  "(team)/events/[id]/afterwards/[date]/people/page.tsx": "reportPage(",
  "(team)/events/[id]/afterwards/[date]/people/[key]/page.tsx": "reportPage(",
  "(team)/events/[id]/afterwards/[date]/credit/page.tsx": "reportPage(",
  "(team)/events/[id]/afterwards/[date]/survey/page.tsx": "reportPage(",
  "(team)/events/[id]/afterwards/[date]/summary/page.tsx": "reportPage(",
  "(team)/events/[id]/afterwards/[date]/compare/page.tsx": "reportPage(",
  "(team)/events/[id]/afterwards/[date]/series/page.tsx": "reportPage(",
  "(public)/summary/[token]/page.tsx": "summaryBehind(",
  "(team)/year/page.tsx": "pageMember(",
  "(team)/year/[file]/route.ts": "currentMember(",
  "(public)/credit/[number]/page.tsx": "stateOfNumber(",
  "(public)/survey/[token]/page.tsx": "holderOf(",
  "(public)/ticket/[token]/certificate.pdf/route.ts": "holderOf(",
  "(team)/events/[id]/dates/[date]/[file]/route.ts": "currentMember(",
  "(team)/events/[id]/outlets.json/route.ts": "outletsFor(",
  "(team)/events/[id]/registrants.csv/route.ts": "currentMember(",
  "(team)/events/[id]/invitees.csv/route.ts": "currentMember(",
  "(team)/upload/recording/[id]/[date]/route.ts": "requireOwnOrigin(",
  "(team)/upload/replacing/[id]/route.ts": "requireOwnOrigin(",
  "(public)/reply/[token]/page.tsx": "askedBy(",
  "(public)/unsubscribe/[token]/one-click/route.ts": "unsubscribe(",
  "(public)/pictures/[id]/route.ts": "pictureBody(",
  "(public)/slides/[id]/[part]/route.ts": "deckPart(",
  "(team)/upload/slides/[[...rest]]/route.ts": "requireOwnOrigin(",
  "(public)/front/[slug]/files/[file]/route.ts": "frontDoor(",
  "(public)/front/[slug]/card.png/route.ts": "frontDoor(",
  "(public)/feed.xml/route.ts": "open",
  "(team)/upload/picture/[id]/route.ts": "requireOwnOrigin(",
  "(team)/upload/file/[id]/route.ts": "requireOwnOrigin(",
  "(public)/book/[slug]/page.tsx": "bookingPage(",
  "(team)/slots/page.tsx": "pageMember(",
  "(team)/account/page.tsx": "pageMember(",
  "(public)/board/[slug]/page.tsx": "boardPage(",
  "(public)/board/[slug]/feed.xml/route.ts": "boardFeed(",
  "(public)/phone-line/page.tsx": "open",
  "(public)/phone-line/calls/route.ts": "lineReport(",
  "(public)/phone-line/calls/[call]/route.ts": "lineReport(",
  "health/route.ts": "open",
};

describe("every route is in the table of guards, and keeps to it", () => {
  const routes = filesBelow(root)
    .map((file) => file.slice(root.length + 1))
    .filter((file) => /(^|\/)(page\.tsx|route\.tsx?)$/.test(file));

  it("knows every route", () => {
    expect(routes.sort()).toEqual(Object.keys(guards).sort());
  });

  it.each(routes.filter((route) => guards[route] !== "open"))("%s asks first", (route) => {
    expect(readFileSync(join(root, route), "utf8")).toContain(guards[route]);
  });

  it("every server action of the team asks who is there", () => {
    const files = filesBelow(join(root, "(team)")).filter(
      (file) => /actions\.ts$/.test(file) && !file.includes("sign-in"),
    );
    expect(files.length).toBeGreaterThanOrEqual(4);
    const actions = files.flatMap((file) => readFileSync(file, "utf8").split("export async function ").slice(1));
    expect(actions.length).toBeGreaterThan(40);
    for (const action of actions)
      expect([action.split("(")[0], /currentMember\(|commandFromWorkspace\(|onReport\(/.test(action)]).toEqual([
        action.split("(")[0],
        true,
      ]);
  });
});

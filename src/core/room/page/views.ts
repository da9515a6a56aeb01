import type { Sight } from "../capability";
import type { Section } from "../views";
import type { PageItem } from "./items";
import type { PageState } from "./state";

/** Nothing where nothing is shown, or what was shown is hidden or gone by now. */
export function pageItem({ own, words }: Sight<PageState>): Section<PageItem> {
  if (!own.shown) return {};
  const { what, leaderId, place } = own.shown;
  const common = { place, leaderId, leaderName: words.people.get(leaderId)?.name ?? "", shows: own.shows };
  if (what === "event") {
    const { title, path } = words.event;
    if (path === null) return {};
    return { it: { kind: "event", path, title, ...common } };
  }
  const file = words.files.get(what.fileId);
  if (!file?.isShown || !file.isPicture) return {};
  return { it: { kind: "picture", path: `/hand-outs/${what.fileId}/picture`, title: file.name, ...common } };
}

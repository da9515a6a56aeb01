import type { Sight } from "../capability";
import type { DirectoryDeck } from "../directory";
import { isCurtainUp } from "../hour/state";
import type { Section } from "../views";
import type { DeckItem, HouseSlidesItem, TurnersItem } from "./items";
import type { Shown, SlidesState } from "./state";

type SlidesSight = Sight<SlidesState>;

/** A deck with its versions in other languages, itself the first. */
const versionsOf = (sight: SlidesSight, deckId: string): readonly DirectoryDeck[] => {
  const decks = [...sight.words.decks.values()];
  return [
    ...decks.filter((one) => one.id === deckId),
    ...decks.filter((one) => one.versionOfId === deckId && one.pictureIds.length > 0),
  ];
};

/** The house gets the page that is on; pages to come are sent only where it may page for itself. */
export function houseSlides(sight: SlidesSight): Section<HouseSlidesItem> {
  const { shown } = sight.own;
  if (!shown || !isCurtainUp(sight.hour)) return {};
  const versions = versionsOf(sight, shown.deckId);
  const [deck] = versions;
  if (!deck) return {};
  return {
    it: {
      ...shown,
      title: deck.title,
      pageCount: deck.pageCount,
      // a version that has no such page has the first's
      versions: versions.map(({ id, language, pictureIds, isHandOut }) => ({
        language,
        pictureId: pictureIds[shown.page - 1] ?? deck.pictureIds[shown.page - 1] ?? null,
        handOutId: isHandOut ? id : null,
      })),
      isForMarks: sight.switches.marking.who === "all",
      paging: sight.switches.paging.on ? versions.map(({ language, pictureIds }) => ({ language, pictureIds })) : null,
    },
  };
}

export const shownItem = ({ own }: SlidesSight): Section<Shown> => (own.shown ? { it: own.shown } : {});

export const turnersItem = ({ own, switches }: SlidesSight): Section<TurnersItem> => ({
  it: {
    ids: own.turnerId === null ? own.leaderIds : [own.turnerId],
    namedId: own.turnerId,
    marking: switches.marking.who,
  },
});

export const deckItems = ({ words }: SlidesSight): Section<DeckItem> =>
  Object.fromEntries([...words.decks.values()].map(({ id, ...deck }) => [id, deck]));

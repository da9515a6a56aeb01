import { useEffect, useState } from "react";
import type { PageItem } from "@/core/room";
import type { Scrolled } from "../room-link/use-whispers";

/** Where the page stands: what was kept or what was said in passing, whichever came last; only of whoever leads it. */
export function usePlace(page: PageItem, scrolling: ReadonlyMap<string, Scrolled>): number {
  const [place, setPlace] = useState(page.place);
  // eslint-disable-next-line react-hooks/set-state-in-effect -- the last of two sources, which only time tells
  useEffect(() => setPlace(page.place), [page.place, page.shows]);
  const said = scrolling.get(page.leaderId);
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- as above
    if (said?.seen === page.shows) setPlace(said.place);
  }, [said, page.shows]);
  return place;
}

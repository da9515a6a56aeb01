"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Done } from "@/contracts";
import type { Messages } from "@/contracts/messages";
import type { DeskView } from "@/core/room";
import { AddDeck } from "@/features/shared/slides/add-deck";
import { DeckList } from "@/features/shared/slides/deck-list";
import { EditNotes } from "@/features/shared/slides/edit-notes";
import { useMaking } from "@/features/shared/slides/own-slides";
import { RoomWords } from "@/features/shared/room-words";
import { Button, Checkbox, toast } from "@/ui";

export interface DateSlidesActs {
  remove(deckId: string): Promise<Done<unknown>>;
  setHandOut(deckId: string, isHandOut: boolean): Promise<Done<unknown>>;
  saveNotes(deckId: string, page: number, text: string): Promise<Done<unknown>>;
}

/** Ticked at once, whatever the server takes to say so; and not ticked after all where it refuses. */
function HandOut({ isOn, onChange }: { isOn: boolean; onChange: (isOn: boolean) => Promise<boolean> }) {
  const [own, setOwn] = useState(isOn);
  return (
    <label className="flex items-center gap-1 text-label">
      <Checkbox
        checked={own}
        onChange={(event) => {
          const wanted = event.target.checked;
          setOwn(wanted);
          void onChange(wanted).then((isDone) => !isDone && setOwn(!wanted));
        }}
      />
      people may take the file
    </label>
  );
}

/** The slides of a date: brought, looked at page by page, with notes; given away or not. */
export function DateSlides(props: {
  decks: DeskView["decks"];
  dateId: string;
  words: Messages;
  acts: DateSlidesActs | null;
}) {
  const { acts } = props;
  const router = useRouter();
  useMaking(props.decks);
  const attempt = async (act: Promise<Done<unknown>>) => {
    const done = await act;
    if (done.ok) router.refresh();
    else toast.error(done.words);
    return done.ok;
  };
  return (
    <RoomWords words={props.words}>
      <section id="slides" aria-label="Slides" className="mt-8 max-w-5xl border-t-2 border-ink pt-3">
        <h2 className="text-head font-semibold">Slides</h2>
        <p className="mb-2 text-ink-2">
          Tie them to a segment above: they open with its cue, and its leader turns. Panelists may bring theirs by their
          own link.
        </p>
        <DeckList
          decks={props.decks}
          acts={(id, deck) =>
            acts && (
              <>
                <HandOut isOn={deck.isHandOut} onChange={(isOn) => attempt(acts.setHandOut(id, isOn))} />
                <EditNotes
                  deck={deck}
                  save={async (page, text) => {
                    const done = await acts.saveNotes(id, page, text);
                    // the words have another address now
                    if (done.ok) router.refresh();
                    return done;
                  }}
                />
                <Button aria-label={`Remove: ${deck.title}`} onClick={() => void attempt(acts.remove(id))}>
                  Remove
                </Button>
              </>
            )
          }
        />
        {acts && (
          <div className="mt-3 max-w-2xl">
            <AddDeck
              occurrenceId={props.dateId}
              token={null}
              decks={props.decks}
              language="en"
              onDone={() => router.refresh()}
            />
          </div>
        )}
      </section>
    </RoomWords>
  );
}

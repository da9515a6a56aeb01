"use client";
import { useSay } from "@/features/shared/say/say";
import { useTranslations } from "use-intl";
import type { Done } from "@/contracts";
import { AddDeck } from "@/features/shared/slides/add-deck";
import { DeckList } from "@/features/shared/slides/deck-list";
import { TurnSlides, useTurning } from "@/features/shared/slides/turn-slides";
import { Button, Field, Menu, Select, toast } from "@/ui";
import type { InkSeat } from "@/features/shared/board/ink-pad";
import type { Role } from "@/core/people";
import type { DeskScene } from "./scene";

/** What the team may do about the decks of a date. */
export interface DeckActs {
  remove(deckId: string): Promise<Done<unknown>>;
  setHandOut(deckId: string, isHandOut: boolean): Promise<Done<unknown>>;
}

/** Who turns: the leader of the segment, or somebody by name. */
function WhoTurns({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { view, send, may } = scene;
  const turners = view.turners["it"];
  const nameOf = (id: string) => view.stage[id]?.name ?? say`somebody`;
  const leaders = turners?.namedId === null ? turners.ids.map(nameOf).join(", ") : "";
  return (
    <Field label={say`Who turns`}>
      {(ids) => (
        <Select
          {...ids}
          disabled={!may("slides.name-turner")}
          value={turners?.namedId ?? ""}
          onChange={(event) => void send({ type: "slides.name-turner", turnerId: event.target.value || null })}
        >
          <option value="">
            {say`whoever leads the segment`}
            {leaders && ` (${leaders})`}
          </option>
          {Object.entries(view.stage).map(([id, person]) => (
            <option key={id} value={id}>
              {person.name}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}

/** The deeper list of slides: what is on, who turns, every deck, and more brought in the middle of the hour. */
export function SlidesDesk({
  scene,
  dateId,
  acts,
  seat,
  role,
}: {
  scene: DeskScene;
  dateId: string;
  acts: DeckActs | null;
  seat: InkSeat;
  role: Role;
}) {
  const say = useSay();
  const { view, send, may } = scene;
  const t = useTranslations("slides");
  const show = useTurning(view, send, "slides.show");
  const mayShow = may("slides.show");
  const attempt = async (act: Promise<Done<unknown>>) => {
    const done = await act;
    if (!done.ok) toast.error(done.words);
  };
  return (
    <div className="flex flex-col gap-3">
      {view.shown["it"] && (
        <>
          <TurnSlides view={view} send={send} by="slides.show" mayTurn={mayShow} seat={seat} role={role} />
          {may("slides.put-away") && (
            <Button className="self-start" onClick={() => send({ type: "slides.put-away" })}>
              {say`Put the slides away`}
            </Button>
          )}
        </>
      )}
      <WhoTurns scene={scene} />
      <DeckList
        decks={view.decks}
        acts={(id, deck) => (
          <>
            {mayShow && deck.versionOfId === null && deck.pageCount > 0 && (
              <Button aria-label={say`Show “${deck.title}”`} onClick={() => void show(() => ({ deckId: id, page: 1 }))}>
                {say`Show`}
              </Button>
            )}
            {acts && (
              <Menu
                trigger={
                  <Button weight="plain" aria-label={say`More about “${deck.title}”`}>
                    {say`More`}
                  </Button>
                }
                items={[
                  {
                    label: deck.isHandOut ? say`Let nobody take the file` : say`Let people take the file`,
                    onSelect: () => void attempt(acts.setHandOut(id, !deck.isHandOut)),
                  },
                  { label: say`Remove`, isDanger: true, onSelect: () => void attempt(acts.remove(id)) },
                ]}
              />
            )}
          </>
        )}
      />
      {acts && (
        <AddDeck
          occurrenceId={dateId}
          token={null}
          decks={view.decks}
          language="en"
          onDone={() => toast(t("waiting"))}
        />
      )}
    </div>
  );
}

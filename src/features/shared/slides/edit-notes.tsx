"use client";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import type { Done } from "@/contracts";
import type { DeskView } from "@/core/room";
import { Button, Dialog, Field, Note, Textarea, toast } from "@/ui";
import { PagePicture, usePageText } from "./page-picture";

type Deck = DeskView["decks"][string];

/** Notes of one page as they stand, to be typed over. */
function PageNotes({ deck, page, save }: { deck: Deck; page: number; save: (text: string) => Promise<Done<unknown>> }) {
  const say = useSay();
  const notesId = deck.notesIds[page - 1] ?? null;
  const kept = usePageText(notesId);
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const text = typed ?? kept ?? "";
  return (
    <>
      <PagePicture
        pictureId={deck.pictureIds[page - 1] ?? null}
        page={page}
        pageCount={deck.pageCount}
        isSmall
        className="aspect-video w-full bg-raised"
      />
      <Field
        label={say`Notes for page ${page}`}
        hint={say`For whoever turns, and the team. The audience never sees them.`}
      >
        {(ids) => (
          <Textarea
            {...ids}
            rows={4}
            maxLength={4000}
            value={text}
            onChange={(event) => setTyped(event.target.value)}
          />
        )}
      </Field>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Button
        weight="act"
        className="self-start"
        disabled={typed === null || typed === kept}
        onClick={async () => {
          const done = await save(text);
          setWrong(done.ok ? null : done.words);
          if (done.ok) toast(say`The notes are saved.`);
        }}
      >
        {say`Save the notes`}
      </Button>
    </>
  );
}

/** Goes through the pages of a deck and types notes. */
export function EditNotes({
  deck,
  save,
}: {
  deck: Deck;
  save: (page: number, text: string) => Promise<Done<unknown>>;
}) {
  const say = useSay();
  const [page, setPage] = useState(1);
  if (deck.pageCount === 0) return null;
  return (
    <Dialog
      trigger={<Button aria-label={say`Notes: ${deck.title}`}>{say`Notes`}</Button>}
      title={say`Notes: ${deck.title}`}
    >
      <div className="flex flex-col gap-3">
        <div className="flex items-center gap-2">
          <Button disabled={page <= 1} onClick={() => setPage(page - 1)}>
            {say`Previous page`}
          </Button>
          <span className="mono">{say`${page} of ${deck.pageCount}`}</span>
          <Button disabled={page >= deck.pageCount} onClick={() => setPage(page + 1)}>
            {say`Next page`}
          </Button>
        </div>
        <PageNotes key={`${page}`} deck={deck} page={page} save={(text) => save(page, text)} />
      </div>
    </Dialog>
  );
}

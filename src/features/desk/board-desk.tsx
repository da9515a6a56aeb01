"use client";
import { phrase } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import type { Role } from "@/core/people";
import { drawReaches, type DrawReach } from "@/core/room";
import { type InkSeat } from "@/features/shared/board/ink-pad";
import { StageBoards, useBoardName } from "@/features/shared/board/stage-boards";
import type { Done } from "@/contracts";
import { Button, ChoiceBar, Checkbox, Dialog, Field, Input, List, ListItem, Note, Upload } from "@/ui";
import type { DeskScene } from "./scene";

const reachWords: Readonly<Record<DrawReach, string>> = {
  team: phrase("the team"),
  stage: phrase("the stage side"),
  all: phrase("everybody"),
};

/** Who draws: by place, and people by name beside them. */
function WhoDraws({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { view, send, may } = scene;
  const { reach, drawerIds } = view.board["it"]!;
  const [letters, setLetters] = useState("");
  const isDisabled = !may("board.let-draw");
  const name = (id: string) => view.audience[id]?.name ?? say`somebody`;
  const found =
    letters.trim() === ""
      ? []
      : Object.entries(view.audience)
          .filter(
            ([id, one]) => !drawerIds.includes(id) && one.name.toLowerCase().includes(letters.trim().toLowerCase()),
          )
          .slice(0, 6);
  const set = (next: readonly string[]) => void send({ type: "board.let-draw", reach, drawerIds: [...next] });
  return (
    <div className="flex flex-col gap-2">
      <span className="text-label text-ink-2">{say`Who draws`}</span>
      <ChoiceBar
        label={say`Who draws`}
        isDisabled={isDisabled}
        value={reach}
        onChange={(next: DrawReach) => void send({ type: "board.let-draw", reach: next, drawerIds: [...drawerIds] })}
        choices={drawReaches.map((value) => ({ value, label: say.of(reachWords[value]) }))}
      />
      {drawerIds.map((id) => (
        <label key={id} className="flex items-center gap-2">
          <Checkbox checked disabled={isDisabled} onChange={() => set(drawerIds.filter((one) => one !== id))} />
          {say`and ${name(id)}`}
        </label>
      ))}
      {!isDisabled && (
        <Field label={say`and somebody by name`}>
          {(ids) => <Input {...ids} value={letters} onChange={(event) => setLetters(event.target.value)} />}
        </Field>
      )}
      {found.length > 0 && (
        <List label={say`Found`}>
          {found.map(([id, one]) => (
            <ListItem key={id}>
              <Button
                size="small"
                onClick={() => {
                  setLetters("");
                  set([...drawerIds, id]);
                }}
              >
                {say`Let ${one.name} draw`}
              </Button>
            </ListItem>
          ))}
        </List>
      )}
    </div>
  );
}

function NewBoard({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const [title, setTitle] = useState("");
  const make = async () => {
    const receipt = await scene.send({ type: "board.make", title: title.trim() });
    if (receipt.ok) setTitle("");
  };
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void make();
      }}
    >
      <Field label={say`Name of the board`}>
        {(ids) => (
          <Input
            {...ids}
            maxLength={80}
            placeholder={say`Board`}
            value={title}
            onChange={(event) => setTitle(event.target.value)}
          />
        )}
      </Field>
      <Button type="submit">{say`Make a board`}</Button>
    </form>
  );
}

/** Where boards are saved, and where a saved one is brought; null for whoever may not have the date's files. */
export interface BoardPlaces {
  readonly saved: string;
  readonly upload: string;
}

/** A board that was saved before, brought back as a new one. */
function FromFile({ url }: { url: string }) {
  const say = useSay();
  const [isBusy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const bring = async (file: File) => {
    setBusy(true);
    setWrong(null);
    const title = file.name.replace(/\.svg$/i, "");
    const answer = await fetch(`${url}?title=${encodeURIComponent(title)}`, { method: "POST", body: file }).catch(
      () => null,
    );
    const said = (await answer?.json().catch(() => null)) as Done<unknown> | null;
    setBusy(false);
    if (!said?.ok) setWrong(said?.words ?? say`The file did not arrive. Try it again; nothing was made of it.`);
  };
  return (
    <>
      <Upload
        label={say`A board that was saved as SVG`}
        hint={say`It becomes a new board, and can be drawn on.`}
        accept=".svg,image/svg+xml"
        progress={null}
        isDisabled={isBusy}
        onFile={(file) => void bring(file)}
      />
      {wrong && <Note tone="wrong">{wrong}</Note>}
    </>
  );
}

/** The deeper list of boards: made, shown, taken off; drawn on here, or large. */
export function BoardDesk({
  scene,
  seat,
  role,
  files,
}: {
  scene: DeskScene;
  seat: InkSeat;
  role: Role;
  files: BoardPlaces | null;
}) {
  const say = useSay();
  const { view, send, may } = scene;
  const [isLarge, setLarge] = useState(false);
  const nameOf = useBoardName();
  const openId = view.board["it"]?.openId ?? null;
  const all = Object.entries(view.boards);
  return (
    <div className="flex flex-col gap-3">
      {all.length === 0 && (
        <p className="text-ink-2">{say`No boards yet. What is drawn on one stays with the date.`}</p>
      )}
      <List label={say`Boards`}>
        {all.map(([id, one]) => (
          <ListItem key={id}>
            <div className="flex items-center gap-2">
              <span className="flex-1 font-medium" dir="auto">
                {nameOf(one)}
              </span>
              {files && (
                <span className="text-label">
                  <a href={`${files.saved}/board-${one.number}.svg`}>SVG</a> ·{" "}
                  <a href={`${files.saved}/board-${one.number}.png`}>PNG</a>
                </span>
              )}
              {openId === id && <span className="text-label text-on-air">{say`the audience sees it`}</span>}
              {may("board.open") &&
                (openId === id ? (
                  <Button size="small" onClick={() => send({ type: "board.close" })}>
                    {say`Take it off`}
                  </Button>
                ) : (
                  <Button size="small" onClick={() => send({ type: "board.open", boardId: id, seen: openId })}>
                    {say`Show it`}
                  </Button>
                ))}
            </div>
          </ListItem>
        ))}
      </List>
      {all.length > 0 && (
        <>
          {isLarge ? (
            <Dialog title={say`Boards`} isOpen onOpenChange={setLarge} className="w-[76rem]">
              <StageBoards view={view} seat={seat} role={role} />
            </Dialog>
          ) : (
            <StageBoards view={view} seat={seat} role={role} />
          )}
          <Button className="self-start" onClick={() => setLarge(true)}>
            {say`Draw large`}
          </Button>
          <WhoDraws scene={scene} />
        </>
      )}
      {may("board.make") && (
        <details open={all.length === 0}>
          <summary className="cursor-pointer text-ink-2">{say`Another board`}</summary>
          <div className="mt-2 flex flex-col gap-3">
            <NewBoard scene={scene} />
            {files && <FromFile url={files.upload} />}
          </div>
        </details>
      )}
    </div>
  );
}

"use client";
import { useTranslations } from "use-intl";
import type { Done } from "@/contracts";
import type { DeskView, FileItem, PageSource } from "@/core/room";
import { HandOuts, type HandOutActs } from "@/features/shared/hand-outs/hand-outs";
import { SharedPage } from "@/features/shared/page/shared-page";
import type { RoomLink } from "@/features/shared/room-link/use-room";
import { Button, Field, Select, toast } from "@/ui";
import type { DeskScene } from "./scene";

export interface DeskFileActs extends HandOutActs {
  /** makes slides of a PDF among the files */
  asSlides(id: string, language: string): Promise<Done<unknown>>;
}

/** The page that everybody reads, led from here or by somebody of the stage. */
function PageNow({ scene, room, me }: { scene: DeskScene; room: RoomLink<DeskView>; me: string }) {
  const { view, send, may } = scene;
  const t = useTranslations("page");
  const page = view.page["it"];
  const { shows: seen, hasEventPage } = view.pageDesk["it"]!;
  if (!page)
    return hasEventPage && may("page.show") ? (
      <div className="flex items-center justify-between gap-3">
        <span className="text-ink-2">{t("event")}</span>
        <Button onClick={() => send({ type: "page.show", what: "event", seen })}>{t("showAll")}</Button>
      </div>
    ) : null;
  const others = Object.entries(view.stage).filter(([id]) => id !== me);
  return (
    <div className="flex flex-col gap-2">
      <SharedPage page={page} link={room} me={me} />
      {may("page.hand-over") && (
        <Field label={t("whoLeads")}>
          {(ids) => (
            <Select
              {...ids}
              value={page.leaderId}
              onChange={({ target }) => send({ type: "page.hand-over", leaderId: target.value, seen })}
            >
              <option value={me}>{t("takeOver")}</option>
              {others.map(([id, { name }]) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          )}
        </Field>
      )}
      {may("page.put-away") && (
        <Button className="self-start" onClick={() => send({ type: "page.put-away", seen })}>
          {t("putAway")}
        </Button>
      )}
    </div>
  );
}

/** The deeper list of files, and the page that everybody reads in step. */
export function FilesDesk(props: {
  scene: DeskScene;
  room: RoomLink<DeskView>;
  me: string;
  occurrenceId: string;
  acts: DeskFileActs | null;
}) {
  const { scene, acts } = props;
  const { view, send, may } = scene;
  const t = useTranslations("page");
  const show = (what: PageSource) => void send({ type: "page.show", what, seen: view.pageDesk["it"]!.shows });
  const makeSlides = async (id: string) => {
    const done = await acts?.asSlides(id, "en");
    if (done?.ok) toast(t("makingSlides"));
    else if (done) toast.error(done.words);
  };
  const further = (id: string, file: FileItem) => [
    ...(file.isPicture && file.isShown && may("page.show")
      ? [{ label: t("showAll"), onSelect: () => show({ fileId: id }) }]
      : []),
    ...(/\.pdf$/i.test(file.name) && acts ? [{ label: t("asSlides"), onSelect: () => void makeSlides(id) }] : []),
  ];
  return (
    <div className="flex flex-col gap-3">
      <PageNow scene={scene} room={props.room} me={props.me} />
      <HandOuts
        files={view.files}
        occurrenceId={props.occurrenceId}
        token={null}
        ownId={null}
        acts={acts}
        further={further}
      />
    </div>
  );
}

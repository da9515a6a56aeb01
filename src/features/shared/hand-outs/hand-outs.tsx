"use client";
import { useLocale, useTranslations } from "use-intl";
import type { Done, HandOutChange } from "@/contracts";
import type { FileItem } from "@/core/room";
import { Button, List, ListItem, Menu, Note, toast, Upload, type MenuItem } from "@/ui";
import { sizeText } from "./size-text";
import { useHandOutUpload } from "./use-hand-out-upload";

/** What somebody may do about the files of a date. */
export interface HandOutActs {
  change(id: string, change: HandOutChange): Promise<Done<unknown>>;
  remove(id: string): Promise<Done<unknown>>;
}

/**
 * The files of a date: which there are, whether the audience sees them, how often they were taken; more are brought.
 * @param ownId of somebody of the stage: they change what they brought themselves
 */
export function HandOuts(props: {
  files: Readonly<Record<string, FileItem>>;
  occurrenceId: string;
  /** of somebody of the stage, who sends by their link */
  token: string | null;
  ownId: string | null;
  acts: HandOutActs | null;
  /** further acts on one of them */
  further?: (id: string, file: FileItem) => readonly MenuItem[];
  space?: { readonly keptBytes: number; readonly limitBytes: number };
  onDone?: () => void;
}) {
  const { acts, ownId, space } = props;
  const t = useTranslations("files");
  const locale = useLocale();
  const { progress, wrong, send } = useHandOutUpload(props.occurrenceId, props.token, t("cut"));
  const all = Object.entries(props.files).sort(([, a], [, b]) => a.position - b.position);
  const attempt = async (act: Promise<Done<unknown>>) => {
    const done = await act;
    if (done.ok) props.onDone?.();
    else toast.error(done.words);
  };
  return (
    <div className="flex flex-col gap-3">
      {all.length === 0 && <p className="text-ink-2">{t("none")}</p>}
      <List label={t("title")}>
        {all.map(([id, file], i) => (
          <ListItem
            key={id}
            acts={
              acts &&
              (ownId === null || file.ticketId === ownId) && (
                <>
                  <Button size="small" onClick={() => void attempt(acts.change(id, { isShown: !file.isShown }))}>
                    {t(file.isShown ? "hide" : "show")}
                  </Button>
                  <Menu
                    trigger={
                      <Button size="small" weight="plain" aria-label={t("more", { name: file.name })}>
                        …
                      </Button>
                    }
                    items={[
                      ...(props.further?.(id, file) ?? []),
                      ...(i > 0
                        ? [{ label: t("up"), onSelect: () => void attempt(acts.change(id, { step: -1 })) }]
                        : []),
                      ...(i < all.length - 1
                        ? [{ label: t("down"), onSelect: () => void attempt(acts.change(id, { step: 1 })) }]
                        : []),
                      { label: t("remove"), isDanger: true, onSelect: () => void attempt(acts.remove(id)) },
                    ]}
                  />
                </>
              )
            }
          >
            <bdi className="block truncate font-medium">{file.name}</bdi>
            <span className="text-label text-ink-2">
              {sizeText(file.sizeBytes, locale)} · {t(file.isShown ? "isShown" : "isHidden")} ·{" "}
              {t("taken", { count: file.takenCount })}
            </span>
          </ListItem>
        ))}
      </List>
      {acts && (
        <Upload
          label={t("add")}
          hint={t("addHint")}
          accept="*"
          progress={progress}
          isDisabled={progress !== null}
          onFile={(file) => void send(file).then((isDone) => isDone && props.onDone?.())}
        />
      )}
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {space && (
        <p className="text-label text-ink-2">
          {t("used", { used: sizeText(space.keptBytes, locale), limit: sizeText(space.limitBytes, locale) })}
        </p>
      )}
    </div>
  );
}

"use client";
import { useTranslations } from "use-intl";
import { Field, Note, Select } from "@/ui";
import { backgroundOf, backgrounds } from "./background/kinds";
import type { OwnBackground } from "./background/use-background";
import { deviceKinds } from "./own-stream";
import type { Devices } from "./use-devices";

/** What stands behind one; said where this computer does not keep up with it. */
function BackgroundChoice({ behind }: { behind: OwnBackground }) {
  const t = useTranslations("devices");
  return (
    <>
      <Field label={t("background")}>
        {(ids) => (
          <Select
            {...ids}
            value={behind.background}
            onChange={(event) => behind.choose(backgroundOf(event.target.value))}
          >
            {backgrounds
              .filter((one) => one !== "picture" || behind.hasPicture)
              .map((one) => (
                <option key={one} value={one}>
                  {t(`backgrounds.${one}`)}
                </option>
              ))}
          </Select>
        )}
      </Field>
      {behind.isTooSlow && <Note tone="attention">{t("tooSlow")}</Note>}
    </>
  );
}

/** Which microphone, camera and loudspeaker: kept for this browser, changed at once, said where one is gone. */
export function DeviceChoice({ devices }: { devices: Devices }) {
  const t = useTranslations("devices");
  if (!devices.stream || devices.isGenerated) return null;
  return (
    <div className="flex flex-col gap-2">
      {devices.gone && <Note tone="attention">{t(`gone.${devices.gone}`)}</Note>}
      {deviceKinds
        .filter((kind) => devices.lists[kind].length > 0)
        .map((kind) => {
          const list = devices.lists[kind];
          const isThere = list.some((one) => one.id === devices.chosen[kind]);
          return (
            <Field key={kind} label={t(kind)}>
              {(ids) => (
                <Select
                  {...ids}
                  value={isThere ? devices.chosen[kind]! : ""}
                  onChange={(event) => devices.choose(kind, event.target.value === "" ? null : event.target.value)}
                >
                  <option value="">{t("own")}</option>
                  {list.map((one, i) => (
                    <option key={one.id} value={one.id}>
                      {one.label || t("number", { number: i + 1 })}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
          );
        })}
      <BackgroundChoice behind={devices.behind} />
    </div>
  );
}

"use client";
import { useTranslations } from "use-intl";
import { Field, Note, Select } from "@/ui";
import { deviceKinds } from "./own-stream";
import type { Devices } from "./use-devices";

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
    </div>
  );
}

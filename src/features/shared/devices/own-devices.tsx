"use client";
import { useTranslations } from "use-intl";
import { Button, Note } from "@/ui";
import { DeviceChoice } from "./device-choice";
import { HearYourself } from "./hear-yourself";
import { OwnPicture } from "./own-picture";
import type { Devices } from "./use-devices";

/**
 * One's own picture, level and devices backstage and on stage.
 * @param isHeard whether the microphone is open to the others
 * @param count with how many devices one is here: two are the likeliest cause of an echo (product.md)
 */
export function OwnDevices({ devices, isHeard, count }: { devices: Devices; isHeard: boolean; count: number }) {
  const t = useTranslations();
  return (
    <>
      {devices.stream ? (
        <>
          <OwnPicture devices={devices} words={{ testPicture: t("foyer.testPicture"), level: t("foyer.level") }} />
          {!devices.isGenerated && (
            // what is needed in the hour stays in view; this is looked for, or opens where a device is gone
            <details open={devices.gone !== null}>
              <summary className="cursor-pointer text-ink-2">{t("devices.choose")}</summary>
              <div className="mt-2 flex flex-col gap-3">
                <DeviceChoice devices={devices} />
                {/* nobody plays their own voice into a room that listens */}
                {!isHeard && <HearYourself devices={devices} />}
              </div>
            </details>
          )}
        </>
      ) : (
        <Button onClick={devices.start}>{t("foyer.checkStart")}</Button>
      )}
      {count > 1 && <Note tone="attention">{t("devices.twoDevices")}</Note>}
    </>
  );
}

import { notFound } from "next/navigation";
import { UiKit } from "@/features/ui-kit/ui-kit";
import { app } from "@/server/compose";
import { Toaster } from "@/ui";

export const metadata = { title: "Parts of the interface" };

/** Every part of the interface: in demos and tests alone. */
export default async function UiKitPage() {
  const { context } = await app();
  if (context.environment.STAGE_CALL_UI_KIT !== "shown") notFound();
  return (
    <>
      <UiKit />
      <Toaster />
    </>
  );
}

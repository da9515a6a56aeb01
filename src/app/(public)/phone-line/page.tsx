import { notFound } from "next/navigation";
import { Handset } from "@/features/phone-line/handset";
import { app } from "@/server/compose";
import { phoneNumbersOf } from "@/server/services/hour/phone-line";
import { currentOrganisation } from "../../_lib/request";

export const metadata = { title: "Phone line", robots: { index: false } };

/** The simulated phone network: whoever has no phone at hand dials in from here. */
export default async function PhoneLinePage() {
  const { context } = await app();
  if (context.environment.STAGE_CALL_PHONE_LINE !== "stand-in") notFound();
  const organisation = await currentOrganisation();
  return <Handset numbers={await phoneNumbersOf(context, organisation.id)} />;
}

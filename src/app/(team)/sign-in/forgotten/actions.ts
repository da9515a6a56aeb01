"use server";
import { app } from "@/server/compose";
import { askForPassword } from "@/server/services/organisation/password-reset";
import { act, currentOrganisation, remoteAddress } from "../../../_lib/request";

/** Sends the link, where the address signs in here. The answer never says whether it does. */
export async function forgottenAction(email: string) {
  return act(async () => {
    const { context } = await app();
    const { id } = await currentOrganisation();
    await askForPassword(context, id, String(email).slice(0, 254), await remoteAddress());
  });
}

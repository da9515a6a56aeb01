"use server";
import { headers } from "next/headers";
import { redirect } from "next/navigation";
import { app } from "@/server/compose";
import { countTry } from "@/server/services/ground/tries";
import { acceptInvitation } from "@/server/services/organisation/team-invitations";
import { act, remoteAddress } from "../../../_lib/request";

/** Follows an invitation into the team and signs in at once. */
export async function joinAction(token: string, input: { name: string; password: string }) {
  return act(async () => {
    const { context, signIn } = await app();
    await countTry(context, "sign-in", `join|${await remoteAddress()}`);
    const password = String(input.password);
    const enter = async (email: string, given: string): Promise<boolean> =>
      signIn.api.signInEmail({ body: { email, password: given }, headers: await headers() }).then(
        () => true,
        () => false,
      );
    const email = await acceptInvitation(context, token, input, enter);
    await enter(email, password);
    redirect("/season");
  });
}

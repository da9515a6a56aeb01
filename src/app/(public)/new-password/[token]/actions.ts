"use server";
import { redirect } from "next/navigation";
import { app } from "@/server/compose";
import { countTry } from "@/server/services/ground/tries";
import { setForgottenPassword } from "@/server/services/organisation/password-reset";
import { act, remoteAddress } from "../../../_lib/request";

/** Sets the password of whoever follows the link, who then signs in with it. */
export async function newPasswordAction(token: string, input: { password: string }) {
  return act(async () => {
    const { context } = await app();
    await countTry(context, "sign-in", `new password|${await remoteAddress()}`);
    await setForgottenPassword(context, token, input);
    redirect("/sign-in");
  });
}

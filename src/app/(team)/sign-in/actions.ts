"use server";
import { headers } from "next/headers";
import { redirect } from "next/navigation";
import { wordsOf } from "@/contracts";
import { app } from "@/server/compose";
import { countTry } from "@/server/services/ground/tries";
import { failureOf, remoteAddress } from "../../_lib/request";

/** Signs a team member in. Tries are counted by address and by network; the answer never says which part was wrong. */
export async function signInAction(_before: string | null, data: FormData): Promise<string | null> {
  const email = String(data.get("email") ?? "")
    .trim()
    .toLowerCase();
  const { context, signIn } = await app();
  try {
    await countTry(context, "sign-in", email);
    await countTry(context, "sign-in", `network|${await remoteAddress()}`);
  } catch (error) {
    return wordsOf(failureOf(error));
  }
  try {
    await signIn.api.signInEmail({
      body: { email, password: String(data.get("password") ?? "") },
      headers: await headers(),
    });
  } catch {
    return "Address and password do not fit together.";
  }
  redirect("/season");
}

export async function signOutAction(): Promise<void> {
  const { signIn } = await app();
  await signIn.api.signOut({ headers: await headers() });
  redirect("/sign-in");
}

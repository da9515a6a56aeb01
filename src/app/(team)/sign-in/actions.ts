"use server";
import { cookies, headers } from "next/headers";
import { redirect } from "next/navigation";
import { wordsOf } from "@/contracts";
import { app } from "@/server/compose";
import { countSignIn, deviceMark, noteSignIn } from "@/server/services/ground/sign-in-tries";
import { failureOf, remoteAddress } from "../../_lib/request";

const markCookie = "sc-signed-in-before";
const markSeconds = 180 * 86_400;

/** Signs a team member in. The answer never says which part was wrong. */
export async function signInAction(_before: string | null, data: FormData): Promise<string | null> {
  const email = String(data.get("email") ?? "")
    .trim()
    .toLowerCase();
  const { context, signIn } = await app();
  const jar = await cookies();
  try {
    const mark = jar.get(markCookie)?.value ?? null;
    await countSignIn(context, { email, network: await remoteAddress(), mark });
  } catch (error) {
    return wordsOf(failureOf(error));
  }
  try {
    await signIn.api.signInEmail({
      body: { email, password: String(data.get("password") ?? "") },
      headers: await headers(),
    });
  } catch {
    await noteSignIn(context, email, false);
    return "Address and password do not fit together.";
  }
  await noteSignIn(context, email, true);
  const secure = context.environment.STAGE_CALL_URL.startsWith("https:");
  const options = { httpOnly: true, sameSite: "lax", secure, path: "/sign-in", maxAge: markSeconds } as const;
  jar.set(markCookie, deviceMark(context, email), options);
  redirect("/season");
}

export async function signOutAction(): Promise<void> {
  const { signIn } = await app();
  await signIn.api.signOut({ headers: await headers() });
  redirect("/sign-in");
}

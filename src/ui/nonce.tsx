"use client";
import { setNonce } from "get-nonce";

/** Gives the page's nonce to the libraries that write a style element of their own (the lock on scrolling). */
export function Nonce({ value }: { value: string }) {
  setNonce(value);
  return null;
}

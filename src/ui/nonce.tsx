"use client";
import { setNonce } from "get-nonce";

let isGiven = false;

/**
 * Gives the page's nonce to the libraries that write a style element of their own (the lock on scrolling). The first
 * one stays: after an act the layout comes again with another, which this page's policy does not know.
 */
export function Nonce({ value }: { value: string }) {
  if (!isGiven) setNonce(value);
  isGiven = true;
  return null;
}

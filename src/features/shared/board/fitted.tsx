import type { ReactNode } from "react";

/** Something of 16:9 as large as its box lets it: on a phone as wide as the page, beside other things as high as they leave. */
export const Fitted = ({ children }: { children: ReactNode }) => (
  <div className="min-h-0 sm:[container-type:size] sm:grid sm:flex-1 sm:place-items-center">
    <div className="w-full sm:w-[min(100cqw,177.7cqh)]">{children}</div>
  </div>
);

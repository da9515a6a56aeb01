import type { ComponentProps } from "react";
import { classes } from "./classes";

/** A table's frame: head, body and cells follow as `Th`, `Td`. For rows as data with sorting take `DataTable`. */
export const Table = ({ className, ...rest }: ComponentProps<"table">) => (
  // where the window is narrower than its columns the table moves in its own place, never the page
  <div className="relative max-w-full max-lg:overflow-x-auto">
    <table className={classes("w-full text-start", className)} {...rest} />
  </div>
);
export const Th = ({ className, ...rest }: ComponentProps<"th">) => (
  <th scope="col" className={classes("py-1 pe-3 text-start text-label font-medium text-ink-2", className)} {...rest} />
);
export const Td = ({ className, ...rest }: ComponentProps<"td">) => (
  <td className={classes("border-t border-rule py-1.5 pe-3 align-top", className)} {...rest} />
);

/**
 * Features of Chromium that a driven browser goes without. The last such flag on a command line is the only one that
 * counts, so that those which the test library turns off itself (its 1.64) stand here too. Ours are the first two: a
 * page of suggestions for the address bar, which nobody sees and which costs every new window a second of a core.
 */
const without = [
  "WebUIOmniboxPopup",
  "WebUIOmniboxAimPopup",
  "AimEnabled",
  "AvoidCorsURLLoaderRestartOnRedirect",
  "AvoidUnnecessaryBeforeUnloadCheckSync",
  "DestroyProfileOnBrowserClose",
  "HttpsFirstBalancedModeAutoEnable",
  "HttpsUpgrades",
  "LensOverlay",
  "MediaRouter",
  "NetworkTimeServiceQuerying",
  "OptimizationHints",
  "PaintHolding",
  "PreconnectToSearch",
  "TcpPortRandomizationWin",
  "ThirdPartyStoragePartitioning",
];

/** What every driven browser is started with. */
export const chromiumFlags: readonly string[] = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
  `--disable-features=${without.join(",")}`,
];

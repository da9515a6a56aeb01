/**
 * Styles that the player of a recording (media-chrome) writes into its own parts, by their SHA-256: a page with it lets
 * these very bytes in, and no other (CSP 3, §6.7.3.3). A test makes them anew from the package.
 */
export const playerStyles = [
  "+XYYAhYtiUsaw0+wUtfcBE3yMARPO4zdUhZGkDgDohM=",
  "1Jc+kPhfOh4UvXYTCgDHEAV3Caafvsf5jeNdPbSiQ8o=",
  "3mr12lsHkByBAuT5HIjiVaMHjH42rxTHchQEttT3yhE=",
  "5LsYGeD4Fwu+AtlpdRPSk6g18GLvHddLqx5a2hMGkpw=",
  "C7t4uFhGErrgCiy7sp4fN8QAsq2Xafh4lWfnefi0l/E=",
  "GD/7u05tW5TRiymTThnNFOp6kG/cGDdJ0PZE3AUHvEY=",
  "LLrbL3VRTSpcR7f/VRuhdwB3hQdbFqJkzjoEZmHBXIw=",
  "MV44r6ksBw+mCcZujzocHAOffIPu/joVS2FNHESx3Ho=",
  "VJnVbqNRyX0jCFZEJ4ltrffJx26lCuyVbNYdioxBwzQ=",
  "W9200sCekROkcax0iJ77FC7fL1XmtkKZFU4jWBgOGi0=",
  "ad5pLE4ykOnAn8/VmRayKdKPhP3pvqoX4MGy3EktnBg=",
  "icRYLLVSVG1RE2ze2JPpc2di/XuMtAkqJdem5GFjU5M=",
  "l0oXN8ELODFEFGnJztGBqT5qrnYVXGDHmO9UVWjtMXA=",
  "m+frfzRQalnJwRN07WZLWSWd4eM4WsynbWp5qQi8Or0=",
  "sAS/YwJd8QhcsuwF6ji1l+uwVdgQ8O/zcjWaGi0VXSw=",
  "ybkwgORVaNpgfHWjB4yaZjEyg46ZMdeyLM32opbKlpo=",
] as const;

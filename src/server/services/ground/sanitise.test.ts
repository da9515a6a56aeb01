import { describe, expect, it } from "vitest";
import { cleanHtml, plainText } from "./sanitise";

describe("rich text that is let in", () => {
  it("keeps what the editor makes", () => {
    const text =
      "<h2>Tides</h2><p>Twice <strong>a</strong> <em>day</em><br />from the <u>sea</u></p><ul><li>ebb</li></ul>";
    expect(cleanHtml(text)).toBe(text);
  });
  /** The kinds of script injection that OWASP's Cross Site Scripting Prevention Cheat Sheet lists, from memory. */
  it.each([
    ["a script", "<p>a<script>alert(1)</script></p>", "<p>a</p>"],
    ["an act tied to an element", '<p onclick="alert(1)">a</p>', "<p>a</p>"],
    ["a picture that is none", '<img src="x" onerror="alert(1)">a', "a"],
    [
      "a link that runs",
      '<a href="javascript:alert(1)">a</a>',
      '<a rel="noopener noreferrer nofollow" target="_blank">a</a>',
    ],
    [
      "the same, in odd letters",
      '<a href="JaVa&#10;ScRiPt:alert(1)">a</a>',
      '<a rel="noopener noreferrer nofollow" target="_blank">a</a>',
    ],
    [
      "data that is a page",
      '<a href="data:text/html,<script>1</script>">a</a>',
      '<a rel="noopener noreferrer nofollow" target="_blank">a</a>',
    ],
    ["a frame", '<iframe src="https://example.org"></iframe>a', "a"],
    ["drawings that run", '<svg onload="alert(1)"><path d="M0 0" /></svg>a', "a"],
    ["style", '<style>p{display:none}</style><p style="color:red" class="x">a</p>', "<p>a</p>"],
    ["a form", '<form action="https://example.org"><input name="a">a</form>', "a"],
    ["a mark that never ends", "<p>a<b <script>alert(1)</script>", "<p>aalert(1)</p>"],
  ])("leaves out %s", (_, given, kept) => expect(cleanHtml(given)).toBe(kept));

  it("lets links lead outside without telling where from", () => {
    const link = cleanHtml('<a href="https://example.org/a?b=1&c=2" target="_self" rel="opener">a</a>');
    expect(link).toContain('href="https://example.org/a?b=1&amp;c=2"');
    expect(link).toContain('rel="noopener noreferrer nofollow"');
    expect(link).toContain('target="_blank"');
    expect(cleanHtml('<a href="mailto:ines@example.org">write</a>')).toContain('href="mailto:ines@example.org"');
  });
  it("comes to the same when it is cleaned twice", () => {
    const once = cleanHtml('<p>1 < 2 &amp; "3"<a href="https://example.org">x</a><video>y</video></p>');
    expect(cleanHtml(once)).toBe(once);
  });
});

describe("rich text as plain text", () => {
  it("has a line for each paragraph, item and break, and its signs as they are read", () => {
    expect(plainText("<h2>Tides &amp; bells</h2><p>One<br>two</p><ul><li>&lt;three&gt;</li><li>four</li></ul>")).toBe(
      "Tides & bells\nOne\ntwo\n<three>\nfour",
    );
  });
  it("tells nothing of what was never shown", () => {
    expect(plainText("<p>a</p><script>alert(1)</script><style>p{}</style>")).toBe("a");
    expect(plainText("")).toBe("");
  });
});

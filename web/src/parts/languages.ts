/** Languages, by their tags (BCP 47), as the browser names them. */
const names = new Intl.DisplayNames(["en"], { type: "language" });

export const languageNamed = (tag: string) => names.of(tag) ?? tag;

/** The languages of some voices to choose from, by name; one that must be among them comes first. */
export function languagesOf(
  voices: readonly { language?: string }[],
  first: string,
): [string, string][] {
  const tags = new Set(voices.map((v) => v.language ?? "en"));
  tags.delete(first);
  const rest = [...tags].map((tag): [string, string] => [tag, languageNamed(tag)]);
  return [[first, languageNamed(first)], ...rest.sort((a, b) => a[1].localeCompare(b[1]))];
}

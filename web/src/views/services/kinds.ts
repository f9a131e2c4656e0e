/** What services make, in words, in the order of the page. */
import type { Kind, Plugged, Settings } from "../../api/services";

export const KINDS: readonly (readonly [Kind, string])[] = [
  ["picture", "Pictures"],
  ["enlarge", "Larger pictures"],
  ["clip", "Clips"],
  ["speech", "Voices"],
  ["voice", "New voices"],
  ["sound", "Sounds"],
  ["music", "Music"],
  ["script", "Writing"],
  ["reading", "Reading"],
];

type How = Plugged["reached"]["how"];

export const WAYS: readonly (readonly [How, string, string])[] = [
  [
    "protocol",
    "A service on our protocol",
    "An address, and a key if it needs one. It is looked over before it is used.",
  ],
  [
    "program",
    "A program on this machine",
    "A command with places for prompt, seed and size, which writes one file.",
  ],
  [
    "interface",
    "An HTTP interface",
    "Described in a few lines: what is sent, how to wait, where the result is.",
  ],
  [
    "hand",
    "By hand",
    "Your own browser or pencil: a list for today, and files that come back by number.",
  ],
];

const PER: Record<string, string> = {
  picture: "a picture",
  character: "a character",
  sound: "a sound",
  second: "a second",
  request: "a piece",
};
export const perInWords = (per: string): string => PER[per] ?? per;

/** A price without zeros that say nothing: 0.002, 0.05, 1.5. */
export const price = (amount: string | number): string =>
  Number(amount) ? String(Number(Number(amount).toPrecision(4))) : "free";

/** Settings that a way begins with. */
export function blank(how: How): Settings {
  const offer = {
    kind: "picture" as const,
    price: "0",
    per: "picture" as const,
    parallel: 1,
    seconds_each: 5,
    understands: [],
    voices: [],
    moods: [],
    lengths: [],
  };
  const reached: Settings["reached"] = {
    protocol: { how: "protocol" as const, address: "" },
    program: {
      how: "program" as const,
      command: [],
      offer,
      ending: "png",
      seconds: 300,
      megabytes: 4096,
    },
    interface: { how: "interface" as const, toml: EXAMPLE },
    hand: { how: "hand" as const, offer: { ...offer, daily: 30 } },
  }[how];
  return {
    id: "",
    title: "",
    reached,
    on: true,
    currency: "",
    rate: "1",
    own_network: how === "protocol",
    terms: "",
    credit: "",
  };
}

const EXAMPLE = `[offer]
kind = "picture"
price = 0.03
per = "picture"
prompt_characters = 400

[send]
address = "https://pictures.test/v1/draw"
headers = { Authorization = "Bearer {key}" }
json = { text = "{prompt}", seed = "{seed}", size = "{width}x{height}" }

[result]
at = "$.images[0]"
as = "base64"

[[errors]]
status = 429
means = "out-of-quota"
`;

/** A command as it is typed, word by word: spaces part words, quotation marks hold them together. */
export function wordsOf(command: string): string[] {
  const found = command.matchAll(/"((?:[^"\\]|\\.)*)"|'([^']*)'|(\S+)/g);
  return [...found].map((m) => m[1]?.replace(/\\(.)/g, "$1") ?? m[2] ?? m[3]!);
}

export const typed = (command: readonly string[]): string =>
  command
    .map((word) => (/[\s"']/.test(word) ? `"${word.replace(/(["\\])/g, "\\$1")}"` : word))
    .join(" ");

/** An id made of a title: letters, digits and hyphens, as the names of offers begin. */
export const idOf = (title: string): string =>
  title
    .toLowerCase()
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^[^a-z]+|-+$/g, "")
    .slice(0, 24)
    .replace(/-+$/, "");

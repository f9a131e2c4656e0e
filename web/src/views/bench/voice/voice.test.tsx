/** The desk for voices: a line's direction, takings and words; who speaks it, by list and by description. */
import { cleanup, fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";

import type { Film, Shot } from "../../../api/client";
import type { LineSaid, Voice as OneVoice } from "../../../api/voices";
import { Voice } from "./Voice";
import { inRows, outline } from "./Wave";
import { costOfCasting, fitting } from "./voices";

const said = vi.hoisted(() => ({
  changed: [] as Record<string, unknown>[],
  started: [] as unknown[],
  asked: [] as unknown[],
  heard: [] as string[],
  lines: {} as Record<number, unknown>,
  figures: [] as unknown[],
  ear: { spoken: 0, listened: 0, doubtful: [] } as unknown,
  narrations: [] as unknown[],
  cleaning: { recorded: 0, cleaned: 0 },
  company: [] as { id: string; card: { voice?: unknown; word?: unknown } }[],
  keptFor: [] as unknown[],
  ssml: undefined as unknown,
}));
const voices = [
  { name: "alder", title: "Alder, even", pronoun: "he", age: "adult", length: 1, pitch: 104 },
  { name: "maud", title: "Maud, old", pronoun: "she", age: "old", length: 1.1, pitch: 196 },
  {
    name: "tamsin",
    title: "Tamsin, a girl",
    pronoun: "she",
    age: "child",
    length: 0.8,
    pitch: 262,
  },
] as unknown as OneVoice[];

vi.mock("../../../api/film", () => ({
  useChange: () => ({
    mutate: (c: Record<string, unknown>, then?: { onSuccess?: () => void }) => {
      said.changed.push(c);
      then?.onSuccess?.();
    },
    mutateAsync: (c: Record<string, unknown>) => {
      said.changed.push(c);
      return Promise.resolve();
    },
  }),
  useStart: () => ({ mutate: (wish: unknown) => said.started.push(wish) }),
  useEstimate: () => ({ data: { cost: 0.012 } }),
  useRules: () => ({ rooms: ["dry", "hall", "telephone"] }),
  useRuns: () => ({ data: [] }),
  useOffers: () => ({
    data: [
      {
        kind: "speech",
        quota: { left: 398760, limit: 400000 },
        price: { amount: "0.00001", per: "character" },
      },
      { kind: "voice", price: { amount: "0.004", per: "request" }, quota: { left: 9, limit: 120 } },
    ],
  }),
}));
vi.mock("../../../parts/Choice", () => ({
  worded: (names: string[]) => names.map((n) => [n, n]),
  Choice: ({
    label,
    value,
    options,
    onChange,
  }: {
    label: string;
    value: string;
    options: [string, string][];
    onChange: (v: string) => void;
  }) => (
    <select aria-label={label} value={value} onChange={(e) => onChange(e.target.value)}>
      {options.map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </select>
  ),
}));
vi.mock("../../../api/continuity", () => ({
  useCompany: ({ kind }: { kind: string }) => ({
    data: said.company.filter((m) => m.card[kind as "voice" | "word"]),
  }),
  useKeep: () => ({ isPending: false, mutate: (k: unknown) => said.keptFor.push(k) }),
}));
vi.mock("../../../api/recordings", () => ({
  useTakeSsml: () => ({ mutate: (f: File) => said.asked.push(f.name), data: said.ssml }),
  useRecord: () => ({
    isPending: false,
    mutate: (
      wish: { line: number; file: File },
      then: { onSuccess: (x: { word: number; recording: unknown }) => void },
    ) => {
      said.heard.push(`${wish.line} ${wish.file.name}`);
      then.onSuccess({ word: 7, recording: { media: "own.flac", text: "Down there" } });
    },
  }),
  useTakeLexicon: () => ({ mutate: (file: File) => said.heard.push(file.name), isPending: false }),
  useCleaning: () => ({ data: said.cleaning }),
  useNarrations: () => ({ data: said.narrations }),
  useBringNarration: () => ({
    isPending: false,
    mutate: (file: File, then: { onSuccess: (made: { key: string }) => void }) => {
      said.heard.push(file.name);
      then.onSuccess({ key: "n" });
    },
  }),
}));
vi.mock("../../../api/voices", async (original) => ({
  ...(await original<object>()),
  useNames: () => ({
    data: [
      { word: "Edda", count: 2, unknown: true, sounds: "", phonemes: "", said: "e-duh" },
      {
        word: "Saltmere",
        count: 1,
        unknown: false,
        sounds: "salt-meer",
        phonemes: "",
        said: "salt-meer",
        heard: { media: "line.flac", start: 0.5, end: 0.9 },
      },
    ],
  }),
  useLineSaid: (_: unknown, n: number) => ({ data: said.lines[n] }),
  useVoices: () => voices,
  useHeard: (_: unknown, __: number, names: string[]) => ({
    data: names.map((voice) => ({ voice, media: voice === "maud" ? "maud.flac" : null })),
  }),
  useFigures: () => ({ data: said.figures }),
  useByEar: () => ({ data: said.ear }),
  useDeadAir: (_: unknown, comma: number | null) => ({
    data: { seconds: 30, saved: comma === 0.25 ? 3.25 : 1.5 },
  }),
  useMakeVoices: () => ({
    data: said.asked.length
      ? { voices: [{ ...voices[1], name: "made-1", title: "hoarse" }], unused: ["lilac"] }
      : undefined,
    isPending: false,
    mutate: (wish: unknown, then: { onSuccess: (x: { voices: OneVoice[] }) => void }) => {
      said.asked.push(wish);
      then.onSuccess({ voices: [{ ...voices[1]!, name: "made-1" }] });
    },
  }),
}));

const plain = (word: number) => ({ word, stress: false, pace: "" as const, pause: 0 });
const edda = { id: 4, name: "Edda", pronoun: "she", manner: "" };
const film = {
  shots: [{ id: 1, first: 0, end: 9, start: 0 }],
  id: "f",
  revision: 3,
  language: "en",
  settings: { narrator: "alder", manner: "warmly" },
  cast: [edda],
  voices: [],
  places: [
    { id: 1, name: "Saltmere" },
    { id: 2, name: "a town street" },
  ],
  lexicon: [{ word: "Saltmere", sounds: "salt-meer" }],
  words: Array.from({ length: 9 }, (_, i) => [i * 6, i * 6 + 5]),
  lines: [
    { first: 0, end: 3, speaker: "Edda" },
    { first: 3, end: 9, speaker: null },
  ],
} as unknown as Film;
const shot = { id: 1, edge: "1", first: 0, end: 9 } as unknown as Shot;
const take = {
  voice: "maud",
  seed: 0,
  media: "a.flac",
  seconds: 2,
  peaks: [10, 90, 40],
  unused: [],
};
const line = (more: Partial<LineSaid> = {}): LineSaid => ({
  line: 0,
  word: 7,
  speaker: "Edda",
  person: 4,
  voice: "maud",
  words: [
    {
      number: 7,
      text: "“Down",
      start: 0.1,
      end: 0.6,
      sounds: "",
      said: "down",
      readings: [],
      reads: "",
      mark: plain(0),
    },
    {
      number: 8,
      text: "there,”",
      start: 0.7,
      end: 1.4,
      sounds: "dare",
      said: "thair",
      readings: [],
      reads: "",
      mark: plain(0),
    },
  ],
  translated: false,
  direction: "whispered",
  told: "whispered",
  why: "whispered Edda.",
  own: null,
  standing: "",
  scene: 1,
  scene_manner: "",
  scene_room: null,
  seed: 0,
  takes: [take],
  anew: false,
  cuts: [],
  room: "hall",
  room_why: "the place: church",
  room_own: null,
  over: 0,
  over_own: null,
  rejected: {},
  recorded: false,
  recorded_word: null,
  recording: null,
  unsure: [],
  ...more,
});

afterEach(() => {
  vi.unstubAllGlobals();
});
beforeEach(() => {
  said.figures = [];
  said.cleaning = { recorded: 0, cleaned: 0 };
  said.ear = { spoken: 0, listened: 0, doubtful: [] };
  said.narrations = [];
  Object.assign(said, { changed: [], started: [], asked: [], heard: [], company: [], keptFor: [] });
  said.ssml = undefined;
  said.lines = {
    0: line(),
    1: line({ line: 1, word: 10, speaker: null, person: null, voice: "alder", told: "", why: "" }),
  };
  vi.stubGlobal(
    "Audio",
    class {
      currentTime = 0;
      onended: null | (() => void) = null;
      constructor(src: string) {
        said.heard.push(src);
      }
      play() {
        return Promise.resolve();
      }
      pause() {}
    },
  );
});
const shown = () => render(<Voice film={film} shot={shot} />);
const ofEdda = () => within(screen.getByRole("article", { name: /Line of Edda/ }));

test("a line says whose it is, by which voice, and what in the text tells how", () => {
  shown();
  expect(ofEdda().getByText("Maud, old")).toBeTruthy();
  expect(ofEdda().getByText("from “whispered Edda.”")).toBeTruthy();
  expect(ofEdda().getByText("2.0 s")).toBeTruthy();
});

test("another direction is set once, and given back to the text", () => {
  shown();
  const field = ofEdda().getByLabelText("How it is said");
  fireEvent.change(field, { target: { value: "almost a whisper " } });
  fireEvent.keyDown(field, { key: "Enter" });
  const set = {
    type: "set line",
    line: { word: 7, room: null, seed: 0, takes: 1, over: null, rejected: {} },
  };
  expect(said.changed).toEqual([{ ...set, line: { ...set.line, direction: "almost a whisper" } }]);
  cleanup();
  said.lines[0] = line({ own: "almost a whisper" });
  shown();
  fireEvent.click(ofEdda().getByRole("button", { name: /as the text tells: whispered/ }));
  expect(said.changed.at(-1)).toEqual({ ...set, line: { ...set.line, direction: null } });
});

test("a click on a word hears it from there, and asks how it sounds", () => {
  shown();
  fireEvent.click(ofEdda().getByRole("button", { name: "there,”" }));
  expect(said.heard).toEqual(["/media/a.flac"]);
  const sounds = ofEdda().getByLabelText("How there sounds");
  expect((sounds as HTMLInputElement).value).toBe("dare");
  fireEvent.change(sounds, { target: { value: "thair" } });
  fireEvent.click(ofEdda().getByRole("button", { name: "Say it so everywhere" }));
  expect(said.changed).toEqual([{ type: "say word", word: "there", sounds: "thair" }]);
});

test("it is said again as another taking, and either is used", () => {
  shown();
  fireEvent.click(ofEdda().getByRole("button", { name: "Say it again" }));
  expect(said.changed).toEqual([
    {
      type: "set line",
      line: { word: 7, direction: null, room: null, seed: 1, takes: 2, over: null, rejected: {} },
    },
  ]);
  expect(said.started).toEqual([{ kind: "speech", lines: [0] }]);
  cleanup();
  said.lines[0] = line({ takes: [take, { ...take, seed: 1, media: "b.flac" }] });
  shown();
  fireEvent.click(ofEdda().getByRole("button", { name: "Use taking 2" }));
  expect(said.changed.at(-1)).toEqual({
    type: "set line",
    line: { word: 7, direction: null, room: null, seed: 1, takes: 2, over: null, rejected: {} },
  });
});

test("what is not spoken is spoken for its price; what the voice had no use for is told", () => {
  said.lines[0] = line({ takes: [{ ...take, media: null, seconds: null, peaks: [] }] });
  shown();
  const speak = ofEdda().getByRole("button", { name: /Speak it/ });
  expect(speak.textContent).toContain("0.01");
  fireEvent.click(speak);
  expect(said.started).toEqual([{ kind: "speech", lines: [0] }]);
  cleanup();
  said.lines[0] = line({ takes: [{ ...take, unused: ["mauve"] }] });
  shown();
  expect(ofEdda().getByText("the voice had no use for: mauve")).toBeTruthy();
});

test("voices by description say the line; one is kept for who speaks it", () => {
  shown();
  const by = within(screen.getByRole("region", { name: "By description" }));
  fireEvent.change(by.getByLabelText("What the voice is like"), {
    target: { value: "hoarse, lilac" },
  });
  fireEvent.click(by.getByRole("button", { name: /Three voices/ }));
  expect(said.asked).toEqual([{ description: "hoarse, lilac", seed: 0 }]);
  expect(said.started).toEqual([{ kind: "audition", line: 0, voices: ["made-1"] }]);
  // What was found is shown; here nothing but a change of words draws the desk anew.
  fireEvent.change(by.getByLabelText("What the voice is like"), {
    target: { value: "hoarse, lilac " },
  });
  expect(by.getByText("no use for: lilac")).toBeTruthy();
  fireEvent.click(by.getByRole("button", { name: "Keep it" }));
  expect(said.changed[0]).toMatchObject({
    type: "keep voice",
    for: 4,
    voice: { name: "Edda: hoarse, lilac", voice: "made-1", pitch: 196 },
  });
  fireEvent.click(by.getByRole("button", { name: /Three others/ }));
  expect(said.asked.at(-1)).toEqual({ description: "hoarse, lilac", seed: 1 });
});

test("of all voices those that fit are shown, heard where they said the line, and given", () => {
  shown();
  const all = within(screen.getByRole("region", { name: "All voices" }));
  expect(all.getByText("characters today: 1,240 spent, 398,760 left")).toBeTruthy();
  expect(all.getByText(/^1 line, /)).toBeTruthy();
  expect(all.queryByText("Alder, even")).toBeNull();
  expect(all.getByRole("button", { name: "Hear Tamsin, a girl" }).hasAttribute("disabled")).toBe(
    true,
  );
  fireEvent.click(all.getByRole("button", { name: "Hear Maud, old" }));
  expect(said.heard).toEqual(["/media/maud.flac"]);
  fireEvent.click(all.getByRole("button", { name: "Let 2 say it" }));
  expect(said.started).toEqual([{ kind: "audition", line: 0, voices: ["maud", "tamsin"] }]);
  fireEvent.click(all.getByRole("button", { name: "Use" }));
  expect(said.changed).toEqual([{ type: "set person", person: { ...edda, voice: "tamsin" } }]);
});

test("how somebody always speaks is the person's, or the film's for the narrator", () => {
  shown();
  const always = screen.getByLabelText("How Edda always speaks");
  fireEvent.change(always, { target: { value: "hoarse" } });
  fireEvent.keyDown(always, { key: "Enter" });
  expect(said.changed).toEqual([{ type: "set person", person: { ...edda, manner: "hoarse" } }]);
  fireEvent.pointerDown(screen.getByRole("article", { name: /Line of the narrator/ }));
  const narrator = screen.getByLabelText("How the narrator always speaks");
  expect((narrator as HTMLInputElement).value).toBe("warmly");
});

test("voices stand in order, words on rows of their own, peaks about the middle", () => {
  const names = (order: "pitch" | "pace") =>
    fitting(voices, { who: "any", age: "any", language: "any", order }).map((v) => v.name);
  expect(names("pitch")).toEqual(["alder", "maud", "tamsin"]);
  expect(names("pace")).toEqual(["maud", "alder", "tamsin"]);
  const old = { who: "she", age: "old", order: "given" } as const;
  expect(fitting(voices, { ...old, language: "en" })).toHaveLength(1);
  expect(fitting(voices, { ...old, language: "de" })).toHaveLength(0);
  const crowded = ["extraordinary", "extraordinarily", "unimaginable", "a"].map((text, i) => ({
    number: i,
    text,
    start: i / 20,
    end: i / 20 + 0.04,
    sounds: "",
    said: "",
    readings: [],
    reads: "",
    mark: plain(0),
  }));
  expect(inRows(crowded, 2).slice(0, 3)).toEqual([0, 1, 2]);
  expect(outline([100])).toBe("M0,50L0.5,0L1,50L0.5,100Z");
  expect(
    costOfCasting(film, "Edda", [{ kind: "speech", price: { amount: "0.1", per: "" } }]),
  ).toEqual({
    lines: 1,
    money: expect.closeTo(1.7) as number,
  });
});

test("dead air says what it would save, and what it saves", () => {
  shown();
  expect(screen.getByText("0.25 and 0.5 s would save 3.3 s")).toBeTruthy();
  cleanup();
  const tight = { ...film, settings: { ...film.settings, stop_pause: 0.5 } } as Film;
  said.lines[0] = line({ cuts: [[0.62, 0.68]] });
  render(<Voice film={tight} shot={shot} />);
  expect(screen.getByText("1.5 s of 30.0 s saved in the film")).toBeTruthy();
  expect(ofEdda().getByTitle("0.06 s of silence, not heard in the film")).toBeTruthy();
});

test("against the aim it says how far it is, and what would help", () => {
  const long = { ...film, seconds: 100, settings: { ...film.settings, aim: 1.5 } } as Film;
  render(<Voice film={long} shot={shot} />);
  const aim = screen.getByLabelText("Against the aim");
  expect(aim.textContent).toContain("1 min 40 s estimated, 1 min 30 s wanted: 10 s too long");
  expect(aim.textContent).toContain("then about 1 of 9 words to strike");
  fireEvent.click(within(aim).getByRole("button", { name: "Shorten pauses: 3.3 s" }));
  expect(said.changed).toEqual([
    { type: "set settings", values: { comma_pause: 0.25, stop_pause: 0.5 } },
  ]);
  cleanup();
  const right = { ...film, seconds: 91, settings: { ...film.settings, aim: 1.5 } } as Film;
  render(<Voice film={right} shot={shot} />);
  expect(screen.getByLabelText("Against the aim").textContent).toBe(
    "1 min 31 s estimated, 1 min 30 s wanted",
  );
});

test("names are listed with how they sound, and changed", () => {
  shown();
  const names = within(screen.getByRole("region", { name: "Names" }));
  expect(names.getAllByRole("button").map((b) => b.textContent)).toEqual([
    "Edda e-duh",
    "Saltmere salt-meer",
    "Bring a lexicon",
    "Bring the script as SSML",
  ]);
  const file = new File(["x"], "mine.pls");
  fireEvent.change(names.getByLabelText("Bring a lexicon"), { target: { files: [file] } });
  expect(said.heard).toEqual(["mine.pls"]);
  expect(names.getByRole("link", { name: "Take the lexicon away" }).getAttribute("href")).toBe(
    "/api/films/f/lexicon",
  );
  fireEvent.click(names.getByRole("button", { name: /Saltmere/ }));
  fireEvent.click(names.getByRole("button", { name: "Hear it" }));
  expect(said.heard.at(-1)).toBe("/media/line.flac");
  fireEvent.change(names.getByLabelText("How Saltmere sounds"), { target: { value: "" } });
  fireEvent.click(names.getByRole("button", { name: "Say it so everywhere" }));
  expect(said.changed).toEqual([{ type: "say word", word: "Saltmere", sounds: "" }]);
});

test("a line is heard where the place tells, or where the maker says", () => {
  shown();
  const where = ofEdda().getByLabelText("Where it is heard");
  expect(where.textContent).toContain("hall");
  fireEvent.change(where, { target: { value: "telephone" } });
  expect(said.changed).toEqual([
    {
      type: "set line",
      line: {
        word: 7,
        direction: null,
        room: "telephone",
        seed: 0,
        takes: 1,
        over: null,
        rejected: {},
      },
    },
  ]);
});

test("pauses are set for the whole film, and given back", () => {
  shown();
  fireEvent.change(screen.getByLabelText("Longest pause after a comma"), {
    target: { value: "0.25" },
  });
  fireEvent.change(screen.getByLabelText("Longest pause after a sentence"), {
    target: { value: "-" },
  });
  expect(said.changed.map((c) => c.values)).toEqual([{ comma_pause: 0.25 }, { stop_pause: null }]);
});

test("the maker's own voice is brought for a line, and a voice speaks it again", () => {
  shown();
  fireEvent.change(ofEdda().getByLabelText("Bring a recording of this line"), {
    target: { files: [new File(["x"], "mine.wav")] },
  });
  const own = { media: "own.flac", text: "Down there" };
  expect(said.heard).toEqual(["0 mine.wav"]);
  expect(said.changed).toEqual([{ type: "take recordings", lines: [{ word: 7, recording: own }] }]);
  cleanup();
  said.lines[0] = line({ recorded: true, recording: own, unsure: [1] });
  shown();
  expect(ofEdda().getByText("your own voice; unsure: there,”")).toBeTruthy();
  expect(ofEdda().queryByRole("button", { name: "Say it again" })).toBeNull();
  fireEvent.click(ofEdda().getByRole("button", { name: "A voice again" }));
  expect(said.changed.at(-1)).toMatchObject({ lines: [{ word: 7, recording: null }] });
});

test("a line is recorded here; without a microphone it is said what to do", async () => {
  const made: { stop: () => void; onstop?: () => void; ondataavailable?: (e: object) => void }[] =
    [];
  vi.stubGlobal(
    "MediaRecorder",
    class {
      mimeType = "audio/webm";
      onstop?: () => void;
      ondataavailable?: (e: object) => void;
      constructor() {
        made.push(this);
      }
      start() {}
      stop() {
        this.ondataavailable?.({ data: new Blob(["x"]) });
        this.onstop?.();
      }
    },
  );
  const getUserMedia = vi.fn().mockResolvedValue({ getTracks: () => [{ stop: () => {} }] });
  vi.stubGlobal("navigator", { ...navigator, mediaDevices: { getUserMedia } });
  shown();
  fireEvent.click(ofEdda().getByRole("button", { name: "Say it yourself" }));
  // It counts in first.
  expect(await ofEdda().findByRole("button", { name: "in 3 …" })).toHaveProperty("disabled", true);
  const stop = await ofEdda().findByRole("button", { name: "Stop" });
  fireEvent.click(stop);
  expect(said.heard).toEqual(["0 line.webm"]);
  getUserMedia.mockRejectedValue(new Error("no"));
  fireEvent.click(ofEdda().getByRole("button", { name: "Say it yourself" }));
  await waitFor(() => expect(getUserMedia).toHaveBeenCalledTimes(2));
  expect(said.heard).toHaveLength(1);
});

const recording = { media: "piece.flac", text: "x" };
const narration = {
  key: "n",
  name: "mine.wav",
  seconds: 98,
  heard: 1,
  followed: true,
  lines: [
    { word: 7, text: "Down there", said: 2, left: [], others: [], recording, taken: false },
    {
      word: 9,
      text: "The ice rang like a bell.",
      said: 1,
      left: [{ text: "like a bell.", start: 30, end: 42 }],
      others: [{ text: "ice", heard: "eyes", media: "p.flac", at: 3, start: 20, end: 23 }],
      recording,
      taken: false,
    },
    {
      word: 15,
      text: "Nobody came.",
      said: 0,
      left: [{ text: "Nobody came.", start: 50, end: 62 }],
      others: [],
      recording: null,
      taken: false,
    },
  ],
  put_in: [{ heard: "sorry again", media: "p.flac", at: 8 }],
};

test("a recording of the story is followed; what differs is listed, and either one is mended", async () => {
  said.narrations = [narration];
  shown();
  const own = within(screen.getByRole("region", { name: "Your own narration" }));
  expect(own.getByRole("status").textContent).toBe(
    "2 of 3 lines said; 1 more than once: the last is kept",
  );
  const rows = own.getAllByRole("listitem").map((r) => r.textContent);
  expect(rows).toHaveLength(4);
  expect(rows[0]).toContain("left outlike a bell.");
  expect(rows[1]).toContain("said otherwiseice eyes");
  expect(rows[2]).toContain("not saidNobody came.");
  expect(rows[3]).toContain("cut out sorry again");
  fireEvent.click(own.getByRole("button", { name: "Write it so" }));
  expect(said.changed.at(-1)).toEqual({ type: "edit text", start: 20, end: 23, insert: "eyes" });
  await Promise.resolve();
  expect(said.started.at(-1)).toEqual({ kind: "narration", narration: "n" });
  fireEvent.click(own.getAllByRole("button", { name: "Strike it" })[1]!);
  expect(said.changed.at(-1)).toMatchObject({ start: 50, end: 62, insert: "" });
  fireEvent.click(own.getByRole("button", { name: "Use these 2 lines" }));
  expect(said.changed.at(-1)).toEqual({
    type: "take recordings",
    lines: [
      { word: 7, recording },
      { word: 9, recording },
    ],
  });
  fireEvent.click(own.getByRole("button", { name: "Forget it" }));
  expect(said.changed.at(-1)).toMatchObject({ type: "keep narration", drop: true });
});

test("one that was brought is followed at once; one whose text has changed, when asked", () => {
  said.narrations = [{ ...narration, followed: false, lines: [], put_in: [] }];
  shown();
  const own = within(screen.getByRole("region", { name: "Your own narration" }));
  expect(own.getByRole("status").textContent).toContain("the text has changed");
  fireEvent.click(own.getByRole("button", { name: "Follow the text" }));
  fireEvent.change(own.getByLabelText("Bring a recording of the story"), {
    target: { files: [new File(["x"], "hour.mp3")] },
  });
  expect(said.heard).toContain("hour.mp3");
  expect(said.started).toEqual([
    { kind: "narration", narration: "n" },
    { kind: "narration", narration: "n" },
  ]);
});

test("figures are listed as they are read, and one is read otherwise at its place", () => {
  said.figures = [
    {
      word: 8,
      text: "1834,",
      before: "in",
      after: "he",
      reads: "eighteen thirty-four",
      readings: ["eighteen thirty-four", "one thousand eight hundred and thirty-four"],
    },
  ];
  shown();
  const figures = within(screen.getByRole("region", { name: "Figures" }));
  fireEvent.click(figures.getByRole("button", { name: /1834/ }));
  const group = within(figures.getByRole("group", { name: "How 1834 is read" }));
  fireEvent.click(group.getByRole("button", { name: /one thousand/ }));
  expect(said.changed.at(-1)).toEqual({
    type: "read word",
    word: 8,
    sounds: "one thousand eight hundred and thirty-four",
  });
  fireEvent.click(figures.getByRole("button", { name: /1834/ }));
  const own = within(figures.getByRole("group", { name: "How 1834 is read" }));
  fireEvent.change(own.getByLabelText("or otherwise"), { target: { value: "a long time ago" } });
  fireEvent.keyDown(own.getByLabelText("or otherwise"), { key: "Enter" });
  expect(said.changed.at(-1)).toMatchObject({ word: 8, sounds: "a long time ago" });
  fireEvent.click(figures.getByRole("button", { name: /1834/ }));
  const usual = within(figures.getByRole("group", { name: "How 1834 is read" }));
  fireEvent.click(usual.getByRole("button", { name: "eighteen thirty-four" }));
  expect(said.changed.at(-1), "as it is read elsewhere").toMatchObject({ word: 8, sounds: "" });
});

test("a machine listens to the lines; what it doubts is listed and opened", () => {
  said.ear = {
    spoken: 4,
    listened: 2,
    doubtful: [
      {
        line: 1,
        word: 10,
        speaker: null,
        text: "The ice rang.",
        why: "may be misread",
        missed: ["ice"],
        seed: 0,
        recorded: false,
      },
    ],
  };
  shown();
  const ear = within(screen.getByRole("region", { name: "By ear" }));
  expect(ear.getByRole("status").textContent).toBe(
    "2 lines listened to: one thing to hear, worst first",
  );
  fireEvent.click(ear.getByRole("button", { name: "Listen to 2 lines" }));
  expect(said.started).toEqual([{ kind: "listening", lines: [] }]);
  expect(ear.getByRole("listitem").textContent).toContain("may be misread: ice");
  fireEvent.click(ear.getByRole("button", { name: /The ice rang/ }));
  const line = screen.getByRole("article", { name: /Line of the narrator/ });
  expect(line.className).toContain("border-ink");
});

test("recordings are cleaned alike, and heard untouched beside", () => {
  said.cleaning = { recorded: 3, cleaned: 1 };
  const own = { media: "own.flac", text: "Down there" };
  said.lines[0] = line({ recorded: true, recorded_word: 7, recording: own });
  shown();
  const clean = within(screen.getByRole("region", { name: "Recordings cleaned" }));
  fireEvent.change(clean.getByLabelText("hum"), { target: { value: "1" } });
  expect(said.changed).toEqual([{ type: "set settings", values: { clean_hum: 1 } }]);
  fireEvent.click(clean.getByRole("button", { name: "Clean 2 lines" }));
  expect(said.started).toEqual([{ kind: "speech", lines: [] }]);
  expect(screen.getByRole("button", { name: "Hear it untouched" })).toBeTruthy();
});

test("a word is stressed, slower, or stands behind a pause", () => {
  shown();
  const edda = within(screen.getByRole("article", { name: /Line of Edda/ }));
  fireEvent.click(edda.getByRole("button", { name: "“Down" }));
  const marks = within(edda.getByRole("group", { name: "How the word is said" }));
  fireEvent.click(marks.getByRole("button", { name: "stressed" }));
  fireEvent.click(marks.getByRole("button", { name: "slower" }));
  fireEvent.click(marks.getByRole("button", { name: "a pause before" }));
  expect(said.changed).toEqual([
    { type: "mark words", marks: [{ word: 0, stress: true, pace: "", pause: 0 }] },
    { type: "mark words", marks: [{ word: 0, stress: false, pace: "slow", pause: 0 }] },
    { type: "mark words", marks: [{ word: 0, stress: false, pace: "", pause: 0.4 }] },
  ]);
});

test("of several takings one is rejected with its reason, heard and used by key", () => {
  const other = { ...take, seed: 1, media: "b.flac", seconds: 2.5 };
  said.lines[0] = line({ takes: [take, other] });
  shown();
  expect(ofEdda().getByText("beside the one used: 0.5 s longer")).toBeTruthy();
  fireEvent.keyDown(document.body, { key: "n", code: "KeyN" });
  fireEvent.keyDown(document.body, { key: "n", code: "KeyN" });
  expect(said.heard).toEqual(["/media/a.flac", "/media/b.flac"]);
  fireEvent.keyDown(document.body, { key: "@", code: "Digit2", shiftKey: true });
  expect(said.changed.at(-1)).toMatchObject({ line: { seed: 1 } });
  fireEvent.click(ofEdda().getByRole("button", { name: "Reject taking 1" }));
  const why = ofEdda().getByLabelText("Why it is rejected");
  fireEvent.change(why, { target: { value: "flat" } });
  fireEvent.submit(why.closest("form")!);
  // It was the one used: the other is from now on.
  expect(said.changed.at(-1)).toMatchObject({ line: { seed: 1, rejected: { 0: "flat" } } });
  cleanup();
  said.lines[0] = line({ takes: [take, other], seed: 1, rejected: { 0: "flat" } });
  shown();
  expect(ofEdda().getByText("rejected: flat")).toBeTruthy();
  expect(ofEdda().getByRole("button", { name: "Use taking 1" })).toHaveProperty("disabled", true);
  expect(ofEdda().getByRole("button", { name: "Reject taking 2" })).toHaveProperty(
    "disabled",
    true,
  );
  fireEvent.click(ofEdda().getByRole("button", { name: "Take it back" }));
  expect(said.changed.at(-1)).toMatchObject({ line: { seed: 1, rejected: {} } });
});

test("a passage is marked in one step", () => {
  said.lines[0] = line();
  said.lines[0] = {
    ...line(),
    words: line().words.map((w) => ({ ...w, mark: plain(w.number) })),
  };
  shown();
  fireEvent.click(ofEdda().getByRole("button", { name: "“Down" }));
  fireEvent.click(ofEdda().getByRole("button", { name: "there,”" }), { shiftKey: true });
  const marks = within(ofEdda().getByRole("group", { name: "How the passage is said" }));
  fireEvent.click(marks.getByRole("button", { name: "slower" }));
  expect(said.changed).toEqual([
    {
      type: "mark words",
      marks: [7, 8].map((word) => ({ word, stress: false, pace: "slow", pause: 0 })),
    },
  ]);
  fireEvent.click(marks.getByRole("button", { name: "a pause before" }));
  expect(said.changed.at(-1)).toMatchObject({ marks: [{ word: 7, pause: 0.4 }] });
});

test("a voice of the company is kept for who speaks; what the company says of a name is offered", () => {
  const voice = { id: 0, name: "Gull", voice: "made-7", description: "hoarse", pronoun: "she" };
  said.company = [
    { id: "own-1", card: { voice } },
    { id: "own-2", card: { word: { word: "Edda", sounds: "etta" } } },
  ];
  shown();
  const gull = within(screen.getByText("Gull").closest("li")!);
  expect(gull.getByText("in the company")).toBeTruthy();
  fireEvent.click(gull.getByRole("button", { name: "Use" }));
  expect(said.changed).toEqual([{ type: "keep voice", for: 4, voice }]);
  const names = within(screen.getByRole("region", { name: "Names" }));
  fireEvent.click(names.getByRole("button", { name: "Say it so here" }));
  expect(said.changed.at(-1)).toEqual({
    type: "take lexicon",
    sayings: [{ word: "Edda", sounds: "etta" }],
  });
  fireEvent.click(names.getByRole("button", { name: /^Saltmere/ }));
  fireEvent.click(names.getByRole("button", { name: "keep for the company" }));
  expect(said.keptFor).toEqual([
    { card: { word: { word: "Saltmere", sounds: "salt-meer" } }, member: null },
  ]);
});

test("what an SSML file said is told", () => {
  said.ssml = { found: 412, marked: 3, read: 1, voices: 2, unused: ["audio"] };
  shown();
  const names = within(screen.getByRole("region", { name: "Names" }));
  expect(names.getByRole("status").textContent).toBe(
    "412 words found, 3 marked, 1 read otherwise, 2 with another voice; no use for audio",
  );
});

test("a line begins over the end of the one before, as the text tells or as the maker says", () => {
  shown();
  expect(ofEdda().queryByLabelText("When it begins")).toBeNull(); // nothing is before it
  said.lines[1] = line({ line: 1, word: 7, over: 0.25 });
  cleanup();
  shown();
  const begins = screen.getByLabelText("When it begins");
  expect(begins.textContent).toContain("over its end");
  fireEvent.change(begins, { target: { value: "0" } });
  expect(said.changed.at(-1)).toMatchObject({ type: "set line", line: { over: 0 } });
});

test("silence between paragraphs and scenes, before and behind, is set for the whole film", () => {
  shown();
  const air = within(screen.getByRole("region", { name: "Dead air" }));
  const between = air.getByLabelText("Silence between paragraphs");
  expect(between.textContent).toContain("as usual");
  fireEvent.change(between, { target: { value: "0.8" } });
  expect(said.changed).toEqual([{ type: "set settings", values: { paragraph_rest: 0.8 } }]);
  cleanup();
  const set = { ...film, settings: { ...film.settings, tail: 7 } } as Film;
  render(<Voice film={set} shot={shot} />);
  const behind = screen.getByLabelText("Silence behind the last word");
  expect(behind.textContent).toContain("7 s");
  fireEvent.change(behind, { target: { value: "-" } });
  expect(said.changed.at(-1)).toEqual({ type: "set settings", values: { tail: null } });
});

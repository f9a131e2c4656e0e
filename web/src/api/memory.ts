/**
 * What the page remembers of a film: the pieces as the server told them, each relative to what stands before it, and
 * the film made of them, with every word, shot and sound in its place. A change patches the pieces it names.
 */
import type { Schemas } from "./client";

type View = Schemas["ShotView"];
type Opened = Schemas["OpenedFilm"];
type Manuscript = Schemas["ManuscriptWindow"];
export type Delta = Schemas["FilmDelta"];

/** A shot in its place: words `first` up to `end` by index, frames `start` up to `stop`. */
export type Shot = View & {
  first: number;
  end: number;
  start: number;
  stop: number;
  /** Characters that a prompt may have at the film's offer. */
  cap: number;
  /** False while only its outline is known. */
  loaded: boolean;
};
export type Line = Schemas["LineView"] & { first: number; end: number; start: number };
export type Cue = Omit<Schemas["CueView"], "seconds"> & { start: number; end: number };
type Caption = Omit<Schemas["CaptionView"], "seconds"> & { start: number; end: number };

/** A film with everything in its place. `words` holds start, end, number and line of each word. */
export type Film = Schemas["FilmHead"] & {
  text: string;
  words: [number, number, number, number][];
  lines: Line[];
  shots: Shot[];
  captions: Caption[];
  cues: Cue[];
};

/** The pieces of a film as they were told. */
export interface Memory {
  state: string;
  head: Schemas["FilmHead"];
  text: string;
  words: Manuscript["words"];
  lines: Manuscript["lines"];
  captions: Manuscript["captions"];
  cues: Manuscript["cues"];
  order: number[];
  frames: number[];
  shots: Map<number, View>;
  /** Shots of which only the outline is known. */
  outlines: Set<number>;
}

export function remembered(opened: Opened, told: Manuscript): Memory {
  return {
    state: opened.state,
    head: opened.head,
    text: told.text,
    words: told.words,
    lines: told.lines,
    captions: told.captions,
    cues: told.cues,
    order: opened.shots.map((row) => row[0]),
    frames: opened.shots.map((row) => row[3]),
    shots: new Map(opened.shots.map((row) => [row[0], outline(row)])),
    outlines: new Set(opened.shots.map((row) => row[0])),
  };
}

const PICTURE = 1;
const STALE = 2;
const SPOKEN = 4;

/** A shot as far as its row tells of it. */
function outline([id, edge, words, , scene, bits]: Opened["shots"][number]): View {
  return {
    id,
    edge,
    words,
    scene,
    hold: 0,
    picture_of: id,
    text: "",
    said: "",
    measured: (bits & SPOKEN) > 0,
    by_hand: false,
    framing: "medium",
    angle: "level",
    place: "",
    time: "day",
    weather: "clear",
    season: "",
    year: "",
    remembered: false,
    mood: "calm",
    people: [],
    action: "",
    idea: null,
    ideas: [],
    why: {},
    own: {} as View["own"],
    made_by: {},
    move: "push",
    join: null,
    cards: [],
    finish: { grade: null, mood: null, effects: [], whys: [] },
    plate: null,
    acts: [],
    prompt: "",
    pieces: [],
    left_out: [],
    fits: true,
    negative: "",
    takes: [],
    used: bits & PICTURE ? "not loaded yet" : null,
    own_circled: null,
    stale: (bits & STALE) > 0,
    drift: [],
    figures: [],
    references: 0,
    wanted: 0,
    remarks: [],
  };
}

/** The memory with a window of shots that was asked for; what was told since is newer and stays. */
export function withWindow(memory: Memory, views: View[]): Memory {
  const shots = new Map(memory.shots);
  const outlines = new Set(memory.outlines);
  for (const view of views) if (outlines.delete(view.id)) shots.set(view.id, view);
  return { ...memory, shots, outlines };
}

interface Splice<T> {
  at: number;
  remove: number;
  insert: T[];
}

function spliced<T>(list: T[], by: Splice<T> | null | undefined): T[] {
  if (!by) return list;
  return [...list.slice(0, by.at), ...by.insert, ...list.slice(by.at + by.remove)];
}

/** The memory after a change; null where the change is from a state that the page does not know. */
export function patched(memory: Memory, delta: Delta): Memory | null {
  if (delta.reopen || delta.since !== memory.state) return null;
  const shots = new Map(memory.shots);
  const outlines = new Set(memory.outlines);
  for (const view of delta.shots ?? []) {
    shots.set(view.id, view);
    outlines.delete(view.id);
  }
  const order = spliced(memory.order, delta.order);
  if (delta.order) {
    const there = new Set(order);
    for (const id of [...shots.keys()]) if (!there.has(id)) shots.delete(id);
  }
  const { text } = delta;
  return {
    state: delta.state,
    head: { ...memory.head, ...(delta.head as Partial<Schemas["FilmHead"]>) },
    text: text
      ? memory.text.slice(0, text.at) + text.insert + memory.text.slice(text.at + text.remove)
      : memory.text,
    words: spliced(memory.words, delta.words),
    lines: spliced(memory.lines, delta.lines),
    captions: spliced(memory.captions, delta.captions),
    // From the last to the first, since each is counted in what was there before.
    cues: (delta.cues ?? []).reduceRight(spliced, memory.cues),
    order,
    frames: spliced(memory.frames, delta.frames),
    shots,
    outlines,
  };
}

/** The film of a memory. What is as it was `before` is the very same object, so that nothing of it is drawn again. */
export function filmOf(memory: Memory, before?: { memory: Memory; film: Film }): Film {
  const same = <K extends keyof Memory>(...names: K[]) =>
    before !== undefined && names.every((name) => before.memory[name] === memory[name]);
  const shots = placedShots(memory, before);
  return {
    ...memory.head,
    text: memory.text,
    words: same("words") ? before!.film.words : placedWords(memory),
    lines: same("lines") ? before!.film.lines : placedLines(memory),
    captions: same("captions") ? before!.film.captions : placedCaptions(memory),
    cues: placedCues(memory, shots),
    shots,
  };
}

function placedWords(memory: Memory): Film["words"] {
  let end = 0;
  let line = 0;
  return memory.words.map(([gap, length, number, more]) => {
    const start = end + gap;
    end = start + length;
    line += more;
    return [start, end, number, line];
  });
}

function placedLines(memory: Memory): Line[] {
  let word = 0;
  let at = 0;
  return memory.lines.map((line) => {
    at += line.after;
    const first = word;
    word += line.words;
    return { ...line, first, end: word, start: at };
  });
}

function placedCaptions(memory: Memory): Caption[] {
  let at = 0;
  return memory.captions.map(({ seconds, ...caption }) => {
    const start = at + caption.after;
    at = start + seconds;
    return { ...caption, start, end: at };
  });
}

function placedShots(memory: Memory, before?: { memory: Memory; film: Film }): Shot[] {
  const cap = memory.head.prompt_cap;
  const known = new Map(before?.film.shots.map((shot) => [shot.id, shot]));
  let word = 0;
  let frame = 0;
  const shots = memory.order.map((id, i) => {
    const view = memory.shots.get(id)!;
    const [first, start] = [word, frame];
    word += view.words;
    frame += memory.frames[i]!;
    const old = known.get(id);
    if (
      old &&
      before!.memory.shots.get(id) === view &&
      old.first === first &&
      old.start === start &&
      old.stop === frame &&
      old.cap === cap
    )
      return old;
    const loaded = !memory.outlines.has(id);
    return { ...view, first, end: word, start, stop: frame, cap, loaded };
  });
  const unchanged =
    before !== undefined &&
    before.film.shots.length === shots.length &&
    shots.every((shot, i) => shot === before.film.shots[i]);
  return unchanged ? before.film.shots : shots;
}

function placedCues(memory: Memory, shots: Shot[]): Cue[] {
  const [over, under] = memory.head.fps.split("/").map(Number);
  const second = over! / (under ?? 1);
  const by = new Map(shots.map((shot) => [shot.id, shot]));
  let at = 0;
  return memory.cues.map(({ seconds, ...cue }) => {
    if (cue.after !== null && cue.after !== undefined) at += cue.after;
    const later = (cue.choice?.later ?? 0) / second;
    const start =
      cue.after === null || cue.after === undefined
        ? Math.max(0, frameOf(by, cue.shot) / second + later)
        : at;
    const end =
      seconds === null || seconds === undefined
        ? (by.get(cue.last)?.stop ?? 0) / second
        : start + seconds;
    return { ...cue, start, end };
  });
}

const frameOf = (by: Map<number, Shot>, shot: number) => by.get(shot)?.start ?? 0;

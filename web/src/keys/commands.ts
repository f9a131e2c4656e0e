/**
 * Every command that keys give: the presses that give it and what the list under `?` says of it.
 *
 * A scope is what hears its commands: a view as a whole, or what has the focus. Presses are tinykeys
 * patterns; a pattern in parentheses stands for any of several keys, and whoever carries the command
 * out asks the event which.
 */
export interface Command {
  presses: string;
  shown: string;
  says: string;
}

const command = (presses: string, shown: string, says: string): Command => ({
  presses,
  shown,
  says,
});

export const COMMANDS = {
  list: { open: command("[Shift]+?", "?", "these keys") },
  film: {
    view: command(
      "([1-7])",
      "1 2 3 4 5 6 7",
      "Script, Continuity, Sheet, Bench, Mix, Screening, Delivery",
    ),
    undo: command("$mod+z", "Ctrl Z", "undo"),
    redo: command("$mod+Shift+z", "Ctrl Shift Z", "redo"),
  },
  monitor: { play: command("Space", "Space", "play and stop") },
  strip: {
    frame: command("(ArrowLeft|ArrowRight)", "← →", "a frame back or on (on the strip)"),
    second: command("(PageUp|PageDown)", "Page ↑ ↓", "24 frames back or on (on the strip)"),
  },
  script: {
    walk: command("(Arrow(Left|Right|Up|Down))", "← → ↑ ↓", "walk from word to word"),
    mark: command(
      "Enter",
      "Enter",
      "set a cut mark before the word, or lift the one that is there",
    ),
    lift: command("Backspace", "Backspace", "lift the word's cut mark"),
    push: command("Alt+(Arrow(Left|Right))", "Alt ← →", "push the mark a word along"),
    edit: command("e", "E", "edit the words of the paragraph"),
    remedy: command("r", "R", "do what the remark on the shot says"),
    shot: command("s", "S", "what the shot shows"),
    who: command("w", "W", "whom the word means"),
  },
  who: {
    answer: command("([1-9])", "1 … 9", "in a list of who: it means this one"),
    nobody: command("0", "0", "in a list of who: nobody of the cast"),
  },
  editor: {
    save: command("$mod+Enter", "Ctrl Enter", "while editing: save the words"),
    leave: command("Escape", "Esc", "while editing: leave them as they were"),
    kind: command(
      "Alt+(Digit[1-4])",
      "Alt 1 2 3 4",
      "while editing: narration, somebody speaks, scene heading, not spoken",
    ),
    step: command(
      "(Arrow(Up|Down))",
      "↑ ↓",
      "while editing, from the first or last letter: the paragraph before, the next",
    ),
  },
  heading: {
    move: command("Alt+(Arrow(Up|Down))", "Alt ↑ ↓", "move the scene (on its heading)"),
    edit: command("(Enter|e)", "Enter", "edit the heading (on it)"),
  },
  cells: {
    walk: command("(Arrow(Left|Right|Up|Down))", "← → ↑ ↓", "walk through who and scenes"),
  },
  pictures: {
    walk: command("(Arrow(Left|Right))", "← →", "walk through the pictures of somebody"),
  },
  departure: {
    again: command("m", "M", "make the picture again"),
    accept: command("a", "A", "accept its drift, or count it again"),
    go: command("Enter", "Enter", "open the shot in the Sheet"),
  },
  bench: { walk: command("(Arrow(Up|Down))", "↑ ↓", "the shot before, the next") },
  voice: {
    hear: command("h", "H", "hear the line, and stop"),
    next: command("n", "N", "hear the next of its takings"),
    use: command("Shift+(Digit[1-4])", "Shift 1 … 4", "use a taking"),
    reject: command("x", "X", "reject the taking that is heard"),
  },
  casting: {
    turns: command("c", "C", "the line by turns in its voice and in the one heard last"),
  },
  "own voice": { turn: command("r", "R", "say the line yourself, and stop") },
  recorder: {
    turn: command("r", "R", "line by line: record, and stop"),
    next: command("Enter", "Enter", "line by line: the next line"),
    before: command("Backspace", "Backspace", "line by line: the line before"),
    hear: command("h", "H", "line by line: hear what was recorded"),
    leave: command("Escape", "Esc", "line by line: close it"),
  },
  takes: {
    circle: command("Shift+(Digit[1-9])", "Shift 1 … 9", "circle a take"),
    nearer: command("[Shift]+(\\+|=)", "+", "nearer"),
    further: command("-", "−", "further"),
    whole: command("0", "0", "the whole picture"),
    play: command("k", "K", "play clips in step, and stop"),
  },
  sheet: {
    walk: command("(Arrow(Up|Down))", "↑ ↓", "the shot before, the next"),
    circle: command("Shift+(Digit[1-9])", "Shift 1 … 9", "circle a take"),
    make: command("m", "M", "make more takes of the shot"),
    idea: command("i", "I", "take another picture idea for the shot"),
    hear: command("h", "H", "hear the shot's line"),
    rows: command("x", "X", "rows closer together, or further apart"),
    copy: command("([pods])", "P O D S", "copy the picture, motion, direction or sound prompt"),
  },
  mix: {
    play: command("Space", "Space", "play and stop"),
    walk: command("(Arrow(Up|Down))", "↑ ↓", "the shot before, the next"),
    taller: command("[Shift]+(\\+|=)", "+", "a second is taller"),
    lower: command("-", "−", "a second is lower"),
    trouble: command("n", "N", "the next line that is hard to follow"),
    level: command(
      "l",
      "L",
      "a point on the level line of the lane that is treated, at the playhead",
    ),
  },
  watch: {
    play: command("Space", "Space", "play and stop"),
    frame: command("(Arrow(Left|Right))", "← →", "a frame back or on"),
    shot: command("(Arrow(Up|Down))", "↑ ↓", "the shot before, the next"),
    speed: command("[Shift]+(\\+|=|-)", "+ −", "faster, slower; the pitch stays"),
    loop: command("l", "L", "again and again: the stretch, or the shot"),
    begin: command("b", "B", "a stretch begins here"),
    end: command("e", "E", "the stretch ends here"),
    clear: command("Escape", "Esc", "no stretch"),
    note: command("n", "N", "note something here"),
  },
  link: {
    copy: command("c", "C", "copy the link (on it)"),
    withdraw: command("Delete", "Del", "withdraw the link (on it)"),
  },
  hand: {
    walk: command("(Arrow(Up|Down))", "↑ ↓", "the number before, the next"),
    copy: command("c", "C", "copy the prompt"),
    next: command("n", "N", "the next number, and its prompt copied"),
  },
  leaf: {
    turn: command("(Arrow(Left|Right|Up|Down)|Space)", "← →", "turn a leaf"),
    ends: command("(Home|End)", "Home End", "the first picture, the last"),
    note: command("n", "N", "note something here"),
  },
} as const satisfies Record<string, Record<string, Command>>;

export type Scope = keyof typeof COMMANDS;

/** What stands under which head of the list, in the order of the views. */
export const HEADS: readonly (readonly [string, readonly Scope[]])[] = [
  ["Anywhere", ["list", "film", "monitor", "strip"]],
  ["Script", ["script", "who", "editor", "heading"]],
  ["Continuity", ["cells", "pictures", "departure"]],
  ["Sheet", ["sheet"]],
  ["Bench", ["bench", "takes"]],
  ["Voice, in the Bench", ["voice", "casting", "own voice", "recorder"]],
  ["Mix", ["mix"]],
  ["Screening, watching", ["watch"]],
  ["Screening, leafing", ["leaf"]],
  ["Screening, links for others", ["link"]],
  ["Services, by hand", ["hand"]],
];

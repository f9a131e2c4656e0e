/** The parts of the desk for movement: words against actions, the path on its picture, a shot that plays in place. */
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { createRef } from "react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";

import type { Movement, Path } from "../../../api/movement";
import { Loop } from "./Loop";
import { PathOnPicture } from "./PathOnPicture";
import { WordStrip } from "./WordStrip";

afterEach(() => {
  vi.unstubAllGlobals();
});

const movement = {
  seconds: 4,
  words: [
    { number: 1, text: "Ada", start: 0, end: 0.4 },
    { number: 2, text: "waves", start: 2, end: 2.6 },
  ],
  figures: [{ figure: "ada", name: "Ada Vane", animal: false, speaks: false }],
  acts: [
    { figure: "ada", action: "wave", word: 2, why: "“waves”", start: 1, seconds: 2 },
    { figure: "ada", action: "nod", word: 1, why: "", start: null, seconds: null },
  ],
  water: true,
  flames: 0,
  air: [{ kind: "rain", amount: "middle", why: "it rains" }],
} as unknown as Movement;

test("an action stands beside the words for as long as it lasts; what has no time is not drawn", () => {
  render(<WordStrip movement={movement} now={2.2} />);
  const bar = screen.getByTitle("Ada Vane: wave, “waves”");
  expect(bar.style.top).toBe("25%");
  expect(bar.style.bottom).toBe("calc(25%)");
  expect(screen.queryByTitle(/nod/)).toBeNull();
  expect(screen.getByText("Ada · water · rain")).toBeTruthy();
  expect(screen.getByText("waves").className).toContain("font-semibold");
  expect(screen.getByText("Ada").className).not.toContain("font-semibold");
});

const path: Path = {
  first: { x: 0.5, y: 0.5, zoom: 1 },
  between: [],
  last: { x: 0.6, y: 0.4, zoom: 2 },
  ease: "even",
  held: false,
  roll: [0, 0],
};
const told: Path[] = [];
beforeEach(() => {
  told.length = 0;
  Element.prototype.setPointerCapture = vi.fn();
});

const drawn = (p: Path = path) => {
  render(
    <PathOnPicture
      media="a.png"
      alt="The picture"
      path={p}
      aspect="16:9"
      stage={createRef()}
      onPath={(x) => told.push(x)}
    />,
  );
  const stage = screen.getByAltText("The picture").parentElement!;
  stage.getBoundingClientRect = () =>
    ({ left: 0, top: 0, width: 800, height: 450, right: 800, bottom: 450 }) as DOMRect;
  return stage;
};

test("a frame goes by keys, and the path is told once, when the key is let go", () => {
  drawn();
  const last = screen.getByRole("application", { name: "The last frame" });
  fireEvent.keyDown(last, { key: "ArrowRight", shiftKey: true });
  fireEvent.keyDown(last, { key: "ArrowRight" });
  expect(told).toEqual([]);
  fireEvent.keyUp(last, { key: "ArrowRight" });
  expect(told).toHaveLength(1);
  expect(told[0]!.last!.x).toBeCloseTo(0.66);
  expect(told[0]!.first).toEqual(path.first);
  fireEvent.keyDown(last, { key: "q" });
  fireEvent.keyUp(last, { key: "q" });
  expect(told).toHaveLength(1);
});

test("a frame is brought nearer, never beyond the picture", () => {
  drawn();
  const first = screen.getByRole("application", { name: "The first frame" });
  for (let i = 0; i < 4; i++) fireEvent.keyDown(first, { key: "-" });
  fireEvent.keyUp(first, { key: "-" });
  expect(told[0]!.first!.zoom).toBe(1);
  fireEvent.keyDown(first, { key: "+" });
  fireEvent.keyUp(first, { key: "+" });
  expect(told[1]!.first!.zoom).toBeCloseTo(1.04);
});

test("two clicks put in a place that the camera goes by; four at most; Delete lifts one", () => {
  fireEvent.doubleClick(drawn(), { clientX: 200, clientY: 225 });
  expect(told[0]!.between).toHaveLength(1);
  const [by] = told[0]!.between!;
  expect(by!.zoom).toBeCloseTo(Math.SQRT2);
  expect(by!.x).toBeCloseTo(0.5 / Math.SQRT2);
  expect(by!.y).toBeCloseTo(0.5);
  cleanup();
  const four = { ...path, between: Array.from({ length: 4 }, () => ({ x: 0.5, y: 0.5, zoom: 2 })) };
  fireEvent.doubleClick(drawn(four), { clientX: 10, clientY: 10 });
  expect(told).toHaveLength(1);
  fireEvent.keyDown(screen.getByRole("button", { name: "The camera goes by here, 2" }), {
    key: "Delete",
  });
  expect(told[1]!.between).toHaveLength(3);
});

test("a place that it goes by is dragged", () => {
  const stage = drawn({ ...path, between: [{ x: 0.5, y: 0.5, zoom: 2 }] });
  const pin = screen.getByRole("button", { name: "The camera goes by here, 1" });
  fireEvent.pointerDown(pin, { clientX: 400, clientY: 225, pointerId: 1 });
  fireEvent.pointerMove(pin, { clientX: 440, clientY: 225, pointerId: 1 });
  fireEvent.pointerUp(stage);
  expect(told[0]!.between![0]!.x).toBeCloseTo(0.55);
});

test("a shot plays over and over, its drawings laid one in front of another", () => {
  let frame: FrameRequestCallback = () => undefined;
  let now = 0;
  const loaded: { onload: (() => void) | null; src: string }[] = [];
  vi.stubGlobal("requestAnimationFrame", (f: FrameRequestCallback) => {
    frame = f;
    return 1;
  });
  vi.stubGlobal("cancelAnimationFrame", () => undefined);
  vi.spyOn(performance, "now").mockImplementation(() => now);
  vi.stubGlobal(
    "Image",
    class {
      onload: (() => void) | null = null;
      src = "";
      constructor() {
        loaded.push(this);
      }
    },
  );
  const times: number[] = [];
  render(
    <Loop src="/sheet.jpg" count={16} seconds={2} label="playing" onTime={(t) => times.push(t)} />,
  );
  const screen_ = screen.getByRole("img", { name: "playing" });
  expect(screen_.style.backgroundImage).toBe("");
  act(() => loaded[0]!.onload!());
  expect(screen_.style.backgroundImage).toContain("/sheet.jpg");
  expect(screen_.style.backgroundSize).toBe("800% 200%");
  const at = (ms: number) => {
    now = ms;
    frame(ms);
    return screen_.style.backgroundPosition;
  };
  expect(at(0)).toBe("0% 0%");
  expect(at(130)).toMatch(/^14\.28\d*% 0%$/);
  expect(at(1000)).toBe("0% 100%");
  expect(at(1999)).toBe("100% 100%");
  expect(at(2001)).toBe("0% 0%");
  expect(times[0]).toBe(0);
  expect(times.at(-1)).toBeCloseTo(0.001);
});

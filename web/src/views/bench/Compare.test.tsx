/** Takes side by side: which are shown, what new ones do, circling and rejecting. */
import { fireEvent, render, screen, within } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";

import type { Film, Shot, Take } from "../../api/client";
import { Compare } from "./Compare";

const changed = vi.hoisted(() => ({ all: [] as Record<string, unknown>[] }));
vi.mock("../../api/film", () => ({
  useChange: () => ({ mutate: (c: Record<string, unknown>) => changed.all.push(c) }),
}));
vi.mock("./More", () => ({ More: () => null }));
vi.mock("./desks", () => ({
  DESKS: { retouch: () => <p>retouching</p>, frame: () => <p>framing</p> },
}));

const film = { id: "f", settings: { aspect: "16:9" } } as unknown as Film;
const take = (number: number, more: Partial<Take> = {}): Take =>
  ({
    id: `t${number}`,
    number,
    seed: 100 + number,
    prompt: "a boat",
    offer: "illustrator-quick",
    width: 1280,
    height: 720,
    cost: 0.003,
    faults: [],
    clip: null,
    unused: [],
    rejected: null,
    stale: false,
    brought: false,
    came: null,
    media: `${number}.png`,
    thumb: `${number}.jpg`,
    ...more,
  }) as Take;
const shot = (takes: Take[], used = "t1") =>
  ({ id: 3, edge: "3", takes, used, own_circled: used, own: {} }) as unknown as Shot;
const shown = () => screen.getAllByRole("figure").map((f) => f.getAttribute("aria-label"));

beforeEach(() => (changed.all = []));

test("the used one is first, a rejected one last and not set beside it", () => {
  render(
    <Compare
      film={film}
      shot={shot([take(1), take(2, { rejected: "two heads" }), take(3)], "t3")}
    />,
  );
  expect(shown()).toEqual(["Take 3", "Take 1"]);
  const all = within(screen.getByRole("list", { name: "All takes" })).getAllByRole("button");
  expect(all.at(-1)!.getAttribute("aria-label")).toBe("Take 2 beside the others, rejected");
});

test("what is made is set beside what was looked at, the newest four at most", () => {
  const { rerender } = render(<Compare film={film} shot={shot([take(1), take(2)])} />);
  expect(shown()).toEqual(["Take 1", "Take 2"]);
  rerender(<Compare film={film} shot={shot([take(1), take(2), take(3)])} />);
  expect(shown()).toEqual(["Take 1", "Take 3"]);
  rerender(<Compare film={film} shot={shot([1, 2, 3, 4, 5, 6].map((n) => take(n)))} />);
  expect(shown()).toEqual(["Take 3", "Take 4", "Take 5", "Take 6"]);
});

test("takes are set beside one another by hand, and taken away", () => {
  render(<Compare film={film} shot={shot([take(1), take(2), take(3)])} />);
  expect(shown()).toEqual(["Take 1", "Take 3"]);
  fireEvent.click(screen.getByRole("button", { name: "Take 2 beside the others" }));
  expect(shown()).toEqual(["Take 1", "Take 3", "Take 2"]);
  fireEvent.click(screen.getByRole("button", { name: "Take 1 beside the others" }));
  expect(shown()).toEqual(["Take 3", "Take 2"]);
});

test("Shift and a number circles, but not while something is typed", () => {
  render(<Compare film={film} shot={shot([take(1), take(2)])} />);
  fireEvent.keyDown(window, { code: "Digit2", key: "@", shiftKey: true });
  expect(changed.all).toEqual([{ type: "circle take", shot: 3, take: "t2" }]);
  fireEvent.keyDown(window, { code: "Digit2", key: "2" });
  const field = document.body.appendChild(document.createElement("input"));
  fireEvent.keyDown(field, { code: "Digit1", key: "!", shiftKey: true, bubbles: true });
  field.remove();
  expect(changed.all).toHaveLength(1);
});

test("a reason is asked before one is rejected, and it goes from beside the others", () => {
  const { rerender } = render(<Compare film={film} shot={shot([take(1), take(2)])} />);
  fireEvent.click(screen.getByRole("button", { name: "Take 2 beside the others" }));
  fireEvent.click(screen.getByRole("button", { name: "Take 2 beside the others" }));
  const second = screen.getByRole("figure", { name: "Take 2" });
  fireEvent.click(within(second).getByRole("button", { name: "Reject" }));
  fireEvent.change(screen.getByLabelText("Why it is rejected"), { target: { value: "too blue" } });
  fireEvent.click(screen.getByRole("button", { name: "Reject it" }));
  expect(changed.all).toEqual([{ type: "reject take", shot: 3, take: "t2", reason: "too blue" }]);
  rerender(<Compare film={film} shot={shot([take(1), take(2, { rejected: "too blue" })])} />);
  expect(shown()).toEqual(["Take 1"]);
});

test("what differs from the first is told, and what a take came of", () => {
  render(
    <Compare
      film={film}
      shot={shot([
        take(1),
        take(2, { prompt: "a red boat", came: "Retouched from take 1: taken out." }),
      ])}
    />,
  );
  const second = screen.getByRole("figure", { name: "Take 2" });
  expect(second.textContent).toContain("against take 1");
  expect(second.textContent).toContain("Retouched from take 1: taken out.");
});

test("a desk takes the place of the takes", () => {
  render(<Compare film={film} shot={shot([take(1)])} />);
  fireEvent.click(screen.getByRole("button", { name: "Retouch" }));
  expect(screen.getByText("retouching")).toBeTruthy();
  expect(screen.queryByRole("figure")).toBeNull();
});

test("a picture of another shape has its remedy beside the fault", () => {
  const faults = [{ kind: "shape", text: "taller than the film: 900 by 1200" }] as Take["faults"];
  render(
    <Compare
      film={film}
      shot={shot([
        take(1, { faults: [{ kind: "blur", text: "blurred" }] as Take["faults"] }),
        take(2, { faults }),
      ])}
    />,
  );
  fireEvent.click(screen.getByRole("button", { name: "Crop or continue its edges" }));
  expect(screen.getByText("framing")).toBeTruthy();
});

test("a take whose file is lost shows its small picture, and says so", () => {
  const faults = [{ kind: "lost", text: "its file is gone: make it again" }] as Take["faults"];
  render(<Compare film={film} shot={shot([take(1), take(2, { faults, thumb: "small.jpg" })])} />);
  expect(screen.getByText("its file is gone: make it again")).toBeTruthy();
  expect(screen.getByAltText("Take 2").getAttribute("src")).toBe("/media/small.jpg");
  expect(screen.getByAltText("Take 1").getAttribute("src")).not.toBe("/media/small.jpg");
});

test("without a take it says what to do", () => {
  render(<Compare film={film} shot={shot([])} />);
  expect(screen.getByText(/No take of shot 3 is made yet/)).toBeTruthy();
});

test("clips play in step, and a moment is gone to in all of them", () => {
  const play = vi
    .spyOn(HTMLMediaElement.prototype, "play")
    .mockImplementation(() => Promise.resolve());
  vi.spyOn(HTMLMediaElement.prototype, "pause").mockImplementation(() => undefined);
  const clip = (media: string, seconds: number) => ({ clip: { media, seconds } });
  const { container, rerender } = render(
    <Compare film={film} shot={shot([take(1, clip("a.mp4", 5)), take(2, clip("b.mp4", 3))])} />,
  );
  const videos = [...container.querySelectorAll("video")];
  expect(videos.map((v) => v.getAttribute("src"))).toEqual(["/media/a.mp4", "/media/b.mp4"]);
  for (const [n, v] of videos.entries())
    Object.defineProperty(v, "duration", { value: n ? 3 : 5, configurable: true });
  const bar = screen.getByRole("slider", { name: "Where the clips are" });
  expect(bar.getAttribute("max")).toBe("5");
  fireEvent.change(bar, { target: { value: "2" } });
  expect(videos.map((v) => v.currentTime)).toEqual([2, 2]);
  fireEvent.change(bar, { target: { value: "4" } });
  // The shorter one stands at its end.
  expect(videos.map((v) => Math.round(v.currentTime * 100) / 100)).toEqual([4, 2.95]);
  fireEvent.click(screen.getByRole("button", { name: "Play in step" }));
  expect(screen.getByRole("button", { name: "Stop" })).toBeTruthy();
  fireEvent.keyDown(window, { key: "k", code: "KeyK" });
  expect(screen.getByRole("button", { name: "Play in step" })).toBeTruthy();
  rerender(<Compare film={film} shot={shot([take(1), take(2)])} />);
  expect(screen.queryByRole("slider", { name: "Where the clips are" })).toBeNull();
  play.mockRestore();
});

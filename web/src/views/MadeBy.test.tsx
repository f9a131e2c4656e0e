import { fireEvent, render, screen } from "@testing-library/react";
import { beforeAll, expect, test, vi } from "vitest";

import { type MadeBy, MadeByOfShot, MadeByRows } from "./MadeBy";

const offer = (kind: string, name: string) => ({ kind, name, title: name.toUpperCase() });
vi.mock("../api/film", () => ({
  useOffers: () => ({
    data: [
      offer("picture", "quick"),
      offer("picture", "fine"),
      offer("clip", "mover"),
      offer("music", "trio"),
      offer("music", "organ"),
    ],
  }),
  useRules: () => ({}),
  useChange: () => ({}),
}));

beforeAll(() => {
  Element.prototype.scrollIntoView = () => undefined;
});

function take(label: string, option: string) {
  fireEvent.keyDown(screen.getByLabelText(label), { key: "Enter" });
  fireEvent.keyDown(screen.getByRole("option", { name: option }), { key: "Enter" });
}

test("only what several make is asked about, and what stands is shown", () => {
  render(
    <MadeByRows
      kinds={["picture", "clip", "music"]}
      chosen={{}}
      stands={{ picture: "fine" }}
      onSet={() => undefined}
    />,
  );
  expect(screen.getByLabelText("picture by").textContent).toBe("FINE");
  expect(screen.getByLabelText("music by").textContent).toBe("TRIO");
  expect(screen.queryByLabelText("clip by")).toBeNull();
  expect(screen.queryByRole("button", { name: /^Lift/ })).toBeNull();
});

test("a choice is added to the others, and lifted alone", () => {
  const set: MadeBy[] = [];
  const chosen = { music: "organ" };
  const view = render(
    <MadeByRows
      kinds={["picture", "music"]}
      chosen={chosen}
      stands={{}}
      onSet={(m) => set.push(m)}
    />,
  );
  take("picture by", "FINE");
  expect(set).toEqual([{ music: "organ", picture: "fine" }]);
  view.rerender(
    <MadeByRows
      kinds={["picture", "music"]}
      chosen={set[0]!}
      stands={{}}
      onSet={(m) => set.push(m)}
    />,
  );
  fireEvent.click(screen.getByRole("button", { name: "Lift who makes the picture" }));
  expect(set[1]).toEqual({ music: "organ" });
});

test("who is not on offer any more is still named where it was chosen", () => {
  render(
    <MadeByRows kinds={["clip"]} chosen={{ clip: "gone" }} stands={{}} onSet={() => undefined} />,
  );
  expect(screen.getByLabelText("clip by").textContent).toBe("gone, not on offer now");
});

test("nothing chosen for a shot lifts it whole", () => {
  const set: unknown[] = [];
  render(
    <MadeByOfShot
      own={{ picture: "fine" }}
      stands={{ picture: "fine" }}
      onSet={(v) => set.push(v)}
    />,
  );
  fireEvent.click(screen.getByRole("button", { name: "Lift who makes the picture" }));
  expect(set).toEqual([{ made_by: null }]);
  expect(screen.queryByLabelText("music by")).toBeNull();
});

import { expect, test } from "vitest";

import type { Drift, Film, Person, Shot } from "../../api/client";
import { blankPerson, blankTrait } from "./blank";
import {
  acceptance,
  cellOf,
  departures,
  inFew,
  nameOf,
  placeColours,
  shareSaid,
  shortOf,
  wornIn,
} from "./drift";

const pip: Person = {
  ...blankPerson("Pip"),
  id: 1,
  traits: [blankTrait("hair", "brown hair"), blankTrait("clothes", "teal coat")],
};
const found = (trait: string, apart: number, accepted = false) => ({
  kind: "colour",
  trait,
  apart,
  text: `${trait}: ΔE ${apart}`,
  marked: apart >= 5,
  accepted,
  wanted: null,
  shown: null,
  by: "",
});
const drift = (values: Partial<Drift>): Drift => ({
  person: 1,
  missing: [],
  found: [],
  worst: null,
  open: 0,
  about: [],
  ...values,
});
const shot = (id: number, scene: number, values: Partial<Shot> = {}) =>
  ({
    id,
    edge: String(id),
    scene,
    picture_of: id,
    people: [1],
    used: "t",
    takes: [{ id: "t", brought: false }],
    stale: false,
    drift: [],
    figures: [],
    ...values,
  }) as unknown as Shot;
const film = (shots: Shot[], cast = [pip]) =>
  ({
    shots,
    cast,
    scenes: [
      { word: 1, first: 0, end: 5 },
      { word: 9, first: 5, end: 9 },
    ],
  }) as unknown as Film;

test("a cell tells the worst of somebody in a scene", () => {
  const off = drift({ worst: 14, open: 1, found: [found("teal coat", 14)] });
  const cell = cellOf(
    film([
      shot(1, 0, { drift: [drift({ worst: 2 })] }),
      shot(2, 0, { drift: [off], stale: true }),
      shot(3, 1),
    ]),
    1,
    0,
  );
  expect([cell.shots.length, cell.stale, cell.apart, cell.open, cell.worst?.id]).toEqual([
    2, 1, 14, 1, 2,
  ]);
  expect(cellOf(film([shot(3, 1)]), 1, 0).shots).toEqual([]);
});

test("the worst come first and what is accepted stands apart", () => {
  const here = film([
    shot(1, 0, { drift: [drift({ open: 1, worst: 6, found: [found("brown hair", 6)] })] }),
    shot(2, 0, { drift: [drift({ open: 1, worst: 31, found: [found("teal coat", 31)] })] }),
    shot(3, 0, { drift: [drift({ found: [found("teal coat", 9, true)] })] }),
    shot(4, 0, {
      picture_of: 2,
      drift: [drift({ open: 1, worst: 31, found: [found("teal coat", 31)] })],
    }),
  ]);
  expect(departures(here).open.map((d) => d.shot.id)).toEqual([2, 1]);
  expect(departures(here).accepted.map((d) => d.shot.id)).toEqual([3]);
});

test("departures are said in few words", () => {
  const off = drift({
    open: 2,
    missing: ["brown hair"],
    found: [found("teal coat", 14), found("brown hair", 3)],
  });
  expect(inFew(off)).toBe("teal coat: ΔE 14; not said: brown hair");
  expect(shortOf(off, pip)).toBe("clothes ΔE 14");
  expect(shortOf(drift({ missing: ["a", "b"], open: 2 }), pip)).toBe("2 unsaid");
  expect(acceptance(shot(1, 0), drift({ about: ["teal coat"] }), true).about).toEqual([
    "teal coat",
  ]);
  expect(acceptance(shot(1, 0), drift({ about: ["teal coat"] }), false).about).toEqual([]);
});

test("the share of traits said leaves out what may go and pictures that were brought", () => {
  const some = film([
    shot(1, 0, { drift: [drift({ missing: ["teal coat"] })] }),
    shot(2, 0),
    shot(3, 0, { used: null }),
  ]);
  expect(shareSaid(some)).toBe(75);
  const loose = {
    ...pip,
    traits: [pip.traits[0]!, { ...pip.traits[1]!, weight: "if room" as const }],
  };
  expect(shareSaid(film([shot(1, 0)], [loose]))).toBe(100);
  expect(shareSaid(film([shot(3, 0, { used: null })]))).toBeNull();
});

test("what is worn is the scene's outfit, or the clothes", () => {
  const dressed = {
    ...pip,
    outfits: [
      { name: "wet", traits: [blankTrait("clothes", "grey blanket")], scenes: [9], shots: [] },
    ],
  };
  expect(wornIn(film([]), dressed, 1)).toBe("grey blanket");
  expect(wornIn(film([]), dressed, 0)).toBe("teal coat");
});

test("a place's colours are counted over its pictures, each picture once", () => {
  const walls = (apart: number) => [
    drift({ person: null, found: [found("ochre walls", apart)], open: apart >= 5 ? 1 : 0 }),
  ];
  const shots = [
    shot(1, 0, { drift: walls(2) }),
    shot(2, 0, { drift: walls(9), place: "a kitchen, ochre walls" }),
    shot(3, 0, { drift: walls(9), picture_of: 2 }),
  ];
  const [row] = placeColours(shots);
  expect(row).toMatchObject({ said: "ochre walls", measured: 2, open: 1 });
  expect(row!.worst).toMatchObject({ shot: shots[1], apart: 9 });
  const kitchen = { id: 4, name: "the kitchen", description: "a kitchen, ochre walls" };
  const here = { ...film(shots), places: [kitchen] } as unknown as Film;
  expect(departures(here).open.map((d) => nameOf(here, d))).toEqual(["the kitchen"]);
});

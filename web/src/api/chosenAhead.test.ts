import { QueryClient } from "@tanstack/react-query";
import { describe, expect, it } from "vitest";

import { ahead } from "./ahead";
import { askBeside, showBeside } from "./besideAhead";
import type { Command, Film } from "./client";

const inset = { media: "m", name: "badge", border: "print", comes: "fade" };
const shot = (id: number) => ({
  id,
  hold: 0,
  framing: "wide",
  own: { insets: [inset], framing: null },
  finish: { grade: null, mood: null, effects: [], whys: [] },
  join: { how: { kind: "cut" }, why: "within a scene", turn: "within" },
  plate: null,
  cards: [
    { sort: "name", number: 0, how: { size: 1 }, seconds: 2 },
    { sort: "words", number: 1, how: { size: 1 }, seconds: 2 },
  ],
});
const film = {
  shots: [shot(1), shot(2)],
  settings: { pace: 4, look: "ink" },
  cast: [
    { id: 1, name: "Ada" },
    { id: 2, name: "Bo" },
  ],
  places: [],
  looks: [{ name: "own", strength: 1 }],
  cues: [{ id: "a", choice: null }],
} as unknown as Film;
const after = (...commands: object[]) =>
  commands.reduce<Film>((now, c) => ahead(now, c as Command)!, film);

describe("choices ahead of the server", () => {
  it("makes the second change of a list out of the first", () => {
    const put = (now: Film, values: object) => ({
      type: "set shots",
      shots: [1],
      values: { insets: now.shots[0]!.own.insets!.map((i) => ({ ...i, ...values })) },
    });
    const first = after(put(film, { border: "round" }));
    const second = ahead(first, put(first, { comes: "drop" }) as Command)!;
    expect(second.shots[0]!.own.insets).toEqual([{ ...inset, border: "round", comes: "drop" }]);
    expect(second.shots[1]).toBe(film.shots[1]);
  });

  it("shows what was chosen, and not what is lifted: that the server proposes", () => {
    const effects = [{ kind: "glow", amount: 0.5 }];
    const next = after({
      type: "set shots",
      shots: [2],
      values: { framing: "close", effects, join: { kind: "wipe" } },
    }).shots[1]!;
    expect([next.framing, next.finish.effects, next.join!.how.kind]).toEqual([
      "close",
      effects,
      "wipe",
    ]);
    const lifted = after({ type: "set shots", shots: [2], values: { framing: null } }).shots[1]!;
    expect([lifted.framing, lifted.own.framing]).toEqual(["wide", null]);
  });

  it("knows settings, people, looks, sounds, holds and cards", () => {
    const next = after(
      { type: "set settings", values: { pace: 5 } },
      { type: "set person", person: { id: 2, name: "Bobo" } },
      { type: "set look", look: { name: "own", strength: 0.4 }, use: false },
      { type: "set cue", cue: { id: "a", gain: 3 } },
      { type: "set hold", shot: 2, seconds: 1.5 },
      { type: "set card", sort: "words", number: 1, shot: 1, how: { size: 2 }, seconds: null },
    );
    expect(next.settings).toEqual({ pace: 5, look: "ink" });
    expect(next.cast.map((p) => p.name)).toEqual(["Ada", "Bobo"]);
    expect(next.looks[0]!.strength).toBe(0.4);
    expect(next.cues[0]!.choice!.gain).toBe(3);
    expect(next.shots[1]!.hold).toBe(1.5);
    expect(next.shots[0]!.cards.map((c) => [c.how.size, c.seconds])).toEqual([
      [1, 2],
      [2, 2],
    ]);
  });
});

describe("what is asked for beside a film", () => {
  const client = new QueryClient();
  const known = (key: unknown[]) => client.getQueryData<Record<string, unknown>>(key)!;

  it("follows how a shot moves, and keeps the reasons of what was there", () => {
    const acts = [{ figure: "p1", action: "wave", word: 3, why: "“waved”", start: 1, seconds: 2 }];
    const key = ["movement", "f", 1, "v"];
    const regions = [
      { id: 1, name: "flag", move: { way: "sway" }, here: true },
      { id: 2, name: "tree", move: { way: "sway" }, here: true },
    ];
    client.setQueryData(key, {
      acts,
      air: [{ kind: "rain", amount: "low", why: "“rain”" }],
      regions,
    });
    client.setQueryData(["movement", "f", 2, "v"], { acts });
    showBeside(client, "f", {
      type: "set shots",
      shots: [1],
      values: {
        acts: [
          { figure: "p1", action: "nod", word: 3 },
          { figure: "p2", action: "walk" },
        ],
        air: [{ kind: "rain", amount: "high" }, { kind: "mist" }],
        regions: [{ id: 2, move: { pace: "high" } }],
      },
    });
    const now = known(key);
    expect(now.acts).toEqual([
      { ...acts[0], action: "nod" },
      { figure: "p2", action: "walk", word: null, why: "", start: 0, seconds: null },
    ]);
    expect(now.air).toEqual([
      { kind: "rain", amount: "high", why: "“rain”" },
      { kind: "mist", amount: "middle", why: "" },
    ]);
    expect(now.regions).toEqual([{ ...regions[1], move: { way: "sway", pace: "high" } }]);
    expect(known(["movement", "f", 2, "v"]).acts).toEqual(acts);
  });

  it("follows lines and lanes, and asks anew where a choice was not taken", () => {
    client.setQueryData(["line", "f", 7, 1, "v"], { word: 7, rejected: {}, seed: 0 });
    client.setQueryData(["mix", "f", 1, "v", ""], {
      lanes: [{ choice: { lane: "voice", low_cut: 0 }, points: [] }],
    });
    showBeside(client, "f", {
      type: "set line",
      line: { word: 7, seed: 2, takes: 3, rejected: { "1": "rushed" } },
    } as Command);
    showBeside(client, "f", {
      type: "set lane",
      lane: { lane: "voice", low_cut: 80 },
    } as Command);
    const line = known(["line", "f", 7, 1, "v"]);
    expect([line.seed, line.rejected]).toEqual([2, { "1": "rushed" }]);
    expect(known(["mix", "f", 1, "v", ""]).lanes).toEqual([
      { choice: { lane: "voice", low_cut: 80 }, points: [] },
    ]);
    askBeside(client, "f");
    expect(client.getQueryState(["line", "f", 7, 1, "v"])!.isInvalidated).toBe(true);
  });
});

import { describe, expect, it } from "vitest";

import type { Shot } from "../../api/client";
import { sorted } from "./FaultList";

const shot = (id: number, ...kinds: string[]) =>
  ({
    id,
    used: "t",
    takes: [{ id: "t", faults: kinds.map((kind) => ({ kind, text: kind })) }],
  }) as unknown as Shot;
const SHOTS = [shot(1, "small"), shot(2, "blur", "cut"), shot(3, "border")];
const ids = (shots: Shot[]) => shots.map((s) => s.id);

describe("pictures with faults", () => {
  it("come with the most faults first, by kind, or as in the film", () => {
    expect(ids(sorted(SHOTS, "most", "all"))).toEqual([2, 1, 3]);
    expect(ids(sorted(SHOTS, "kind", "all"))).toEqual([2, 3, 1]);
    expect(ids(sorted(SHOTS, "film", "all"))).toEqual([1, 2, 3]);
  });
  it("are only those of one kind", () => {
    expect(ids(sorted(SHOTS, "most", "cut"))).toEqual([2]);
    expect(ids(sorted(SHOTS, "film", "turned"))).toEqual([]);
  });
});

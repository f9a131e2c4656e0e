/** Blocks follow each other with no gap, the playhead follows them, and another sound takes their place in time. */
import { afterEach, beforeEach, expect, test, vi } from "vitest";

import { playhead, playing } from "../state/playhead";
import { BlockPlayer } from "./playing";

const started: { url: string; when: number; offset: number; stopped: boolean }[] = [];
let clock = 0;

class FakeContext {
  destination = {};
  get currentTime() {
    return clock;
  }
  resume = async () => {};
  close = async () => {};
  decodeAudioData = async (data: unknown) => ({ url: data });
  createGain = () => ({ connect: () => {}, gain: { setTargetAtTime: () => {} } });
  createBufferSource() {
    const node = {
      buffer: null as { url: string } | null,
      connect: () => {},
      start: (when: number, offset: number) => {
        entry = { url: node.buffer!.url, when, offset, stopped: false };
        started.push(entry);
      },
      stop: () => {
        entry.stopped = true;
      },
    };
    let entry: (typeof started)[number];
    return node;
  }
}

beforeEach(() => {
  started.splice(0);
  clock = 0;
  vi.stubGlobal("AudioContext", FakeContext);
  vi.stubGlobal("fetch", async (url: string) => ({
    ok: url !== "gone",
    status: 500,
    arrayBuffer: async () => url,
  }));
  vi.stubGlobal("requestAnimationFrame", () => 0);
});
afterEach(() => vi.unstubAllGlobals());

const settled = () => new Promise((done) => setTimeout(done, 20));

test("a block begins where the one before ends", async () => {
  const player = new BlockPlayer(10, () => {});
  await player.play(3, 30, 24, (n) => `block ${n}`);
  await settled();
  expect(started.map((s) => s.url)).toEqual(["block 0", "block 1"]);
  expect(started[0]!.offset).toBe(3);
  expect(started[1]!.when - started[0]!.when).toBeCloseTo(7);
  expect(started[1]!.offset).toBe(0);
  expect(playing.get()).toBe(true);
  player.stop();
  expect(playing.get()).toBe(false);
  expect(started.every((s) => s.stopped)).toBe(true);
});

test("another sound takes the place of what plays", async () => {
  const player = new BlockPlayer(10, () => {});
  await player.play(0, 30, 24, (n) => `all ${n}`);
  clock = 2;
  await player.play(2, 30, 24, (n) => `music ${n}`);
  await settled();
  expect(started.filter((s) => !s.stopped).map((s) => s.url)).toEqual(["music 0", "music 1"]);
  expect(started.find((s) => s.url === "music 0")!.offset).toBeCloseTo(2, 1);
  player.close();
});

test("where nothing answers it is said, and nothing plays", async () => {
  const failed = vi.fn();
  playhead.set(5);
  const player = new BlockPlayer(10, failed);
  await player.play(0, 30, 24, () => "gone");
  expect(failed).toHaveBeenCalledOnce();
  expect(playing.get()).toBe(false);
});

import { expect, test } from "vitest";

import { droppedFiles, likelyPictures } from "./dropped";

const file = (name: string) => new File(["x"], name);
const asFile = (name: string) => ({
  isFile: true,
  name,
  file: (done: (f: File) => void) => done(file(name)),
});

/** A folder whose reader hands its entries out two at a time, as browsers hand them out in parts. */
const folder = (name: string, ...entries: { name: string }[]) => ({
  isFile: false,
  name,
  createReader: () => {
    let at = 0;
    return {
      readEntries: (done: (part: unknown[]) => void) => {
        done(entries.slice(at, at + 2));
        at += 2;
      },
    };
  },
});

const dropped = (entries: unknown[], files: File[] = []) =>
  ({
    items: entries.map((e) => ({ webkitGetAsEntry: () => e })),
    files,
  }) as unknown as DataTransfer;
const names = (files: readonly File[]) => files.map((f) => f.name);

test("a folder gives its files in the order of their numbers, folders within it too", async () => {
  const scenes = folder(
    "scenes",
    asFile("shot 10.png"),
    asFile("shot 2.png"),
    asFile(".hidden"),
    folder("more", asFile("b.png"), asFile("a.png")),
    asFile("shot 1.png"),
  );
  expect(names(await droppedFiles(dropped([scenes, asFile("last.webp")])))).toEqual([
    "a.png",
    "b.png",
    "shot 1.png",
    "shot 2.png",
    "shot 10.png",
    "last.webp",
  ]);
});

test("without entries the files themselves are taken", async () => {
  expect(names(await droppedFiles(dropped([null], [file("one.png")])))).toEqual(["one.png"]);
});

test("what is no picture is left out, and what may be one is kept", () => {
  const all = [
    "a.png",
    "notes.txt",
    "b.ora",
    "c",
    "pictures.zip",
    "Thumbs.db",
    ".DS_Store",
    "voice.wav",
    "d.svg",
  ].map(file);
  expect(names(likelyPictures(all))).toEqual(["a.png", "b.ora", "c", "pictures.zip", "d.svg"]);
});

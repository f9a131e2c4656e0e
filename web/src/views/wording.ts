/** Choices of the whole film, in words where their names are none. */

export const SOUNDS = {
  off: "none",
  low: "what turns heads",
  middle: "what is plainly heard",
  high: "every step",
};
export const JOINS = {
  plain: "one dissolve everywhere",
  low: "cuts and dissolves",
  middle: "dips and light too",
  high: "a pattern of the look too",
};
export const MUSIC = { auto: "by the film's mood" };

/** Choices of the whole film, in words where their names are none. */

export const SOUNDS = {
  off: "none",
  low: "what turns heads",
  middle: "what is plainly heard",
  high: "every step",
};
export const MUSIC = { auto: "by the film's mood" };

/** People, places and traits with nothing in them yet. */
import type { Person, Place, Trait } from "../../api/client";

export const blankTrait = (about: string, text = ""): Trait => ({
  about,
  text,
  short: "",
  weight: "must",
  colour: null,
  said: "",
});

export const blankPerson = (name: string): Person => ({
  id: 0,
  name,
  aliases: [],
  kind: "person",
  pronoun: null,
  traits: [],
  outfits: [],
  voice: null,
  manner: "",
  seed: null,
  prompt: null,
  references: [],
  company: null,
  made_by: {},
  guess: false,
  why: "",
});

export const blankPlace = (name: string): Place => ({
  id: 0,
  name,
  words: [],
  description: "",
  light: {},
  weather: null,
  references: [],
  company: null,
  guess: false,
  why: "",
});

/** The desks where one take is put right by hand. */
import type { ComponentType } from "react";

import { CutOut } from "./CutOut";
import { Frame } from "./Frame";
import { LayIn } from "./LayIn";
import { Pose } from "./Pose";
import { Retouch } from "./Retouch";
import { Sketch } from "./Sketch";
import type { DeskProps } from "./desk";

export const DESKS = {
  retouch: Retouch,
  pose: Pose,
  sketch: Sketch,
  cut: CutOut,
  lay: LayIn,
  frame: Frame,
} satisfies Record<string, ComponentType<DeskProps>>;
export type DeskName = keyof typeof DESKS;

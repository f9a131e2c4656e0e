/** Plays the film's sound as it is mixed, or some lanes of it; the playhead of the whole application follows. */
import { useCallback, useEffect, useMemo, useRef } from "react";

import type { Film } from "../../api/client";
import { type Lane, type Mix, type Role, soundOf } from "../../api/mix";
import { BlockPlayer } from "../../parts/playing";
import { rateOf } from "../../parts/time";
import { notify } from "../../state/notices";
import { playhead, playing, seekTo } from "../../state/playhead";
import { useStore } from "../../state/store";
import { LANES, ROLES } from "./scale";

export function useMixPlayer(film: Film, mix: Mix | undefined, silent: ReadonlySet<Lane>) {
  const rate = rateOf(film.fps);
  const each = mix?.block ?? 5;
  const player = useMemo(
    () => new BlockPlayer(each, () => notify("The sound does not answer. Play again in a moment.")),
    [each],
  );
  useEffect(() => () => player.close(), [player]);
  const roles = useMemo<Role[]>(
    () => LANES.filter((lane) => !silent.has(lane)).flatMap((lane) => ROLES[lane]),
    [silent],
  );
  // The keys of its blocks are the name of the whole: another sound has others.
  const version = useMemo(() => nameOf(mix?.blocks ?? []), [mix?.blocks]);
  const start = useCallback(() => {
    const place = (block: number) =>
      soundOf(
        film.id,
        block,
        roles,
        mix?.blocks[block] ? `${mix.blocks[block]}${version}` : version,
      );
    const from = playhead.get() >= film.frames - 2 ? 0 : playhead.get() / rate;
    void player.play(from, film.seconds, rate, place);
  }, [film.frames, film.id, film.seconds, mix, player, rate, roles, version]);
  const toggle = useCallback(() => {
    if (playing.get()) player.stop();
    else start();
  }, [player, start]);
  // What is heard follows what is changed, and a playhead that is put elsewhere.
  const latest = useRef(start);
  useEffect(() => {
    latest.current = start;
  });
  useEffect(() => {
    if (playing.get()) latest.current();
  }, [roles, version]);
  const asked = useStore(seekTo);
  const done = useRef(asked.count);
  useEffect(() => {
    if (asked.count === done.current) return;
    done.current = asked.count;
    if (playing.get() || asked.play) latest.current();
  }, [asked]);
  return { toggle };
}

/** A short name of many keys. */
function nameOf(keys: readonly string[]): string {
  let sum = 0;
  for (const key of keys) sum = (Math.imul(sum, 31) + parseInt(key.slice(0, 8), 16)) | 0;
  return (sum >>> 0).toString(16);
}

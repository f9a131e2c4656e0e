/** What holds for every line: how a speaker always speaks and where that is heard; and the same of a scene. */
import { useState } from "react";

import type { Film } from "../../../api/client";
import { useChange, useRules } from "../../../api/film";
import type { LineSaid } from "../../../api/voices";
import { Choice } from "../../../parts/Choice";
import { Field } from "../../../parts/Field";

type Room = LineSaid["room"];

export function Standing({ film, said }: { film: Film; said: LineSaid }) {
  const change = useChange(film.id);
  const person = film.cast.find((p) => p.id === said.person);
  const who = said.speaker ?? "the narrator";
  const always = person ?? film.settings;
  const speaker = (values: { manner?: string; room?: Room | null }) =>
    person
      ? change.mutate({ type: "set person", person: { ...person, ...values } })
      : change.mutate({ type: "set settings", values });
  return (
    <div className="mb-3 mt-1 flex flex-col gap-2">
      <Held
        key={`${said.person} ${always.manner}`}
        label={`How ${who} always speaks`}
        manner={always.manner ?? ""}
        room={always.room ?? null}
        onManner={(manner) => speaker({ manner })}
        onRoom={(room) => speaker({ room })}
      />
      <Held
        key={`${said.scene} ${said.scene_manner}`}
        label="How everybody speaks in this scene"
        manner={said.scene_manner}
        room={said.scene_room}
        onManner={(manner) =>
          change.mutate({ type: "set scene", word: said.scene, values: {}, manner })
        }
        onRoom={(room) =>
          change.mutate({
            type: "set scene",
            word: said.scene,
            values: {},
            room: room ?? "as told",
          })
        }
      />
    </div>
  );
}

interface HeldProps {
  label: string;
  manner: string;
  room: Room | null;
  onManner: (manner: string) => void;
  onRoom: (room: Room | null) => void;
}

function Held({ label, manner, room, onManner, onRoom }: HeldProps) {
  const [text, setText] = useState(manner);
  const rooms = useRules().rooms;
  const settle = () => text.trim() !== manner && onManner(text.trim());
  return (
    <div>
      <p className="flex items-center justify-between text-ink-2">
        {label}
        <Choice
          quiet
          label={`${label}: where it is heard`}
          value={room ?? "-"}
          options={[["-", "as told"], ...rooms.map((r): [string, string] => [r, r])]}
          onChange={(to) => onRoom(to === "-" ? null : (to as Room))}
        />
      </p>
      <Field
        aria-label={label}
        value={text}
        maxLength={120}
        placeholder="warmly, unhurried"
        onChange={(e) => setText(e.target.value)}
        onBlur={settle}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === "Enter") settle();
        }}
      />
    </div>
  );
}

/** The looks to choose from: ours, the film's own, and one made from pictures. */
import { useState } from "react";

import type { Film, Look } from "../../api/client";
import { useLooksOf } from "../../api/film";
import { LookFromPictures } from "./LookFromPictures";
import { LookSheet } from "./LookSheet";
import { Split } from "./Split";

export function LookTab({ film }: { film: Film }) {
  const looks = useLooksOf(film);
  const [chosen, setChosen] = useState<string | null>(null);
  const [making, setMaking] = useState(false);
  const look = looks.find((l) => l.name === (chosen ?? film.settings.look)) ?? looks[0];
  return (
    <Split
      aside={
        making ? (
          <LookFromPictures
            film={film}
            onDone={(name) => {
              setMaking(false);
              if (name) setChosen(name);
            }}
          />
        ) : (
          look && <LookSheet key={look.name} film={film} look={look} onChoose={setChosen} />
        )
      }
    >
      <div className="grid grid-cols-[repeat(auto-fill,minmax(240px,1fr))] gap-3.5">
        {looks.map((l) => (
          <Card
            key={l.name}
            look={l}
            on={!making && l.name === look?.name}
            used={film.settings.look === l.name}
            onClick={() => {
              setMaking(false);
              setChosen(l.name);
            }}
          />
        ))}
        <button
          type="button"
          aria-pressed={making}
          onClick={() => setMaking(true)}
          className={`flex min-h-[120px] flex-col items-start justify-end rounded-[5px] border border-dashed p-3 text-left ${making ? "border-ink bg-shade" : "border-rule-strong hover:border-ink-2"}`}
        >
          <b className="font-serif text-[16px]">From pictures of your own</b>
          <span className="text-ink-2">
            One to four pictures are measured: palette, lightness, contrast, saturation, line.
          </span>
        </button>
      </div>
    </Split>
  );
}

function Card({
  look,
  on,
  used,
  onClick,
}: {
  look: Look;
  on: boolean;
  used: boolean;
  onClick: () => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onClick}
      className={`flex flex-col overflow-hidden rounded-[5px] border bg-page text-left ${on ? "border-ink outline outline-1 outline-ink" : "border-rule-strong hover:border-ink-2"}`}
    >
      {look.own ? (
        <span className="flex aspect-[2/1] w-full">
          {look.references.length
            ? look.references.map((r) => (
                <img
                  key={r.media}
                  src={`/media/${r.thumb}`}
                  alt=""
                  className="h-full min-w-0 grow object-cover"
                />
              ))
            : look.palette.map((c) => (
                <i key={c.css} className="grow" style={{ background: c.css }} />
              ))}
        </span>
      ) : (
        <img src={`/looks/${look.name}.jpg`} alt="" className="aspect-[2/1] w-full object-cover" />
      )}
      <span className="flex w-full items-baseline gap-2 px-3 py-2">
        <b className="font-serif text-[16px]">{look.title}</b>
        {used && <span className="text-ink-2">this film&rsquo;s look</span>}
      </span>
    </button>
  );
}

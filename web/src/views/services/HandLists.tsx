/** What is made by hand: a list for today with prompts to copy, and files that find their place by number. */
import { Copy, X } from "lucide-react";
import { useEffect, useRef, useState } from "react";

import type { Schemas } from "../../api/client";
import { type Plugged, useBringHand, useHandList, useTakeOff } from "../../api/services";
import { useKeys } from "../../keys/useKeys";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { droppedFiles } from "../../parts/dropped";
import { notify } from "../../state/notices";

interface Props {
  hands: readonly Plugged[];
  onPlugIn: () => void;
}

export function HandLists({ hands, onPlugIn }: Props) {
  const [chosen, setChosen] = useState("");
  const hand = hands.find((h) => h.id === chosen) ?? hands[0];
  if (!hand)
    return (
      <div className="max-w-[560px] px-5 py-6">
        <h2 className="mb-1 font-serif text-[20px] font-bold">Nothing is made by hand yet</h2>
        <p className="mb-3 text-ink-2">
          A browser that gives you thirty pictures a day, or your own pencil: plug it in, choose it
          for shots as any other offer, and what is asked for stands here as a list, with prompts to
          copy. What you bring back finds its place by its number.
        </p>
        <Button onClick={onPlugIn}>Plug in a hand …</Button>
      </div>
    );
  return (
    <HandList
      key={hand.id}
      hand={hand}
      head={
        hands.length > 1 ? (
          <Choice
            label="Whose list"
            value={hand.id}
            options={hands.map((h) => [h.id, h.title])}
            onChange={setChosen}
          />
        ) : (
          <h2 className="font-serif text-[20px] font-bold">{hand.title}</h2>
        )
      }
    />
  );
}

type Row = Schemas["HandRow"];

async function copied(row: Row) {
  try {
    await navigator.clipboard.writeText(row.prompt);
    notify(`The prompt of number ${row.number} is copied. Name the file ${row.number}.`);
  } catch {
    notify("The browser does not let the prompt be copied. Mark it and copy it by hand.");
  }
}

function HandList({ hand, head }: { hand: Plugged; head: React.ReactNode }) {
  const list = useHandList(hand.id).data;
  const bring = useBringHand(hand.id);
  const takeOff = useTakeOff(hand.id);
  const input = useRef<HTMLInputElement>(null);
  const [at, setAt] = useState(0);
  const [over, setOver] = useState(false);
  const rows = list?.rows ?? [];
  const present = Math.min(at, rows.length - 1);
  const marked = useRef<HTMLLIElement>(null);
  useEffect(() => {
    void marked.current?.scrollIntoView({ block: "nearest" });
  }, [present]);
  useKeys("hand", {
    walk: (e) =>
      setAt(Math.max(0, Math.min(rows.length - 1, present + (e.key === "ArrowDown" ? 1 : -1)))),
    copy: () => {
      const row = rows[present];
      if (row) void copied(row);
    },
    next: () => {
      const row = rows[Math.min(present + 1, rows.length - 1)];
      setAt(Math.min(present + 1, rows.length - 1));
      if (row) void copied(row);
    },
  });
  const left = bring.data?.placed.filter((p) => p.number === null) ?? [];
  const placed = (bring.data?.placed.length ?? 0) - left.length;
  return (
    <div className="grid h-full grid-cols-[1fr_412px]">
      <section aria-label="List for today" className="min-h-0 overflow-y-auto px-5 pb-6">
        <div className="sticky top-0 z-10 flex items-baseline gap-3 border-b border-rule-strong bg-ground pb-2 pt-1">
          {head}
          <span className="text-ink-2">
            {rows.length ? `${rows.length} for today` : "nothing for today"}
            {list?.later ? `, ${list.later} for later days` : ""}
            {list?.daily ? ` · ${list.made} of ${list.daily} came today` : ""}
          </span>
        </div>
        <ol>
          {rows.map((row, i) => (
            <li
              key={row.number}
              ref={i === present ? marked : null}
              aria-current={i === present}
              onMouseDown={() => setAt(i)}
              className={`grid grid-cols-[64px_1fr_auto] gap-3 border-b border-rule py-3 ${i === present ? "bg-page shadow-[inset_2px_0_0_var(--ink)]" : ""}`}
            >
              <span className="pl-3 font-mono text-[20px]">{row.number}</span>
              <div className="min-w-0">
                <p className="text-[12.5px] text-ink-2">
                  {row.title}, {row.label.replace(/^picture of /, "")} · {row.details}
                </p>
                <p className="mt-0.5 font-serif text-[15px] leading-snug">{row.prompt}</p>
                {row.negative && (
                  <p className="mt-0.5 text-ink-2">not to be seen: {row.negative}</p>
                )}
                {row.references.length > 0 && (
                  <p className="mt-1.5 flex gap-2">
                    {row.references.map((media) => (
                      <a key={media} href={`/media/${media}`} download={`to follow ${row.number}`}>
                        <img
                          src={`/media/${media}`}
                          alt="to follow"
                          className="h-14 rounded-[3px] border border-rule-strong"
                        />
                      </a>
                    ))}
                  </p>
                )}
              </div>
              <span className="flex items-start gap-1 pr-3">
                <Button onClick={() => void copied(row)}>
                  <Copy className="size-3.5" /> Copy
                </Button>
                <Button
                  kind="quiet"
                  aria-label={`Take number ${row.number} off the list`}
                  title="Take it off the list; it is not made"
                  onClick={() => takeOff.mutate(row.number)}
                >
                  <X className="size-4" />
                </Button>
              </span>
            </li>
          ))}
        </ol>
        {list && !rows.length && (
          <p className="pt-4 text-ink-2">
            {list.later
              ? "What is left of today is used up; the list goes on tomorrow."
              : `Choose “${hand.title}” where pictures are made, and what you ask for stands here.`}
          </p>
        )}
      </section>
      <aside
        aria-label="Bring files"
        className="min-h-0 overflow-y-auto border-l border-rule-strong bg-page px-5 py-4"
      >
        <h2 className="mb-1 font-serif text-[20px] font-bold">Bring what is made</h2>
        <p className="mb-3 text-ink-2">
          Name each file by its number: <span className="font-mono text-[12px]">12.png</span>,{" "}
          <span className="font-mono text-[12px]">12 jetty.jpg</span>. Files, folders and zips are
          taken.
        </p>
        <button
          type="button"
          onClick={() => input.current?.click()}
          onDragOver={(e) => {
            e.preventDefault();
            setOver(true);
          }}
          onDragLeave={() => setOver(false)}
          onDrop={(e) => {
            e.preventDefault();
            setOver(false);
            void droppedFiles(e.dataTransfer).then((files) => bring.mutate(files));
          }}
          className={`flex h-32 w-full items-center justify-center rounded-[5px] border border-dashed text-ink-2 ${over ? "border-ink bg-shade text-ink" : "border-rule-strong hover:bg-shade"}`}
        >
          {bring.isPending ? "Looking at them …" : "Drop files here, or choose them"}
        </button>
        <input
          ref={input}
          type="file"
          multiple
          aria-label="Files that are made"
          className="hidden"
          onChange={(e) => {
            const files = [...(e.target.files ?? [])];
            e.target.value = "";
            if (files.length) bring.mutate(files);
          }}
        />
        {bring.data && (
          <div role="status" className="mt-3">
            {placed > 0 && (
              <p>
                {placed} {placed === 1 ? "file has its place." : "files have their place."}
              </p>
            )}
            {left.map((p) => (
              <p key={p.name} className="mt-1.5 border-l-2 border-grease py-0.5 pl-3">
                <span className="font-mono text-[12px]">{p.name}</span>: {p.says}
              </p>
            ))}
          </div>
        )}
        {list && (
          <p className="mt-4 text-ink-2">
            Or put them into this folder, which is watched:{" "}
            <code className="break-all font-mono text-[12px] text-ink">{list.folder}</code>
          </p>
        )}
      </aside>
    </div>
  );
}

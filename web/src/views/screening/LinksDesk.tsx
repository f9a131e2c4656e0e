/** Links for others: who has one sees this film and nothing else, for a time, and may note where that is allowed. */
import { useState } from "react";

import type { Film } from "../../api/client";
import { type Link, useLinks, useMakeLink, useWithdraw } from "../../api/links";
import { Button } from "../../parts/Button";
import { Choice } from "../../parts/Choice";
import { Field } from "../../parts/Field";
import { keysOf } from "../../keys/useKeys";
import { copy } from "../../parts/copy";

const DAYS = [
  ["1", "for a day"],
  ["7", "for a week"],
  ["14", "for two weeks"],
  ["60", "for two months"],
] as const;

export function LinksDesk({ film }: { film: Film }) {
  const links = useLinks(film.id).data;
  const make = useMakeLink(film.id);
  const [label, setLabel] = useState("");
  const [days, setDays] = useState("14");
  const [may, setMay] = useState("watch");
  const [password, setPassword] = useState("");
  if (!links) return null;
  return (
    <div className="h-full overflow-y-auto px-5 pb-4">
      {!links.open && (
        <p role="status" className="mb-3 max-w-[640px] border-l-2 border-grease py-1 pl-3">
          The door is closed: links can be made, but lead nowhere. Start Cut Reel with{" "}
          <code className="font-mono text-[12px]">bin/start --door 8430</code> to open it; whoever
          reaches this machine and has a link sees what that shows, and nothing else.
        </p>
      )}
      {!links.made && (
        <p className="mb-3 text-ink-2">
          What a link shows is the film as it was made last, under Delivery. It was not made yet.
        </p>
      )}
      <form
        aria-label="Make a link"
        className="flex flex-wrap items-center gap-2 border-y border-rule py-2"
        onSubmit={(e) => {
          e.preventDefault();
          make.mutate(
            { label, days: Number(days), may_note: may === "note", password },
            {
              onSuccess: (now) => {
                setLabel("");
                setPassword("");
                if (now.links[0]) void copy(now.links[0].address, "the link");
              },
            },
          );
        }}
      >
        <Field
          aria-label="For whom"
          placeholder="for whom"
          value={label}
          maxLength={80}
          onChange={(e) => setLabel(e.target.value)}
          className="!w-[180px]"
        />
        <Choice
          label="What it may"
          value={may}
          options={[
            ["watch", "to watch"],
            ["note", "to watch and note"],
          ]}
          onChange={setMay}
        />
        <Choice label="For how long" value={days} options={DAYS} onChange={setDays} />
        <Field
          aria-label="Password"
          type="password"
          autoComplete="off"
          placeholder="password, if you like"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
          className="!w-[190px]"
        />
        <Button type="submit" kind="ink" disabled={make.isPending}>
          Make a link
        </Button>
      </form>
      <ul aria-label="Links">
        {links.links.map((link) => (
          <Row key={link.id} film={film} link={link} />
        ))}
      </ul>
      {!links.links.length && <p className="pt-3 text-ink-2">Nobody has a link to this film.</p>}
    </div>
  );
}

function Row({ film, link }: { film: Film; link: Link }) {
  const withdraw = useWithdraw(film.id);
  const last = link.last_opened && day(link.last_opened);
  return (
    <li
      tabIndex={0}
      aria-label={link.label || "A link"}
      onKeyDown={keysOf("link", {
        copy: () => void copy(link.address, "the link"),
        withdraw: () => withdraw.mutate(link.id),
      })}
      className="grid grid-cols-[200px_minmax(0,1fr)_auto] items-baseline gap-4 border-b border-rule py-2"
    >
      <span className="min-w-0">
        <span className="block truncate font-medium">{link.label || "nobody named"}</span>
        <span className="block text-[12.5px] text-ink-2">
          {link.may_note ? "watches and notes" : "watches"}
          {link.has_password && ", with a password"}
        </span>
      </span>
      <span className="min-w-0">
        <span className="block truncate font-mono text-[12px]">{link.address}</span>
        <span className={`block text-[12.5px] ${link.over ? "text-grease-ink" : "text-ink-2"}`}>
          {link.over ? `over since ${day(link.until)}` : `until ${day(link.until)}`} ·{" "}
          {link.opened ? `opened ${times(link.opened)}, last ${last}` : "not opened yet"}
        </span>
      </span>
      <span className="flex gap-1">
        <Button onClick={() => void copy(link.address, "the link")}>Copy</Button>
        <Button kind="quiet" onClick={() => withdraw.mutate(link.id)}>
          Withdraw
        </Button>
      </span>
    </li>
  );
}

const times = (n: number): string => (n === 1 ? "once" : n === 2 ? "twice" : `${n} times`);
const day = (moment: string): string =>
  new Date(moment).toLocaleDateString("en-GB", { day: "numeric", month: "long" });

/** The top line: film, views as plain words, and at the right what is going on and what it costs. */
import * as Menu from "@radix-ui/react-dropdown-menu";
import { Lamp, LampDesk, Redo2, Undo2 } from "lucide-react";
import { Link, NavLink, useLocation, useNavigate } from "react-router";

import type { Film } from "../api/client";
import { useCancel, useChange, useHistory, useRest, useRuns, useSpending } from "../api/film";
import { useCuts } from "../api/cuts";
import { notify } from "../state/notices";
import { lamp, setLamp } from "../state/playhead";
import { setToldWhenReady, toldWhenReady } from "../state/ready";
import { useStore } from "../state/store";
import { Choice } from "./Choice";
import { Editable } from "./Editable";
import { KeyList } from "../keys/KeyList";
import { RunQuestions } from "./RunQuestions";
import { nameOfRun } from "./runNames";
import { inWords, money } from "./time";
import { useReadyNotice } from "./useReadyNotice";

const VIEWS = [
  ["script", "Script"],
  ["continuity", "Continuity"],
  ["sheet", "Sheet"],
  ["bench", "Bench"],
  ["mix", "Mix"],
  ["screening", "Screening"],
  ["delivery", "Delivery"],
] as const;

export function TopLine({ film }: { film: Film }) {
  const change = useChange(film.id);
  const history = useHistory(film.id);
  const spending = useSpending(film.id).data;
  return (
    <header className="flex h-11 shrink-0 items-center border-b border-rule-strong bg-ground pl-5 pr-4">
      <Link
        to="/"
        aria-label="To the shelf"
        title="To the shelf"
        className="mr-3 text-ink-2 hover:text-ink"
      >
        <svg viewBox="0 0 16 16" className="size-4" aria-hidden="true">
          <path
            d="M1 13.5h14M2.5 13V4M6 13V2.5M9.5 13V4M11.5 4.6l3 8"
            stroke="currentColor"
            strokeWidth="1.5"
            fill="none"
            strokeLinecap="round"
          />
        </svg>
      </Link>
      <h1 className="max-w-[300px] truncate font-serif text-[17px] font-bold">
        <Editable
          value={film.title}
          label="Name of the film"
          onSave={(title) => change.mutate({ type: "rename film", title })}
        />
      </h1>
      <CutMenu film={film} />
      <nav aria-label="Views" className="ml-6 flex gap-5">
        {VIEWS.map(([path, name]) => (
          <NavLink
            key={path}
            to={`/film/${film.id}/${path}`}
            className={({ isActive }) =>
              isActive ? "stroke-under font-semibold text-ink" : "text-ink-2 hover:text-ink"
            }
          >
            {name}
          </NavLink>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-4 whitespace-nowrap pl-4">
        <RunMeter film={film} />
        {spending?.room && (
          <span role="status" title={spending.room} className="text-[12px] text-grease-ink">
            low disk
          </span>
        )}
        <Link
          to="/services?view=money"
          className={`font-mono text-[12px] ${spending?.near ? "text-grease-ink" : "text-ink-2 hover:text-ink"}`}
          title={
            spending?.near || "Spent on this film, and on all films today: to services and money"
          }
        >
          spent {money(spending?.film ?? 0)} · today {money(spending?.today ?? 0)}
          {spending?.currency && ` ${spending.currency}`}
        </Link>
        <span className="flex items-center gap-0.5">
          <IconButton
            label={film.undo ? `Undo: ${film.undo}` : "Nothing to undo"}
            disabled={!film.undo || history.isPending}
            onClick={() => history.mutate("undo")}
          >
            <Undo2 className="size-4" />
          </IconButton>
          <IconButton
            label={film.redo ? `Redo: ${film.redo}` : "Nothing to do again"}
            disabled={!film.redo || history.isPending}
            onClick={() => history.mutate("redo")}
          >
            <Redo2 className="size-4" />
          </IconButton>
          <LampButton />
          <KeyList />
        </span>
      </div>
    </header>
  );
}

/** Which of the film's cuts this is, and the way to the others; where there is one alone, nothing. */
function CutMenu({ film }: { film: Film }) {
  const cuts = useCuts(film);
  const navigate = useNavigate();
  const view = useLocation().pathname.split("/")[3] ?? "sheet";
  if (cuts.length < 2) return null;
  return (
    <span className="ml-1 max-w-[110px] truncate text-[12px] text-ink-2">
      <Choice
        quiet
        label="Cut"
        value={film.id}
        options={cuts.map((c) => [c.film, c.name])}
        onChange={(id) => void navigate(`/film/${id}/${view}`)}
      />
    </span>
  );
}

function IconButton({
  label,
  children,
  ...rest
}: { label: string; children: React.ReactNode } & React.ButtonHTMLAttributes<HTMLButtonElement>) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className="flex size-7 items-center justify-center rounded-[5px] text-ink-2 hover:bg-shade hover:text-ink disabled:text-ink-3 disabled:opacity-50"
      {...rest}
    >
      {children}
    </button>
  );
}

export function LampButton() {
  const now = useStore(lamp);
  return (
    <IconButton
      label={now === "dim" ? "Lamp on" : "Lamp off"}
      onClick={() => setLamp(now === "dim" ? "light" : "dim")}
    >
      {now === "dim" ? <LampDesk className="size-4" /> : <Lamp className="size-4" />}
    </IconButton>
  );
}

const MenuAnswer = ({
  onAnswer,
  children,
}: {
  onAnswer: () => void;
  children: React.ReactNode;
}) => (
  <Menu.Item
    className="w-fit cursor-pointer rounded-[5px] border border-rule-strong px-3 py-1 font-medium outline-none data-[highlighted]:bg-shade"
    onSelect={onAnswer}
  >
    {children}
  </Menu.Item>
);

/** Long work: how far, how long still, what it cost so far; opens to cancel. */
function RunMeter({ film }: { film: Film }) {
  const runs = useRuns(film.id).data;
  useReadyNotice(film, runs);
  const told = useStore(toldWhenReady);
  const going = (runs ?? []).filter((run) => run.state === "going" || run.state === "paused");
  const cancel = useCancel(film.id);
  const rest = useRest(film.id);
  const run = going[0];
  if (!run) return <span className="text-ink-2">saved</span>;
  return (
    <Menu.Root>
      <Menu.Trigger
        className="relative rounded-[5px] px-2 py-1 text-ink-2 hover:bg-shade"
        aria-live="polite"
      >
        {run.questions.length ? "asks you at" : run.state === "paused" ? "paused at" : "making"}{" "}
        {Math.min(run.done + 1, run.total)} of {run.total}
        {run.left ? ` · about ${inWords(run.left)}` : ""}
        <span className="absolute inset-x-2 bottom-0 h-[2px] bg-rule">
          <span className="block h-full bg-ink" style={{ width: `${run.share * 100}%` }} />
        </span>
      </Menu.Trigger>
      <Menu.Portal>
        <Menu.Content
          align="end"
          sideOffset={6}
          className="z-50 w-80 rounded-md border border-rule-strong bg-page p-3 shadow-sm"
        >
          {going.map((r) => (
            <div key={r.id} className="mb-2 last:mb-0">
              <div className="flex justify-between">
                <b className="font-semibold">Making {nameOfRun(r.kind)}</b>
                <span className="font-mono text-[12px]">{Math.round(r.share * 100)} %</span>
              </div>
              <p className="text-ink-2">
                {r.done} of {r.total} made, {money(r.cost)} spent
                {r.failures.length ? `, ${r.failures.length} failed: ${r.failures[0]}` : ""}
              </p>
              <RunQuestions film={film} run={r} Answer={MenuAnswer} />
              <Menu.Item
                className="mt-1 w-fit cursor-pointer rounded-[5px] border border-rule-strong px-3 py-1 font-medium outline-none data-[highlighted]:bg-shade"
                onSelect={() => rest.mutate({ run: r.id, paused: r.state !== "paused" })}
              >
                {r.state === "paused" ? "Go on" : "Pause"}
              </Menu.Item>
              <Menu.Item
                className="mt-1 w-fit cursor-pointer rounded-[5px] border border-rule-strong px-3 py-1 font-medium outline-none data-[highlighted]:bg-shade"
                onSelect={() => cancel.mutate(r.id)}
              >
                Cancel; what is made stays
              </Menu.Item>
            </div>
          ))}
          <Menu.CheckboxItem
            checked={told}
            onCheckedChange={(wanted) =>
              void setToldWhenReady(wanted).then(
                (may) =>
                  may ||
                  notify("This browser shows no notices from here. Allow them in its settings."),
              )
            }
            className="mt-2 flex cursor-pointer items-center gap-2 border-t border-rule pt-2 outline-none data-[highlighted]:underline"
          >
            <span
              aria-hidden="true"
              className={`size-3 rounded-full border border-ink ${told ? "bg-ink" : ""}`}
            />
            Tell me when it is ready, if I look elsewhere
          </Menu.CheckboxItem>
        </Menu.Content>
      </Menu.Portal>
    </Menu.Root>
  );
}

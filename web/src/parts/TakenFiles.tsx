/** Files that a run took out of the film, to be downloaded. */
import { Download } from "lucide-react";

import type { Run } from "../api/client";

export interface TakenFile {
  name: string;
  bytes: number;
  what: string;
}

export const filesOf = (run: Run) => (run.outcome as { files?: TakenFile[] }).files;

const sizeTold = (bytes: number) =>
  bytes < 100_000 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

/** A file of a run by its name, among words. */
export const FileLink = ({ run, name }: { run: Run; name: string }) => (
  <a
    href={`/api/runs/${run.id}/files/${name}`}
    download
    title={filesOf(run)?.find((f) => f.name === name)?.what}
    className="underline decoration-rule-strong underline-offset-2 hover:text-ink"
  >
    {name}
  </a>
);

export const TakenFiles = ({ run }: { run: Run }) => (
  <ul aria-label="Files" className="mt-1">
    {filesOf(run)?.map((f) => (
      <li key={f.name}>
        <a
          href={`/api/runs/${run.id}/files/${f.name}`}
          download
          title={f.what}
          className="flex min-h-6 items-center gap-2 rounded-[3px] hover:bg-shade"
        >
          <Download className="size-3.5 shrink-0 text-ink-2" />
          <span className="font-mono text-[12px]">{f.name}</span>
          <span className="truncate text-[12px] text-ink-2">{f.what}</span>
          <span className="ml-auto whitespace-nowrap font-mono text-[11px] text-ink-2">
            {sizeTold(f.bytes)}
          </span>
        </a>
      </li>
    ))}
  </ul>
);

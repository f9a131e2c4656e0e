/** A button that brings picture files. */
import { useRef } from "react";

import { PICTURES } from "../api/formats";
import { Button } from "./Button";

interface Props {
  /** Of the field, for those who hear it. */
  label: string;
  title: string;
  busy: boolean;
  many?: boolean;
  /** A whole folder is chosen instead of files. */
  folder?: boolean;
  /** What files may be chosen. */
  accept?: string;
  /** The same in words. */
  says?: string;
  quiet?: boolean;
  disabled?: boolean;
  onFiles: (files: File[]) => void;
}

export function Bring({
  label,
  title,
  busy,
  many = false,
  folder = false,
  accept = PICTURES,
  says = "PNG, JPEG, WebP, AVIF, SVG or OpenRaster",
  quiet = false,
  disabled = false,
  onFiles,
}: Props) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        kind={quiet ? "quiet" : "plain"}
        disabled={busy || disabled}
        onClick={() => field.current?.click()}
        title={says}
      >
        {busy && !quiet ? "reading …" : title}
      </Button>
      <input
        ref={field}
        type="file"
        multiple={many}
        accept={folder ? undefined : accept}
        {...(folder && { webkitdirectory: "" })}
        className="hidden"
        aria-label={label}
        onChange={(e) => {
          const files = [...(e.target.files ?? [])];
          if (files.length) onFiles(files);
          e.target.value = "";
        }}
      />
    </>
  );
}

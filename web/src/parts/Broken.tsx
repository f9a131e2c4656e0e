/** What stands in the place of a page that broke: what to do, and that nothing is lost. */
import { Link, useRouteError } from "react-router";

import { Button } from "./Button";

export function Broken() {
  const error = useRouteError();
  return (
    <main role="alert" className="mx-auto max-w-[560px] px-6 py-16">
      <h1 className="mb-2 font-serif text-[22px] font-bold">This page broke</h1>
      <p className="mb-4 text-ink-2">
        That is a fault of Cut Reel. Nothing of your films is lost: every change is kept as it is
        made, and what is being made goes on.
      </p>
      <p className="flex items-center gap-3">
        <Button kind="ink" onClick={() => window.location.reload()}>
          Load it again
        </Button>
        <Link to="/" className="text-ink-2 hover:text-ink" reloadDocument>
          To the shelf
        </Link>
      </p>
      <p className="mt-6 break-words font-mono text-[12px] text-ink-2">
        {error instanceof Error ? error.message : "unknown"}
      </p>
    </main>
  );
}

/** Before each test file: what was drawn is taken away after every test, and a slow machine is waited for. */
import { cleanup, configure } from "@testing-library/react";
import { afterEach, vi } from "vitest";

configure({ asyncUtilTimeout: 60_000 });

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

import { describe, expect, it, vi } from "vitest";

import { createStore } from "./store";

describe("store", () => {
  it("tells listeners of new values only", () => {
    const store = createStore(1);
    const heard = vi.fn();
    const stop = store.subscribe(heard);
    store.set(1);
    expect(heard).not.toHaveBeenCalled();
    store.set((n) => n + 1);
    expect([store.get(), heard.mock.calls.length]).toEqual([2, 1]);
    stop();
    store.set(5);
    expect(heard).toHaveBeenCalledTimes(1);
  });
});
